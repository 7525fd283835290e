import type { Placement } from './placed.ts';
import type { PanelWork } from './panel-work.ts';

/** How good a placement is, and which of two is the better one. */

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

/** Minute at which a panel is through. */
export const finishOf = (steps: Placement['panels'][number]): number => steps[steps.length - 1]?.endMin ?? 0;

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
export const firstCost = ({ lateMin, nMissed, makespanMin }: Score): number =>
  WEIGHTS.late * lateMin + WEIGHTS.missed * nMissed + makespanMin;

/** Whether an order is the better one to keep in the end: by what comes first, then by the rest. */
export const isBetterOrder = ({ score: a }: Ordered, { score: b }: Ordered): boolean =>
  firstCost(a) !== firstCost(b) ? firstCost(a) < firstCost(b) : costOfScore(a) < costOfScore(b);

/** Whether a schedule is better by what comes first: due dates, then the finish, then the rest. */
export const isBetterScore = (a: Score, b: Score): boolean =>
  a.lateMin !== b.lateMin
    ? a.lateMin < b.lateMin
    : a.makespanMin !== b.makespanMin
      ? a.makespanMin < b.makespanMin
      : costOfScore(a) < costOfScore(b);
