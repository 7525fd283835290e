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
