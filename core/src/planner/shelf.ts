import { willAirDo } from '../operations/air.ts';
import { sprayVolumeMl } from '../film/coverage.ts';
import { coatsFor } from '../surface/budget.ts';
import { inModes } from '../materials/modes.ts';
import { isForSpots, readyVolumeSolids, type ProductSheet } from '../materials/sheet.ts';
import { mustStay, ruleIn, type Context } from '../operations/context.ts';
import { sprayingMin } from '../operations/applying.ts';
import { cureFrom } from '../operations/curing.ts';
import { standIns, standsById, workOf } from '../materials/product-work.ts';
import { productsByWork } from '../operations/products.ts';
import { transferIn } from '../operations/spraying.ts';
import { flashMin } from '../operations/windows.ts';
import { minutesOf } from './score.ts';

/** The shelf in force, and the order in which its products are preferred. */

/**
 * The shop's own sheets that are not archived, in every way in which they are mixed, and built-in ones for work for which
 * it never had any.
 * @param noneOf work for which the shop says that it has no product
 */
export function shelfOf(
  all: readonly ProductSheet[] = [],
  noneOf: readonly string[] = [],
): ReadonlyMap<string, ProductSheet> {
  const own = all.filter(({ isArchived }) => !isArchived).flatMap(inModes);
  return new Map([...standIns(all, noneOf), ...own].map((sheet) => [sheet.id, sheet]));
}

/** Kinds whose coats follow what has to be levelled; the others are sprayed as often as their sheet says. */
const BUILDS = new Set<ProductSheet['kind']>(['build', 'dtm']);
/** What a second build costs besides its coats: it is blocked and cured once more, minutes. */
const SECOND_BUILD_MIN = 60;

/** Film of a build over a surface that is fairly straight, µm. */
const usualBuildUm = (sheet: ProductSheet, context: Context): number =>
  mustStay(context, sheet.id).value +
  ruleIn(context, 'orangePeelUm').value +
  ruleIn(context, 'shapedFillerWavesUm').value;

function coatsOf(sheet: ProductSheet, context: Context): { coats: number; suffices: boolean } {
  return BUILDS.has(sheet.kind)
    ? coatsFor(usualBuildUm(sheet, context), sheet.film)
    : { coats: sheet.film.coats, suffices: true };
}

/** What one application over the whole panel takes, in minutes of work: a first guess, which the search corrects. */
function guessMin(sheet: ProductSheet, context: Context): number {
  const { coats, suffices } = coatsOf(sheet, context);
  const m2 = context.panel.areaM2 * context.panel.count;
  const solids = Math.max(0.01, readyVolumeSolids(sheet));
  const transfer = transferIn(sheet, context).value;
  const volumeMl = sprayVolumeMl({
    areaM2: m2,
    dryUm: coats * sheet.film.perCoatUm,
    volumeSolids: solids,
    transfer,
    lossMl: 0,
  });
  const cure = cureFrom(sheet, 0, context);
  return (
    (suffices ? 0 : SECOND_BUILD_MIN) +
    minutesOf(
      {
        handsOnMin: sprayingMin(sheet, { coats, m2Coats: m2 * coats, m2, ml: volumeMl }, context),
        waitMin:
          (coats - 1) * flashMin(sheet.flash.betweenCoatsMin, sheet, context) +
          (cure?.after.value ?? flashMin(sheet.flash.beforeNextMin, sheet, context)),
        materialCost: (volumeMl / 1000) * sheet.pricePerLitre,
      },
      context,
    )
  );
}

/** An area whose surface is as warm as the air. */
const ANYWHERE = { zone: { tests: [] } };

/** Whether the shop's air is inside what the sheet asks for, in some hour of its day. */
const bearsClimate = (sheet: ProductSheet, context: Context): boolean =>
  willAirDo(sheet, [ANYWHERE], context);

/** Place in the shop's own order; what nobody ordered comes after what somebody did. */
const rankOf = ({ rank = Infinity }: ProductSheet): number => rank;

/**
 * Whether a product may be tried in place of another one of the same work: the shop puts them on a par, or it is for spots
 * and stands no later in the shop's order.
 */
export const isOnPar = (sheet: ProductSheet, used: ProductSheet): boolean =>
  rankOf(sheet) === rankOf(used) || (isForSpots(sheet) && rankOf(sheet) < rankOf(used));

/**
 * The context with its shelf in order: what a person took for this plan, what is for more than spots, what the shop's air
 * allows, the shop's order, time and money here, the id.
 */
export function withPreference(context: Context): Context {
  const taken = new Set(context.taken);
  const keyed = [...context.shelf.values()].map((sheet) => ({
    sheet,
    left: taken.has(sheet.id) ? 0 : 1,
    spots: isForSpots(sheet) ? 1 : 0,
    unfit: bearsClimate(sheet, context) ? 0 : 1,
    guess: standsById(sheet) ? 0 : guessMin(sheet, context),
  }));
  const ordered = keyed.sort(
    (a, b) =>
      a.left - b.left ||
      a.spots - b.spots ||
      a.unfit - b.unfit ||
      compare(rankOf(a.sheet), rankOf(b.sheet)) ||
      a.guess - b.guess ||
      (a.sheet.id < b.sheet.id ? -1 : 1),
  );
  return { ...context, shelf: new Map(ordered.map(({ sheet }) => [sheet.id, sheet])) };
}

/** Order of two numbers that may both be infinite. */
const compare = (a: number, b: number): number => (a === b ? 0 : a - b);

/** The context with these products only, in their order, and the preferred one for work that none of them does. */
export function withOnly(sheets: readonly ProductSheet[], context: Context): Context {
  const works = new Set(sheets.map(workOf));
  const others = [...productsByWork(context.shelf)].flatMap(([work, [first]]) =>
    works.has(work) ? [] : [first!],
  );
  const shelf = new Map<string, ProductSheet>();
  for (const sheet of [...sheets, ...others]) if (!shelf.has(sheet.id)) shelf.set(sheet.id, sheet);
  return { ...context, shelf };
}

/** Products of one kind of work that are tried in every place where the preferred one gets nowhere. */
const FEW = 4;

/** The context with a few products for each kind of work: the first in order, and those of the thinnest and thickest coats. */
export function withFewOfEach(context: Context): Context {
  const few = [...productsByWork(context.shelf).values()].flatMap((all) => {
    // What is for spots takes the place of another one later, where it fits.
    const forAll = all.filter((sheet) => !isForSpots(sheet));
    const sheets = forAll.length > 0 ? forAll : all;
    const byFilm = sheets.toSorted((a, b) => a.film.perCoatUm - b.film.perCoatUm);
    const tried = new Set([sheets[0]!, byFilm[0]!, byFilm.at(-1)!, ...sheets.slice(1, FEW)]);
    return [...tried].slice(0, FEW);
  });
  return { ...context, shelf: new Map(few.map((sheet) => [sheet.id, sheet])) };
}
