import { z } from 'zod';

/** The air of a usual day in a shop, night included: temperature and humidity at some hours, in between by straight lines. */

const MINUTES_AN_HOUR = 60;

export const airPointSchema = z.object({
  /** Hour of the day, 0 to under 24; 7.5 is half past seven. */
  hour: z.number().min(0, 'must be at least 0').lt(24, 'must be under 24'),
  celsius: z.number().min(-20, 'must be at least -20 °C').max(50, 'must be at most 50 °C'),
  relativeHumidity: z.number().min(1, 'must be at least 1 %').max(100, 'must be at most 100 %'),
});

export const usualDaySchema = z
  .array(airPointSchema)
  .min(2, 'needs at least two hours')
  .max(48, 'may hold at most 48 hours')
  .refine(
    (points) => new Set(points.map(({ hour }) => hour)).size === points.length,
    'names an hour twice; keep one of them',
  );

export type AirPoint = z.infer<typeof airPointSchema>;

/** Temperature and humidity at a minute after midnight, between the two points around it; midnight is no border. */
export function airOfDay(
  points: readonly AirPoint[],
  minuteOfDay: number,
): { readonly celsius: number; readonly relativeHumidity: number } {
  const sorted = [...points].sort((a, b) => a.hour - b.hour);
  const hour = minuteOfDay / MINUTES_AN_HOUR;
  const first = sorted[0]!;
  const last = sorted[sorted.length - 1]!;
  const next = sorted.find((point) => point.hour > hour) ?? { ...first, hour: first.hour + 24 };
  const before = sorted.findLast((point) => point.hour <= hour) ?? { ...last, hour: last.hour - 24 };
  const share = (hour - before.hour) / (next.hour - before.hour);
  const between = (from: number, to: number): number => from + (to - from) * share;
  return {
    celsius: between(before.celsius, next.celsius),
    relativeHumidity: between(before.relativeHumidity, next.relativeHumidity),
  };
}
