import type { Polygon } from './zone.ts';

/**
 * Outlines of the panels that come through the door, as simple polygons in a unit square (x right, y down), scaled to
 * the measured width and height. They are shapes to mark zones on, not drawings of any vehicle's part.
 */

interface OutlineRow {
  readonly label: string;
  /** Usual size, mm: what a new panel starts with. */
  readonly widthMm: number;
  readonly heightMm: number;
  readonly points: readonly (readonly [number, number])[];
}

const row = (
  label: string,
  widthMm: number,
  heightMm: number,
  points: readonly (readonly [number, number])[],
): OutlineRow => ({ label, widthMm, heightMm, points });

const BOX = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
] as const;

export const OUTLINES = {
  door: row('door', 1250, 1700, [
    [0.02, 0],
    [0.94, 0],
    [1, 0.06],
    [1, 0.9],
    [0.95, 1],
    [0.04, 1],
    [0, 0.93],
    [0, 0.04],
  ]),
  'hood-lid': row('hood lid', 1400, 1100, [
    [0.08, 0],
    [0.92, 0],
    [1, 0.82],
    [0.88, 0.97],
    [0.5, 1],
    [0.12, 0.97],
    [0, 0.82],
  ]),
  fender: row('fender', 1100, 800, [
    [0.04, 0.08],
    [0.9, 0],
    [1, 0.12],
    [0.97, 0.9],
    [0.82, 0.92],
    [0.78, 0.66],
    [0.62, 0.46],
    [0.42, 0.46],
    [0.26, 0.66],
    [0.22, 0.98],
    [0, 1],
  ]),
  'bumper-cover': row('bumper cover', 1800, 600, [
    [0, 0.18],
    [0.16, 0],
    [0.84, 0],
    [1, 0.18],
    [0.98, 0.78],
    [0.86, 1],
    [0.14, 1],
    [0.02, 0.78],
  ]),
  'roof-skin': row('roof skin', 1300, 2000, [
    [0.06, 0],
    [0.94, 0],
    [1, 0.05],
    [1, 0.95],
    [0.94, 1],
    [0.06, 1],
    [0, 0.95],
    [0, 0.05],
  ]),
  quarter: row('quarter', 1500, 1100, [
    [0, 0.4],
    [0.34, 0.36],
    [0.52, 0],
    [0.7, 0],
    [0.78, 0.34],
    [1, 0.42],
    [0.98, 0.96],
    [0.82, 1],
    [0.78, 0.76],
    [0.64, 0.58],
    [0.46, 0.58],
    [0.32, 0.78],
    [0.28, 1],
    [0, 1],
  ]),
  'cab-corner': row('cab corner', 500, 900, [
    [0, 0],
    [0.86, 0],
    [1, 0.12],
    [1, 0.82],
    [0.8, 1],
    [0, 1],
  ]),
  hatch: row('hatch', 1200, 1100, [
    [0.12, 0],
    [0.88, 0],
    [1, 0.46],
    [0.98, 0.96],
    [0.9, 1],
    [0.1, 1],
    [0.02, 0.96],
    [0, 0.46],
  ]),
  'trim-strip': row('trim strip', 1100, 90, [
    [0.01, 0],
    [0.97, 0],
    [1, 0.5],
    [0.97, 1],
    [0.01, 1],
    [0, 0.5],
  ]),
  tank: row('tank', 600, 350, [
    [0.08, 0.22],
    [0.3, 0.02],
    [0.62, 0],
    [0.9, 0.16],
    [1, 0.5],
    [0.94, 0.84],
    [0.7, 1],
    [0.22, 0.98],
    [0.02, 0.72],
    [0, 0.44],
  ]),
  spoiler: row('spoiler', 1300, 250, [
    [0, 0.3],
    [0.12, 0],
    [0.88, 0],
    [1, 0.3],
    [0.96, 1],
    [0.84, 0.72],
    [0.16, 0.72],
    [0.04, 1],
  ]),
  free: row('from measurements', 1000, 800, BOX),
} as const satisfies Record<string, OutlineRow>;

export type OutlineKind = keyof typeof OUTLINES;
export const OUTLINE_KINDS = Object.keys(OUTLINES) as [OutlineKind, ...OutlineKind[]];

/** The outline of a kind at a measured size, in whole mm. */
export const outlineOf = (kind: OutlineKind, widthMm: number, heightMm: number): Polygon =>
  OUTLINES[kind].points.map(([x, y]) => [Math.round(x * widthMm), Math.round(y * heightMm)]);
