/** The way of the gun over a panel: level passes one below the other, each begun and ended beyond the edge. */

type Point = readonly [x: number, y: number];

export interface Pass {
  readonly from: Point;
  readonly to: Point;
}

/** How far the gun goes on past an edge of the panel before it turns, mm (default). */
export const PAST_EDGE_MM = 50;
/** Nearer to an edge of the panel than this a pass goes on past it, mm. */
const AT_EDGE_MM = 60;

type Rings = readonly (readonly Point[])[];

/** Where a level line crosses closed rings, from left to right. */
const crossings = (rings: Rings, y: number): number[] =>
  rings
    .flatMap((ring) =>
      ring.flatMap(([x1, y1], i) => {
        const [x2, y2] = ring[(i + 1) % ring.length]!;
        return y1 > y !== y2 > y ? [x1 + ((x2 - x1) * (y - y1)) / (y2 - y1)] : [];
      }),
    )
    .sort((a, b) => a - b);

/** Length of a pass, m. */
export const passMetres = ({ from, to }: Pass): number => Math.hypot(to[0] - from[0], to[1] - from[1]) / 1000;

type Span = readonly [left: number, right: number];

/** Spans that meet or lie on one another are one. */
function joined(spans: readonly Span[]): Span[] {
  const all: [number, number][] = [];
  for (const [left, right] of spans) {
    const last = all.at(-1);
    if (last && left <= last[1]) last[1] = Math.max(last[1], right);
    else all.push([left, right]);
  }
  return all;
}

/**
 * Passes over areas in mm (closed rings; holes count as rings), at most `stepMm` apart, the first and last half a step
 * inside. Where an area ends at an edge of the panel the gun goes on past it; inside the panel it fades out there.
 * @param outline of the panel; null where the areas are the panel
 * @throws {RangeError} for a step that is not positive, or nothing to spray
 */
export function passesOver(rings: Rings, stepMm: number, outline: readonly Point[] | null = null): Pass[] {
  if (!(stepMm > 0)) throw new RangeError('passes must lie more than 0 mm apart');
  const ys = rings.flat().map(([, y]) => y);
  if (ys.length === 0) throw new RangeError('there is nothing to spray');
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const rows = Math.max(1, Math.ceil((bottom - top) / stepMm - 1e-9));
  const heights = Array.from({ length: rows }, (_, row) => top + ((row + 0.5) * (bottom - top)) / rows);
  return heights.flatMap((y, row): Pass[] => {
    const at = crossings(rings, y);
    const edges = outline ? crossings([outline], y) : at;
    const past = (x: number, way: 1 | -1): number =>
      edges.some((edge) => Math.abs(edge - x) <= AT_EDGE_MM) ? x + way * PAST_EDGE_MM : x;
    const spans = Array.from({ length: Math.floor(at.length / 2) }, (_, i): Span => [
      past(at[2 * i]!, -1),
      past(at[2 * i + 1]!, 1),
    ]);
    const there = joined(spans).map(([left, right]): Pass => ({ from: [left, y], to: [right, y] }));
    // There and back again: every other row is led from the right.
    return row % 2 === 0 ? there : there.reverse().map(({ from, to }) => ({ from: to, to: from }));
  });
}

/** A rectangle of an area, as wide to its height as asked. */
export function rectangleMm(areaM2: number, widthToHeight = 1.6): Point[] {
  const height = Math.sqrt((areaM2 * 1e6) / widthToHeight);
  const width = height * widthToHeight;
  return [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ];
}
