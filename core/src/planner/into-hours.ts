import { isLaying, isSanding, type Act, type BodyAct, type CoatAct } from '../operations/act.ts';
import { untilAirWillDoMin } from '../operations/air.ts';
import { sheetIn, type Context } from '../operations/context.ts';
import { dayLengthMin, leftOfWorkMin, untilNextShiftMin } from '../operations/day.ts';
import { carryOut, costOf } from '../operations/perform.ts';
import { zoneOf, type PanelState } from '../operations/state.ts';
import { isJustBefore, isLeftAlone } from '../operations/table.ts';
import { cureMethodOf } from '../operations/waiting.ts';
import { decideAct } from '../rules/check-act.ts';
import type { Verdict } from '../rules/rule.ts';
import { knownOutcome, newMemo, prepare, type Memo, type Performed } from './prepare.ts';
import { afterIdle } from './replay.ts';

/**
 * Puts the work of one panel into the shop's hours. What needs hands waits for the morning where the day is too short
 * for it; flash and cure run on through the night. Where a time limit would run out meanwhile, the work that started it
 * waits for the morning as well; where that does not help, what the rules ask for is done again.
 */

/** Sanding that is begun so late is not worth setting up for, minutes. */
const LEAST_BEGUN_MIN = 30;
/** So many acts at most are moved to the morning together. */
const MOST_MOVED = 30;
/** A coat waits for the air, then for the shift, then for the air of that morning: so often at most. */
const MOST_ROUNDS = 3;

/** An act with the time that passes before it. */
export interface TimedAct {
  readonly act: Act;
  readonly idleMin: number;
  /** It begins before that time, and goes on after it. */
  readonly isSplit: boolean;
  /** Minute of the panel's clock at which all that it takes is over. */
  readonly endsAtMin: number;
  readonly unmet?: readonly Verdict[] | undefined;
  /** Its number among the acts that were to be timed; null for one that the rules asked for again. */
  readonly nth: number | null;
}

interface Placed extends TimedAct {
  /** The panel before any time passes. */
  readonly stood: PanelState;
  readonly after: PanelState;
  readonly isBroken: boolean;
}

type Untimed = Pick<TimedAct, 'act' | 'unmet' | 'nth'>;

/** An act at its hour, whatever it is in which system. */
type AtHour = Omit<Placed, 'unmet' | 'nth'>;

/**
 * What systems of one plan that begin alike share: acts at their hours, and what the search knows of states and of the
 * matter of areas. That holds at any hour: rules that look at the clock or at the air of an hour are asked anew.
 */
export interface HoursMemo extends Memo {
  readonly placed: Map<PanelState, Map<Act, AtHour>>;
}
/** @param searched what the search of these systems remembers, under the same context but for its hours */
export const newHours = (searched: Memo = newMemo(true)): HoursMemo => ({ ...searched, placed: new Map() });

interface Hours {
  readonly context: Context;
  readonly memo: HoursMemo;
}

/** Minutes in which somebody stands by. */
function attendedMin(act: Act, panel: PanelState, { context, memo }: Hours): number {
  const { handsOnMin, waitMin } = knownOutcome(memo, act, panel)?.cost ?? costOf(act, panel, context);
  return isLeftAlone(act.op) ? handsOnMin : handsOnMin + waitMin;
}

/** Time off within so many minutes of work that begin now. */
function offWithin(workMin: number, clockMin: number, context: Context): number {
  let [left, offMin, now] = [workMin, 0, clockMin];
  for (;;) {
    const shiftMin = leftOfWorkMin(now, context);
    if (left <= shiftMin) return offMin;
    left -= shiftMin;
    const off = untilNextShiftMin(now + shiftMin, context);
    offMin += off;
    now += shiftMin + off;
  }
}

/** How long the act waits for air that will do, and then for a shift that it fits into; or it goes on over several. */
function idleOf(act: Act, panel: PanelState, hours: Hours): Pick<TimedAct, 'idleMin' | 'isSplit'> {
  let idleMin = 0;
  for (let round = 0; ; round++) {
    const now = afterIdle(panel, idleMin);
    const airMin = isLaying(act) ? untilAirOf(act, now, hours.context) : 0;
    const shift = shiftOf(act, afterIdle(now, airMin), hours);
    idleMin += airMin + shift.idleMin;
    if (airMin === 0 || shift.idleMin === 0 || round === MOST_ROUNDS) return { ...shift, idleMin };
  }
}

const untilAirOf = (act: CoatAct | BodyAct, panel: PanelState, context: Context): number =>
  untilAirWillDoMin(
    sheetIn(context, act.sheetId),
    act.zones.map((id) => zoneOf(panel, id)),
    panel.clockMin,
    context,
  ) ?? 0;

/** How long the act waits for a shift that it fits into, or goes on over several. */
function shiftOf(act: Act, panel: PanelState, hours: Hours): Pick<TimedAct, 'idleMin' | 'isSplit'> {
  const { context } = hours;
  const { clockMin } = panel;
  const workMin = attendedMin(act, panel, hours);
  const leftMin = leftOfWorkMin(clockMin, context);
  if (workMin <= leftMin || workMin === 0) return { idleMin: 0, isSplit: false };
  const isLongerThanAnyDay = workMin > dayLengthMin(context);
  const mayBegin = leftMin >= LEAST_BEGUN_MIN && isSanding(act);
  const atMorning = leftMin === dayLengthMin(context);
  if (mayBegin || (isLongerThanAnyDay && atMorning))
    return { idleMin: offWithin(workMin, clockMin, context), isSplit: true };
  return { idleMin: untilNextShiftMin(clockMin, context), isSplit: false };
}

/** A cure is done as the coats of that hour ask for. */
export const asOfNow = (act: Act, panel: PanelState): Act =>
  act.op === 'cure' ? { ...act, method: cureMethodOf(act.zones.map((id) => zoneOf(panel, id))) } : act;

function place(untimed: Untimed, stood: PanelState, hours: Hours, leastIdleMin = 0): Placed {
  if (leastIdleMin > 0) return { ...untimed, ...atHour(untimed.act, stood, hours, leastIdleMin) };
  const { placed } = hours.memo;
  const known = placed.get(stood) ?? new Map<Act, AtHour>();
  placed.set(stood, known);
  const made = known.get(untimed.act) ?? atHour(untimed.act, stood, hours);
  known.set(untimed.act, made);
  return { ...untimed, ...made };
}

function atHour(planned: Act, stood: PanelState, hours: Hours, leastIdleMin = 0): AtHour {
  const { context, memo } = hours;
  const waited = afterIdle(stood, leastIdleMin);
  const act = asOfNow(planned, waited);
  const own = idleOf(act, waited, hours);
  const idleMin = leastIdleMin + own.idleMin;
  const before = afterIdle(stood, idleMin);
  const { panel: after } = knownOutcome(memo, act, before) ?? carryOut(before, act, context);
  return {
    act,
    idleMin,
    isSplit: own.isSplit,
    endsAtMin: after.clockMin,
    stood,
    after,
    isBroken: decideAct(act, before, context, memo).some(({ level }) => level === 'must'),
  };
}

/** Some acts one after the other, the first after a wait; null once one of them is broken. */
function placeAll(
  acts: readonly Untimed[],
  start: PanelState,
  hours: Hours,
  firstIdleMin: number,
): Placed[] | null {
  const placed: Placed[] = [];
  for (const act of acts) {
    const next = place(act, placed.at(-1)?.after ?? start, hours, placed.length === 0 ? firstIdleMin : 0);
    if (next.isBroken) return null;
    placed.push(next);
  }
  return placed;
}

/** The last acts moved to the next morning, as few of them as keep every limit; null where none does. */
function moved(placed: readonly Placed[], hours: Hours): Placed[] | null {
  for (let from = placed.length - 1; from >= Math.max(0, placed.length - MOST_MOVED); from--) {
    const { stood } = placed[from]!;
    // The coat that is moved takes its cleaning along: that is tried next.
    if (from > 0 && isLaying(placed[from]!.act) && isCleaning(placed[from - 1]!)) continue;
    if (from > 0 && isCleaning(placed[from]!) && isCleaning(placed[from - 1]!)) continue;
    const again = placeAll(
      placed.slice(from),
      stood,
      hours,
      untilNextShiftMin(stood.clockMin, hours.context),
    );
    if (again) return [...placed.slice(0, from), ...again];
  }
  return null;
}

/** Work that is done just before a coat: nobody cleans in the evening for the morning. */
const isCleaning = ({ act: { op } }: Placed): boolean => isJustBefore(op);

/**
 * Where the night comes between cleaning and coat, the cleaning moves to the morning with it; as it was where the day is
 * too short for both.
 */
function cleanedInMorning(placed: readonly Placed[], hours: Hours): readonly Placed[] {
  const last = placed.at(-1)!;
  const isWaiting = last.idleMin > 0 && !last.isSplit && (isLaying(last.act) || isCleaning(last));
  const from = placed.findLastIndex((each, i) => i < placed.length - 1 && !isCleaning(each)) + 1;
  if (!isWaiting || from === placed.length - 1) return placed;
  const { stood } = placed[from]!;
  const again = placeAll(placed.slice(from), stood, hours, untilNextShiftMin(stood.clockMin, hours.context));
  const fits = again?.every(({ idleMin }, i) => i === 0 || idleMin === 0) ?? false;
  return fits ? [...placed.slice(0, from), ...again!] : placed;
}

/** The act with what its rules ask for once more; null where nothing makes it right. */
function repaired(broken: Placed, hours: Hours): Placed[] | null {
  const prepared = prepare(afterIdle(broken.stood, broken.idleMin), broken.act, hours.context, newMemo());
  if (!prepared.ok) return null;
  const acts = prepared.steps.map(({ act, unmet }: Performed, i, { length }) => ({
    act,
    unmet,
    nth: i === length - 1 ? broken.nth : null,
  }));
  return placeAll(acts, broken.stood, hours, broken.idleMin);
}

/**
 * The acts with the time that passes before each, in the shop's hours. Deterministic; O(acts x moved acts).
 * @param acts what a plan does, in order, allowed one after the other without any pause
 * @param memo of the systems of one plan, under the same context
 */
export function intoHours(
  start: PanelState,
  acts: readonly Pick<TimedAct, 'act' | 'unmet'>[],
  context: Context,
  memo: HoursMemo = newHours(),
): TimedAct[] {
  const hours = { context, memo };
  let placed: readonly Placed[] = [];
  acts.forEach((act, nth) => {
    placed = [...placed, place({ ...act, nth }, placed.at(-1)?.after ?? start, hours)];
    const last = placed.at(-1)!;
    placed = last.isBroken
      ? (moved(placed, hours) ?? [...placed.slice(0, -1), ...(repaired(last, hours) ?? [last])])
      : cleanedInMorning(placed, hours);
  });
  return [...placed];
}
