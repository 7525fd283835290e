import { drawnLines } from './body-lines.ts';
import { OUTLINES, outlineOf, type OutlineKind } from './outlines.ts';
import type { Panel } from './panel.ts';
import { areaOfPolygonM2, boundsOf } from './polygon.ts';
import { innerPlaceOf } from './inner-place.ts';
import { withAreas } from './regions.ts';
import { freeZoneId } from './shaping.ts';
import type { Polygon, Zone } from './zone.ts';

/** Drawing on a panel: an outline, and zones that are added, put on top or taken away. Areas follow. */

/** Size of an outline of this kind with the panel's area, mm. */
export function sizeFor(
  kind: OutlineKind,
  areaM2: number,
): { readonly widthMm: number; readonly heightMm: number } {
  const { widthMm, heightMm } = OUTLINES[kind];
  const scale = Math.sqrt(areaM2 / areaOfPolygonM2(outlineOf(kind, widthMm, heightMm)));
  return { widthMm: Math.round(widthMm * scale), heightMm: Math.round(heightMm * scale) };
}

const box = (x: number, y: number, width: number, height: number): Polygon =>
  (
    [
      [x, y],
      [x + width, y],
      [x + width, y + height],
      [x, y + height],
    ] as const
  ).map(([px, py]) => [Math.round(px), Math.round(py)]);

/** Boxes inside one another around the middle of the outline, each with its own area and all that lies inside it. */
function nested(zones: readonly Zone[], outline: Polygon): Zone[] {
  const { left, right, top, bottom } = boundsOf(outline);
  const aspect = (right - left) / (bottom - top);
  const [rest, ...inner] = zones;
  const shaped = inner.map((zone, i): Zone => {
    const areaM2 = inner.slice(i).reduce((sum, other) => sum + other.areaM2, 0);
    const widthMm = Math.sqrt(areaM2 * 1e6 * aspect);
    const heightMm = widthMm / aspect;
    const [x, y] = [(left + right) / 2, top + (bottom - top) * 0.56];
    return { ...zone, shape: box(x - widthMm / 2, y - heightMm / 2, widthMm, heightMm) };
  });
  return [...(rest ? [{ ...rest, shape: undefined }] : []), ...shaped];
}

/** The largest zone is the rest of the panel; the others lie on it, larger before smaller. */
const bySize = (zones: readonly Zone[]): Zone[] =>
  zones.toSorted((a, b) => b.areaM2 - a.areaM2 || (a.id < b.id ? -1 : 1));

/** The panel with an outline of this kind and size: shapes that are there are scaled along, otherwise zones are laid out. */
export function withOutline(
  panel: Panel,
  kind: OutlineKind,
  size: { widthMm: number; heightMm: number },
): Panel {
  const was = panel.outline ? boundsOf(panel.outline) : null;
  const scaled = (shape: Polygon): Polygon =>
    shape.map(([x, y]) => [
      Math.round(((x - was!.left) / (was!.right - was!.left || 1)) * size.widthMm),
      Math.round(((y - was!.top) / (was!.bottom - was!.top || 1)) * size.heightMm),
    ]);
  // What is measured corner by corner keeps its corners.
  const outline =
    kind === 'free' && panel.outline ? scaled(panel.outline) : outlineOf(kind, size.widthMm, size.heightMm);
  const zones = was
    ? panel.zones.map((zone) => (zone.shape ? { ...zone, shape: scaled(zone.shape) } : zone))
    : nested(bySize(panel.zones), outline);
  const bodyLines = was && drawnLines(panel).length > 0 ? drawnLines(panel).map(scaled) : panel.bodyLines;
  return withAreas({ ...panel, kind, outline, zones, bodyLines });
}

/** The panel with an outline that was measured corner by corner; zones stay where they are. */
export const withFreeOutline = (panel: Panel, outline: Polygon): Panel =>
  withAreas({ ...panel, kind: 'free', outline });

/** Share of the panel's width and height that a new zone starts with. */
const NEW_SHARE = 0.22;

/** A box where the panel has most room, wholly on it. */
function newShape(outline: Polygon): Polygon {
  const { left, right, top, bottom } = boundsOf(outline);
  const [width, height] = [(right - left) * NEW_SHARE, (bottom - top) * NEW_SHARE];
  const { at, clearMm } = innerPlaceOf(outline) ?? {
    at: [(left + right) / 2, (top + bottom) / 2],
    clearMm: Infinity,
  };
  const fits = Math.min(1, clearMm / Math.hypot(width / 2, height / 2));
  return box(at[0] - (width * fits) / 2, at[1] - (height * fits) / 2, width * fits, height * fits);
}

/**
 * The panel with one more zone on top, of the same make as the zone under it.
 * @param drawn its shape; where the panel has most room where it is left out
 */
export function withNewZone(
  panel: Panel,
  like: Zone,
  drawn?: Polygon,
): { readonly panel: Panel; readonly id: string } {
  const id = freeZoneId(panel.zones);
  const fresh = {
    ...like,
    id,
    name: `zone ${id}`,
    findings: [],
    tests: undefined,
    isAreaMeasured: undefined,
  };
  if (!panel.outline) {
    const areaM2 = Math.round((like.areaM2 / 4) * 1e4) / 1e4;
    const zones = panel.zones.map((zone) =>
      zone.id === like.id ? { ...zone, areaM2: zone.areaM2 - areaM2 } : zone,
    );
    return { panel: { ...panel, zones: [...zones, { ...fresh, areaM2 }] }, id };
  }
  const shape = drawn ?? newShape(panel.outline);
  return { panel: withAreas({ ...panel, zones: [...panel.zones, { ...fresh, shape }] }), id };
}

export const withShape = (panel: Panel, zoneId: string, shape: Polygon): Panel =>
  withAreas({ ...panel, zones: panel.zones.map((zone) => (zone.id === zoneId ? { ...zone, shape } : zone)) });

/** The zone lies over all others. */
export const withZoneOnTop = (panel: Panel, zoneId: string): Panel =>
  withAreas({
    ...panel,
    zones: [
      ...panel.zones.filter(({ id }) => id !== zoneId),
      ...panel.zones.filter(({ id }) => id === zoneId),
    ],
  });

/** The panel without a zone; what it covered falls to those below it. The last zone stays. */
export const withoutZone = (panel: Panel, zoneId: string): Panel =>
  panel.zones.length < 2
    ? panel
    : withAreas({ ...panel, zones: panel.zones.filter(({ id }) => id !== zoneId) });

/** What was found on another panel, laid on this one: its zones with their shares of the area. */
export function withSurveyOf(panel: Panel, from: Panel): Panel {
  const scale = panel.areaM2 / from.areaM2;
  const fromBox = from.outline && boundsOf(from.outline);
  const toBox = panel.outline && boundsOf(panel.outline);
  const placed = (shape: Polygon): Polygon =>
    shape.map(([x, y]) => [
      Math.round(
        toBox!.left + ((x - fromBox!.left) / (fromBox!.right - fromBox!.left)) * (toBox!.right - toBox!.left),
      ),
      Math.round(
        toBox!.top + ((y - fromBox!.top) / (fromBox!.bottom - fromBox!.top)) * (toBox!.bottom - toBox!.top),
      ),
    ]);
  const hasBoth = fromBox !== undefined && toBox !== undefined;
  const zones = from.zones.map((zone) => ({
    ...zone,
    areaM2: Math.max(0.0001, Math.round(zone.areaM2 * scale * 1e4) / 1e4),
    shape: hasBoth && zone.shape ? placed(zone.shape) : undefined,
  }));
  return hasBoth
    ? withAreas({ ...panel, zones })
    : { ...panel, zones: toBox ? nested(bySize(zones), panel.outline!) : zones };
}
