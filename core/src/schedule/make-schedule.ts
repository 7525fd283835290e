import type { Shop } from '../survey/shop.ts';
import type { DatedStart } from '../planner/work-start.ts';
import { lowerBound, type Bound } from './bound.ts';
import {
  bestByRules,
  endStepOf,
  firstStepOf,
  isBetterScore,
  orderBy,
  scoreOf,
  searchOrder,
  withPinsFirst,
  type Score,
} from './order.ts';
import { actsOfPlan, panelWork, type ChainAct, type PanelToDo, type PanelWork } from './panel-work.ts';
import { place } from './place.ts';
import type { Pin, Pins, Placement } from './placed.ts';
import { resourcesOf, type Resources } from './resources.ts';
import { settle, type Settled } from './settle.ts';

/** All panels of a shop put into its time: placed, judged by the trade's rules, mended, and compared with what is possible. */

/** What a schedule is made on, and how: shared by what is asked for and what is solved. */
export interface ScheduleTerms {
  readonly shop: Shop;
  readonly start: DatedStart;
  /** Work that is held to a time: what runs, what is past, what a person moved. */
  readonly pins?: readonly StepStart[];
  /** Starts of steps in the schedule before; the rest moves as little as it must. */
  readonly before?: readonly StepStart[];
  readonly seed?: number;
  /** How much is tried: `rules` for an answer at once, `keep` to change as little as possible, `search` for a good one. */
  readonly effort?: 'rules' | 'keep' | 'search';
}

export interface ScheduleTask extends ScheduleTerms {
  readonly panels: readonly PanelToDo[];
  /** Minute of the axis that it is; nothing begins before it but what is pinned there. */
  readonly nowMin?: number;
}

/** When a step begins, or began, and by whom. */
export interface StepStart {
  readonly jobId: string;
  readonly panelId: string;
  readonly n: number;
  readonly startMin: number;
  readonly personId?: string | undefined;
  /** What the step was then: one that is another now is not meant. */
  readonly op?: string | undefined;
}

export interface Solved {
  readonly resources: Resources;
  readonly works: readonly PanelWork[];
  readonly placement: Placement;
  readonly settled: readonly Settled[];
  readonly score: Score;
  readonly bound: Bound;
}

export interface Watch {
  readonly isStopped?: () => boolean;
  readonly onProgress?: (share: number, makespanMin: number) => void;
}

/** Blocks that a search may place in all. */
const MOST_BLOCKS = 80_000;
const MOST_ROUNDS = 24;
/** Days that are looked at first, and at most. */
const FIRST_DAYS = 45;
const MOST_DAYS = 730;

const keyOf = ({ jobId, panelId }: Pick<PanelToDo, 'jobId' | 'panelId'>): string => `${jobId} ${panelId}`;

const personAt = ({ people }: Resources, personId: string | undefined): { readonly person?: number } => {
  const person = people.findIndex(({ id }) => id === personId);
  return person < 0 ? {} : { person };
};

/** The plan's own step of a number: what was put in has the number of the step that it goes before. Another plan's is none. */
const stepNumbered = (work: PanelWork, { n, op }: Pick<StepStart, 'n' | 'op'>): number =>
  work.steps.findIndex(
    (step) => step.n === n && !step.insertedFor && (op === undefined || step.act.op === op),
  );

/**
 * Pins by panel and step of the chain. Where as little as may be moves, every other step is loosely held to when it was,
 * but for what follows a step that was moved.
 */
function pinsOf(works: readonly PanelWork[], task: ScheduleTask, resources: Resources): Pins {
  const { pins = [], before = [], effort, nowMin = 0 } = task;
  const nthOf = new Map(works.map(({ todo }, nth) => [keyOf(todo), nth]));
  const byPanel = new Map<number, Map<number, Pin>>();
  const hold = (nth: number, step: number, pin: Pin): void => {
    const known = byPanel.get(nth) ?? new Map<number, Pin>();
    byPanel.set(nth, known.set(step, pin));
  };
  const movedFrom = new Map<number, number>();
  for (const pin of pins) {
    const { startMin, personId } = pin;
    const nth = nthOf.get(keyOf(pin));
    const step = nth === undefined ? -1 : stepNumbered(works[nth]!, pin);
    if (nth === undefined || step < 0) continue;
    hold(nth, step, { startMin, ...personAt(resources, personId) });
    if (startMin >= nowMin) movedFrom.set(nth, Math.min(step, movedFrom.get(nth) ?? Infinity));
  }
  if (effort !== 'keep') return byPanel;
  for (const was of before) {
    const { startMin, personId } = was;
    const nth = nthOf.get(keyOf(was));
    const step = nth === undefined ? -1 : stepNumbered(works[nth]!, was);
    if (nth === undefined || step < 0 || step >= (movedFrom.get(nth) ?? Infinity)) continue;
    if (!byPanel.get(nth)?.has(step))
      hold(nth, step, { startMin, ...personAt(resources, personId), isLoose: true });
  }
  return byPanel;
}

/** Keys of the blocks by the schedule before; what is new comes after what its panel has before it. */
function startsBefore(works: readonly PanelWork[], before: readonly StepStart[]): number[][] {
  const known = new Map(before.map((each) => [`${keyOf(each)} ${each.n}`, each.startMin]));
  return works.map((work) =>
    work.bundles.map((_, bundle) => {
      for (let i = firstStepOf(work, bundle); i < endStepOf(work, bundle); i++) {
        const startMin = known.get(`${keyOf(work.todo)} ${work.steps[i]!.n}`);
        if (startMin !== undefined) return startMin;
      }
      return -Infinity;
    }),
  );
}

/** What follows a step that was moved finds its place after all that did not move. */
function afterTheRest(
  works: readonly PanelWork[],
  starts: readonly (readonly number[])[],
  pins: Pins,
): number[][] {
  return works.map((work, nth) => {
    const own = pins.get(nth);
    const isMoved = own !== undefined && [...own.values()].some(({ isLoose }) => !isLoose);
    if (!isMoved) return [...starts[nth]!];
    return starts[nth]!.map((start, bundle) => {
      for (let i = firstStepOf(work, bundle); i < endStepOf(work, bundle); i++) if (own.has(i)) return start;
      return Infinity;
    });
  });
}

/** Bundles by when they began before. */
function orderAsBefore(
  works: readonly PanelWork[],
  before: readonly StepStart[],
  held: Pins,
  task: ScheduleTask,
): number[] {
  const starts = startsBefore(works, before);
  const keys = task.effort === 'keep' ? afterTheRest(works, starts, held) : starts;
  return withPinsFirst(
    orderBy(works, (panel, bundle) => keys[panel]![bundle]!),
    held,
    works,
  );
}

/** Starts of steps, to place the same work again in the same order. */
function stepStarts(works: readonly PanelWork[], { panels }: Placement): StepStart[] {
  return works.flatMap(({ todo, steps }, i) =>
    panels[i]!.map(({ startMin }, k) => ({
      jobId: todo.jobId,
      panelId: todo.panelId,
      n: steps[k]!.n,
      startMin,
    })),
  );
}

interface Chains {
  readonly acts: readonly (readonly ChainAct[])[];
  readonly works: readonly PanelWork[];
}

function firstPlacement(
  { works }: Chains,
  resources: Resources,
  task: ScheduleTask,
  watch: Watch,
): Placement {
  const { before = [], effort = 'search', seed = 1 } = task;
  const held = pinsOf(works, task, resources);
  if (effort === 'keep') {
    return place(works, orderAsBefore(works, before, held, task), resources, held);
  }
  if (effort === 'rules') return bestByRules(works, resources, held).placement;
  return searchOrder(works, resources, { pins: held, seed, mostBlocks: MOST_BLOCKS, ...watch }).placement;
}

function solve(first: Chains, resources: Resources, task: ScheduleTask, watch: Watch): Solved | null {
  let { acts, works } = first;
  let placement = firstPlacement(first, resources, task, watch);
  if (placement.isCut) return null;
  let settled: Settled[] = [];
  for (let round = 0; round < MOST_ROUNDS; round++) {
    settled = works.map((work, i) => settle(work, acts[i]!, placement.panels[i]!));
    if (settled.every(({ again }) => again === null)) break;
    const before = stepStarts(works, placement);
    acts = settled.map(({ again }, i) => again ?? acts[i]!);
    const old = works;
    works = settled.map(({ again }, i) => (again ? panelWork(old[i]!.todo, task.start, again) : old[i]!));
    const held = pinsOf(works, task, resources);
    placement = place(works, orderAsBefore(works, before, held, task), resources, held);
    if (placement.isCut) return null;
  }
  return {
    resources,
    works,
    placement,
    settled,
    score: scoreOf(works, placement),
    bound: lowerBound(first.works, resources),
  };
}

/** Over as many days as the work needs; null where no day up to the most of them is enough. */
function solveOver(task: ScheduleTask, chains: Chains, nPeople: number, watch: Watch): Solved | null {
  for (let nDays = FIRST_DAYS; nDays <= MOST_DAYS; nDays *= 4) {
    const solved = solve(
      chains,
      resourcesOf(task.shop, task.start, nDays, { nPeople, nowMin: task.nowMin ?? 0 }),
      task,
      watch,
    );
    if (solved) return solved;
  }
  return null;
}

/**
 * The schedule of a shop; null where its people never have the time for it. Deterministic for its task.
 * One person more never makes it worse: the schedule of one fewer is kept where it is better.
 */
export function solveSchedule(task: ScheduleTask, watch: Watch = {}): Solved | null {
  const acts = task.panels.map(actsOfPlan);
  const works = task.panels.map((todo, i) => panelWork(todo, task.start, acts[i]!));
  const chains = { acts, works };
  const nPeople = Math.max(1, task.shop.people?.length ?? 1);
  let best = solveOver(task, chains, nPeople, watch);
  for (let fewer = nPeople - 1; fewer > 0; fewer--) {
    const { boundMin } = lowerBound(
      works,
      resourcesOf(task.shop, task.start, FIRST_DAYS, { nPeople: fewer }),
    );
    if (best && (boundMin >= best.score.makespanMin || task.effort === 'keep')) break;
    const other = solveOver(task, chains, fewer, watch);
    if (other && (!best || isBetterScore(other.score, best.score))) best = other;
  }
  return best;
}
