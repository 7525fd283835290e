import { familyOf, type LayerKind } from './layer-kinds.ts';

/** What behaves alike under abrasive. */
export const SANDED_MATERIALS = ['primer', 'epoxy', 'filler', 'old-clear', 'plastic', 'metal'] as const;
export type SandedMaterial = (typeof SANDED_MATERIALS)[number];

/** How a layer behaves under abrasive. */
export function sandedMaterial(kind: LayerKind): SandedMaterial {
  if (kind === 'epoxy') return 'epoxy';
  const family = familyOf(kind);
  if (family === 'metal') return 'metal';
  if (family === 'plastic') return 'plastic';
  if (family === 'body' || family === 'composite') return 'filler';
  return kind === 'old-finish' || kind === 'old-finish-soluble' || kind === 'clear' ? 'old-clear' : 'primer';
}
