import { bundleOfStep } from './bundles.ts';
import type { PanelWork } from './panel-work.ts';
import { finishOf, type Ordered } from './score.ts';

/** Moves by which a search tries other orders: keys of bundles, by which they are sorted, made smaller or larger. */

/** Share of moves that put one bundle beside another panel's. */
const EXCHANGE_SHARE = 0.35;
/** Share of moves that bring panels of one mix together. */
const JOIN_SHARE = 0.2;

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

export interface Sprayed {
  readonly panel: number;
  readonly bundle: number;
}

/** Bundles in which the same mix is sprayed, mix by mix, where there are several. */
export function sprayedAlike(works: readonly PanelWork[]): Sprayed[][] {
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

interface Changing {
  readonly works: readonly PanelWork[];
  readonly alike: readonly (readonly Sprayed[])[];
  readonly random: () => number;
}

/** Keys changed by one move of the kinds there are. */
export function changed(
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
