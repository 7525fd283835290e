import { PHOTO_ID, idSchema } from '@blue-ledge/core';
import { z } from 'zod';

/** Path parts and fields that several controllers share. */
export const jobParams = z.object({ job: idSchema });
export const panelParams = z.object({ job: idSchema, panel: idSchema });
export const shopParams = z.object({ shop: idSchema });
export const placeParams = z.object({ key: z.string().min(8).max(100) });
export const photoParams = z.object({ photo: z.string().regex(PHOTO_ID, 'is not the id of a photo') });
export const planParams = panelParams.extend({ plan: z.uuid('is not the id of a plan') });

export type PanelParams = z.infer<typeof panelParams>;
export type PlanParams = z.infer<typeof planParams>;

/** Letters that no text of a person holds; a database takes the first of them for the end of a text. */
const CONTROL = /\p{Cc}/u;

/** What somebody looks for. @param most characters */
export const searchText = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `must be at most ${most} characters`)
    .refine((text) => !CONTROL.test(text), 'holds a sign that cannot be typed: look for words')
    .default('');

export const versionSchema = z.number().int().min(1);

/** A change names at least one field besides its version. */
export const saysSomething = ({
  version: _version,
  ...fields
}: {
  readonly version?: number | undefined;
}): boolean => Object.values(fields).some((value) => value !== undefined);
export const SAYS_NOTHING = 'names no field that changes';
