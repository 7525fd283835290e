import { lowerBound, type Bound } from './bound.ts';
import { actsOfPlan, panelWork, type ChainAct, type PanelWork } from './panel-work.ts';
import { pinsOf, placeAsBefore, stepStarts } from './keep-times.ts';
import type { Placement } from './placed.ts';
import { resourcesOf, type Resources } from './resources.ts';
import type { ScheduleTask } from './schedule-task.ts';
import { isBetterScore, scoreOf, type Score } from './score.ts';
import { bestByRules, searchOrder } from './search-order.ts';
import { settle, type Settled } from './settle.ts';

/** All panels of a shop put into its time: placed, judged by the trade's rules, mended, and compared with what is possible. */

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
  if (effort === 'keep') return placeAsBefore(works, { before, held, resources, task });
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
    placement = placeAsBefore(works, { before, held, resources, task });
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
