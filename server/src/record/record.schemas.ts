import { DEFECTS, ENTRY_KINDS, idSchema, newEntrySchema, type NewEntry } from '@blue-ledge/core';
import { z } from 'zod';
import { searchText } from '../http/params.ts';

/** Queries and bodies of requests about the record. */

export const entryBodySchema = newEntrySchema.refine(
  ({ kind, body }) => kind !== 'note' || typeof body.text === 'string',
  { path: ['body', 'text'], message: 'needs some words' },
) as unknown as z.ZodType<NewEntry>;

const MOST_A_PAGE = 200;
const whole = z.coerce.number().int('must be a whole number').min(0, 'must be 0 or more');
const day = z.iso.date('must be a day such as 2026-12-07');
const word = searchText(120).unwrap();

export const recordQuerySchema = z.object({
  text: searchText(120),
  job: idSchema.optional(),
  panel: idSchema.optional(),
  kind: z.enum(ENTRY_KINDS).optional(),
  product: word.optional(),
  defect: z.enum(DEFECTS).optional(),
  person: word.optional(),
  from: day.optional(),
  to: day.optional(),
  offset: whole.default(0),
  limit: whole.pipe(z.number().min(1).max(MOST_A_PAGE)).default(50),
});
export type RecordQuery = z.infer<typeof recordQuerySchema>;
