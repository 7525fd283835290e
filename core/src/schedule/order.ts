import { seeded } from '../units/random.ts';
import { place } from './place.ts';
import type { Pin, Pins, Placement } from './placed.ts';
import type { PanelWork } from './panel-work.ts';
import type { Resources } from './resources.ts';

/** In which order work is placed: by rules of priority first, then by trying others (iterated greedy on start times). */

/** What a schedule is judged by: due dates, then the finish of all, then booth hours. Minutes. */
export interface Score {
  /** By how much panels are late, together. */
  readonly lateMin: number;
  /** Limits that are not kept: each costs a remedy. */
  readonly nMissed: number;
  readonly makespanMin: number;
  readonly meanFinishMin: number;
  readonly boothMin: number;
}

export interface Ordered {
  readonly placement: Placement;
  readonly score: Score;
}

const finishOf = (steps: Placement['panels'][number]): number => steps[steps.length - 1]?.endMin ?? 0;

/** How good a placement is. */
export function scoreOf(works: readonly PanelWork[], { panels, board }: Placement): Score {
  let [lateMin, makespanMin, sum, nMissed] = [0, 0, 0, 0];
  panels.forEach((steps, i) => {
    const finish = finishOf(steps);
    const { dueMin = Infinity } = works[i]!.todo;
    lateMin += Math.max(0, finish - dueMin);
    makespanMin = Math.max(makespanMin, finish);
    sum += finish;
    for (const { missed } of steps) nMissed += missed.length;
  });
  const meanFinishMin = panels.length > 0 ? sum / panels.length : 0;
  return { lateMin, nMissed, makespanMin, meanFinishMin, boothMin: board.boothMin() };
}

/** Weights of what comes first over what comes after it; a remedy is about half an hour of work and of everybody's time. */
const WEIGHTS = { late: 20, missed: 200, mean: 0.15, booth: 0.02 } as const;

/** One figure to compare by; smaller is better. */
export const costOfScore = ({ lateMin, nMissed, makespanMin, meanFinishMin, boothMin }: Score): number =>
  WEIGHTS.late * lateMin +
  WEIGHTS.missed * nMissed +
  makespanMin +
  WEIGHTS.mean * meanFinishMin +
  WEIGHTS.booth * boothMin;

/** What comes first alone: due dates, remedies and the finish. */
const firstCost = ({ lateMin, nMissed, makespanMin }: Score): number =>
  WEIGHTS.late * lateMin + WEIGHTS.missed * nMissed + makespanMin;

/** Whether an order is the better one to keep in the end: by what comes first, then by the rest. */
const isBetterOrder = ({ score: a }: Ordered, { score: b }: Ordered): boolean =>
  firstCost(a) !== firstCost(b) ? firstCost(a) < firstCost(b) : costOfScore(a) < costOfScore(b);

/** Whether a schedule is better by what comes first: due dates, then the finish, then the rest. */
export const isBetterScore = (a: Score, b: Score): boolean =>
  a.lateMin !== b.lateMin
    ? a.lateMin < b.lateMin
    : a.makespanMin !== b.makespanMin
      ? a.makespanMin < b.makespanMin
      : costOfScore(a) < costOfScore(b);

/** One entry for each bundle of blocks, by a key: earlier keys first, and those of a panel in their order. */
export function orderBy(
  works: readonly PanelWork[],
  keyOf: (panel: number, bundle: number) => number,
): number[] {
  const entries: { readonly panel: number; readonly key: number }[] = [];
  works.forEach(({ bundles }, panel) => {
    let least = -Infinity;
    bundles.forEach((_, bundle) => {
      least = Math.max(least, keyOf(panel, bundle));
      entries.push({ panel, key: least });
    });
  });
  entries.sort((a, b) => a.key - b.key || a.panel - b.panel);
  return entries.map(({ panel }) => panel);
}

const tailOf = (work: PanelWork, bundle: number): number => work.tailMin[firstStepOf(work, bundle)] ?? 0;

/** First step of a bundle. */
export const firstStepOf = ({ bundles, blocks }: PanelWork, bundle: number): number =>
  blocks[bundles[bundle]!.from]!.from;

/** The step after the last one of a bundle. */
export const endStepOf = ({ bundles, blocks }: PanelWork, bundle: number): number =>
  blocks[bundles[bundle]!.to - 1]!.to;

const totalOf = (work: PanelWork): number => work.tailMin[0] ?? 0;

/** Rules of priority that are tried; due dates count in each where there are any. */
function firstOrders(works: readonly PanelWork[], nPeople: number): number[][] {
  const horizon = Math.max(0, ...works.map(totalOf));
  const due = (panel: number): number => works[panel]!.todo.dueMin ?? horizon * 4;
  const rules: ((panel: number, bundle: number) => number)[] = [
    // Least slack: latest start by its due date, or by the longest chain.
    (panel, bundle) => Math.min(due(panel), horizon * 2) - tailOf(works[panel]!, bundle),
    // Whatever has most to come, first.
    (panel, bundle) => -tailOf(works[panel]!, bundle) * (due(panel) < horizon * 4 ? 2 : 1),
    // Panel by panel, the one that is due first and the longest first.
    (panel) => due(panel) * 1000 - totalOf(works[panel]!),
    (panel) => due(panel) * 1000 + totalOf(works[panel]!),
    // All side by side.
    (panel, bundle) => totalOf(works[panel]!) - tailOf(works[panel]!, bundle),
  ];
  // Panels let in one after the other, as fast as the shop gets through with them, so that few stand about half done.
  const sumMin = works.reduce(
    (sum, { steps }) => sum + steps.reduce((own, { handsMin }) => own + handsMin, 0),
    0,
  );
  const byDue = works
    .map((_, panel) => panel)
    .sort((a, b) => due(a) - due(b) || totalOf(works[b]!) - totalOf(works[a]!));
  const rank = works.map((_, panel) => byDue.indexOf(panel));
  for (const share of LET_IN) {
    const everyMin = (share * sumMin * ELAPSED_FOR_HANDS) / Math.max(1, nPeople * works.length);
    rules.push(
      (panel, bundle) => rank[panel]! * everyMin + totalOf(works[panel]!) - tailOf(works[panel]!, bundle),
    );
  }
  const nBlocks = works.reduce((sum, { blocks }) => sum + blocks.length, 0);
  const tried = nBlocks > MANY_BLOCKS ? rules.filter((_, i) => FOR_MANY.has(i)) : rules;
  return tried.map((rule) => orderBy(works, rule));
}

/** From so many blocks on only the rules that do best there are tried: least slack, and panels let in at some pace. */
const MANY_BLOCKS = 400;
const FOR_MANY: ReadonlySet<number> = new Set([0, 5, 6, 7]);

/** Intervals that are tried, in shares of the pace of the shop. */
const LET_IN = [0.4, 0.7, 1, 1.3];
/** Minutes that pass while one minute of a working day is worked. */
const ELAPSED_FOR_HANDS = 2.8;

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

const PIN_FIRST = 1e7;
/** Blocks up to which one more costs the same; with more of them each looks through more that is taken. */
const EVEN_BLOCKS = 300;
/** Moves after which a small shop gains nothing more. */
const MOST_MOVES = 800;
/** Share of moves in which what belongs together is moved as one. */
const BUNDLED_SHARE = 0.6;
/** Share of moves that put one bundle beside another panel's. */
const EXCHANGE_SHARE = 0.35;
/** Share of moves that bring panels of one mix together. */
const JOIN_SHARE = 0.2;

/** Pinned panels come first, so that nothing takes their time. */
export function withPinsFirst(
  order: readonly number[],
  pins: Pins | undefined,
  works: readonly PanelWork[],
): number[] {
  if (!pins || pins.size === 0) return [...order];
  const left = works.map((work, panel) => {
    const pinned = pins.get(panel);
    if (!pinned) return 0;
    return work.bundles.findLastIndex((_, i) => hasPin(pinned, firstStepOf(work, i), endStepOf(work, i))) + 1;
  });
  const first: number[] = [];
  const rest: number[] = [];
  for (const panel of order) {
    if (left[panel]! > 0) {
      left[panel]! -= 1;
      first.push(panel);
    } else rest.push(panel);
  }
  return [...first, ...rest];
}

const hasPin = (pins: ReadonlyMap<number, Pin>, from: number, to: number): boolean => {
  for (let i = from; i < to; i++) if (pins.get(i) && !pins.get(i)!.isLoose) return true;
  return false;
};

/** Start of each bundle in a placement, panel by panel. */
const startsOf = (works: readonly PanelWork[], { panels }: Placement): number[][] =>
  works.map((work, panel) =>
    work.bundles.map((_, bundle) => panels[panel]![firstStepOf(work, bundle)]?.startMin ?? PIN_FIRST),
  );

/** The best of the rules of priority. */
export function bestByRules(works: readonly PanelWork[], resources: Resources, pins?: Pins): Ordered {
  const all = firstOrders(works, resources.people.length).map((order) =>
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
  const placement = place(works, withPinsFirst(order, pins, works), resources, pins);
  return { placement, score: scoreOf(works, placement) };
}

const bundleOfStep = (work: PanelWork, step: number): number =>
  work.bundles.findIndex((_, bundle) => step < endStepOf(work, bundle));

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

/** Panels that decide: the last to finish and the late ones are moved more often than others. */
function pickPanel(works: readonly PanelWork[], { placement, score }: Ordered, random: () => number): number {
  const weights = placement.panels.map((steps, i) => {
    const finish = finishOf(steps);
    const isLate = finish > (works[i]!.todo.dueMin ?? Infinity);
    return 1 + (isLate ? 3 : 0) + (finish >= score.makespanMin - 60 ? 3 : 0);
  });
  let at = random() * weights.reduce((sum, weight) => sum + weight, 0);
  return Math.max(
    0,
    weights.findIndex((weight) => (at -= weight) < 0),
  );
}

/** Moves of one panel's keys: all of it nearer to or further from the beginning, its later part moved, or all of it moved. */
const MOVES: readonly ((own: number[], spanMin: number, random: () => number) => number[])[] = [
  (own, _, random) => {
    const factor = 0.3 + random() * 0.95;
    return own.map((key) => key * factor);
  },
  (own, spanMin, random) => {
    const from = Math.floor(random() * own.length);
    const byMin = (random() * 2 - 1.3) * spanMin;
    return own.map((key, i) => (i < from ? key : key + byMin));
  },
  (own, spanMin, random) => {
    const byMin = (random() * 2 - 1) * spanMin;
    return own.map((key) => key + byMin);
  },
];

interface Sprayed {
  readonly panel: number;
  readonly bundle: number;
}

/** Bundles in which the same mix is sprayed, mix by mix, where there are several. */
function sprayedAlike(works: readonly PanelWork[]): Sprayed[][] {
  const byMix = new Map<string, Sprayed[]>();
  works.forEach((work, panel) =>
    work.steps.forEach(({ mixKey, isSprayed }, step) => {
      if (!isSprayed || mixKey === undefined) return;
      const own = byMix.get(mixKey) ?? [];
      byMix.set(mixKey, own);
      own.push({ panel, bundle: bundleOfStep(work, step) });
    }),
  );
  return [...byMix.values()].filter((own) => new Set(own.map(({ panel }) => panel)).size > 1);
}

/** Keys with one panel's spraying moved next to that of another with the same mix: one booth cycle may take both. */
function joined(
  keys: readonly (readonly number[])[],
  alike: readonly (readonly Sprayed[])[],
  random: () => number,
): number[][] {
  const next = keys.map((own) => own.slice());
  const mix = alike[Math.floor(random() * alike.length)]!;
  const to = mix[Math.floor(random() * mix.length)]!;
  const near = mix.filter(({ panel }) => panel !== to.panel);
  const from = near[Math.floor(random() * near.length)]!;
  const target = keys[to.panel]![to.bundle]! + 0.5;
  const was = keys[from.panel]![from.bundle]!;
  // What comes before it on its panel comes before, what comes after it after.
  next[from.panel] = next[from.panel]!.map((key, bundle) =>
    bundle === from.bundle
      ? target
      : bundle < from.bundle
        ? Math.min(key, key + target - was)
        : Math.max(key, target),
  );
  return next;
}

/** Keys with one bundle moved right before or right after one of another panel. */
function exchanged(keys: readonly (readonly number[])[], random: () => number): number[][] {
  const next = keys.map((own) => own.slice());
  const panel = Math.floor(random() * keys.length);
  const other = (panel + 1 + Math.floor(random() * (keys.length - 1))) % keys.length;
  const bundle = Math.floor(random() * keys[panel]!.length);
  const target = keys[other]![Math.floor(random() * keys[other]!.length)]!;
  next[panel]![bundle] = target + (random() < 0.5 ? -0.5 : 0.5);
  return next;
}

/** Keys of the bundles with some panels' work moved earlier or later. */
function moved(
  keys: readonly (readonly number[])[],
  panels: readonly number[],
  spanMin: number,
  random: () => number,
): number[][] {
  const next = keys.map((own) => own.slice());
  for (const panel of panels) {
    const move = MOVES[Math.floor(random() * MOVES.length)]!;
    next[panel] = move(next[panel]!, spanMin, random);
  }
  return next;
}

/** Work whose blocks are ordered one by one: what a night would break is kept together by its cost alone. */
const unbundled = (works: readonly PanelWork[]): PanelWork[] =>
  works.map((work) => ({
    ...work,
    bundles: work.blocks.map((_, block) => ({ from: block, to: block + 1 })),
  }));

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
  let best = first;
  let keys = startsOf(works, best.placement);
  // The same work by its starts: moves are compared with that, for it need not come out the same.
  let kept = byKeys(keys);
  if (isBetterOrder(kept, best)) best = kept;
  for (let round = rounds.from; round < rounds.to && !isStopped?.(); round++) {
    if (round % 16 === 0) onProgress?.(round / rounds.all, best.score.makespanMin);
    const next = byKeys(changed(keys, kept, { works, alike, random }));
    if (isBetterOrder(next, best)) best = next;
    const [costNext, costKept] = [costOfScore(next.score), costOfScore(kept.score)];
    // A little worse is taken now and then, less so towards the end.
    const slack = 0.004 * costKept * (1 - round / rounds.all) * random();
    if (costNext > costKept + slack) continue;
    kept = next;
    keys = startsOf(works, kept.placement);
  }
  return best;
}

interface Changing {
  readonly works: readonly PanelWork[];
  readonly alike: readonly (readonly Sprayed[])[];
  readonly random: () => number;
}

/** Keys changed by one move of the kinds there are. */
function changed(
  keys: readonly (readonly number[])[],
  kept: Ordered,
  { works, alike, random }: Changing,
): number[][] {
  if (works.length > 1 && random() < EXCHANGE_SHARE) return exchanged(keys, random);
  if (alike.length > 0 && random() < JOIN_SHARE) return joined(keys, alike, random);
  const nMoved = random() < 0.6 ? 1 : 2 + Math.floor(random() * 3);
  const panels = Array.from({ length: nMoved }, () => pickPanel(works, kept, random));
  return moved(keys, panels, random() < 0.5 ? 240 : kept.score.makespanMin, random);
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
