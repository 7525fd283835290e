import { topOf } from '../../operations/state.ts';
import type { LayerKind } from '../../materials/layer-kinds.ts';
import { areaIn, type Case, type CoatStep } from '../case.ts';

/** A fact of a record that speaks for or against a cause, and what the files of facts share. */

/** There, not there, or not known. */
export type Known = boolean | undefined;

export interface Fact {
  /** What is so when it is there, and when it is not. */
  readonly is: string;
  readonly isNot: string;
  /** How it is found out, where the record does not say. */
  readonly measure: string;
  readonly of: (seen: Case) => Known;
}

export const lastOf = ({ coats }: Case): CoatStep | undefined => coats.at(-1);

/** A fact of the last coat. */
export const ofCoat =
  (fact: (coat: CoatStep, seen: Case) => Known) =>
  (seen: Case): Known => {
    const coat = lastOf(seen);
    return coat && fact(coat, seen);
  };

/** A fact of any coat on the area: there in one of them, absent where it is in none. */
export const ofAnyCoat =
  (fact: (coat: CoatStep, seen: Case) => Known) =>
  (seen: Case): Known => {
    const each = seen.coats.map((coat) => fact(coat, seen));
    if (each.includes(true)) return true;
    return each.length > 0 && each.every((known) => known === false) ? false : undefined;
  };

/** A fact that only some layers bring along: absent, without asking, on an area that has none of them. */
export const onlyOver =
  (isSuch: (kind: LayerKind) => boolean, fact: Fact['of']) =>
  (seen: Case): Known => {
    const area = areaIn(seen.fold.panel, seen.area);
    return area && !area.stack.some(({ kind }) => isSuch(kind)) ? false : fact(seen);
  };

export const known = (value: number | undefined, test: (value: number) => boolean): Known =>
  value === undefined ? undefined : test(value);

export const noted =
  (words: RegExp) =>
  ({ notes }: Case): Known =>
    words.test(notes) ? true : undefined;

/** The coat under a coat, with its clocks. */
export const under = ({ before }: CoatStep) => topOf(before).laid;

export const isKeyed = ({ before }: CoatStep): boolean => before.surface.scratch !== null;
