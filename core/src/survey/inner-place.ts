import { boundsOf } from './polygon.ts';
import { geometry, isInRegion, type Region } from './regions.ts';
import type { Polygon } from './zone.ts';

/** Where in a region there is most room: a zone's letter stands there, and a new zone begins there. */

type Point = readonly [x: number, y: number];

const GRID = 14;

const distanceToEdge = ([x, y]: Point, [x1, y1]: Point, [x2, y2]: Point): number => {
  const [dx, dy] = [x2 - x1, y2 - y1];
  const t = Math.min(1, Math.max(0, ((x - x1) * dx + (y - y1) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(x1 + t * dx - x, y1 + t * dy - y);
};

export interface InnerPlace {
  readonly at: Point;
  /** How far the nearest edge of the region is. */
  readonly clearMm: number;
}

/** The point of a grid over a region that is farthest from its edges, mm; null where the grid misses it. */
export function innerPlace(region: Pick<Region, 'polygons'>): InnerPlace | null {
  const rings = region.polygons.flat();
  if (rings.length === 0) return null;
  const { left, right, top, bottom } = boundsOf(rings.flat());
  const clearance = (point: Point): number =>
    Math.min(...rings.flatMap((ring) => ring.slice(1).map((b, i) => distanceToEdge(point, ring[i]!, b))));
  const points = Array.from({ length: GRID * GRID }, (_, i): Point => [
    left + ((right - left) * ((i % GRID) + 0.5)) / GRID,
    top + ((bottom - top) * (Math.floor(i / GRID) + 0.5)) / GRID,
  ]).filter((point) => isInRegion(point, region));
  return points.reduce<InnerPlace | null>((best, at) => {
    const clearMm = clearance(at);
    return best === null || clearMm > best.clearMm ? { at, clearMm } : best;
  }, null);
}

/** The same within an outline. */
export const innerPlaceOf = (outline: Polygon): InnerPlace | null =>
  innerPlace({ polygons: geometry(outline) });
