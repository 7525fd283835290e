import { idSchema, sheetSchema } from '@blue-ledge/core';
import { z } from 'zod';

/** Parts and bodies of requests about a shop's shelf. */
export const sheetParams = z.object({ shop: idSchema, sheet: z.string().min(1).max(60) });
export type SheetParams = z.infer<typeof sheetParams>;

const MOST_SHEETS = 4000;

export const sheetPutSchema = z.object({
  sheet: sheetSchema,
  /** The version that was changed; 0 for a sheet that is new. */
  from: z.number().int().min(0),
});
export type SheetPut = z.infer<typeof sheetPutSchema>;

/** Sheets that come in together, all of them or none. */
export const sheetsTakeSchema = z.object({
  sheets: z
    .array(sheetSchema)
    .min(1, 'holds no sheet')
    .max(MOST_SHEETS, `may hold at most ${MOST_SHEETS} sheets`),
});
export type SheetsTake = z.infer<typeof sheetsTakeSchema>;
