import { untilAirWillDoMin } from '../operations/air.ts';
import { cureHandsMin } from '../operations/waiting.ts';
import type { BoothPlace } from './board.ts';
import { holdsUntil, isBaked, opensMin } from './chain-limits.ts';
import { handsFrom, type Hands } from './fit-hands.ts';
import type { Lag, WorkStep } from './panel-work.ts';
import { isInOneGo, type Cursor, type HeldBy, type PlacedStep } from './placed.ts';
import { freeBetween } from './stretches.ts';

/** When one step can be done: by its hands, its air, its booth or its heat. Nothing is taken yet. */

/** Stays in a booth or an oven that one step looks past: more than a shop has in two years. */
const MOST_IN_THE_WAY = 20_000;

export interface Tried {
  readonly placed: PlacedStep;
  readonly booth: BoothPlace | null;
}

export const KEPT: readonly Lag[] = [];

function waitStep(step: WorkStep, fromMin: number, { work, done }: Cursor): Tried {
  const endMin = opensMin(step, work, done, fromMin);
  return {
    placed: {
      startMin: fromMin,
      endMin,
      person: -1,
      booth: -1,
      oven: -1,
      cycle: -1,
      washMin: 0,
      handsFromMin: fromMin,
      handsToMin: fromMin,
      pieces: null,
      missed: KEPT,
      heldBy: 'nothing',
    },
    booth: null,
  };
}

/** A step of hands that is in nothing but a person's time. */
export const withHands = (hands: Hands, endMin: number, person: number, heldBy: HeldBy): PlacedStep => ({
  startMin: hands.fromMin,
  endMin,
  person,
  booth: -1,
  oven: -1,
  cycle: -1,
  washMin: 0,
  handsFromMin: hands.fromMin,
  handsToMin: hands.toMin,
  pieces: hands.pieces,
  missed: KEPT,
  heldBy,
});

/** A cure, or tempering: set up by hand, then left; what is warm holds an oven or lamp, or the booth where there is none. */
function cureStep(step: WorkStep, fromMin: number, cursor: Cursor): Tried | null {
  const { work, done, board, person } = cursor;
  const isTempered = step.act.op === 'temper';
  const bakes = isTempered || isBaked(step, cursor);
  const fixedMin = isTempered ? step.waitMin : step.softMin;
  const handsMin = fixedMin > 0 ? step.handsMin : cureHandsMin(bakes ? 'bake' : 'air');
  let from = fromMin;
  let heldBy: HeldBy = 'nothing';
  // Each round begins later than the one before, after what was in the way.
  for (let tries = 0; tries < MOST_IN_THE_WAY; tries++) {
    const hands = handsFrom(step, handsMin, from, cursor);
    if (!hands) return null;
    const startMin = hands.fromMin;
    if (startMin > from) heldBy = 'person';
    const endMin = (fixedMin > 0 ? startMin + fixedMin : opensMin(step, work, done, startMin)) + handsMin;
    const placed = withHands(hands, endMin, person, heldBy);
    if (!bakes) return { placed, booth: null };
    if (board.resources.nOvens > 0) {
      const { oven, atMin } = board.ovenFor(startMin, endMin - startMin);
      if (atMin === startMin) return { placed: { ...placed, oven }, booth: null };
      [from, heldBy] = [atMin, 'oven'];
      continue;
    }
    if (board.booths.length === 0) return { placed, booth: null };
    const booth = board.boothToBakeIn(startMin, endMin);
    if (booth !== null) return { placed: { ...placed, booth }, booth: { booth, cycle: null } };
    [from, heldBy] = [board.nextBoothMin(startMin), 'booth'];
    if (from === Infinity) return null;
  }
  return null;
}

/** Why hands begin later than they could: the working day begins then, or somebody else has the person. */
function whyLater(atMin: number, fromMin: number, { board, person }: Cursor): HeldBy {
  const calendar = board.resources.calendars[person]!;
  return freeBetween(calendar, fromMin, atMin) > 0 ? 'person' : 'hours';
}

/** Minutes until the air will do for what a step lays; 0 in a shop whose air is the same all day. */
function airWaitMin({ sheet, areas }: WorkStep, atMin: number, { work }: Cursor): number {
  if (!sheet || !work.context.shop.usualDay) return 0;
  return Math.ceil(untilAirWillDoMin(sheet, areas, atMin + work.offsetMin, work.context) ?? 0);
}

function handsStep(step: WorkStep, at: number, fromMin: number, cursor: Cursor): Tried | null {
  const { work, done, board, person, nth } = cursor;
  const inOneGo = isInOneGo(step);
  let heldBy: HeldBy = 'nothing';
  let from = step.waitsFor.length > 0 ? opensMin(step, work, done, fromMin) : fromMin;
  // Each round begins later than the one before, after what was in the way.
  for (let tries = 0; tries < MOST_IN_THE_WAY; tries++) {
    const washMin = step.mixKey ? board.washMin(step.gunKey, step.mixKey, from) : 0;
    const hands = handsFrom(step, washMin + step.handsMin + (inOneGo ? step.waitMin : 0), from, cursor);
    if (!hands) return null;
    if (hands.fromMin > from && heldBy === 'nothing') heldBy = whyLater(hands.fromMin, from, cursor);
    const startMin = hands.fromMin + washMin;
    const airMin = airWaitMin(step, startMin, cursor);
    if (airMin > 0) {
      [from, heldBy] = [hands.fromMin + airMin, 'air'];
      continue;
    }
    const endMin = inOneGo ? hands.toMin : hands.toMin + step.waitMin;
    const placed: PlacedStep = {
      startMin,
      endMin,
      person,
      booth: -1,
      oven: -1,
      cycle: -1,
      washMin,
      handsFromMin: hands.fromMin,
      handsToMin: hands.toMin,
      pieces: hands.pieces,
      missed: KEPT,
      heldBy,
    };
    if (!step.isSprayed || board.booths.length === 0) return { placed, booth: null };
    const toMin = holdsUntil(at, endMin, cursor);
    const { m2 } = work;
    const booth = board.boothFor({
      panel: nth,
      person,
      mixKey: step.mixKey!,
      m2,
      fromMin: hands.fromMin,
      toMin,
    });
    if (booth) return { placed: { ...placed, booth: booth.booth }, booth };
    [from, heldBy] = [board.nextBoothMin(hands.fromMin), 'booth'];
    if (from === Infinity) return null;
  }
  return null;
}

/** When a step can be done from a minute on; null where there is no time for it. */
export function fitStep(at: number, fromMin: number, cursor: Cursor): Tried | null {
  const step = cursor.work.steps[at]!;
  if (step.shape === 'wait') return waitStep(step, fromMin, cursor);
  const { op } = step.act;
  return op === 'cure' || op === 'temper'
    ? cureStep(step, fromMin, cursor)
    : handsStep(step, at, fromMin, cursor);
}
