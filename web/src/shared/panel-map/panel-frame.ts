import { boundsOf, type Polygon, type Region } from '@blue-ledge/core';

/** Places a panel's outline in a drawing: mm of the panel to px and back, and where a zone's letter stands. Pure. */

export type Point = readonly [x: number, y: number];

export interface Frame {
  readonly pxPerMm: number;
  readonly toPx: (point: Point) => [number, number];
  readonly toMm: (point: Point) => [number, number];
}

const MARGIN_PX = 14;

/** The outline as large as it fits, in the middle. */
export function frameOf(outline: Polygon, { width, height }: { width: number; height: number }): Frame {
  const { left, right, top, bottom } = boundsOf(outline);
  const pxPerMm = Math.max(
    1e-6,
    Math.min((width - 2 * MARGIN_PX) / (right - left), (height - 2 * MARGIN_PX) / (bottom - top)),
  );
  const [dx, dy] = [
    (width - (right - left) * pxPerMm) / 2 - left * pxPerMm,
    (height - (bottom - top) * pxPerMm) / 2 - top * pxPerMm,
  ];
  return {
    pxPerMm,
    toPx: ([x, y]) => [x * pxPerMm + dx, y * pxPerMm + dy],
    toMm: ([x, y]) => [(x - dx) / pxPerMm, (y - dy) / pxPerMm],
  };
}

/** SVG path of an open line. */
export const linePath = (points: readonly Point[], { toPx }: Frame): string =>
  `M${points
    .map((point) =>
      toPx(point)
        .map((px) => px.toFixed(1))
        .join(' '),
    )
    .join('L')}`;

/** SVG path of a closed ring. */
export const ringPath = (points: readonly Point[], frame: Frame): string => `${linePath(points, frame)}Z`;

export const regionPath = ({ polygons }: Region, frame: Frame): string =>
  polygons
    .flat()
    .map((ring) => ringPath(ring, frame))
    .join('');

const GRID = 14;

const distanceToEdge = ([x, y]: Point, [x1, y1]: Point, [x2, y2]: Point): number => {
  const [dx, dy] = [x2 - x1, y2 - y1];
  const t = Math.min(1, Math.max(0, ((x - x1) * dx + (y - y1) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(x1 + t * dx - x, y1 + t * dy - y);
};

export interface LabelPlace {
  readonly at: Point;
  /** How far the nearest edge of the region is. */
  readonly clearMm: number;
}

/** The grid point of a region that is farthest from its edges, mm; the letter stands there. */
export function labelPlace(region: Region, isInside: (point: Point) => boolean): LabelPlace | null {
  const rings = region.polygons.flat();
  if (rings.length === 0) return null;
  const { left, right, top, bottom } = boundsOf(rings.flat());
  const clearance = (point: Point): number =>
    Math.min(...rings.flatMap((ring) => ring.slice(1).map((b, i) => distanceToEdge(point, ring[i]!, b))));
  const points = Array.from({ length: GRID * GRID }, (_, i): Point => [
    left + ((right - left) * ((i % GRID) + 0.5)) / GRID,
    top + ((bottom - top) * (Math.floor(i / GRID) + 0.5)) / GRID,
  ]).filter(isInside);
  return points.reduce<LabelPlace | null>((best, at) => {
    const clearMm = clearance(at);
    return best === null || clearMm > best.clearMm ? { at, clearMm } : best;
  }, null);
}
