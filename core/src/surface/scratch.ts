import { grainUm, type Grade } from '../materials/grades.ts';
import { familyOf, type LayerKind } from '../materials/layer-kinds.ts';
import type { Tool } from '../materials/tools.ts';
import { DEFAULT_FIGURES, type SandingFigures } from './figures.ts';

/**
 * Depth of the scratch that a grade leaves: grain x tool x material, all calibrated for fresh abrasive.
 * P400 by machine on primer 5.25 µm; P180 on a block on filler 21.3 µm.
 */
export const SANDED_MATERIALS = ['primer', 'epoxy', 'filler', 'old-clear', 'plastic', 'metal'] as const;
export type SandedMaterial = (typeof SANDED_MATERIALS)[number];

/** Scratch depth in µm, at its deepest. */
export const scratchDepthUm = (
  grade: Grade,
  tool: Tool,
  material: SandedMaterial,
  figures: SandingFigures = DEFAULT_FIGURES,
): number => grainUm(grade) * figures.scratchShare[tool] * figures.scratchFactor[material];

/** How a layer behaves under abrasive. */
export function sandedMaterial(kind: LayerKind): SandedMaterial {
  if (kind === 'epoxy') return 'epoxy';
  const family = familyOf(kind);
  if (family === 'metal') return 'metal';
  if (family === 'plastic') return 'plastic';
  if (family === 'body' || family === 'composite') return 'filler';
  return kind === 'old-finish' || kind === 'old-finish-soluble' || kind === 'clear' ? 'old-clear' : 'primer';
}
