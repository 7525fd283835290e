import { GRADES, grainUm, type Grade } from '../materials/grades.ts';
import { LEVELLING_TOOLS, type Tool } from '../materials/tools.ts';
import { DEFAULT_FIGURES, type SandingFigures } from './figures.ts';
import type { SandedMaterial } from '../materials/sanded-material.ts';
import { scratchDepthUm } from './scratch.ts';

/**
 * Grit ladder: the sequence of grades with the least hands-on time.
 * Each rung must remove the scratch of the one before to its bottom: time = area x depth / removal rate. Removal by
 * machine on primer is 3 cm³/min x (grain/46.2)^1.05 (calibrated), times material and tool. Shortest path over grade
 * and tool, solved coarse to fine in one sweep: O((grades x tools)²).
 */

const BASE_GRAIN_UM = 46.2;

export interface Sanding {
  readonly areaM2: number;
  readonly tool: Tool;
  readonly material: SandedMaterial;
}

/** What is sanded: how much of which material. */
export type Surface = Omit<Sanding, 'tool'>;

/** One rung: a grade in a tool. */
export interface Rung {
  readonly grade: Grade;
  readonly tool: Tool;
}

/** What lies there before: the scratch of a grade, or (without one) texture and waves; its depth comes off first. */
export interface LadderStart {
  readonly grade: Grade | null;
  readonly depthUm: number;
}

export interface LadderStep extends Rung {
  /** Film taken off, µm. */
  readonly takenUm: number;
  readonly minutes: number;
  /** Discs or sheets that are worn out. */
  readonly discs: number;
  /** Ratio of the grain before to this one; null for the first rung on a surface without a scratch. */
  readonly jump: number | null;
  /** Depth of the scratch that it leaves, µm. */
  readonly leavesUm: number;
}

export interface Ladder {
  readonly start: LadderStart;
  readonly steps: readonly LadderStep[];
  readonly minutes: number;
  readonly takenUm: number;
  readonly discs: number;
  /** Largest ratio of neighbouring grains; 1 where there is no jump. */
  readonly largestJump: number;
}

/** Removal in cm³ a minute. */
export const removalCm3PerMin = (
  grade: Grade,
  tool: Tool,
  material: SandedMaterial,
  figures: SandingFigures = DEFAULT_FIGURES,
): number =>
  figures.removalCm3PerMin *
  (grainUm(grade) / BASE_GRAIN_UM) ** figures.removalGrainExponent *
  figures.rateFactor[material] *
  figures.toolRate[tool];

/** Minutes to take `depthUm` off an area with one grade. */
export const cuttingMinutes = (
  grade: Grade,
  depthUm: number,
  sanding: Sanding,
  figures: SandingFigures = DEFAULT_FIGURES,
): number => (sanding.areaM2 * depthUm) / removalCm3PerMin(grade, sanding.tool, sanding.material, figures);

/** Minutes that taking up a grade costs on an area: change of disc, guide coat and wipe. */
export const gradeChangeMinutes = (areaM2: number, figures: SandingFigures): number =>
  figures.gradeChangeMin + figures.gradeChangeMinPerM2 * areaM2;

/** The same with disc change and wipe. */
export const sandingMinutes = (
  grade: Grade,
  depthUm: number,
  sanding: Sanding,
  figures: SandingFigures = DEFAULT_FIGURES,
): number => cuttingMinutes(grade, depthUm, sanding, figures) + gradeChangeMinutes(sanding.areaM2, figures);

/** The scratch of a grade as the start of a ladder. */
export const scratchOf = (
  { grade, tool }: Rung,
  material: SandedMaterial,
  figures: SandingFigures = DEFAULT_FIGURES,
): LadderStart => ({ grade, depthUm: scratchDepthUm(grade, tool, material, figures) });

/** Minutes, film, discs and jumps of a given sequence, coarse to fine. */
export function ladderOf(
  start: LadderStart,
  rungs: readonly Rung[],
  surface: Surface,
  figures: SandingFigures = DEFAULT_FIGURES,
): Ladder {
  let before = start;
  const steps = rungs.map(({ grade, tool }): LadderStep => {
    const sanding = { ...surface, tool };
    const takenUm = before.depthUm;
    const cutMin = cuttingMinutes(grade, takenUm, sanding, figures);
    const after = scratchOf({ grade, tool }, surface.material, figures);
    const jump = before.grade ? grainUm(before.grade) / grainUm(grade) : null;
    before = after;
    return {
      grade,
      tool,
      takenUm,
      minutes: cutMin + gradeChangeMinutes(surface.areaM2, figures),
      discs: cutMin / figures.discLifeMin,
      jump,
      leavesUm: after.depthUm,
    };
  });
  const sum = (of: (step: LadderStep) => number): number =>
    steps.reduce((total, step) => total + of(step), 0);
  return {
    start,
    steps,
    minutes: sum(({ minutes }) => minutes),
    takenUm: sum(({ takenUm }) => takenUm),
    discs: sum(({ discs }) => discs),
    largestJump: Math.max(1, ...steps.map(({ jump }) => jump ?? 1)),
  };
}

export interface LadderTask extends Surface {
  readonly start: LadderStart;
  readonly to: Grade;
  /** Tools to choose from, for every rung. */
  readonly tools: readonly Tool[];
  /** The first rung has to bring the surface level. */
  readonly levelsFirst?: boolean;
  /** Tool of the last rung; any of the tools where absent. */
  readonly lastTool?: Tool;
  /** Coarsest grade that may be used on a surface without a scratch. */
  readonly coarsest?: Grade;
  /** Largest ratio of grains between neighbours; unlimited where absent. */
  readonly largestJump?: number;
  /** Grades in stock; all of them where absent. */
  readonly stock?: readonly Grade[];
}

/** Rungs that the task allows, coarse to fine. */
function rungsOf(task: LadderTask): Rung[] {
  const { start, to, tools, lastTool, coarsest, stock = GRADES } = task;
  const from = start.grade ? grainUm(start.grade) : Infinity;
  const most = coarsest ? grainUm(coarsest) : Infinity;
  const ends = lastTool ? [lastTool] : tools;
  return GRADES.filter(
    (grade) => grainUm(grade) < from && grainUm(grade) <= most && grainUm(grade) >= grainUm(to),
  )
    .filter((grade) => grade === to || stock.includes(grade))
    .flatMap((grade) => (grade === to ? ends : tools).map((tool) => ({ grade, tool })));
}

/** What a minute of work costs in minutes: itself, and the discs that are worn meanwhile. */
const discMinutes = ({ discPrice, labourPerHour, discLifeMin }: SandingFigures): number =>
  labourPerHour > 0 ? 1 + (discPrice * 60) / (labourPerHour * discLifeMin) : 1;

/** The quickest ladder, or null when the grades in stock cannot bridge the gap. Ties go to the coarser grade. */
export function bestLadder(task: LadderTask, figures: SandingFigures = DEFAULT_FIGURES): Ladder | null {
  const { start, to, areaM2, material, largestJump = Infinity, levelsFirst = false } = task;
  if (start.grade === to && !levelsFirst) return ladderOf(start, [], task, figures);
  const worth = discMinutes(figures);
  const change = gradeChangeMinutes(areaM2, figures);
  const nodes = rungsOf(task).map((rung) => ({
    rung,
    grain: grainUm(rung.grade),
    leavesUm: scratchDepthUm(rung.grade, rung.tool, material, figures),
    minPerUm: (worth * areaM2) / removalCm3PerMin(rung.grade, rung.tool, material, figures),
  }));
  const startGrain = start.grade ? grainUm(start.grade) : null;
  // Least cost to each node and the node before it; a shortest path over nodes that are sorted coarse to fine.
  const cost = nodes.map(({ rung, grain, minPerUm }) => {
    const isTooFar = startGrain !== null && startGrain / grain > largestJump;
    const mayStart = !levelsFirst || LEVELLING_TOOLS.includes(rung.tool);
    return isTooFar || !mayStart ? Infinity : start.depthUm * minPerUm + change;
  });
  const before = nodes.map(() => -1);
  for (let i = 0; i < nodes.length; i++) {
    const from = nodes[i]!;
    for (let j = i + 1; j < nodes.length && cost[i]! < Infinity; j++) {
      const to = nodes[j]!;
      if (to.grain === from.grain || from.grain / to.grain > largestJump) continue;
      const by = cost[i]! + from.leavesUm * to.minPerUm + change;
      if (by >= cost[j]!) continue;
      cost[j] = by;
      before[j] = i;
    }
  }
  const ends = nodes.flatMap(({ rung }, i) => (rung.grade === to && cost[i]! < Infinity ? [i] : []));
  if (ends.length === 0) return null;
  const path: Rung[] = [];
  for (let at = ends.reduce((a, b) => (cost[b]! < cost[a]! ? b : a)); at >= 0; at = before[at]!)
    path.unshift(nodes[at]!.rung);
  return ladderOf(start, path, task, figures);
}
