import { shopSchema, shopThingsSchema } from '@blue-ledge/core';
import { z } from 'zod';
import { SAYS_NOTHING, saysSomething, versionSchema } from '../http/params.ts';

/** Bodies of requests about shops. */
const name = z.string().trim().min(1, 'needs a name').max(80, 'must be at most 80 characters');

export const shopAddSchema = z.object({ name, shop: shopSchema.prefault({}) });
export type ShopAdd = z.infer<typeof shopAddSchema>;

export const shopPatchSchema = z
  .object({
    /** Left out where the later writer of a field shall win. */
    version: versionSchema.optional(),
    name: name.optional(),
    /** Fields that change: each is replaced as a whole, null takes it away. */
    shop: z.looseObject({}).optional(),
    /** Guns, cups and the like that change, by their ids; null takes one away. */
    things: shopThingsSchema.optional(),
  })
  .refine(saysSomething, SAYS_NOTHING);
export type ShopPatch = z.infer<typeof shopPatchSchema>;

export const shopRemoveSchema = z.object({ version: versionSchema });
