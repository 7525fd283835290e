import type { LayerKind, StrataLayer } from '@blue-ledge/core';
import type { SectionGeometry } from './section-layout.ts';

/** The core: one line down through a zone, and its layers beside the section at the same height. Pure. */

export interface CoreLayer {
  readonly slot: string;
  readonly kind: LayerKind;
  readonly um: number;
  readonly top: number;
  readonly bottom: number;
  /** Where its figure stands: beside the layer, moved apart where layers are thin. */
  readonly labelY: number;
}

/** From this width on, the line stands beside the middle, where the plaques are. */
const WIDE_SPAN_PX = 90;
const BESIDE_PX = 44;
const LABEL_GAP_PX = 21;
/** Under the heading of the core. */
const FIRST_LABEL_Y = 36;

/** x of the core line in a zone; null where the cut does not cross it. */
export function coreX({ spans }: SectionGeometry, zoneId: string | undefined): number | null {
  const span = spans.find((candidate) => candidate.zoneId === zoneId);
  if (!span) return null;
  return (span.x0 + span.x1) / 2 + (span.x1 - span.x0 > WIDE_SPAN_PX ? BESIDE_PX : 0);
}

/** Layers of a zone under the core line, top to bottom, with figures that do not overlap. */
export function coreLayers(
  geometry: SectionGeometry,
  x: number,
  layers: readonly StrataLayer[],
): CoreLayer[] {
  const cut = geometry.ribbons.flatMap(({ slot, points }) => {
    const layer = layers.find((candidate) => candidate.slot === slot);
    if (!layer) return [];
    const [, top, bottom] = points.reduce((best, point) =>
      Math.abs(point[0] - x) < Math.abs(best[0] - x) ? point : best,
    );
    return [{ slot, kind: layer.kind, um: layer.um, top, bottom }];
  });
  // From the substrate up, so that the deepest figure stays beside its layer and the others make room upwards.
  let ceiling = Infinity;
  const labelled = cut.map((layer) => {
    const labelY = Math.min((layer.top + layer.bottom) / 2, ceiling - LABEL_GAP_PX);
    ceiling = labelY;
    return { ...layer, labelY };
  });
  // Where that runs into the heading, all move down again.
  let least = FIRST_LABEL_Y;
  return labelled.reverse().map((layer) => {
    const labelY = Math.max(layer.labelY, least);
    least = labelY + LABEL_GAP_PX;
    return { ...layer, labelY };
  });
}
