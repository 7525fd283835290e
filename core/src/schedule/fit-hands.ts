import type { WorkStep } from './panel-work.ts';
import { lastOf, type Cursor } from './placed.ts';
import { firstFit, stretchAfter } from './stretches.ts';

/** When a person has the time for a step: in one piece, or laid down at breaks and taken up after them. */

/** Sanding is not begun for less than this before a break, and not laid down for the rest of so little. */
const LEAST_BEGUN_MIN = 20;
/** Stretches that are looked at for work in pieces, where it also fits in one. */
const MOST_TRIES = 40;

/** Attended work in pieces, laid down at breaks and taken up after them, by one person; null where it cannot begin here. */
function splitFrom(free: number[], calendar: number[], fromMin: number, minutes: number): number[] | null {
  const pieces: number[] = [];
  let left = minutes;
  for (let i = stretchAfter(free, fromMin); i < free.length; i += 2) {
    const begin = Math.max(fromMin, free[i]!);
    // Work is laid down for a break or the night, not for another panel.
    if (pieces.length > 0 && calendar[stretchAfter(calendar, begin)] !== begin) return null;
    const length = free[i + 1]! - begin;
    if (left > length && length < LEAST_BEGUN_MIN && pieces.length === 0) continue;
    const used = Math.min(left, length);
    pieces.push(begin, begin + used);
    left -= used;
    if (left <= 0) return pieces;
  }
  return null;
}

/** Attended work of a step: when it begins and ends, and its pieces where it is split. */
export interface Hands {
  readonly fromMin: number;
  readonly toMin: number;
  readonly pieces: readonly number[] | null;
}

/** When a person can do a step from a minute on: in one piece, or in several where it may be split. */
export function handsFrom(
  step: WorkStep,
  minutes: number,
  fromMin: number,
  { board, person }: Cursor,
): Hands | null {
  const free = board.free[person]!;
  const whole = firstFit(free, fromMin, minutes);
  const inOne: Hands | null =
    whole === Infinity ? null : { fromMin: whole, toMin: whole + minutes, pieces: null };
  if (whole === fromMin || (!step.maySplit && minutes <= board.resources.longestMin)) return inOne;
  const calendar = board.resources.calendars[person]!;
  // Work that no shift holds in one piece is looked for as far as there are hours.
  for (let t = fromMin, tries = 0; t < whole && (tries < MOST_TRIES || whole === Infinity); tries++) {
    const pieces = splitFrom(free, calendar, t, minutes);
    if (pieces && pieces.length === 2) return { fromMin: pieces[0]!, toMin: pieces[1]!, pieces: null };
    if (pieces && pieces[0]! < whole) return { fromMin: pieces[0]!, toMin: lastOf(pieces), pieces };
    if (pieces) break;
    const next = stretchAfter(free, t);
    if (next >= free.length) break;
    t = free[next + 1]!;
  }
  return inOne;
}
