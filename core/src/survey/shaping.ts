import { boundsOf, countCrossings } from './polygon.ts';
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

/** A shape moved as a whole: on to the outline where one of its corners comes near, by as little as that takes. */
export function movedOnto(
  shape: Polygon,
  [dx, dy]: readonly [number, number],
  outline: Polygon | undefined,
): Polygon {
  const moved = shape.map(([x, y]): [number, number] => [Math.round(x + dx), Math.round(y + dy)]);
  if (!outline) return moved;
  const ways = moved.map((corner) => {
    const [x, y] = snapped(corner, outline);
    return [x - corner[0], y - corner[1]] as const;
  });
  const near = ways.filter(([x, y]) => x !== 0 || y !== 0);
  const least = near.toSorted((a, b) => Math.hypot(...a) - Math.hypot(...b))[0] ?? [0, 0];
  return moved.map(([x, y]) => [x + least[0], y + least[1]]);
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

type Point = readonly [x: number, y: number];

/** A line drawn by hand with no more points than it takes to stay within `toleranceMm` of it (Douglas and Peucker). */
function simplified(line: readonly Point[], toleranceMm: number): readonly Point[] {
  const [first, last] = [line[0]!, line.at(-1)!];
  const far = line.reduce(
    (most, point, i) => {
      const { mm } = footOn(point, first, last);
      return mm > most.mm ? { mm, i } : most;
    },
    { mm: 0, i: 0 },
  );
  if (far.mm <= toleranceMm) return [first, last];
  return [
    ...simplified(line.slice(0, far.i + 1), toleranceMm).slice(0, -1),
    ...simplified(line.slice(far.i), toleranceMm),
  ];
}

/** The outer corners of some points, in order (Andrew's chain). */
function hullOf(points: readonly Point[]): Point[] {
  const inOrder = points.toSorted(([x1, y1], [x2, y2]) => x1 - x2 || y1 - y2);
  const half = (along: readonly Point[]): Point[] => {
    const chain: Point[] = [];
    for (const [x, y] of along) {
      for (;;) {
        const [a, b] = chain.slice(-2);
        if (!a || !b || (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]) > 0) break;
        chain.pop();
      }
      chain.push([x, y]);
    }
    return chain.slice(0, -1);
  };
  return [...half(inOrder), ...half(inOrder.toReversed())];
}

/** A hand draws no closer than this, as a share of the shape's size. */
const HAND_SHARE = 0.02;
/** What is drawn smaller than this across is a slip, mm. */
const LEAST_DRAWN_MM = 10;

/**
 * The shape of a line that was drawn around something: its corners, near the outline on it. A line that crosses itself is
 * taken as what it goes around.
 * @returns null for a tap or a slip
 */
export function drawnShape(line: readonly Point[], outline: Polygon): Polygon | null {
  if (line.length < 3) return null;
  const { left, right, top, bottom } = boundsOf(line);
  const sizeMm = Math.hypot(right - left, bottom - top);
  if (right - left < LEAST_DRAWN_MM || bottom - top < LEAST_DRAWN_MM) return null;
  // Closed at the point farthest from its beginning, so that both halves are real lines.
  const start = line[0]!;
  const far = line.reduce(
    (most, [x, y], i) => {
      const mm = Math.hypot(x - start[0], y - start[1]);
      return mm > most.mm ? { mm, i } : most;
    },
    { mm: 0, i: 0 },
  ).i;
  const toleranceMm = sizeMm * HAND_SHARE;
  const drawn = [
    ...simplified(line.slice(0, far + 1), toleranceMm).slice(0, -1),
    ...simplified([...line.slice(far), start], toleranceMm).slice(0, -1),
  ];
  const corners = countCrossings(drawn, 1) > 0 ? hullOf(drawn) : drawn;
  return corners.length < 3 ? null : corners.map((corner) => snapped(corner, outline));
}
