import { COAT_OPS, isLastCoat, type Act, type OpName } from '../operations/act.ts';
import { isForSpots } from '../materials/sheet.ts';
import type { Context } from '../operations/context.ts';
import { rowOf } from '../operations/table.ts';
import type { PanelState } from '../operations/state.ts';
import { decideAct } from '../rules/check-act.ts';
import { isRefusal } from '../rules/rule.ts';
import { bestFirst, type Problem } from './best-first.ts';
import { productsByWork } from '../operations/products.ts';
import { productChooser } from './choose-products.ts';
import { intents } from './intents.ts';
import { sealsPrimed, sealsWithEpoxy } from './titles.ts';
import { newMemo, prepare, type Memo, type RefusedAct } from './prepare.ts';
import { scoreOf, waitWeight } from './score.ts';
import type { RefusedPath, SearchPath, Way } from './search-path.ts';
import { placeOf, waitsAsWell } from './search-place.ts';
import { withFewOfEach } from './shelf.ts';

/** Search for systems: choices (intents) with their preparation are the edges, the hand-over is the goal. */

export interface Searched {
  readonly ready: readonly Way[];
  readonly refused: readonly RefusedPath[];
  readonly looked: number;
  readonly gaveUp: boolean;
}

/** States looked at before the search stops with the best it has. */
const MOST_STATES = 600;
/** Different systems worth comparing. */
const MOST_READY = 5;
const MOST_REFUSED = 6;
/** A system that costs this many times the best is of no interest. */
const WORTH_SHOWING = 2.5;

/** For how many ways products of other film are tried. */
const MOST_FILM_TRIES = 2;
/** How far a ledge may be over its limit so that another film of the same kind may still make it level. */
const NEARLY_LEVEL = 1.6;

const COATS: readonly OpName[] = [...COAT_OPS, 'fill'];

/** Choices by name: systems with the same family are the same system on other zones. */
export const familyOfPath = (choices: readonly Act[]): string =>
  choices
    .map((act) => `${sealsWithEpoxy(act) ? 'seal-epoxy' : act.op}${sealsPrimed(act) ? '-primed' : ''}`)
    .join('.');

/**
 * Searches one panel; deterministic, bounded by MOST_STATES. Where the preferred products of each kind get it nowhere,
 * others are tried in every place; what is found by then is then not all there is, and it says so.
 * @param memo what was tried with this context; it is filled
 */
export function searchSystems(start: PanelState, context: Context, memo = newMemo(true)): Searched {
  const found = searchWith(start, context, { memo });
  if (found.ready.length > 0 || found.gaveUp) return found;
  const more = withFewOfEach(context);
  if (more.shelf.size === productsByWork(context.shelf).size) return found;
  const again = searchWith(start, { ...more, triesAll: true });
  // What is for spots only would not open a way.
  const isAll = [...context.shelf.values()].every((sheet) => more.shelf.has(sheet.id) || isForSpots(sheet));
  return again.ready.length > 0 ? again : { ...found, looked: again.looked, gaveUp: again.gaveUp || !isAll };
}

interface SearchOptions {
  readonly mostStates?: number;
  /** What was tried with this context. */
  readonly memo?: Memo;
}

/** One search over the kinds of coats, with the preferred product of each or, where the context says so, with all. */
export function searchWith(
  start: PanelState,
  context: Context,
  { mostStates = MOST_STATES, memo = newMemo(true) }: SearchOptions = {},
): Searched {
  const refusals = new Map<string, RefusedPath>();
  /** Choices for which products of other film were tried. */
  const filmTried = new Set<string>();
  const costs = new Map<SearchPath, number>([[{ panel: start, steps: [], choices: [], choiceSteps: [] }, 0]]);
  const root = [...costs.keys()][0]!;

  const expand = (path: SearchPath): { state: SearchPath; cost: number }[] =>
    intents(path.panel, context).flatMap((act) => {
      const tried = prepare(path.panel, act, context, memo);
      const steps = tried.steps.length === 0 ? path.steps : [...path.steps, ...tried.steps];
      const cost = scoreOf(tried.steps, context);
      const total = (costs.get(path) ?? 0) + cost;
      if (!tried.ok) {
        const name = path.choices.map(({ op, zones }) => `${op} ${zones.join()}`).join();
        const isWorthATry =
          products && isNearlyLevel(tried) && filmTried.size < MOST_FILM_TRIES && !filmTried.has(name);
        const other = isWorthATry
          ? products.withOtherFilm({ ...path, steps, panel: tried.panel }, act)
          : null;
        if (isWorthATry) filmTried.add(name);
        if (other) {
          costs.set(other, other.cost);
          return [{ state: other, cost: Math.max(0, other.cost - (costs.get(path) ?? 0)) }];
        }
        note(refusals, {
          ...path,
          steps,
          refused: act,
          broken: tried.refused,
          verdicts: tried.refusals,
          cost: total,
          panel: tried.panel,
        });
        return [];
      }
      const state: SearchPath = {
        panel: tried.panel,
        steps,
        choices: [...path.choices, act],
        choiceSteps: [...path.choiceSteps, steps.length - 1],
      };
      costs.set(state, total);
      return [{ state, cost }];
    });

  const shown = (isAnyReady: boolean): RefusedPath[] =>
    worthShowing(refusals, isAnyReady).map((refusal) => withAllRefusals(refusal, context));

  const problem: Problem<SearchPath> = {
    start: root,
    expand,
    isGoal: isHandedOver,
    key: (path) => `${isHandedOver(path)}|${placeOf(path.panel)}`,
    covers: (a, b, costsMore) => waitsAsWell(a.panel, b.panel, costsMore / waitWeight(context)),
    bound: (path) => (isHandedOver(path) ? 0 : rowOf('hand-over').setOutMin),
  };

  const products = context.triesAll ? null : productChooser({ start, context, memo });
  const withBestProducts = (found: Way): Way => products?.best(found) ?? found;
  const ready = new Map<string, Way>();
  const search = bestFirst(problem, mostStates);
  let cheapest = Infinity;
  for (;;) {
    const next = search.next();
    if (next.done) return { ready: [...ready.values()], refused: shown(ready.size > 0), ...next.value };
    const { state, cost, looked } = next.value;
    const isNew = !ready.has(familyOfPath(state.choices));
    // With its best products a system may turn out to be another one, and is no longer found in order of cost.
    const isOfInterest = isNew && cost <= cheapest * WORTH_SHOWING;
    const way = isOfInterest ? withBestProducts({ ...state, cost: costs.get(state)! }) : null;
    const family = way && familyOfPath(way.choices);
    if (way && family && way.cost < (ready.get(family)?.cost ?? Infinity)) ready.set(family, way);
    cheapest = Math.min(cheapest, way?.cost ?? cost);
    if (ready.size >= MOST_READY || cost > cheapest * WORTH_SHOWING)
      return { ready: [...ready.values()], refused: shown(true), looked, gaveUp: false };
  }
}

/** Refused at the end for a ledge that products with thinner or thicker coats may level. */
function isNearlyLevel({ refused, refusals }: RefusedAct): boolean {
  const { code, facts } = refusals[0]!.reason;
  return (
    refused.op === 'hand-over' &&
    code === 'B1.ledge' &&
    Number(facts['ledgeUm']) <= NEARLY_LEVEL * Number(facts['limitUm'])
  );
}

const isHandedOver = (path: Pick<SearchPath, 'choices'>): boolean =>
  path.choices[path.choices.length - 1]?.op === 'hand-over';

/** Keeps the cheapest way to each kind of refusal; handing over before any coat is nobody's question. */
function note(refusals: Map<string, RefusedPath>, refusal: RefusedPath): void {
  if (refusal.refused.op === 'hand-over' && !refusal.choices.some((act) => COATS.includes(act.op))) return;
  const { refused, verdicts, cost } = refusal;
  // Sealer and wet-on-wet are refused alike; people ask about the sealer.
  const asked = isLastCoat(refused) ? 'last' : refused.op;
  const name = `${verdicts[0]!.reason.rule}:${asked}`;
  const known = refusals.get(name);
  const isPlainer = refused.op === 'seal' && known?.refused.op !== 'seal';
  const isHidden = known?.refused.op === 'seal' && refused.op !== 'seal';
  if (!known || (cost < known.cost && !isHidden) || isPlainer) refusals.set(name, refusal);
}

/** The refusal with all that speaks against the act: while it searched, the first rule was enough. */
function withAllRefusals(refusal: RefusedPath, context: Context): RefusedPath {
  const all = decideAct(refusal.broken, refusal.panel, context).filter(isRefusal);
  return all.length > 0 ? { ...refusal, verdicts: all } : refusal;
}

/**
 * The cheapest refusal of each rule first, then the others, by cost. Where nothing is ready, the dearest first: the way
 * that got furthest tells most about what is in the way.
 */
function worthShowing(refusals: ReadonlyMap<string, RefusedPath>, isAnyReady: boolean): RefusedPath[] {
  const ordered = [...refusals.values()].sort((a, b) => (isAnyReady ? a.cost - b.cost : b.cost - a.cost));
  const ruleOf = (refusal: RefusedPath): string => refusal.verdicts[0]!.reason.rule;
  const isFirst = (refusal: RefusedPath): boolean =>
    ordered.find((other) => ruleOf(other) === ruleOf(refusal)) === refusal;
  return [...ordered.filter(isFirst), ...ordered.filter((refusal) => !isFirst(refusal))].slice(
    0,
    MOST_REFUSED,
  );
}
