import { idSchema } from '@blue-ledge/core';
import { z } from 'zod';

/** Queries and bodies of requests about a shop's schedule. */

const day = z.iso.date('must be a day like 2026-12-07');
const minute = z.number().int().min(0, 'must be 0 to 1439').max(1439, 'must be 0 to 1439');
const moment = z.object({ startOn: day, startMin: minute });

export const personParams = z.object({ shop: idSchema, person: z.string().min(1).max(40) });
export type PersonParams = z.infer<typeof personParams>;

export const scheduleMakeSchema = z.object({
  /** `search` looks for a better one; `anew` starts from now, as if nothing had been begun. */
  kind: z.enum(['search', 'anew']).default('search'),
});
export type ScheduleMake = z.infer<typeof scheduleMakeSchema>;

/** Takes the last move back; named by the version that it made, so that nobody takes back what somebody else did since. */
export const scheduleUndoSchema = z.object({ version: z.number().int().min(1) });
export type ScheduleUndo = z.infer<typeof scheduleUndoSchema>;

export const scheduleMovesSchema = z.object({
  moves: z
    .array(
      z.object({
        jobId: idSchema,
        panelId: idSchema,
        n: z.number().int().min(1).max(10_000),
        at: moment.nullable(),
        personId: z.string().min(1).max(40).optional(),
      }),
    )
    .min(1, 'holds no move')
    .max(200, 'may hold at most 200 moves'),
});
export type ScheduleMoves = z.infer<typeof scheduleMovesSchema>;

/** Steps that somebody says were not done yet. */
export const notYetSchema = z.object({
  steps: z
    .array(z.object({ jobId: idSchema, panelId: idSchema, n: z.number().int().min(1).max(10_000) }))
    .min(1, 'holds no step')
    .max(200, 'may hold at most 200 steps'),
});
export type NotYet = z.infer<typeof notYetSchema>;
