import { GRADES, grainUm, type Grade } from '../materials/grades.ts';
import { scratchDepthUm, type SandedMaterial, type Tool } from './scratch.ts';

/**
 * Grit ladder: the sequence of grades with the least hands-on time.
 * Each step must remove the previous scratch to its bottom: time = area x depth / removal rate. Removal by machine on
 * primer is 3 cm³/min x (grain/46.2)^1.05 (calibrated), times material and tool. Shortest path over the grades in
 * stock, solved coarse to fine in one sweep: O(grades²).
 */
const BASE_RATE_CM3_PER_MIN = 3;
const BASE_GRAIN_UM = 46.2;
const RATE_EXPONENT = 1.05;
const MATERIAL_RATE: Record<SandedMaterial, number> = {
  primer: 1,
  filler: 1.3,
  epoxy: 0.6,
  'old-clear': 0.7,
  plastic: 0.7,
  metal: 0.08,
};
const TOOL_RATE: Record<Tool, number> = {
  machine: 1,
  'machine-soft': 1,
  block: 0.8,
  hand: 0.4,
  'wet-hand': 0.4,
};
/** Change of disc, guide coat and wipe for each step. */
const STEP_MINUTES = 2;
const STEP_MINUTES_PER_M2 = 1;

export interface Sanding {
  readonly areaM2: number;
  readonly tool: Tool;
  readonly material: SandedMaterial;
}

export interface LadderStep {
  readonly grade: Grade;
  /** Film taken off, µm. */
  readonly takenUm: number;
  readonly minutes: number;
}

export interface Ladder {
  readonly start: Grade;
  readonly steps: readonly LadderStep[];
  readonly minutes: number;
  readonly takenUm: number;
}

/** Removal in cm³ a minute. */
export const removalCm3PerMin = (grade: Grade, tool: Tool, material: SandedMaterial): number =>
  BASE_RATE_CM3_PER_MIN *
  (grainUm(grade) / BASE_GRAIN_UM) ** RATE_EXPONENT *
  MATERIAL_RATE[material] *
  TOOL_RATE[tool];

/** Minutes to take `depthUm` off an area with one grade, disc change and wipe included. */
export const sandingMinutes = (grade: Grade, depthUm: number, { areaM2, tool, material }: Sanding): number =>
  (areaM2 * depthUm) / removalCm3PerMin(grade, tool, material) + STEP_MINUTES + STEP_MINUTES_PER_M2 * areaM2;

/** Minutes and film of a given sequence; the first grade is the scratch that is already there. */
export function ladderOf(sequence: readonly [Grade, ...Grade[]], sanding: Sanding): Ladder {
  const [start, ...rest] = sequence;
  let previous = start;
  const steps = rest.map((grade) => {
    const takenUm = scratchDepthUm(previous, sanding.tool, sanding.material);
    previous = grade;
    return { grade, takenUm, minutes: sandingMinutes(grade, takenUm, sanding) };
  });
  return {
    start,
    steps,
    minutes: steps.reduce((sum, step) => sum + step.minutes, 0),
    takenUm: steps.reduce((sum, step) => sum + step.takenUm, 0),
  };
}

export interface LadderTask extends Sanding {
  readonly from: Grade;
  readonly to: Grade;
  /** Largest ratio of grains between neighbours; unlimited where absent. */
  readonly largestJump?: number;
  /** Grades in stock; all of them where absent. */
  readonly stock?: readonly Grade[];
}

/** The quickest ladder, or null when the grades in stock cannot bridge the gap. Ties go to the coarser grade. */
export function bestLadder(task: LadderTask): Ladder | null {
  const { from, to, largestJump = Infinity, stock = GRADES } = task;
  if (from === to) return ladderOf([from], task);
  const rungs = GRADES.filter(
    (grade) =>
      grade === from ||
      grade === to ||
      (stock.includes(grade) && grainUm(grade) < grainUm(from) && grainUm(grade) > grainUm(to)),
  );
  const best = new Map<Grade, { minutes: number; path: readonly [Grade, ...Grade[]] }>([
    [from, { minutes: 0, path: [from] }],
  ]);
  for (const [i, grade] of rungs.entries()) {
    const reached = best.get(grade);
    if (!reached) continue;
    const depthUm = scratchDepthUm(grade, task.tool, task.material);
    for (const next of rungs.slice(i + 1)) {
      if (grainUm(grade) / grainUm(next) > largestJump) continue;
      const minutes = reached.minutes + sandingMinutes(next, depthUm, task);
      if (minutes < (best.get(next)?.minutes ?? Infinity))
        best.set(next, { minutes, path: [...reached.path, next] });
    }
  }
  const found = best.get(to);
  return found ? ladderOf(found.path, task) : null;
}
