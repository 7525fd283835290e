import { Board } from './board.ts';
import { MOST_TORN_MIN, bestOf, clear, type Attempt } from './fit-block.ts';
import type { Block, PanelWork } from './panel-work.ts';
import { lastOf, type Done, type Pins, type PlacedStep, type Placement } from './placed.ts';
import type { Resources } from './resources.ts';
import { stretchAfter } from './stretches.ts';

/** Puts blocks of work into time, one after the other in a given order: each as early as its limits and resources allow. */

/** A block that was placed. */
interface Taken {
  readonly block: Block;
  readonly tried: Attempt;
  readonly nth: number;
  readonly work: PanelWork;
}

/** Writes a block into people's time, booths, ovens and guns. */
function commit({ block, tried, nth, work }: Taken, board: Board): void {
  tried.steps.forEach((placed, k) => {
    const at = block.from + k;
    const step = work.steps[at]!;
    const { person, startMin, endMin, oven, handsFromMin, handsToMin, pieces } = placed;
    const place = tried.booths[k];
    if (step.isSprayed && place) {
      const next = tried.steps[k + 1];
      const toMin = next && work.steps[at + 1]!.act.op === 'flash' ? next.endMin : endMin;
      // What was free when it was tried may have been taken by a step of this same block.
      const spray = { panel: nth, person, mixKey: step.mixKey!, m2: work.m2, fromMin: handsFromMin, toMin };
      placed.cycle = board.spray(board.boothFor(spray) ?? place, spray);
    } else if (place) board.bakeInBooth(place.booth, nth, startMin, endMin);
    if (step.isSprayed && step.mixKey) board.useGun(step.gunKey, step.mixKey, startMin);
    if (oven >= 0) board.bake(oven, startMin, endMin);
    if (pieces) for (let i = 0; i < pieces.length; i += 2) board.work(person, pieces[i]!, pieces[i + 1]!);
    else if (person >= 0) board.work(person, handsFromMin, handsToMin);
    // Nobody goes elsewhere for the minutes that a wipe takes to dry.
    const following = tried.steps[k + 1];
    if (person >= 0 && following?.person === person && following.handsFromMin - handsToMin <= MOST_TORN_MIN)
      board.work(person, handsToMin, following.handsFromMin);
  });
}

/** What is placed of a panel so far. */
interface Progress {
  readonly nth: number;
  readonly work: PanelWork;
  readonly done: Done;
  nextBundle: number;
  lastPerson: number;
  /** Some of its work found no time. */
  isCut: boolean;
  /** Some of its work could not stay where it was: it finds its time after all that could. */
  isPutOff: boolean;
}

/** Places one block with whoever does it best; how many limits are missed, or null where there is no time. */
function placeBlock(block: Block, readyMin: number, progress: Progress, shop: Shop): number | null {
  const { board, pins } = shop;
  const { nth, work, done } = progress;
  const pinned = pins.get(nth);
  const pin = pinned?.get(block.from);
  const wanted = pin?.isLoose ? undefined : pin?.person;
  const knows = pin?.person ?? progress.lastPerson;
  let best: Attempt | null = null;
  let by = -1;
  for (let person = 0; person < board.free.length; person++) {
    if (wanted !== undefined && wanted !== person) continue;
    const tried = bestOf(block, readyMin, { nth, work, done, person, board }, pinned);
    if (tried && (!best || isBetter(tried, best, knows === person))) [best, by] = [tried, person];
  }
  if (!best) return null;
  const taken = { block, tried: best, nth, work };
  commit(taken, board);
  shop.taken.push(taken);
  for (let i = block.from; i < block.to; i++) done[i] = best.steps[i - block.from];
  if (lastOf(best.steps).person >= 0) progress.lastPerson = by;
  return best.nMissed;
}

interface Shop {
  board: Board;
  readonly pins: Pins;
  /** Everything that is placed, in its order. */
  readonly taken: Taken[];
}

/** The shop as it was when only so much was placed. */
function goBack(shop: Shop, nTaken: number): void {
  shop.taken.length = nTaken;
  shop.board = new Board(shop.board.resources);
  for (const taken of shop.taken) commit(taken, shop.board);
}

/** So many mornings later is a bundle tried whose windows others keep it from. */
const MOST_BUNDLE_MORNINGS = 4;

/** Places the blocks of a bundle; where its windows do not hold because others are in the way, from a later morning on. */
function placeBundle(bundle: Block, progress: Progress, shop: Shop): void {
  const { work, done } = progress;
  const blocks = work.blocks.slice(bundle.from, bundle.to);
  const first = blocks[0]!;
  const readyMin = first.from === 0 ? Math.max(0, work.todo.notBeforeMin ?? 0) : done[first.from - 1]!.endMin;
  const nTaken = shop.taken.length;
  const mornings = shop.board.resources.anybody;
  let fromMin = readyMin;
  for (let tries = 0; ; tries++) {
    const nMissed = placeFrom(blocks, fromMin, progress, shop);
    if (nMissed === null) progress.isCut = true;
    if (!nMissed || blocks.length === 1 || tries > MOST_BUNDLE_MORNINGS) return;
    const next = stretchAfter(mornings, done[first.from]!.handsFromMin) + 2;
    const isLast = tries === MOST_BUNDLE_MORNINGS || next >= mornings.length;
    if (isLast) tries = MOST_BUNDLE_MORNINGS;
    // Where no morning helps, the first try was as good as any: its limits are mended.
    fromMin = isLast ? readyMin : mornings[next]!;
    goBack(shop, nTaken);
    for (const block of blocks) clear(done, block);
  }
}

/** Places blocks one after the other; how many limits are missed, or null where there is no time. */
function placeFrom(blocks: readonly Block[], fromMin: number, progress: Progress, shop: Shop): number | null {
  let nMissed = 0;
  let now = fromMin;
  for (const block of blocks) {
    const missed = placeBlock(block, now, progress, shop);
    if (missed === null) return null;
    nMissed += missed;
    now = progress.done[block.to - 1]!.endMin;
  }
  return nMissed;
}

export interface PlaceTerms {
  readonly pins?: Pins;
  /** What is loosely held stays exactly where it is, wherever it can; the rest is placed after that. */
  readonly staysFirst?: boolean;
}

/** It begins later than it is loosely held to. */
function isPushed(bundle: Block, { work, done, nth }: Progress, pins: Pins): boolean {
  const held = pins.get(nth);
  const first = work.blocks[bundle.from]!.from;
  const pin = held?.get(first);
  // What leads up to a step that is held to a time goes with it.
  const isHeldOn = [...(held ?? [])].some(([step, { isLoose }]) => step >= first && !isLoose);
  if (isHeldOn) return false;
  return pin?.isLoose === true && (done[first]?.handsFromMin ?? Infinity) > pin.startMin + STAYS_MIN;
}

/** So little later is where it was, minutes. */
const STAYS_MIN = 0.5;

/** Takes a bundle out again, to be placed after the others. */
function putOff(
  bundle: Block,
  progress: Progress,
  { shop, nTaken }: { readonly shop: Shop; readonly nTaken: number },
): void {
  const { work, done } = progress;
  goBack(shop, nTaken);
  for (const block of work.blocks.slice(bundle.from, bundle.to)) clear(done, block);
  progress.nextBundle -= 1;
  progress.isPutOff = true;
}

/**
 * Places all work in the order given: each entry is a panel, whose next bundle of blocks is meant. Deterministic.
 * O(blocks x people x tries).
 */
export function place(
  works: readonly PanelWork[],
  order: readonly number[],
  resources: Resources,
  { pins = new Map(), staysFirst = false }: PlaceTerms = {},
): Placement {
  const shop: Shop = { board: new Board(resources), pins, taken: [] };
  const panels = works.map((work, nth): Progress => ({
    nth,
    work,
    done: new Array<PlacedStep | undefined>(work.steps.length).fill(undefined),
    nextBundle: 0,
    lastPerson: -1,
    isCut: false,
    isPutOff: false,
  }));
  const later: number[] = [];
  for (const nth of order) {
    const progress = panels[nth]!;
    if (progress.isPutOff) {
      later.push(nth);
      continue;
    }
    const nTaken = shop.taken.length;
    const bundle = placeNext(progress, shop);
    if (!staysFirst || !isPushed(bundle, progress, pins)) continue;
    putOff(bundle, progress, { shop, nTaken });
    later.push(nth);
  }
  for (const nth of later) placeNext(panels[nth]!, shop);
  return {
    panels: panels.map(({ done }) => done.filter((step) => step !== undefined)),
    board: shop.board,
    isCut: panels.some(({ isCut }) => isCut),
  };
}

/** Places the next bundle of a panel. */
function placeNext(progress: Progress, shop: Shop): Block {
  const bundle = progress.work.bundles[progress.nextBundle++]!;
  if (!progress.isCut) placeBundle(bundle, progress, shop);
  return bundle;
}

/** Fewer missed limits, then the earlier end; whoever knows the panel goes on with it. */
function isBetter(a: Attempt, b: Attempt, knowsPanel: boolean): boolean {
  if (a.nMissed !== b.nMissed) return a.nMissed < b.nMissed;
  const [endA, endB] = [lastOf(a.steps).endMin, lastOf(b.steps).endMin];
  return endA < endB || (endA === endB && knowsPanel);
}
