import type { Grade } from '../materials/grades.ts';
import type { LayerKind } from '../materials/layer-kinds.ts';

/** Grades that bare metal is sanded with. */

export const STEEL_GRADE: Grade = 'P180';
/** Grade under a first coat, by metal (default); inside the range of the sheet. */
const METAL_GRADES: Partial<Record<LayerKind, Grade>> = {
  steel: STEEL_GRADE,
  aluminium: 'P180',
  'zinc-steel': 'P240',
};
/** Grade under a first coat on a metal. */
export const metalGrade = (kind: LayerKind): Grade => METAL_GRADES[kind] ?? STEEL_GRADE;
