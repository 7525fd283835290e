import { minutesOf } from './score.ts';
import type { Context } from '../operations/context.ts';
import type { Way } from './search-path.ts';

/** Which of the systems that get a panel ready is suggested. */

/** Systems whose work and material differ by less than this are told apart by when they are ready (default). */
const ALIKE_SHARE = 0.1;
/** Ready by less than this before another one is no reason to take it, minutes (default). */
const SOONER_MIN = 60;
/** Nor is more work than this share of what it is ready sooner by (default). */
const WORTH_SHARE = 0.25;

/** A system with the minute of the panel's clock at which it is ready in the shop's hours. */
export interface TimedWay {
  readonly way: Way;
  readonly readyAtMin: number;
}

/** Work and material of a system, in minutes; what it waits for is left out. */
const workOf = ({ steps }: Way, context: Context): number =>
  steps.reduce((sum, { cost }) => sum + minutesOf({ ...cost, waitMin: 0 }, context), 0);

/** What is to be remarked on a system. */
const remarkedOn = ({ steps }: Way): Set<string> =>
  new Set(
    steps.flatMap(({ remarks }) =>
      remarks.flatMap(({ level, reason }) => (level === 'note' ? [] : [`${level} ${reason.code}`])),
    ),
  );

/**
 * The systems of a plan by what they cost. A night is not spent for minutes: of those that take about as much work as the
 * first, and have nothing more against them, the one that is ready soonest comes before it.
 */
export function bySuggestion<Timed extends TimedWay>(ways: readonly Timed[], context: Context): Timed[] {
  const ordered = [...ways].sort((a, b) => a.way.cost - b.way.cost);
  const [first] = ordered;
  if (!first) return [];
  const firstMin = workOf(first.way, context);
  const remarks = remarkedOn(first.way);
  const isWorthIt = ({ way, readyAtMin }: TimedWay): boolean => {
    const moreMin = workOf(way, context) - firstMin;
    const soonerMin = first.readyAtMin - readyAtMin;
    return (
      soonerMin >= SOONER_MIN &&
      moreMin <= Math.min(firstMin * ALIKE_SHARE, soonerMin * WORTH_SHARE) &&
      [...remarkedOn(way)].every((remark) => remarks.has(remark))
    );
  };
  const suggested = ordered.filter(isWorthIt).reduce((a, b) => (b.readyAtMin < a.readyAtMin ? b : a), first);
  return [suggested, ...ordered.filter((each) => each !== suggested)];
}
