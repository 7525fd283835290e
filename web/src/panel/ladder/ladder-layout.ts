import { GRADES, grainUm, type Grade, type Ladder, type LadderTask } from '@blue-ledge/core';
import { scaleLog, type ScaleLogarithmic } from 'd3-scale';

/** Geometry of the ladder drawing: coarse at the top, fine below, height by the grain's logarithm. Pure. */

export interface LadderLayout {
  /** Grades that rungs may be put on, coarse to fine. */
  readonly grades: readonly Grade[];
  readonly y: ScaleLogarithmic<number, number>;
  /** Grades whose names stand beside the scale without touching. */
  readonly named: readonly Grade[];
}

const TOP_PX = 34;
const BOTTOM_PX = 16;
const NAME_GAP_PX = 17;
/** Grades shown beyond the ladder at each end. */
const SPARE = 3;

export function ladderLayout(task: LadderTask, ladders: readonly Ladder[], heightPx: number): LadderLayout {
  const used = ladders.flatMap(({ steps, start }) => [
    ...(start.grade ? [start.grade] : []),
    ...steps.map(({ grade }) => grade),
  ]);
  const places = [...used, task.to].map((grade) => GRADES.indexOf(grade));
  const from = Math.max(0, Math.min(...places) - SPARE);
  const to = Math.min(GRADES.length - 1, Math.max(...places) + SPARE);
  const grades = GRADES.slice(from, to + 1);
  const y = scaleLog(
    [grainUm(grades[0]!), grainUm(grades[grades.length - 1]!)],
    [TOP_PX, heightPx - BOTTOM_PX],
  );
  return { grades, y, named: apart(grades, y, used) };
}

/** Names that have room; those in use come first. */
function apart(grades: readonly Grade[], y: LadderLayout['y'], used: readonly Grade[]): Grade[] {
  const kept: Grade[] = [];
  const hasRoom = (grade: Grade): boolean =>
    kept.every((other) => Math.abs(y(grainUm(other)) - y(grainUm(grade))) >= NAME_GAP_PX);
  for (const grade of [...new Set(used), ...grades]) if (hasRoom(grade)) kept.push(grade);
  return grades.filter((grade) => kept.includes(grade));
}

/** The grade nearest to a height on the drawing. */
export const gradeAt = ({ grades, y }: LadderLayout, yPx: number): Grade =>
  grades.reduce((best, grade) =>
    Math.abs(y(grainUm(grade)) - yPx) < Math.abs(y(grainUm(best)) - yPx) ? grade : best,
  );
