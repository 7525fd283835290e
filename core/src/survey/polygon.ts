/** Area of a simple polygon given in mm, in m² (shoelace formula); never negative. */
export function areaOfPolygonM2(points: readonly (readonly [number, number])[]): number {
  let twice = 0;
  points.forEach(([x, y], i) => {
    const [nextX, nextY] = points[(i + 1) % points.length]!;
    twice += x * nextY - nextX * y;
  });
  return Math.abs(twice) / 2 / 1e6;
}

/** The box around some points. */
export const boundsOf = (points: readonly (readonly [number, number])[]) => ({
  left: Math.min(...points.map(([x]) => x)),
  right: Math.max(...points.map(([x]) => x)),
  top: Math.min(...points.map(([, y]) => y)),
  bottom: Math.max(...points.map(([, y]) => y)),
});

type Point = readonly [number, number];

/** On which side of the line from a to b a point lies: above 0 left, below 0 right, 0 on it. */
const sideOf = ([ax, ay]: Point, [bx, by]: Point, [x, y]: Point): number =>
  (bx - ax) * (y - ay) - (by - ay) * (x - ax);

const crosses = (a: Point, b: Point, c: Point, d: Point): boolean =>
  sideOf(a, b, c) * sideOf(a, b, d) < 0 && sideOf(c, d, a) * sideOf(c, d, b) < 0;

/**
 * How often the sides of a closed outline cross one another, counted up to `most`; sides that only touch do not count.
 * O(n²) in its points.
 */
export function countCrossings(points: readonly Point[], most: number): number {
  let count = 0;
  const n = points.length;
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n && count < most; j++)
      if (crosses(points[i]!, points[(i + 1) % n]!, points[j]!, points[(j + 1) % n]!)) count += 1;
  return count;
}
