import { grainUm, type Grade } from '../materials/grades.ts';
import type { SandedMaterial } from '../materials/sanded-material.ts';
import type { Tool } from '../materials/tools.ts';
import { DEFAULT_FIGURES, type SandingFigures } from './figures.ts';

/**
 * Depth of the scratch that a grade leaves: grain x tool x material, all calibrated for fresh abrasive. In µm, at its
 * deepest: P400 by machine on primer 5.25; P180 on a block on filler 21.3.
 */
export const scratchDepthUm = (
  grade: Grade,
  tool: Tool,
  material: SandedMaterial,
  figures: SandingFigures = DEFAULT_FIGURES,
): number => grainUm(grade) * figures.scratchShare[tool] * figures.scratchFactor[material];
