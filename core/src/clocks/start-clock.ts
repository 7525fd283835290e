import type { ProductSheet } from '../materials/sheet.ts';
import { isBodyOp, isCoatOp, isSandOp } from '../operations/act.ts';
import { stepTitle } from '../planner/describe-step.ts';
import type { Step } from '../planner/plan.ts';
import { MOST_CLOCK_MIN, type ClockWork, type NEXT_USES } from './clock.ts';

/** Which clock a step of a plan starts, and which one its mix does. */

/** What a clock measures, of which step, and what it is for. */
export interface StartableClock {
  /** The step that it belongs to: a flash or an air cure has the clock of the coat under it. */
  readonly n: number;
  readonly areas: readonly string[];
  readonly title: string;
  readonly work: ClockWork;
  /** The next step on the same areas: "7. Block the build". */
  readonly then?: string;
}

type Uses = (typeof NEXT_USES)[number];
type SheetOf = (id: string | undefined) => ProductSheet | undefined;

const isLaid = ({ op }: Step): boolean => isCoatOp(op) || isBodyOp(op);
const isShared = (a: Step, b: Step): boolean => a.areas.some((area) => b.areas.includes(area));
/** Its wait is a time under a lamp or in an oven, whatever the room is like. */
const isBake = ({ op, why }: Step): boolean => op === 'cure' && why.some(({ code }) => code === 'cure.bake');
const isAirWait = (step: Step): boolean => (step.op === 'flash' || step.op === 'cure') && !isBake(step);

/** When the metal that a step works on was bared, where it is bare after it. */
const bareSince = ({ clocks }: Step): number | undefined =>
  clocks.find(({ kind }) => kind === 'exposure')?.opensAtMin;

const named = (step: Step): string => `${step.n}. ${stepTitle(step)}`;

/** The first later step on the same areas that a limit is about: a coat, sanding, heat or the hand-over. */
function followerOf(step: Step, steps: readonly Step[]): Step | undefined {
  // Bare metal waits for its coat, whatever is done to it before.
  const isBared = bareSince(step) !== undefined;
  const isMeant = (later: Step): boolean =>
    isLaid(later) || (!isBared && (isSandOp(later.op) || isBake(later) || later.op === 'hand-over'));
  return steps.find((later) => later.n > step.n && isShared(step, later) && isMeant(later));
}

function usesOf(follower: Step | undefined): Uses {
  if (!follower) return 'any';
  if (follower.op === 'hand-over') return 'base';
  if (isSandOp(follower.op)) return 'sand';
  return isBake(follower) ? 'bake' : 'coat';
}

function workOf(step: Step, follower: Step | undefined, sheetOf: SheetOf): ClockWork {
  const sheet = sheetOf(step.sheetId);
  if (sheet && isLaid(step))
    return { kind: isCoatOp(step.op) ? 'coat' : 'body', sheet, next: usesOf(follower) };
  if (bareSince(step) !== undefined) return { kind: 'bare' };
  const field = step.waitMin > 0 ? 'waitMin' : 'handsOnMin';
  const source = step.sources[field] ?? 'default';
  return { kind: 'minutes', minutes: Math.min(MOST_CLOCK_MIN, Math.max(1, Math.round(step[field]))), source };
}

/** The step whose clock runs on what a step waits for or works on: the coat under a flash, the first baring of its metal. */
function beginnerOf(asked: Step, steps: readonly Step[]): Step {
  const isBefore = (step: Step): boolean => step.n < asked.n && isShared(step, asked);
  const earlier = isAirWait(asked)
    ? steps.findLast((step) => isBefore(step) && isLaid(step))
    : steps.find(
        (step) => isBefore(step) && bareSince(step) !== undefined && bareSince(step) === bareSince(asked),
      );
  return earlier ?? asked;
}

/**
 * The clock that a step starts once it is done, or begun where it is a wait; of a step that neither lays nor bares
 * anything, its own minutes as planned.
 * @param steps all steps of the system, in order
 */
export function clockOfStep(n: number, steps: readonly Step[], sheetOf: SheetOf): StartableClock | null {
  const asked = steps.find((step) => step.n === n);
  if (!asked) return null;
  const step = beginnerOf(asked, steps);
  const follower = followerOf(step, steps);
  return {
    n: step.n,
    areas: step.areas,
    title: named(step),
    work: workOf(step, follower, sheetOf),
    ...(follower ? { then: named(follower) } : {}),
  };
}
