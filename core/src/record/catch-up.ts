import { setsAlone } from '../operations/table.ts';
import type { Step } from '../planner/plan.ts';

/** Times for steps that are entered together after they were done: when each of them ended. */

type Timed = Pick<Step, 'n' | 'op' | 'startMin' | 'handsOnMin' | 'waitMin' | 'endMin'>;

/** When a step is entered that goes as planned: at its end, and what sets alone when hands are off it. */
export const enteredAtMin = ({ op, startMin, handsOnMin, endMin }: Timed): number =>
  setsAlone(op) ? startMin + handsOnMin : endMin;

/** A step with the minute at which it ended. */
export interface CaughtUp {
  readonly n: number;
  readonly endMin: number;
}

export interface CatchUpTerms {
  /** Nothing ended before this: the last entry that there is, or the beginning of the job. */
  readonly fromMin: number;
  readonly nowMin: number;
}

/** Minutes from the entry of a step to that of the next one, without a pause. */
const lengthOf = (step: Timed, before: Timed | undefined): number =>
  step.handsOnMin +
  (setsAlone(step.op) ? 0 : step.waitMin) +
  (before && setsAlone(before.op) ? before.waitMin : 0);

/** Each where it may lie: not before what was entered already, not after now, and in the order of the steps. */
function inOrder(steps: readonly CaughtUp[], { fromMin, nowMin }: CatchUpTerms): CaughtUp[] {
  let last = fromMin;
  return steps.map(({ n, endMin }) => {
    last = Math.min(nowMin, Math.max(last, endMin));
    return { n, endMin: last };
  });
}

/**
 * Steps at the times at which they were planned. A time that lies ahead is now; one before the last entry is that.
 * @param plannedEnd when a step was planned to end; null where nobody knows: it goes on from the one before
 */
export function asPlanned(
  steps: readonly Timed[],
  plannedEnd: (n: number) => number | null,
  terms: CatchUpTerms,
): CaughtUp[] {
  let last = terms.fromMin;
  const ends = steps.map((step, i) => {
    last = plannedEnd(step.n) ?? last + lengthOf(step, steps[i - 1]);
    return { n: step.n, endMin: last };
  });
  return inOrder(ends, terms);
}

/** Steps one after the other without a pause, the last of them ending at a minute. */
export function endingAt(steps: readonly Timed[], endMin: number, terms: CatchUpTerms): CaughtUp[] {
  let at = endMin;
  const ends = steps.toReversed().map((step, i) => {
    const after = steps[steps.length - i];
    if (after) at -= lengthOf(after, step);
    return { n: step.n, endMin: at };
  });
  return inOrder(ends.toReversed(), terms);
}
