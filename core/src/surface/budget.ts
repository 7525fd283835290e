/**
 * Film budget of a build coat: what has to go on so that it can be blocked level and enough stays.
 * applied = film that stays + waves to be levelled + orange peel + film the ladder takes (models.md 7).
 * What stays is at least the sheet's film and at least what fills the zone up to its sound neighbour.
 */
export interface BudgetInput {
  readonly mustStayUm: number;
  /** Height of the sound neighbour above this zone before the build, µm. */
  readonly gapUm: number;
  readonly wavesUm: number;
  readonly peelUm: number;
  readonly ladderUm: number;
}

export interface FilmBudget extends BudgetInput {
  readonly staysUm: number;
  readonly neededUm: number;
}

/** The budget of one zone. */
export function filmBudget({ mustStayUm, gapUm, wavesUm, peelUm, ladderUm }: BudgetInput): FilmBudget {
  const staysUm = Math.max(mustStayUm, gapUm);
  const neededUm = staysUm + wavesUm + peelUm + ladderUm;
  return { mustStayUm, gapUm, wavesUm, peelUm, ladderUm, staysUm, neededUm };
}

export interface Coats {
  readonly coats: number;
  readonly filmUm: number;
  /** Whether that meets the need within the sheet's maximum. */
  readonly suffices: boolean;
}

/** Coats within the sheet's film per coat and maximum that meet a need; as many as it allows when they do not. */
export function coatsFor(
  neededUm: number,
  film: { readonly perCoatUm: number; readonly maxUm: number },
): Coats {
  const most = Math.max(1, Math.floor(film.maxUm / film.perCoatUm + 1e-9));
  const wanted = Math.max(1, Math.ceil(neededUm / film.perCoatUm - 1e-9));
  const coats = Math.min(most, wanted);
  return { coats, filmUm: coats * film.perCoatUm, suffices: coats * film.perCoatUm >= neededUm - 1e-9 };
}

/** How a budget is met: in one build, in two with a block between, or not before the waves are glazed or filled. */
export interface BuildCycles {
  readonly way: 'one' | 'two' | 'glaze-first';
  readonly cycles: readonly Coats[];
  /** Waves that are left after the last cycle and have to be glazed or filled first, µm. */
  readonly leftUm: number;
}

/**
 * Prime-and-block cycles for a budget that one build may not meet. The first cycle takes off as much of the waves as
 * its film allows and is blocked down to the film that must stay; the second has room for the rest of the maximum.
 */
export function buildCycles(
  budget: FilmBudget,
  film: { readonly perCoatUm: number; readonly maxUm: number },
): BuildCycles {
  const first = coatsFor(budget.neededUm, film);
  if (first.suffices) return { way: 'one', cycles: [first], leftUm: 0 };
  const { mustStayUm, gapUm, wavesUm, peelUm, ladderUm } = budget;
  const levelledUm = Math.max(0, first.filmUm - mustStayUm - peelUm - ladderUm);
  const wavesLeftUm = Math.max(0, wavesUm - levelledUm);
  const riseUm = Math.max(0, gapUm - mustStayUm);
  const again = { perCoatUm: film.perCoatUm, maxUm: film.maxUm - mustStayUm };
  const second = coatsFor(riseUm + wavesLeftUm + peelUm + ladderUm, again);
  if (second.suffices) return { way: 'two', cycles: [first, second], leftUm: 0 };
  const leftUm = riseUm + wavesLeftUm + peelUm + ladderUm - second.filmUm;
  return { way: 'glaze-first', cycles: [first, second], leftUm };
}
