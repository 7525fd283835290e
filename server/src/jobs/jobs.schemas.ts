import { shopSchema, targetSchema, zoneSchema } from '@blue-ledge/core';
import { z } from 'zod';
import { versionSchema } from '../http/params.ts';

/** Bodies of requests about jobs. */
export const zoneWriteSchema = z.object({ version: versionSchema, zone: zoneSchema });
export type ZoneWrite = z.infer<typeof zoneWriteSchema>;

export const jobPatchSchema = z.object({
  version: versionSchema,
  title: z.string().trim().min(1, 'needs a title').max(160).optional(),
  target: targetSchema.optional(),
  shop: shopSchema.optional(),
});
export type JobPatch = z.infer<typeof jobPatchSchema>;
