/** Shelves of many products of each kind, all invented: what a shop has after years, and more. */
import { GENERIC_SHELF, GRADES, sheetSchema } from '@blue-ledge/core';
import { seeded } from '../core/dist/units/random.js';

const between = (random, from, to) => from + random() * (to - from);

/** A grade coarser or finer by one, where the scale goes on. */
const shifted = (grade, by) => GRADES[GRADES.indexOf(grade) + by] ?? grade;

/** Now and then a layer less under it, or a scratch that is asked for finer by a grade. */
function groundsOf(over, random) {
  const kinds = Object.entries(over).filter(() => random() > 0.04);
  return Object.fromEntries(
    kinds.map(([kind, { coarsest, finest }]) => [
      kind,
      { coarsest: random() < 0.2 ? shifted(coarsest, 1) : coarsest, finest },
    ]),
  );
}

/** A product like another one, with figures of its own. */
function variantOf(sheet, nth, random) {
  const cures = between(random, 0.3, 2);
  const perCoatUm = Math.round(sheet.film.perCoatUm * between(random, 0.8, 1.3));
  return sheetSchema.parse({
    ...sheet,
    id: `${sheet.id}-${nth}`,
    name: `${sheet.name}, no. ${nth}`,
    film: {
      ...sheet.film,
      perCoatUm,
      maxUm: Math.max(perCoatUm, Math.round(sheet.film.maxUm * between(random, 0.8, 1.3))),
    },
    cure: sheet.cure.map(({ celsius, minutes }) => ({ celsius, minutes: Math.ceil(minutes * cures) })),
    sandAfterMin: sheet.sandAfterMin === null ? null : Math.round(sheet.sandAfterMin * cures),
    flash: {
      betweenCoatsMin: Math.round(sheet.flash.betweenCoatsMin * between(random, 0.6, 1.5)),
      beforeNextMin: sheet.flash.beforeNextMin,
    },
    over: groundsOf(sheet.over, random),
    pricePerLitre: Math.round(sheet.pricePerLitre * between(random, 0.7, 1.5) * 10) / 10,
  });
}

/** A shelf of `nEach` products of every kind; the first of each is the built-in one. */
export function shelfOfEach(nEach, seed = 1) {
  const random = seeded(seed);
  return GENERIC_SHELF.filter(({ kind }) => kind !== 'cleaner').flatMap((sheet) => [
    sheet,
    ...Array.from({ length: nEach - 1 }, (_, i) => variantOf(sheet, i + 1, random)),
  ]);
}
