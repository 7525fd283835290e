/** The way of the gun over a panel: level passes one below the other, each begun and ended beyond the edge. */

type Point = readonly [x: number, y: number];

export interface Pass {
  readonly from: Point;
  readonly to: Point;
}

export interface Passes {
  readonly passes: readonly Pass[];
  /** Gun travel of a coat, edges first, m. */
  readonly metres: number;
  /** Of it along the edges, m. */
  readonly edgeMetres: number;
}

/** How far the gun goes on past an edge before it turns, mm (default). */
export const PAST_EDGE_MM = 50;

/** Where a level line crosses closed rings, from left to right. */
const crossings = (rings: readonly (readonly Point[])[], y: number): number[] =>
  rings
    .flatMap((ring) =>
      ring.flatMap(([x1, y1], i) => {
        const [x2, y2] = ring[(i + 1) % ring.length]!;
        return y1 > y !== y2 > y ? [x1 + ((x2 - x1) * (y - y1)) / (y2 - y1)] : [];
      }),
    )
    .sort((a, b) => a - b);

const lengthMm = ({ from, to }: Pass): number => Math.hypot(to[0] - from[0], to[1] - from[1]);

/** Passes that meet or lie on one another once they are led past their edges are one. */
function joined(spans: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const all: [number, number][] = [];
  for (const [left, right] of spans) {
    const last = all.at(-1);
    if (last && left <= last[1]) last[1] = Math.max(last[1], right);
    else all.push([left, right]);
  }
  return all;
}

/**
 * Passes over areas in mm (closed rings; holes count as rings), `stepMm` apart, the first and last half a step inside.
 * The outer edges are gone round once before.
 * @throws {RangeError} for a step that is not positive, or nothing to spray
 */
export function passesOver(rings: readonly (readonly Point[])[], stepMm: number): Passes {
  if (!(stepMm > 0)) throw new RangeError('passes must lie more than 0 mm apart');
  const ys = rings.flat().map(([, y]) => y);
  if (ys.length === 0) throw new RangeError('there is nothing to spray');
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)];
  const rows = Math.max(1, Math.ceil((bottom - top) / stepMm - 1e-9));
  const passes = Array.from(
    { length: rows },
    (_, row) => top + ((row + 0.5) * (bottom - top)) / rows,
  ).flatMap((y, row): Pass[] => {
    const at = crossings(rings, y);
    const spans = Array.from(
      { length: Math.floor(at.length / 2) },
      (_, i) => [at[2 * i]! - PAST_EDGE_MM, at[2 * i + 1]! + PAST_EDGE_MM] as const,
    );
    const there = joined(spans).map(([left, right]): Pass => ({ from: [left, y], to: [right, y] }));
    // There and back again: every other row is led from the right.
    return row % 2 === 0 ? there : there.reverse().map(({ from, to }) => ({ from: to, to: from }));
  });
  const edgeMm = rings.reduce(
    (sum, ring) =>
      sum +
      ring.reduce(
        (length, point, i) => length + lengthMm({ from: point, to: ring[(i + 1) % ring.length]! }),
        0,
      ),
    0,
  );
  const passedMm = passes.reduce((sum, pass) => sum + lengthMm(pass), 0);
  return { passes, metres: (passedMm + edgeMm) / 1000, edgeMetres: edgeMm / 1000 };
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
