import { z } from 'zod';
import { LAYER_KIND_NAMES } from '../materials/layer-kinds.ts';
import type { Context } from '../operations/context.ts';
import { DEFECTS, afterMishap, afterReading } from '../operations/mishaps.ts';
import type { PanelState } from '../operations/state.ts';
import { actInputSchema, areaIdSchema } from './act-input.ts';

/** What really happened to a panel, in order: acts with the times and figures that were written down, and what was seen. */

const minute = z.number();
/** More would be no gauge that this trade uses. */
export const MOST_FILM_UM = 5000;

/** The figures of an act as it was really done (operations/real-work.ts). */
export const realWorkSchema = z.object({
  toMin: minute,
  handsOnMin: z.number().min(0).optional(),
  flashMin: z.number().min(0).optional(),
  wetUm: z.array(z.number().min(0).max(MOST_FILM_UM)).optional(),
  reductionPercent: z.number().min(0).max(50).optional(),
});

export const doneActSchema = actInputSchema.extend({ real: realWorkSchema.optional() });
export type DoneAct = z.infer<typeof doneActSchema>;

const layer = z.enum(LAYER_KIND_NAMES);

export const seenSchema = z.discriminatedUnion('seen', [
  z.object({
    seen: z.literal('film'),
    atMin: minute,
    area: areaIdSchema,
    um: z.array(z.number().min(0).max(MOST_FILM_UM)).min(1),
    layer: layer.optional(),
  }),
  z.object({
    seen: z.literal('defect'),
    atMin: minute,
    defect: z.enum(DEFECTS),
    areas: z.array(areaIdSchema).min(1),
    spotMm: z.number().positive().max(5000).optional(),
    count: z.number().int().min(1).max(1000).optional(),
    shows: layer.optional(),
  }),
]);
export type Seen = z.infer<typeof seenSchema>;

export const happeningSchema = z.union([doneActSchema, seenSchema]);
export type Happening = z.infer<typeof happeningSchema>;
/** More than any panel goes through. */
export const happeningsSchema = z.array(happeningSchema).max(2000, 'must be at most 2000 happenings');

export const isSeen = (happening: object): happening is Seen => 'seen' in happening;
export const isDone = (happening: Happening): happening is DoneAct => !isSeen(happening);

/** Acts alone: what is numbered as steps. */
export const actsDone = (happened: readonly Happening[] = []): DoneAct[] => happened.filter(isDone);

const areasOf = (seen: Seen): readonly string[] => (seen.seen === 'film' ? [seen.area] : seen.areas);

/** The panel with what was seen on it, or why that cannot be. */
export function withSeen(panel: PanelState, seen: Seen, context: Context): PanelState | string {
  const unknown = areasOf(seen).find((id) => !panel.zones.some(({ zone }) => zone.id === id));
  if (unknown) return `zones: "${unknown}" is not a zone of this panel that is planned`;
  const now = { ...panel, clockMin: Math.max(panel.clockMin, seen.atMin) };
  return seen.seen === 'film' ? afterReading(now, seen) : afterMishap(now, seen, context);
}
