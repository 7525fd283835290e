import type { Panel } from './panel.ts';
import { surveyedZone } from './patches.ts';
import { areaOfPolygonM2, boundsOf } from './polygon.ts';
import { isInRegion, type Region } from './regions.ts';

/** A cut through a panel: which zones lie along it, true to length. Coordinates in mm. */

export type CutLine = readonly [readonly [number, number], readonly [number, number]];

/** A stretch of a cut through one zone. */
export interface CutSpan {
  readonly zoneId: string;
  readonly mm: number;
}

/** Shorter stretches are left out of a section: nobody could see them, mm. */
const LEAST_SPAN_MM = 2;

/** Where segment ab crosses the line p + t·d, as t; null where it does not. */
function crossing(a: readonly number[], b: readonly number[], [p, q]: CutLine): number | null {
  const [dx, dy] = [q[0] - p[0], q[1] - p[1]];
  const [ex, ey] = [b[0]! - a[0]!, b[1]! - a[1]!];
  const cross = dx * ey - dy * ex;
  if (Math.abs(cross) < 1e-9) return null;
  const [fx, fy] = [a[0]! - p[0], a[1]! - p[1]];
  const t = (fx * ey - fy * ex) / cross;
  const s = (fx * dy - fy * dx) / cross;
  return s >= 0 && s <= 1 && t >= 0 && t <= 1 ? t : null;
}

/** Zones along a cut, from its first point to its second, true to length; neighbours of one zone are joined. */
export function spansAlong(cut: CutLine, regions: readonly Region[]): CutSpan[] {
  const [[x1, y1], [x2, y2]] = cut;
  const lengthMm = Math.hypot(x2 - x1, y2 - y1);
  const at = (t: number): [number, number] => [x1 + t * (x2 - x1), y1 + t * (y2 - y1)];
  const rings = regions.flatMap(({ polygons }) => polygons.flat());
  const hits = rings.flatMap((ring) =>
    ring.flatMap((point, i) => crossing(point, ring[(i + 1) % ring.length]!, cut) ?? []),
  );
  const stops = [0, ...hits.sort((a, b) => a - b), 1];
  const spans: CutSpan[] = [];
  for (let i = 1; i < stops.length; i++) {
    const mm = (stops[i]! - stops[i - 1]!) * lengthMm;
    const zoneId = regions.find((region) => isInRegion(at((stops[i]! + stops[i - 1]!) / 2), region))?.zoneId;
    if (zoneId === undefined || mm < LEAST_SPAN_MM) continue;
    const last = spans.at(-1);
    if (last?.zoneId === zoneId) spans[spans.length - 1] = { zoneId, mm: last.mm + mm };
    else spans.push({ zoneId, mm });
  }
  return spans;
}

/** Height of a level line through the first patch of a panel, by its mark or by its zone; null where there is none. */
function patchHeight(panel: Pick<Panel, 'outline' | 'zones'>): number | null {
  const damaged = panel.zones.find((zone) => surveyedZone(zone, {}).patches.length > 0);
  if (!damaged || !panel.outline) return null;
  const [patch] = surveyedZone(damaged, {}).patches;
  if (patch!.finding.atMm) return patch!.finding.atMm[1];
  const { top, bottom } = boundsOf(damaged.shape ?? panel.outline);
  return (top + bottom) / 2;
}

/** A level cut through the first patch, else through the zone that lies deepest: the one with the smallest shape. */
export function usualCut(panel: Pick<Panel, 'outline' | 'zones'>): CutLine | null {
  const { outline, zones } = panel;
  if (!outline) return null;
  const { left, right, top, bottom } = boundsOf(outline);
  const through = patchHeight(panel);
  if (through !== null)
    return [
      [left, through],
      [right, through],
    ];
  const shaped = zones.flatMap(({ shape }) => (shape ? [shape] : []));
  const smallest = shaped.toSorted((a, b) => areaOfPolygonM2(a) - areaOfPolygonM2(b))[0];
  const inner = smallest && boundsOf(smallest);
  const y = inner ? (inner.top + inner.bottom) / 2 : (top + bottom) / 2;
  return [
    [left, y],
    [right, y],
  ];
}
