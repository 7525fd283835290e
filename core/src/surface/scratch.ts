import { grainUm, type Grade } from '../materials/grades.ts';
import { familyOf, type LayerKind } from '../materials/layer-kinds.ts';

/**
 * Depth of the scratch that a grade leaves: grain x tool x material, all calibrated for fresh abrasive.
 * P400 by machine on primer 5.25 µm; P180 on a block on filler 21.3 µm.
 */
export const TOOL_FACTOR = {
  block: 0.2,
  hand: 0.2,
  machine: 0.15,
  'machine-soft': 0.11,
  'wet-hand': 0.15,
} as const;
export type Tool = keyof typeof TOOL_FACTOR;
export const TOOLS = Object.keys(TOOL_FACTOR) as [Tool, ...Tool[]];

export const SANDED_MATERIALS = ['primer', 'epoxy', 'filler', 'old-clear', 'plastic', 'metal'] as const;
export type SandedMaterial = (typeof SANDED_MATERIALS)[number];

const MATERIAL_FACTOR: Record<SandedMaterial, number> = {
  primer: 1,
  epoxy: 1.1,
  filler: 1.3,
  'old-clear': 0.8,
  plastic: 1.15,
  metal: 0.35,
};

/** Scratch depth in µm, at its deepest. */
export const scratchDepthUm = (grade: Grade, tool: Tool, material: SandedMaterial): number =>
  grainUm(grade) * TOOL_FACTOR[tool] * MATERIAL_FACTOR[material];

/** How a layer behaves under abrasive. */
export function sandedMaterial(kind: LayerKind): SandedMaterial {
  if (kind === 'epoxy') return 'epoxy';
  const family = familyOf(kind);
  if (family === 'metal') return 'metal';
  if (family === 'plastic') return 'plastic';
  if (family === 'body' || family === 'composite') return 'filler';
  return kind === 'old-finish' || kind === 'old-finish-soluble' || kind === 'clear' ? 'old-clear' : 'primer';
}
