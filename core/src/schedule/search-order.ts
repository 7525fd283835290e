import { seeded } from '../units/random.ts';
import { bundleOfStep, orderBy, startsOf, unbundled, withPinsFirst } from './bundles.ts';
import { changed, sprayedAlike } from './order-moves.ts';
import type { PanelWork } from './panel-work.ts';
import { place } from './place.ts';
import type { Pins } from './placed.ts';
import type { Resources } from './resources.ts';
import { ruleOrders } from './rule-orders.ts';
import { costOfScore, firstCost, isBetterOrder, scoreOf, type Ordered } from './score.ts';

/** In which order work is placed: by rules of priority first, then by trying others (iterated greedy on start times). */

export interface SearchTerms {
  readonly pins?: Pins;
  readonly seed: number;
  /** Blocks that may be placed in all; bounds the time. */
  readonly mostBlocks: number;
  /** Starts of blocks in the schedule before, to begin with. */
  readonly before?: readonly number[] | undefined;
  readonly isStopped?: (() => boolean) | undefined;
  /** Told the share that is done, 0..1, and the best finish so far. */
  readonly onProgress?: ((share: number, makespanMin: number) => void) | undefined;
}

/** Blocks up to which one more costs the same; with more of them each looks through more that is taken. */
const EVEN_BLOCKS = 300;
/** Moves after which a small shop gains nothing more. */
const MOST_MOVES = 800;
/** Share of moves in which what belongs together is moved as one. */
const BUNDLED_SHARE = 0.6;

/** The best of the rules of priority. */
export function bestByRules(works: readonly PanelWork[], resources: Resources, pins?: Pins): Ordered {
  const all = ruleOrders(works, resources.people.length).map((order) =>
    mended(works, placed(works, order, resources, pins), resources, pins),
  );
  return all.reduce((a, b) => (costOfScore(b.score) < costOfScore(a.score) ? b : a));
}

function placed(
  works: readonly PanelWork[],
  order: readonly number[],
  resources: Resources,
  pins: Pins | undefined,
): Ordered {
  const placement = place(works, withPinsFirst(order, pins, works), resources, pins ? { pins } : {});
  return { placement, score: scoreOf(works, placement) };
}

const MOST_MENDINGS = 4;

/** Where windows are missed because others were placed first, the work that they wait for comes right after what opens them. */
function mended(
  works: readonly PanelWork[],
  first: Ordered,
  resources: Resources,
  pins: Pins | undefined,
): Ordered {
  let best = first;
  for (let round = 0; round < MOST_MENDINGS && best.score.nMissed > 0; round++) {
    const keys = startsOf(works, best.placement);
    best.placement.panels.forEach((steps, panel) =>
      steps.forEach(({ missed }, step) => {
        for (const { since } of missed) {
          if (typeof since !== 'number') continue;
          const work = works[panel]!;
          const opener = bundleOfStep(work, since);
          for (let bundle = opener + 1; bundle <= bundleOfStep(work, step); bundle++)
            keys[panel]![bundle] = Math.min(keys[panel]![bundle]!, keys[panel]![opener]! + 1);
        }
      }),
    );
    const next = placed(
      works,
      orderBy(works, (panel, bundle) => keys[panel]![bundle]!),
      resources,
      pins,
    );
    if (costOfScore(next.score) >= costOfScore(best.score)) break;
    best = next;
  }
  return best;
}

/** Times that work is placed by its own starts until it stays. */
const MOST_STEADYINGS = 6;
/** An order that stays may cost so much more than one that does not. */
const STEADY_WORTH = 1.02;

const isSameKeys = (a: readonly (readonly number[])[], b: readonly (readonly number[])[]): boolean =>
  a.every((own, panel) => own.every((key, i) => key === b[panel]![i]));

interface Improving {
  readonly works: readonly PanelWork[];
  readonly resources: Resources;
  readonly terms: SearchTerms;
  readonly random: () => number;
  /** Rounds of all that is tried, and which of them these are. */
  readonly rounds: { readonly from: number; readonly to: number; readonly all: number };
}

/** Moves of single panels and of several, kept where they are no worse; the best that was found. */
function improved(first: Ordered, { works, resources, terms, random, rounds }: Improving): Ordered {
  const { pins, isStopped, onProgress } = terms;
  const alike = resources.nBooths > 0 ? sprayedAlike(works) : [];
  const byKeys = (keys: readonly (readonly number[])[]): Ordered =>
    placed(
      works,
      orderBy(works, (panel, bundle) => keys[panel]![bundle]!),
      resources,
      pins,
    );
  // The same work by its own starts comes out the same from some time on: only then does it stay when nothing is moved.
  const steadied = (ordered: Ordered): Ordered => {
    let now = ordered;
    for (let round = 0; round < MOST_STEADYINGS; round++) {
      const keys = startsOf(works, now.placement);
      const next = byKeys(keys);
      if (isSameKeys(startsOf(works, next.placement), keys)) break;
      now = next;
    }
    return firstCost(now.score) <= STEADY_WORTH * firstCost(ordered.score) ? now : ordered;
  };
  let best = steadied(first);
  let kept = best;
  let keys = startsOf(works, kept.placement);
  for (let round = rounds.from; round < rounds.to && !isStopped?.(); round++) {
    if (round % 16 === 0) onProgress?.(round / rounds.all, best.score.makespanMin);
    const next = byKeys(changed(keys, kept, { works, alike, random }));
    const better = isBetterOrder(next, best) ? steadied(next) : best;
    if (isBetterOrder(better, best)) best = better;
    const [costNext, costKept] = [costOfScore(next.score), costOfScore(kept.score)];
    // A little worse is taken now and then, less so towards the end.
    const slack = 0.004 * costKept * (1 - round / rounds.all) * random();
    if (costNext > costKept + slack) continue;
    kept = next;
    keys = startsOf(works, kept.placement);
  }
  return best;
}

/**
 * A good order: the best of the rules of priority, or the one before, and then moves, first of what belongs together, then
 * of single blocks. Deterministic by its seed; bounded by `mostBlocks`.
 */
export function searchOrder(works: readonly PanelWork[], resources: Resources, terms: SearchTerms): Ordered {
  const { pins, seed, mostBlocks } = terms;
  const nBlocks = works.reduce((sum, { blocks }) => sum + blocks.length, 0);
  const random = seeded(seed);
  const all =
    nBlocks > 0
      ? Math.min(MOST_MOVES, Math.floor((mostBlocks * Math.min(1, EVEN_BLOCKS / nBlocks)) / nBlocks))
      : 0;
  const half = Math.round(all * BUNDLED_SHARE);
  const shared = { resources, terms, random };
  const byBundles = improved(bestByRules(works, resources, pins), {
    ...shared,
    works,
    rounds: { from: 0, to: half, all },
  });
  return improved(byBundles, { ...shared, works: unbundled(works), rounds: { from: half, to: all, all } });
}
