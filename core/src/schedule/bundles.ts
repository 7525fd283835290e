import type { Pin, Pins, Placement } from './placed.ts';
import type { PanelWork } from './panel-work.ts';

/** Work in bundles of blocks, and the orders in which these are placed: each entry is a panel, whose next bundle is meant. */

/** Start of what is not placed. */
const NO_START = 1e7;

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

/** First step of a bundle. */
export const firstStepOf = ({ bundles, blocks }: PanelWork, bundle: number): number =>
  blocks[bundles[bundle]!.from]!.from;

/** The step after the last one of a bundle. */
export const endStepOf = ({ bundles, blocks }: PanelWork, bundle: number): number =>
  blocks[bundles[bundle]!.to - 1]!.to;

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
export const startsOf = (works: readonly PanelWork[], { panels }: Placement): number[][] =>
  works.map((work, panel) =>
    work.bundles.map((_, bundle) => panels[panel]![firstStepOf(work, bundle)]?.startMin ?? NO_START),
  );

/** Bundle that a step belongs to. */
export const bundleOfStep = (work: PanelWork, step: number): number =>
  work.bundles.findIndex((_, bundle) => step < endStepOf(work, bundle));

/** Work whose blocks are ordered one by one: what a night would break is kept together by its cost alone. */
export const unbundled = (works: readonly PanelWork[]): PanelWork[] =>
  works.map((work) => ({
    ...work,
    bundles: work.blocks.map((_, block) => ({ from: block, to: block + 1 })),
  }));
