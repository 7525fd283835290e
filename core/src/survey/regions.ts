import polygonClipping, { type MultiPolygon } from 'polygon-clipping';
import type { Panel } from './panel.ts';
import { areaOfPolygonM2 } from './polygon.ts';
import type { Polygon } from './zone.ts';
import { tell, type Stored } from '../wording/say.ts';

/**
 * Which part of a panel belongs to which zone, where the panel has an outline.
 * A zone without a shape is the rest of the panel. Where shapes overlap, the later zone lies on top; what is outside
 * the outline belongs to nobody. Coordinates in mm, x right, y down. O(zones²) clippings.
 */

export interface Region {
  readonly zoneId: string;
  /** Rings of the visible part, outer first and holes after it, closed. */
  readonly polygons: MultiPolygon;
  readonly areaM2: number;
}

const closed = (points: Polygon): [number, number][] => [...points, points[0]!].map(([x, y]) => [x, y]);
/** A polygon as the clipping package takes it. */
export const geometry = (points: Polygon): MultiPolygon => [[closed(points)]];

/**
 * The package gives up on some shapes that cross themselves or lie on one another, by throwing; null says so.
 * Nothing is lost by it: such a panel is drawn and planned by its areas.
 */
export function clipped(work: () => MultiPolygon): MultiPolygon | null {
  try {
    return work();
  } catch {
    return null;
  }
}

/** Area of rings with holes, m². */
const areaOf = (polygons: MultiPolygon): number =>
  polygons.reduce(
    (sum, [outer, ...holes]) =>
      sum + areaOfPolygonM2(outer ?? []) - holes.reduce((hole, ring) => hole + areaOfPolygonM2(ring), 0),
    0,
  );

type Drawn = Pick<Panel, 'outline' | 'zones'>;

/** Regions of the panels that were drawn last: the same one is drawn, planned and shown many times over. */
const KNOWN = new Map<string, readonly Region[] | null>();
const MOST_KNOWN = 200;

/**
 * The visible region of every zone, in the order of the zones; null where the panel is not drawn: it has no outline,
 * more than one of its zones has no place on it, or its shapes are too tangled to be told apart.
 */
export function regionsOf({ outline, zones }: Drawn): readonly Region[] | null {
  const name = JSON.stringify([outline, zones.map(({ id, shape }) => [id, shape])]);
  const before = KNOWN.get(name);
  if (before !== undefined) return before;
  const made = makeRegions({ outline, zones });
  if (KNOWN.size >= MOST_KNOWN) KNOWN.clear();
  KNOWN.set(name, made);
  return made;
}

function makeRegions({ outline, zones }: Drawn): Region[] | null {
  if (!outline || zones.filter(({ shape }) => !shape).length > 1) return null;
  const whole = geometry(outline);
  const shapes = zones.map(({ shape }) =>
    shape ? clipped(() => polygonClipping.intersection(geometry(shape), whole)) : whole,
  );
  if (!shapes.every((shape) => shape !== null)) return null;
  const regions = zones.map(({ id, shape }, i): Region | null => {
    // A shape lies over the rest of the panel, whatever their order; among shapes the later one is on top.
    const above = shapes.filter((_, j) => zones[j]!.shape !== undefined && (shape === undefined || j > i));
    const own = shapes[i]!;
    const polygons = above.length === 0 ? own : clipped(() => polygonClipping.difference(own, ...above));
    return polygons && { zoneId: id, polygons, areaM2: areaOf(polygons) };
  });
  return regions.every((region) => region !== null) ? regions : null;
}

/** How much of a shape lies beyond the outline, 0..1. */
export function beyondShare(shape: Polygon, outline: Polygon): number {
  const inside = clipped(() => polygonClipping.intersection(geometry(shape), geometry(outline)));
  const wholeM2 = areaOfPolygonM2(shape);
  return inside && wholeM2 > 0 ? Math.max(0, 1 - areaOf(inside) / wholeM2) : 0;
}

/** Least area that a zone keeps when others cover it, m²: it is on the panel as long as it is in the survey. */
const LEAST_AREA_M2 = 0.0001;
const rounded = (areaM2: number): number => Math.max(LEAST_AREA_M2, Math.round(areaM2 * 1e4) / 1e4);

/**
 * The panel with its areas taken from its shapes. Measured areas keep their number; the zone without a shape is what the
 * others leave of the panel.
 */
export function withAreas(panel: Panel): Panel {
  const regions = regionsOf(panel);
  if (!regions || !panel.outline) return panel;
  const drawn = panel.zones.map((zone, i) =>
    zone.isAreaMeasured || !zone.shape ? zone : { ...zone, areaM2: rounded(regions[i]!.areaM2) },
  );
  const panelM2 = panel.isAreaMeasured ? panel.areaM2 : areaOfPolygonM2(panel.outline);
  const othersM2 = drawn.reduce((sum, { shape, areaM2 }) => (shape ? sum + areaM2 : sum), 0);
  const zones = drawn.map((zone) =>
    zone.shape || zone.isAreaMeasured ? zone : { ...zone, areaM2: rounded(panelM2 - othersM2) },
  );
  const sumM2 = zones.reduce((total, { areaM2 }) => total + areaM2, 0);
  return { ...panel, areaM2: panel.isAreaMeasured ? panel.areaM2 : rounded(Math.max(panelM2, sumM2)), zones };
}

const isInside = ([x, y]: readonly [number, number], ring: readonly (readonly [number, number])[]): boolean =>
  ring.reduce((inside, [x1, y1], i) => {
    const [x2, y2] = ring[(i + 1) % ring.length]!;
    const crosses = y1 > y !== y2 > y && x < ((x2 - x1) * (y - y1)) / (y2 - y1) + x1;
    return crosses ? !inside : inside;
  }, false);

/** Whether a point lies in a region, holes left out. */
export const isInRegion = (
  point: readonly [number, number],
  { polygons }: Pick<Region, 'polygons'>,
): boolean =>
  polygons.some(
    ([outer, ...holes]) => isInside(point, outer!) && !holes.some((hole) => isInside(point, hole)),
  );

/** What is said of one zone. */
export interface ZoneProblem extends Stored {
  readonly zoneId: string;
}

/** Zones that cannot be where they are drawn, each with how to put it right. */
export function shapeProblems(panel: Pick<Panel, 'outline' | 'zones'>): ZoneProblem[] {
  const { outline, zones } = panel;
  const regions = regionsOf(panel);
  if (!regions || !outline) return [];
  return zones.flatMap((zone, i) => {
    if (regions[i]!.areaM2 > 0) return [];
    const { shape } = zone;
    const inside = shape && clipped(() => polygonClipping.intersection(geometry(shape), geometry(outline)));
    const isOff = inside?.length === 0;
    return [{ zoneId: zone.id, ...tell(isOff ? 'survey.outside' : 'survey.covered') }];
  });
}
