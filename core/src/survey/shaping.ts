import type { Polygon, Zone } from './zone.ts';

/** What a hand does to shapes on a panel: snap to its outline, get one more corner, find a free letter. */

/** Points nearer than this to an edge or corner of the outline are taken to be on it, mm. */
const SNAP_MM = 25;

/** The point moved on to the outline where it is near: to its corners first, then to its edges. */
export function snapped(point: readonly [number, number], outline: Polygon): [number, number] {
  const near = outline.find(([x, y]) => Math.hypot(x - point[0], y - point[1]) <= SNAP_MM);
  if (near) return [near[0], near[1]];
  const feet = outline.map((a, i) => footOn(point, a, outline[(i + 1) % outline.length]!));
  const best = feet.reduce((least, foot) => (foot.mm < least.mm ? foot : least));
  return best.mm <= SNAP_MM ? best.point : [Math.round(point[0]), Math.round(point[1])];
}

function footOn(
  [x, y]: readonly [number, number],
  [x1, y1]: readonly [number, number],
  [x2, y2]: readonly [number, number],
): { point: [number, number]; mm: number } {
  const [dx, dy] = [x2 - x1, y2 - y1];
  const t = Math.min(1, Math.max(0, ((x - x1) * dx + (y - y1) * dy) / (dx * dx + dy * dy || 1)));
  const point: [number, number] = [Math.round(x1 + t * dx), Math.round(y1 + t * dy)];
  return { point, mm: Math.hypot(point[0] - x, point[1] - y) };
}

/** A zone id that is free: the next letter, then letters with numbers. */
export function freeZoneId(zones: readonly Pick<Zone, 'id'>[]): string {
  const taken = new Set(zones.map(({ id }) => id));
  const letters = Array.from({ length: 26 }, (_, i) => String.fromCharCode(65 + i));
  return (
    letters.find((id) => !taken.has(id)) ??
    Array.from({ length: 99 }, (_, i) => `Z${i + 1}`).find((id) => !taken.has(id))!
  );
}

/** The shape, or the open line, with one more corner in the middle of its longest edge. */
export function withCorner(shape: Polygon, isOpen = false): Polygon {
  const lengths = shape.slice(0, isOpen ? -1 : undefined).map(([x, y], i) => {
    const [nextX, nextY] = shape[(i + 1) % shape.length]!;
    return Math.hypot(nextX - x, nextY - y);
  });
  const i = lengths.indexOf(Math.max(...lengths));
  const [[x1, y1], [x2, y2]] = [shape[i]!, shape[(i + 1) % shape.length]!];
  return [
    ...shape.slice(0, i + 1),
    [Math.round((x1 + x2) / 2), Math.round((y1 + y2) / 2)],
    ...shape.slice(i + 1),
  ];
}
