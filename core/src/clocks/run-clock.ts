import type { Day } from '../operations/day.ts';
import type { TimeWindow } from '../operations/time-window.ts';
import { exposureWindow, mixWindows, runningBody, runningCoat } from '../operations/windows.ts';
import type { Shop } from '../survey/shop.ts';
import type { DatedStart } from '../planner/work-start.ts';
import type { Clock, ClockAir, ClockWork, Moment } from './clock.ts';

/** When what comes, for a clock that runs: the bench's limits (operations/windows.ts) in the air as it was and is. */

const MIN_MS = 60_000;

type Limit = Pick<TimeWindow, 'opensAtMin' | 'closesAtMin' | 'forbidden' | 'source' | 'whenMissed'> & {
  readonly kind: Moment['kind'];
};

/** Which limits of a coat count, by what follows on it. */
const COUNTS: Record<Extract<ClockWork, { next: unknown }>['next'], readonly Moment['kind'][]> = {
  coat: ['recoat', 'promoter'],
  base: ['recoat', 'promoter'],
  sand: ['cure'],
  bake: ['flash'],
  any: ['recoat', 'promoter', 'cure'],
};

function limitsOf(work: ClockWork, day: Day): readonly Limit[] {
  switch (work.kind) {
    case 'coat':
      return runningCoat(work.sheet, 0, day).filter(({ kind }) => COUNTS[work.next].includes(kind));
    case 'body':
      return runningBody(work.sheet, 0, day).filter(({ kind }) => kind === 'cure' || work.next !== 'sand');
    case 'mix':
      return mixWindows(work.sheet, 0, day);
    case 'bare':
      return [exposureWindow(0, day)];
    case 'minutes':
      return [
        {
          kind: 'minutes',
          opensAtMin: work.minutes,
          closesAtMin: Infinity,
          source: work.source,
          whenMissed: 'wait',
        },
      ];
  }
}

/** Limits that only close: their opening is the beginning itself, or another limit says it. */
const ONLY_CLOSES: ReadonlySet<Moment['kind']> = new Set(['exposure', 'pot-life']);

function momentsOfLimit(limit: Limit, startedMs: number): Moment[] {
  const { kind, opensAtMin, closesAtMin, forbidden, source, whenMissed } = limit;
  const at = (minutes: number): { atMs?: number } =>
    Number.isFinite(minutes) ? { atMs: Math.round(startedMs + minutes * MIN_MS) } : {};
  const moment = (turn: Moment['turn'], minutes: number): Moment => ({
    kind,
    turn,
    ...at(minutes),
    source,
    whenMissed,
  });
  return [
    ...(ONLY_CLOSES.has(kind) ? [] : [moment('opens', opensAtMin)]),
    ...(forbidden && forbidden.toAtMin < closesAtMin
      ? [moment('shuts', Math.max(opensAtMin, forbidden.fromAtMin)), moment('opens', forbidden.toAtMin)]
      : []),
    ...(Number.isFinite(closesAtMin) ? [moment('closes', closesAtMin)] : []),
  ];
}

/**
 * The moments of a clock, in the order in which they come; those that never come in this air are last.
 * @param shop the shop as it is now
 * @param start day and minute of the shop's wall clock at which it began
 * @param airBefore what the shop said of its air before, in order
 */
export function momentsOf(
  { work, startedMs }: Pick<Clock, 'work' | 'startedMs'>,
  shop: Shop,
  { start, airBefore = [] }: { readonly start: DatedStart; readonly airBefore?: readonly ClockAir[] },
): Moment[] {
  const day: Day = {
    shop,
    ...start,
    airBefore: airBefore.map(({ untilMs, air }) => ({ untilMin: (untilMs - startedMs) / MIN_MS, air })),
  };
  return limitsOf(work, day)
    .flatMap((limit) => momentsOfLimit(limit, startedMs))
    .sort((a, b) => (a.atMs ?? Infinity) - (b.atMs ?? Infinity));
}
