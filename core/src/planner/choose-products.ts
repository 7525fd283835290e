import { isForSpots, type ProductSheet } from '../materials/sheet.ts';
import { isLaying, type Act } from '../operations/act.ts';
import { tooLargeFor } from '../operations/applying.ts';
import { sheetIn, type Context } from '../operations/context.ts';
import { workOf } from '../materials/product-work.ts';
import { productsByWork } from '../operations/products.ts';
import { zoneOf, type PanelState } from '../operations/state.ts';
import { withProduct } from './intents.ts';
import { newMemo, prepare, type Memo, type Performed, type RefusedAct } from './prepare.ts';
import { asksLeast, filmsOf, laidFor, ofOtherFilm, rankProducts, type Ranking } from './rank-products.ts';
import { scoreOf } from './score.ts';
import type { SearchPath, Way } from './search-path.ts';
import { isOnPar, withOnly } from './shelf.ts';

/**
 * The product after the kind. The search finds systems with the preferred product of each kind; here each system gets,
 * kind by kind, the product that serves it best on this panel. A product takes the place of another in every act of its
 * kind, with its own coats, and all that its rules ask for is prepared anew, so what is compared are whole systems.
 *
 * Products are tried in the order of what their own work, waits and material come to. What another one may save besides
 * is what this one's demands on the scratch under it cost, which is measured by a product without such demands; once the
 * next one's own share is dearer by more than that, none after it can win by it. A coat that is thinner or thicker may
 * still, by what it makes level: the best of either is tried as well.
 */

/** Products tried for one kind of work in the first system that wants it. */
const MOST_TRIED = 4;
/** Gains smaller than this share of a system's cost are not looked for. */
const WORTH_A_TRY = 0.0025;

export interface Bench {
  readonly start: PanelState;
  readonly context: Context;
  /** What was tried with this context. */
  readonly memo: Memo;
}

/** The products that a path lays. */
const usedIn = ({ steps }: SearchPath, context: Context): ProductSheet[] => [
  ...new Set(steps.flatMap(({ act }) => (isLaying(act) ? [sheetIn(context, act.sheetId)] : []))),
];

type Walked = { readonly ok: true; readonly way: Way } | ({ readonly ok: false } & RefusedAct);

/**
 * The choices of a path again, with other products in some of them, or the act that the rules then refuse.
 * @param products by the work that they do
 * @param shelf where the products of the choices are found
 */
export function walkAgain(
  choices: readonly Act[],
  products: ReadonlyMap<string, ProductSheet>,
  shelf: Context['shelf'],
  { start, context, memo }: Bench,
): Walked {
  const steps: Performed[] = [];
  const made: Act[] = [];
  const choiceSteps: number[] = [];
  let panel = start;
  let isChanged = false;
  for (const choice of choices) {
    let act: Act | null = choice;
    if (isLaying(choice)) {
      const was = shelf.get(choice.sheetId)!;
      const sheet = products.get(workOf(was)) ?? was;
      isChanged ||= sheet !== was;
      if (isChanged) act = withProduct(choice, sheet, panel, context);
    }
    // A second build that the thicker first one makes needless is left out.
    if (!act) continue;
    const prepared = prepare(panel, act, context, memo);
    if (!prepared.ok) return prepared;
    panel = prepared.panel;
    steps.push(...prepared.steps);
    made.push(act);
    choiceSteps.push(steps.length - 1);
  }
  return {
    ok: true,
    way: { panel, steps, choices: made, choiceSteps, cost: scoreOf(steps, context) },
  };
}

const wayOf = (walked: Walked): Way | null => (walked.ok ? walked.way : null);

export interface ProductChooser {
  /** A system with the products that serve it best. */
  readonly best: (found: Way) => Way;
  /** Choices that the rules refuse with the products they have, with one of other film; null where that does not help. */
  readonly withOtherFilm: (path: SearchPath, refused: Act) => Way | null;
}

/**
 * Chooses products for the systems of one panel, O(kinds of work x MOST_TRIED) walks a system besides one look at every
 * product of those kinds. Systems mostly want the same: what one was given is where the next begins.
 */
export function productChooser(bench: Bench): ProductChooser {
  const { context } = bench;
  const byWork = productsByWork(context.shelf);
  if (![...byWork.values()].some((sheets) => sheets.length > 1))
    return { best: (found) => found, withOtherFilm: () => null };
  const spotSheets = new Map([...byWork].map(([work, sheets]) => [work, sheets.filter(isForSpots)] as const));

  /** Systems choose alike for the same work in places that are as small: a brush serves no whole panel. */
  const keyOf = (work: string, { steps }: SearchPath): string => {
    const fits = (sheet: ProductSheet): boolean =>
      steps.every(
        ({ act, before }) =>
          !isLaying(act) ||
          workOf(sheetIn(context, act.sheetId)) !== work ||
          act.zones.every((id) => tooLargeFor(sheet, zoneOf(before, id), context) === null),
      );
    const fitting = spotSheets.get(work)!.filter(fits);
    return [work, ...fitting.map(({ id }) => id)].join(' ');
  };
  const ranked = new Map<string, Ranking>();
  const taken = new Map<string, ProductSheet>();
  const benches = new Map<string, Bench>();

  const rankingOf = (work: string, path: SearchPath): Ranking => {
    const acts = laidFor(work, path.steps, context);
    const used = sheetIn(context, acts[0]!.act.sheetId);
    const onPar = byWork.get(work)!.filter((sheet) => isOnPar(sheet, used));
    const key = keyOf(work, path);
    const made = ranked.get(key) ?? rankProducts(onPar, acts, context);
    ranked.set(key, made);
    return made;
  };

  /**
   * The bench on which rules ask for these products: it is the search's own where they are the preferred ones anyway.
   * What the search chose is named in its acts.
   */
  const benchWith = (sheets: readonly ProductSheet[], chosen: ReadonlySet<string>): Bench => {
    const isAsked = (sheet: ProductSheet): boolean =>
      chosen.has(workOf(sheet))
        ? context.shelf.get(sheet.id) === sheet
        : byWork.get(workOf(sheet))![0] === sheet;
    if (sheets.every(isAsked)) return bench;
    const name = sheets.map(({ id }) => id).join();
    const isReal = sheets.every((sheet) => context.shelf.get(sheet.id) === sheet);
    const known = isReal ? benches.get(name) : undefined;
    const made = known ?? { ...bench, context: withOnly(sheets, context), memo: newMemo(true) };
    if (isReal) benches.set(name, made);
    return made;
  };

  /** Choices with other products than a path has for some kinds of work. */
  const withProducts = (
    path: SearchPath,
    choices: readonly Act[],
    sheets: readonly ProductSheet[],
  ): Way | null => {
    const products = new Map(sheets.map((sheet) => [workOf(sheet), sheet]));
    const chosen = new Set(
      choices.flatMap((act) => (isLaying(act) ? [workOf(sheetIn(context, act.sheetId))] : [])),
    );
    const others = usedIn(path, context).filter((other) => !products.has(workOf(other)));
    return wayOf(walkAgain(choices, products, context.shelf, benchWith([...sheets, ...others], chosen)));
  };

  const improve = (way: Way, work: string): Way => {
    const acts = laidFor(work, way.steps, context);
    if (acts.length === 0) return way;
    const ranking = rankingOf(work, way);
    if (ranking.products.length < 2) return way;
    if (acts.some(({ act }) => context.taken?.includes(act.sheetId))) return way;
    const used = sheetIn(context, acts[0]!.act.sheetId);
    const usedMin = ranking.products.find(({ sheet }) => sheet === used)?.ownMin ?? Infinity;
    const ideal = asksLeast(used, ranking.widest, acts)
      ? way
      : withProducts(way, way.choices, [{ ...used, ...ranking.widest }]);
    const demandsMin = Math.max(0, way.cost - (ideal?.cost ?? 0));
    const couldWin = ranking.products
      .filter(({ ownMin }) => usedMin + demandsMin - ownMin > WORTH_A_TRY * way.cost)
      .slice(0, MOST_TRIED)
      .map(({ sheet }) => sheet);
    const tries = new Set([...couldWin, ...ofOtherFilm(ranking, used)]);
    tries.delete(used);
    return [...tries].reduce((best, sheet) => {
      const other = withProducts(way, way.choices, [sheet]);
      return other && other.cost < best.cost ? other : best;
    }, way);
  };

  const worksOf = (way: SearchPath): string[] => [...new Set(usedIn(way, context).map(workOf))];

  const best = (found: Way): Way => {
    const before = new Map(
      worksOf(found).flatMap((work) => {
        const sheet = taken.get(keyOf(work, found));
        return sheet ? [[work, sheet] as const] : [];
      }),
    );
    const known = before.size === 0 ? null : wayOf(walkAgain(found.choices, before, context.shelf, bench));
    let way = known && known.cost < found.cost ? known : found;
    for (const work of worksOf(way)) if (!taken.has(keyOf(work, way))) way = improve(way, work);
    for (const work of worksOf(way)) {
      const key = keyOf(work, way);
      if (!taken.has(key))
        taken.set(key, sheetIn(context, laidFor(work, way.steps, context)[0]!.act.sheetId));
    }
    return way;
  };

  const withOtherFilm = (path: SearchPath, refused: Act): Way | null => {
    const [last = [], before = []] = worksOf(path)
      .reverse()
      .map((work) => filmsOf(rankingOf(work, path)));
    const pairs = last.flatMap((one) => before.map((other) => [one, other]));
    for (const sheets of [...[...last, ...before].map((sheet) => [sheet]), ...pairs]) {
      const way = withProducts(path, [...path.choices, refused], sheets);
      if (way) return way;
    }
    return null;
  };
  return { best, withOtherFilm };
}
