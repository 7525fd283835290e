import { dayBeginsMin, leftOfWorkMin, untilNextShiftMin } from '../operations/day.ts';
import type { Shop } from '../survey/shop.ts';
import { dateAfter, daysBetween } from '../units/calendar.ts';
import type { PlanTask } from './bench-of-task.ts';

/** When work on a panel starts that is planned now. */

export interface DatedStart {
  /** ISO date. */
  readonly startOn: string;
  /** Minutes after midnight. */
  readonly startMin: number;
}

/** So late in the day nobody starts on a panel any more, minutes before evening. */
const LEAST_LEFT_MIN = 60;
/** Starts are on the quarter hour. */
const STEP_MIN = 15;
const DAY_MIN = 24 * 60;

/** At once while the shop works and some of the day is left; else in the next morning on which it works. */
export function nextStart(now: DatedStart, shop: Shop): DatedStart {
  const startMin = Math.ceil(now.startMin / STEP_MIN) * STEP_MIN;
  const day = { shop, ...now };
  if (leftOfWorkMin(0, day) >= LEAST_LEFT_MIN) return { startOn: now.startOn, startMin };
  const atMin = now.startMin + untilNextShiftMin(0, day);
  return { startOn: dateAfter(now.startOn, Math.floor(atMin / DAY_MIN)), startMin: dayBeginsMin(day) };
}

/** Minutes by the calendar from one moment of the shop's clock to another; negative for one before. */
export const minutesBetween = (from: DatedStart, to: DatedStart): number =>
  daysBetween(from.startOn, to.startOn) * DAY_MIN + to.startMin - from.startMin;

/** Whether a start was before now. */
export const isPast = (start: DatedStart, now: DatedStart): boolean => minutesBetween(now, start) < 0;

type StartOfPlan = Pick<PlanTask, 'startMin' | 'startOn' | 'isStartFixed' | 'done'>;

/**
 * The start of a plan that is made, or made again: it stays where something is done, or while it is still to come; else
 * it is the next. Left out where a plan with work done had none.
 */
export function startAgain(
  { startMin, startOn, isStartFixed, done = [] }: StartOfPlan,
  now: DatedStart,
  shop: Shop,
): { readonly startMin?: number; readonly startOn?: string; readonly isStartFixed?: true } {
  if (done.length > 0)
    return {
      ...(startMin === undefined ? {} : { startMin }),
      ...(startOn === undefined ? {} : { startOn }),
    };
  const isToCome = startMin !== undefined && startOn !== undefined && !isPast({ startMin, startOn }, now);
  return isToCome ? { startMin, startOn, ...(isStartFixed ? { isStartFixed } : {}) } : nextStart(now, shop);
}
