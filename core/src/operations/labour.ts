import type { OpName } from './act.ts';

/** Hands-on minutes by the tape measure: fixed + per m² (defaults, calibrated against shop time sheets of our scenario). */
const LABOUR: Partial<Record<OpName, readonly [fixedMin: number, perM2Min: number]>> = {
  wash: [5, 4],
  degrease: [3, 3],
  mask: [6, 2],
  tack: [1, 1],
  'guide-coat': [1, 2],
  inspect: [3, 4],
  test: [4, 2],
  'hand-over': [10, 0],
  fill: [4, 24],
  glaze: [3, 12],
  'antistatic-wipe': [3, 3],
  'remove-part': [12, 0],
  temper: [4, 0],
  'strip-chemical': [14, 30],
  'strip-blast': [18, 22],
  'plastic-repair': [35, 0],
  'laminate-repair': [45, 0],
  'seam-seal': [8, 4],
};

/** Hands-on minutes of an operation that is timed by area. */
export function labourMin(op: OpName, areaM2: number): number {
  const [fixed, perM2] = LABOUR[op] ?? [0, 0];
  return fixed + perM2 * areaM2;
}
