import type { Board } from './board.ts';
import type { Lag, PanelWork, WorkStep } from './panel-work.ts';

/** Steps that have found their time, and what they are drawn and told as. */

/** A stretch of a step: with a person, or alone. */
export interface Part {
  readonly fromMin: number;
  readonly toMin: number;
  readonly isUnattended: boolean;
}

export interface PlacedStep {
  readonly startMin: number;
  readonly endMin: number;
  /** Index of the person; -1 where nobody is needed. */
  readonly person: number;
  readonly booth: number;
  readonly oven: number;
  /** Booth cycle that it is sprayed in; -1 where it is in none. */
  cycle: number;
  /** Washing up of the gun before it, minutes. */
  readonly washMin: number;
  /** When hands are at it, from the washing up on, watched waits included. */
  readonly handsFromMin: number;
  readonly handsToMin: number;
  /** The same in pieces, from and to by turns, where it is laid down at a break; else null. */
  readonly pieces: readonly number[] | null;
  /** Limits that it does not keep. */
  missed: readonly Lag[];
  heldBy: HeldBy;
}

/** What a step waited for before it began. */
export type HeldBy =
  'nothing' | 'hours' | 'person' | 'booth' | 'oven' | 'air' | 'window' | 'pin' | 'not-before';

export interface Placement {
  readonly panels: readonly (readonly PlacedStep[])[];
  readonly board: Board;
  /** Some work found no time at all within the days that were looked at. */
  readonly isCut: boolean;
}

/** A block that is held to a time, or to a person. */
export interface Pin {
  readonly startMin: number;
  readonly person?: number | undefined;
  /** What it waited for when it was there before. */
  readonly heldBy?: HeldBy | undefined;
  /** It may come later, and by somebody else, where it has to: so it was before. */
  readonly isLoose?: true;
}

/** Pins by panel and step. */
export type Pins = ReadonlyMap<number, ReadonlyMap<number, Pin>>;

/** Steps of one panel that are placed so far. */
export type Done = (PlacedStep | undefined)[];

/** Who places what: a panel, with a person, on a board. */
export interface Cursor {
  readonly nth: number;
  readonly work: PanelWork;
  readonly done: Done;
  readonly person: number;
  readonly board: Board;
}

export const lastOf = <T>(list: readonly T[]): T => list[list.length - 1]!;

/** Parts of a coat: sprayed and flashed by turns; of watched work: hands, the wait, hands. */
function turnsOf(step: WorkStep, { handsFromMin, washMin }: PlacedStep): Part[] {
  const nHands = step.shape === 'coats' ? step.nCoats : 2;
  const nWaits = nHands - 1;
  const parts: Part[] = [];
  let at = handsFromMin;
  for (let i = 0; i < nHands; i++) {
    const hands = step.handsMin / nHands + (i === 0 ? washMin : 0);
    parts.push({ fromMin: at, toMin: at + hands, isUnattended: false });
    at += hands;
    if (i === nHands - 1 || step.waitMin === 0) continue;
    parts.push({ fromMin: at, toMin: at + step.waitMin / nWaits, isUnattended: true });
    at += step.waitMin / nWaits;
  }
  return parts;
}

export const isInOneGo = ({ shape }: WorkStep): boolean => shape === 'coats' || shape === 'watched';

/** What of a step somebody does, and what goes on alone. */
export function partsOf(step: WorkStep, placed: PlacedStep): Part[] {
  if (isInOneGo(step)) return turnsOf(step, placed);
  const { startMin, endMin, handsFromMin, handsToMin, pieces } = placed;
  if (step.shape === 'wait')
    return endMin > startMin ? [{ fromMin: startMin, toMin: endMin, isUnattended: true }] : [];
  const parts: Part[] = [];
  const all = pieces ?? [handsFromMin, handsToMin];
  for (let i = 0; i < all.length; i += 2)
    parts.push({ fromMin: all[i]!, toMin: all[i + 1]!, isUnattended: false });
  if (endMin > handsToMin) parts.push({ fromMin: handsToMin, toMin: endMin, isUnattended: true });
  return parts;
}
