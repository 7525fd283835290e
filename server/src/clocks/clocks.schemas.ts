import { clockSchema } from '@blue-ledge/core';
import { z } from 'zod';

/** Parts and bodies of requests about clocks. */

export const clockParams = z.object({ clock: z.string().min(1).max(60) });
export type ClockParams = z.infer<typeof clockParams>;

export const clockStartSchema = clockSchema;
export type ClockStart = z.infer<typeof clockStartSchema>;

export const clockPatchSchema = z
  .object({
    /** When it really began. */
    startedMs: z.number().int().optional(),
    /** When it was stopped; null lets it run again. */
    endedMs: z.number().int().nullable().optional(),
  })
  .refine(({ startedMs, endedMs }) => startedMs !== undefined || endedMs !== undefined, {
    message: 'names nothing to change: send startedMs or endedMs',
  });
export type ClockPatch = z.infer<typeof clockPatchSchema>;
