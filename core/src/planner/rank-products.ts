import { isCoarser } from '../materials/grades.ts';
import type { LayerKind } from '../materials/layer-kinds.ts';
import { isForSpots, readyVolumeSolids, type ProductSheet } from '../materials/sheet.ts';
import { isCoat, isLastCoat, isLaying, type Act, type BodyAct, type CoatAct } from '../operations/act.ts';
import { tooLargeFor } from '../operations/applying.ts';
import { mayLieOn } from '../operations/coating.ts';
import { sheetIn, type Context } from '../operations/context.ts';
import { costOf } from '../operations/perform.ts';
import { workOf } from '../materials/product-work.ts';
import { topOf, zoneOf, type PanelState, type ZoneState } from '../operations/state.ts';
import { bodyWindows, coatWindows } from '../operations/windows.ts';
import { coatsFor, filmBudget } from '../surface/budget.ts';
import { budgetsOf, staysUnder, type ZoneBudget } from './build-budget.ts';
import type { Performed } from './prepare.ts';
import { minutesOf, waitWeight } from './score.ts';

/** Products for one kind of work beside each other: what each takes on this panel, and which are worth a try. */

/** An act that lays a product, with what its number of coats hangs on. */
export interface Laid {
  readonly act: CoatAct | BodyAct;
  readonly panel: PanelState;
  readonly zones: readonly ZoneState[];
  /** Of a build. */
  readonly budgets: readonly ZoneBudget[] | null;
}

/** The acts of a path that lay a product for one kind of work. */
export const laidFor = (work: string, steps: readonly Performed[], context: Context): readonly Laid[] =>
  steps.flatMap(({ act, before: panel }) => {
    if (!isLaying(act) || workOf(sheetIn(context, act.sheetId)) !== work) return [];
    const zones = act.zones.map((id) => zoneOf(panel, id));
    const isBuild = act.op === 'prime-build' || act.op === 'prime-dtm';
    const budgets = isBuild ? budgetsOf(sheetIn(context, act.sheetId), zones, { panel, context }) : null;
    return [{ act, panel, zones, budgets }];
  });

/** What a product's own work comes to in place of another in these acts, minutes: its coats, its waits, its material. */
function ownMin(sheet: ProductSheet, acts: readonly Laid[], context: Context): number {
  let sum = 0;
  for (const laid of acts) {
    const { act, panel, zones } = laid;
    const mayGo = (zone: ZoneState): boolean =>
      mayLieOn(sheet, zone) && tooLargeFor(sheet, zone, context) === null;
    if (!zones.every(mayGo)) return Infinity;
    const own = isCoat(act)
      ? { ...act, sheetId: sheet.id, coats: coatsOf(sheet, laid, context) }
      : { ...act, sheetId: sheet.id };
    const cost = costOf(own, panel, context);
    const endMin = panel.clockMin + cost.handsOnMin + cost.waitMin;
    sum += minutesOf(cost, context) + waitWeight(context) * leftMin(sheet, own, endMin, context);
  }
  return sum;
}

/** Coats of a product in place of another: a build by the film that is needed, the others as usual. */
function coatsOf(sheet: ProductSheet, { act, zones, budgets }: Laid, context: Context): CoatAct['coats'] {
  if (act.op === 'seal') return (act as CoatAct).coats;
  const on = (nth: number): number => {
    if (!budgets) return sheet.film.coats;
    const { zone, budget } = budgets[nth]!;
    const mustStayUm = staysUnder(sheet, zone, context);
    return coatsFor(filmBudget({ ...budget, mustStayUm }).neededUm, sheet.film).coats;
  };
  return Object.fromEntries(zones.map(({ zone }, i) => [zone.id, on(i)]));
}

/** Minutes from the last pass until the work goes on: until it sands where it is sanded, else until it has flashed. */
function leftMin(sheet: ProductSheet, act: Act, endMin: number, context: Context): number {
  const isBody = !('coats' in act);
  const { flash, recoat, cure } = isBody ? bodyWindows(sheet, endMin) : coatWindows(sheet, endMin, context);
  const isSanded = act.op === 'prime-build' || act.op === 'prime-dtm';
  const opensAtMin = isSanded && cure ? cure.opensAtMin : Math.max(flash.opensAtMin, recoat.opensAtMin);
  return Math.max(0, opensAtMin - endMin);
}

/** What a product would ask that asks no finer scratch under it, and shows no more of it, than any of these. */
function widestOf(all: readonly ProductSheet[]): Pick<ProductSheet, 'over' | 'components'> {
  const over = Object.assign({}, ...all.map((other) => other.over)) as ProductSheet['over'];
  for (const other of all)
    for (const [kind, { coarsest, finest }] of Object.entries(other.over)) {
      const known = over[kind as LayerKind]!;
      over[kind as LayerKind] = {
        coarsest: isCoarser(coarsest, known.coarsest) ? coarsest : known.coarsest,
        finest: isCoarser(known.finest, finest) ? finest : known.finest,
      };
    }
  const solid = all.reduce((best, other) =>
    readyVolumeSolids(other) > readyVolumeSolids(best) ? other : best,
  );
  return { over, components: solid.components };
}

/** Whether a product asks no more of what it is laid on here than any other one. */
export const asksLeast = (used: ProductSheet, widest: Ranking['widest'], acts: readonly Laid[]): boolean =>
  acts.every(
    ({ act, zones }) =>
      (!isLastCoat(act) || readyVolumeSolids(used) === readyVolumeSolids(widest)) &&
      zones.every((zone) => {
        const { kind } = topOf(zone);
        const [own, least] = [used.over[kind], widest.over[kind]];
        return own?.coarsest === least?.coarsest && own?.finest === least?.finest;
      }),
  );

/** Products for one kind of work in the order in which they are tried. */
export interface Ranking {
  readonly products: readonly Ranked[];
  /** What a product would ask that asks no finer scratch, and hides scratches no worse, than any of them. */
  readonly widest: Pick<ProductSheet, 'over' | 'components'>;
}

interface Ranked {
  readonly sheet: ProductSheet;
  readonly ownMin: number;
}

/** The products for one kind of work that may go where these acts go, by what their own work comes to. */
export function rankProducts(
  sheets: readonly ProductSheet[],
  acts: readonly Laid[],
  context: Context,
): Ranking {
  const products = sheets
    .map((sheet) => ({ sheet, ownMin: ownMin(sheet, acts, context) }))
    .filter((one) => Number.isFinite(one.ownMin))
    .sort((a, b) => a.ownMin - b.ownMin);
  return { products, widest: widestOf(products.map(({ sheet }) => sheet)) };
}

/** How much thinner or thicker a coat is before it is tried for that. */
const OTHER_FILM = 0.08;

/** The best product whose coats are thinner, and the best whose coats are thicker: film decides what is level later. */
export const ofOtherFilm = ({ products }: Ranking, used: ProductSheet): ProductSheet[] => {
  const times = ({ sheet }: Ranked): number => sheet.film.perCoatUm / used.film.perCoatUm;
  // For a spot nobody looks for another film than the gun's.
  const forAll = products.filter(({ sheet }) => !isForSpots(sheet));
  const thinner = forAll.find((one) => times(one) < 1 - OTHER_FILM);
  const thicker = forAll.find((one) => times(one) > 1 + OTHER_FILM);
  return [thinner, thicker].flatMap((one) => one?.sheet ?? []);
};

/** The products whose coats are thinnest and thickest. */
export function filmsOf({ products }: Ranking): ProductSheet[] {
  const sheets = products.map(({ sheet }) => sheet).sort((a, b) => a.film.perCoatUm - b.film.perCoatUm);
  return [...new Set([sheets[0]!, sheets.at(-1)!])];
}
