import { z } from 'zod';
import { sheetSchema } from '../materials/sheet.ts';
import { WHEN_MISSED, WINDOW_KINDS, type WhenMissed } from '../operations/time-window.ts';
import { shopAirSchema } from '../survey/shop.ts';
import { SOURCES } from '../wording/reason.ts';

/**
 * A clock at the bench: what was begun, and when. What comes when follows from that, from the sheet that it was begun with
 * and from the shop's air since then (run-clock.ts): a clock is a time that was noted, never a counter.
 */

const id = z.string().min(1).max(60);
/** Longest time that a clock measures, minutes: 14 days. */
export const MOST_CLOCK_MIN = 14 * 24 * 60;
const minutes = z
  .number()
  .min(0.1, 'must be at least 0.1 min')
  .max(MOST_CLOCK_MIN, 'must be at most 14 days');
/** A sheet as it is mixed: in one of its ways it has a longer id and name than the sheet itself (materials/modes). */
const sheet = sheetSchema.extend({ id: z.string().min(1).max(100), name: z.string().min(1).max(200) });

/** What follows on the same areas decides which of a coat's limits matters. */
export const NEXT_USES = ['coat', 'base', 'sand', 'bake', 'any'] as const;

/** What runs. */
export const clockWorkSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('coat'), sheet, next: z.enum(NEXT_USES) }),
  z.object({ kind: z.literal('body'), sheet, next: z.enum(NEXT_USES) }),
  z.object({ kind: z.literal('mix'), sheet }),
  /** Metal that was bared. */
  z.object({ kind: z.literal('bare') }),
  /** A wait or a stint of known length: a bake, a rinse that dries, or what a person sets. */
  z.object({ kind: z.literal('minutes'), minutes, source: z.enum(SOURCES) }),
]);

/** The step that a clock belongs to; a pot of its mix has a clock of its own. */
export const clockStepSchema = z.object({
  jobId: id,
  panelId: id,
  panelName: z.string().max(120),
  planId: id,
  systemId: id,
  n: z.number().int().min(1).max(10_000),
  /** Where it is done: a later coat there ends the clocks that waited for it. */
  areas: z.array(id).max(200),
  pot: z.number().int().min(0).max(10_000).optional(),
});

export const clockSchema = z.object({
  id,
  /** Left out for a clock of a person's own. */
  step: clockStepSchema.optional(),
  title: z.string().trim().min(1, 'must say what runs').max(240, 'must be at most 240 characters'),
  work: clockWorkSchema,
  /** What is done when the time has come, in words. */
  then: z.string().max(240).optional(),
  /** What it costs to miss it, hands-on minutes. */
  missedCostMin: z.number().min(0).max(100_000).optional(),
  /** When it began, ms of the server's clock. */
  startedMs: z.number().int(),
});

export type ClockWork = z.infer<typeof clockWorkSchema>;
export type ClockStep = z.infer<typeof clockStepSchema>;
export type Clock = z.infer<typeof clockSchema>;

/** The air that a clock has run in until the shop's air was said anew. */
export const clockAirSchema = z.object({ untilMs: z.number().int(), air: shopAirSchema });
export type ClockAir = z.infer<typeof clockAirSchema>;

export const momentSchema = z.object({
  kind: z.enum([...WINDOW_KINDS, 'minutes']),
  /** It becomes allowed, is not allowed for a while, or is missed. */
  turn: z.enum(['opens', 'shuts', 'closes']),
  /** ms of the server's clock; left out where it never comes in this air. */
  atMs: z.number().optional(),
  source: z.enum(SOURCES),
  whenMissed: z.enum(Object.keys(WHEN_MISSED) as [WhenMissed, ...WhenMissed[]]),
});
export type Moment = z.infer<typeof momentSchema>;

/** A clock as every screen shows it. */
export interface ClockView {
  readonly clock: Clock;
  readonly by: string;
  readonly version: number;
  readonly endedMs: number | null;
  /** In the order in which they come. */
  readonly moments: readonly Moment[];
}

/** All clocks that run, and what time it is by the server's clock. */
export interface ClocksView {
  readonly nowMs: number;
  readonly clocks: readonly ClockView[];
}

/**
 * The same step, or the same pot of it, by its number and what it is: after planning again another step may have the number.
 * Only one clock runs there.
 */
export const clockPlace = (
  { jobId, panelId, n, pot }: Pick<ClockStep, 'jobId' | 'panelId' | 'n' | 'pot'>,
  title: string,
): string => [jobId, panelId, n, pot ?? 'step', title].join('/');
