import type { BoothPlace } from './board.ts';
import { closesMin, opensMin } from './chain-limits.ts';
import { KEPT, fitStep, withHands } from './fit-step.ts';
import type { Block } from './panel-work.ts';
import type { Cursor, Done, HeldBy, Pin, PlacedStep } from './placed.ts';
import { firstFit, freeBetween, stretchAfter } from './stretches.ts';

/** When a block of steps can be done in one go by one person, so that every limit is kept. Nothing is taken yet. */

/** Starts that are tried for a block. */
const MOST_TRIES = 40;
const MOST_MORNINGS = 6;
/** So long may cleaned ground wait for its coat, minutes. */
const MOST_GAP_MIN = 45;
/** So long may a person leave work that is done in one go, minutes. */
export const MOST_TORN_MIN = 10;

export interface Attempt {
  readonly steps: PlacedStep[];
  readonly booths: (BoothPlace | null)[];
  /** Limits that it does not keep, of its own or of later steps, and cleaning that is not followed by its coat. */
  nMissed: number;
  /** Longest pause before a step that comes too late; 0 where nothing does. */
  readonly pauseMin: number;
  /** Longest time in which its person works elsewhere in the middle of it. */
  readonly tornMin: number;
}

/** Places the steps of a block from a minute on with one person; null where there is no time for them. */
function attempt(
  block: Block,
  fromMin: number,
  cursor: Cursor,
  pins: ReadonlyMap<number, Pin> | undefined,
): Attempt | null {
  const { work, done, board } = cursor;
  const { nowMin } = board.resources;
  const steps: PlacedStep[] = [];
  const booths: (BoothPlace | null)[] = [];
  let [nMissed, pauseMin, longestMin, tornMin] = [0, 0, 0, 0];
  const calendar = board.resources.calendars[cursor.person]!;
  let now = fromMin;
  for (let i = block.from; i < block.to; i++) {
    const step = work.steps[i]!;
    const pin = pins?.get(i);
    // What is pinned begins when it is pinned, the past included; nothing else begins before now.
    now = Math.max(now, pin?.startMin ?? nowMin, pin?.isLoose ? nowMin : -Infinity);
    const tried = fitStep(i, now, cursor);
    if (!tried) return null;
    const { startMin } = tried.placed;
    if (pin?.heldBy && tried.placed.heldBy === 'nothing') tried.placed.heldBy = pin.heldBy;
    const missed =
      step.lags.length > 0 ? step.lags.filter((lag) => startMin > closesMin(lag, work, done)) : KEPT;
    const { placed } = tried;
    const gapMin = i > block.from ? placed.startMin - placed.washMin - now : 0;
    longestMin = Math.max(longestMin, gapMin);
    if (gapMin > MOST_TORN_MIN)
      tornMin = Math.max(tornMin, freeBetween(calendar, now, now + gapMin) > MOST_TORN_MIN ? gapMin : 0);
    if (missed.length > 0) placed.missed = missed;
    const isLate = missed.length > 0 || (gapMin > MOST_GAP_MIN && work.steps[i - 1]!.isJustBefore);
    if (isLate) [nMissed, pauseMin] = [nMissed + 1, longestMin];
    done[i] = placed;
    steps.push(placed);
    booths.push(tried.booth);
    now = placed.endMin;
  }
  return { steps, booths, nMissed, pauseMin, tornMin };
}

/** When a later step could begin at the earliest, if only hours counted: to see whether a long window will be kept. */
function projected(to: number, fromStep: number, endMin: number, cursor: Cursor): number {
  const { work, done, board } = cursor;
  const { anybody } = board.resources;
  const kept = done.slice(fromStep, to + 1);
  let now = endMin;
  for (let i = fromStep; i < to; i++) {
    const step = work.steps[i]!;
    const hands =
      step.handsMin > 0 ? firstFit(anybody, now, Math.min(step.handsMin, board.resources.longestMin)) : now;
    const handsEnd = hands + step.handsMin;
    const end =
      step.shape === 'wait'
        ? opensMin(step, work, done, now)
        : step.act.op === 'cure' && step.softMin === 0
          ? Math.max(handsEnd, opensMin(step, work, done, hands))
          : handsEnd + step.waitMin;
    done[i] = withHands({ fromMin: hands, toMin: handsEnd, pieces: null }, end, -1, 'nothing');
    now = end;
  }
  kept.forEach((was, k) => (done[fromStep + k] = was));
  const last = work.steps[to]!;
  return last.handsMin > 0
    ? firstFit(anybody, now, Math.min(last.handsMin, board.resources.longestMin))
    : now;
}

/** Whether the hours alone already break a window that this block opens and a later one has to keep. */
function willMissLater(block: Block, cursor: Cursor): boolean {
  const { work, done } = cursor;
  const opened = work.opensLater[work.blocks.indexOf(block)]!;
  return opened.some(
    ({ to, lag }) => projected(to, block.to, done[block.to - 1]!.endMin, cursor) > closesMin(lag, work, done),
  );
}

export const clear = (done: Done, { from, to }: Block): void => {
  for (let i = from; i < to; i++) done[i] = undefined;
};

/** Minute from which so much is worked until another: breaks and nights do not count. */
function workedBack(calendar: number[], untilMin: number, minutes: number): number {
  let fromMin = untilMin - minutes;
  for (let round = 0; round < MOST_TRIES; round++) {
    const missing = minutes - freeBetween(calendar, fromMin, untilMin);
    if (missing <= 0 || fromMin <= 0) break;
    fromMin -= missing;
  }
  return fromMin;
}

/** When a block begins so that a step in its middle begins when it is pinned; what comes before it leads up to that. */
function leadInto(
  block: Block,
  { work, board, person }: Cursor,
  pins: ReadonlyMap<number, Pin> | undefined,
): number {
  const { steps } = work;
  let leadMin = 0;
  for (let i = block.from; pins && i < block.to; i++) {
    const pin = pins.get(i);
    if (pin && !pin.isLoose) return workedBack(board.resources.calendars[person]!, pin.startMin, leadMin);
    leadMin += steps[i]!.handsMin + steps[i]!.waitMin;
  }
  return 0;
}

/** The best attempt of one person: keeps every limit where any start does. */
export function bestOf(
  block: Block,
  readyMin: number,
  cursor: Cursor,
  pins: ReadonlyMap<number, Pin> | undefined,
): Attempt | null {
  const { board, person, done } = cursor;
  const free = board.free[person]!;
  const days = board.resources.anybody;
  let fallback: Attempt | null = null;
  let isHeldBack = false;
  let from = Math.max(readyMin, leadInto(block, cursor, pins));
  for (let tries = 0, mornings = 0; tries < MOST_TRIES && mornings <= MOST_MORNINGS; tries++) {
    const tried = attempt(block, from, cursor, pins);
    if (!tried) {
      clear(done, block);
      break;
    }
    const isLater = tried.nMissed === 0 && willMissLater(block, cursor);
    clear(done, block);
    if (isLater) tried.nMissed += 1;
    const isWhole = tried.tornMin === 0;
    if (tried.nMissed === 0 && isWhole)
      return tries === 0 ? tried : held(tried, isHeldBack ? 'window' : 'person');
    isHeldBack ||= tried.nMissed > 0;
    if (!fallback || tried.nMissed < fallback.nMissed) fallback = tried;
    const begun = Math.max(from, tried.steps[0]!.startMin);
    const waitMin = tried.nMissed > 0 ? tried.pauseMin : tried.tornMin;
    if (waitMin > 0) {
      from = begun + waitMin;
      continue;
    }
    // A window that the night or the weekend breaks: the work that opens it waits for another morning.
    const list = isLater ? days : free;
    const next = stretchAfter(list, begun) + 2;
    if (next >= list.length) break;
    mornings += isLater ? 1 : 0;
    from = list[next]!;
  }
  return fallback;
}

const held = (tried: Attempt, heldBy: HeldBy): Attempt => {
  tried.steps[0]!.heldBy = heldBy;
  return tried;
};
