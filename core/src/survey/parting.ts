import polygonClipping from 'polygon-clipping';
import type { CutLine } from './cut.ts';
import type { Panel } from './panel.ts';
import { areaOfPolygonM2, boundsOf } from './polygon.ts';
import { clipped, geometry, regionsOf, withAreas } from './regions.ts';
import { freeZoneId } from './shaping.ts';
import type { Polygon, Zone } from './zone.ts';

/** Zones parted along a line, and joined to one. */

/** What a line cuts off is a zone of its own from this size on, m²; less is nothing that anybody could work on. */
const LEAST_PART_M2 = 0.0001;

const outerRings = (polygons: polygonClipping.MultiPolygon): Polygon[] =>
  polygons.map(([outer]) => outer!.slice(0, -1).map(([x, y]) => [Math.round(x), Math.round(y)]));

/** All that lies on one side of a line, as far as a shape with these bounds may reach. */
function sideOf([[x1, y1], [x2, y2]]: CutLine, shape: Polygon): Polygon | null {
  const mm = Math.hypot(x2 - x1, y2 - y1);
  if (mm < 1) return null;
  const { left, right, top, bottom } = boundsOf([...shape, [x1, y1], [x2, y2]]);
  const far = 2 * Math.hypot(right - left, bottom - top);
  const [dx, dy] = [((x2 - x1) / mm) * far, ((y2 - y1) / mm) * far];
  return [
    [x1 - dx, y1 - dy],
    [x2 + dx, y2 + dy],
    [x2 + dx - dy, y2 + dy + dx],
    [x1 - dx - dy, y1 - dy + dx],
  ];
}

/**
 * The parts into which a line, drawn on beyond its ends, cuts a shape: largest first, mm. Null where it leaves the shape
 * whole.
 */
export function partsAlong(shape: Polygon, line: CutLine): readonly [Polygon, Polygon, ...Polygon[]] | null {
  const side = sideOf(line, shape);
  if (!side) return null;
  const one = clipped(() => polygonClipping.intersection(geometry(shape), geometry(side)));
  const other = clipped(() => polygonClipping.difference(geometry(shape), geometry(side)));
  const parts = [one, other]
    .flatMap((part) => outerRings(part ?? []))
    .filter((part) => part.length >= 3 && areaOfPolygonM2(part) >= LEAST_PART_M2)
    .sort((a, b) => areaOfPolygonM2(b) - areaOfPolygonM2(a));
  return one?.length && other?.length && parts.length >= 2
    ? (parts as [Polygon, Polygon, ...Polygon[]])
    : null;
}

/** What a zone covers: its own shape, or the largest piece of what the others leave of the panel. */
function coverOf(panel: Panel, zone: Zone): Polygon | undefined {
  if (zone.shape) return zone.shape;
  const region = regionsOf(panel)?.find(({ zoneId }) => zoneId === zone.id);
  return outerRings(region?.polygons ?? []).toSorted((a, b) => areaOfPolygonM2(b) - areaOfPolygonM2(a))[0];
}

/** A line through the middle of a zone, the short way over it, for a hand to take up; null where it is not drawn. */
export function middleLine(panel: Panel, zoneId: string): CutLine | null {
  const zone = panel.zones.find(({ id }) => id === zoneId);
  const cover = zone && panel.outline && coverOf(panel, zone);
  if (!cover) return null;
  const { left, right, top, bottom } = boundsOf(cover);
  const [x, y] = [Math.round((left + right) / 2), Math.round((top + bottom) / 2)];
  return right - left >= bottom - top
    ? [
        [x, top],
        [x, bottom],
      ]
    : [
        [left, y],
        [right, y],
      ];
}

/** The line turned by a quarter around its middle. */
export function turned([[x1, y1], [x2, y2]]: CutLine): CutLine {
  const [x, y] = [(x1 + x2) / 2, (y1 + y2) / 2];
  const [dx, dy] = [(x2 - x1) / 2, (y2 - y1) / 2];
  return [
    [Math.round(x + dy), Math.round(y - dx)],
    [Math.round(x - dy), Math.round(y + dx)],
  ];
}

/**
 * The panel with a zone cut along a line: the largest part stays the zone, the others are zones of the same survey.
 * Null where the line does not part it.
 */
export function withSplitZone(panel: Panel, zoneId: string, line: CutLine): Panel | null {
  const zone = panel.zones.find(({ id }) => id === zoneId);
  const cover = zone && coverOf(panel, zone);
  const parts = cover ? partsAlong(cover, line) : null;
  if (!zone || !parts) return null;
  const [largest, ...others] = parts;
  const made = others.reduce<Zone[]>((done, shape) => {
    const id = freeZoneId([...panel.zones, ...done]);
    return [...done, { ...zone, id, name: `zone ${id}`, shape, isAreaMeasured: undefined }];
  }, []);
  const at = panel.zones.indexOf(zone);
  // The rest of the panel stays the rest; what is cut off it lies on it, under all other zones.
  const zones = zone.shape
    ? [
        ...panel.zones.slice(0, at),
        { ...zone, shape: largest, isAreaMeasured: undefined },
        ...made,
        ...panel.zones.slice(at + 1),
      ]
    : [zone, ...made, ...panel.zones.filter((other) => other !== zone)];
  return withAreas({ ...panel, zones });
}

/** One shape of two that touch or overlap; null where they lie apart or close around a hole. */
function united(a: Polygon, b: Polygon): Polygon | null {
  const whole = clipped(() => polygonClipping.union(geometry(a), geometry(b)));
  return whole?.length === 1 && whole[0]!.length === 1 ? outerRings(whole)[0]! : null;
}

/**
 * The panel with two zones as one, which keeps the survey of the first. On a drawn panel their shapes become one shape;
 * null where these lie apart. Where one of the two is the rest of the panel, both are.
 */
export function withJoinedZones(panel: Panel, keptId: string, otherId: string): Panel | null {
  const kept = panel.zones.find(({ id }) => id === keptId);
  const other = panel.zones.find(({ id }) => id === otherId);
  if (!kept || !other || kept === other) return null;
  const rest = panel.zones.filter((zone) => zone !== kept && zone !== other);
  if (!panel.outline) {
    const joined = { ...kept, areaM2: kept.areaM2 + other.areaM2 };
    return {
      ...panel,
      zones: panel.zones.flatMap((zone) => (zone === other ? [] : zone === kept ? joined : zone)),
    };
  }
  if (!kept.shape || !other.shape)
    return withAreas({
      ...panel,
      zones: [{ ...kept, shape: undefined, isAreaMeasured: undefined }, ...rest],
    });
  const shape = united(kept.shape, other.shape);
  if (!shape) return null;
  // The joined zone lies where the upper one lay, so that nothing of either is covered that was not before.
  const at = Math.max(panel.zones.indexOf(kept), panel.zones.indexOf(other)) - 1;
  return withAreas({
    ...panel,
    zones: [...rest.slice(0, at), { ...kept, shape, isAreaMeasured: undefined }, ...rest.slice(at)],
  });
}

/** The zones that a zone can be joined with. */
export const joinableWith = (panel: Panel, zoneId: string): Zone[] =>
  panel.zones.filter(({ id }) => withJoinedZones(panel, zoneId, id) !== null);
