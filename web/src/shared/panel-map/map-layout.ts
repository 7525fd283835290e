import { familyOf } from './families.ts';
import type { CutSpan, Zone } from '@blue-ledge/core';

/**
 * A panel map from its zones. Zones lie inside one another, sound finish outside and body work inside, each ring and
 * the core true to its share of the area; so one level cut crosses all of them.
 */
export interface MapZone {
  readonly id: string;
  /** Outline of the zone with everything that lies inside it. */
  readonly outline: Box;
  /** Where its letter stands. */
  readonly label: readonly [x: number, y: number];
  /** Side of the plaque that finds room there, px. */
  readonly labelPx: number;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly corner: number;
}

/** Outermost first: sound finish, then metal, then body; larger before smaller. Ids settle ties. */
const DEPTH: Record<string, number> = {
  finish: 0,
  metal: 1,
  composite: 1,
  plastic: 1,
  primer: 1,
  topcoat: 0,
  body: 2,
};

export function nestedOrder(zones: readonly Zone[]): Zone[] {
  const depth = (zone: Zone): number => DEPTH[familyOf(zone)] ?? 1;
  return [...zones].sort((a, b) => depth(a) - depth(b) || b.areaM2 - a.areaM2 || (a.id < b.id ? -1 : 1));
}

/** Width over height of a panel drawing. */
const ASPECT = 0.72;
/** Largest plaque of a letter and its margin, px, and how much of a rounded corner it keeps clear of. */
const LABEL_PX = 24;
const LABEL_MARGIN_PX = 1;
const CORNER_INSET = 0.3;

/** Share of the panel's area that a zone and all inside it take, 0..1, by place in the order. */
function sharesOf(order: readonly Zone[], panelAreaM2: number): number[] {
  const total = Math.max(
    panelAreaM2,
    order.reduce((sum, zone) => sum + zone.areaM2, 0),
  );
  return order.map((_, i) =>
    i === 0 ? 1 : order.slice(i).reduce((sum, zone) => sum + zone.areaM2, 0) / total,
  );
}

/** Boxes for a drawing of at most `width` x `height` px, outermost first. */
export function layoutMap(
  zones: readonly Zone[],
  panelAreaM2: number,
  size: { width: number; height: number },
): MapZone[] {
  const order = nestedOrder(zones);
  const width = Math.min(size.width, size.height * ASPECT);
  const height = width / ASPECT;
  const [left, top] = [(size.width - width) / 2, (size.height - height) / 2];
  const boxes = sharesOf(order, panelAreaM2).map((share, i): Box => {
    const scale = Math.sqrt(share);
    const [w, h] = [width * scale, height * scale];
    // The repair sits below the middle of the panel, as on most doors and sides.
    const drop = i === 0 ? 0 : (height - h) * 0.12;
    return {
      x: left + (width - w) / 2,
      y: top + (height - h) / 2 + drop,
      width: w,
      height: h,
      corner: Math.min(26, w / 5),
    };
  });
  return order.map((zone, i) => ({
    id: zone.id,
    outline: boxes[i]!,
    ...labelOf(boxes[i]!, boxes[i + 1]),
  }));
}

/** In the middle of a core; of a ring, at its upper left, where the rings' corners keep the letters apart. */
function labelOf(outer: Box, inner: Box | undefined): Pick<MapZone, 'label' | 'labelPx'> {
  if (!inner) return { label: [outer.x + outer.width / 2, outer.y + outer.height / 2], labelPx: LABEL_PX };
  // The band over the inner box is what the plaque has to fit in.
  const labelPx = Math.min(LABEL_PX, inner.y - outer.y - 2 * LABEL_MARGIN_PX);
  const inset = labelPx / 2 + LABEL_MARGIN_PX;
  return { label: [outer.x + inset + outer.corner * CORNER_INSET, outer.y + inset], labelPx };
}

/** The cut line through all zones, in mm of the panel: A B C B A for three nested zones. */
export function cutSpans(zones: readonly Zone[], panelAreaM2: number): CutSpan[] {
  const order = nestedOrder(zones);
  const panelWidthMm = Math.sqrt(panelAreaM2 * ASPECT) * 1000;
  const widths = sharesOf(order, panelAreaM2).map((share) => Math.sqrt(share) * panelWidthMm);
  const sides = order
    .slice(0, -1)
    .map((zone, i) => ({ zoneId: zone.id, mm: (widths[i]! - widths[i + 1]!) / 2 }));
  const core = order[order.length - 1];
  if (!core) return [];
  return [...sides, { zoneId: core.id, mm: widths[widths.length - 1]! }, ...sides.toReversed()];
}
