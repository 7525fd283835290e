import { ruleIn, type Context } from './context.ts';
import type { OpName } from './act.ts';
import { workedOn } from './extent.ts';
import type { ZoneState } from './state.ts';

/** Hands-on minutes by the tape measure: fixed + per m² (defaults, calibrated against shop time sheets of our scenario). */
const LABOUR: Partial<Record<OpName, readonly [fixedMin: number, perM2Min: number]>> = {
  wash: [5, 3],
  degrease: [3, 2.5],
  mask: [6, 2],
  tack: [1, 1],
  'guide-coat': [1, 2],
  inspect: [3, 4],
  test: [4, 2],
  'hand-over': [10, 0],
  fill: [6, 24],
  glaze: [3, 12],
  'antistatic-wipe': [3, 3],
  'remove-part': [5, 0],
  temper: [4, 0],
  'strip-blast': [12, 22],
  'plastic-repair': [15, 30],
  'laminate-repair': [30, 60],
  'metal-repair': [20, 40],
  condition: [8, 20],
  'warm-out': [10, 20],
  'seam-seal': [8, 4],
  'texture-coat': [12, 4],
  'remove-rust': [6, 25],
};

/** Hands-on minutes of an operation that is timed by area, set up once for all areas and parts that it names. */
export function labourMin(op: OpName, areaM2: number): number {
  const [fixed, perM2] = LABOUR[op] ?? [0, 0];
  return fixed + perM2 * areaM2;
}

/** The same for the areas of an act. */
export const labourOn = (op: OpName, zones: readonly ZoneState[], context: Context): number =>
  labourMin(op, workedOn(op, zones, context));

/** How much longer sanding takes on a shaped part than on a flat one. */
export function formFactor(context: Context): number {
  if (context.panel.shape === 'flat') return 1;
  return ruleIn(context, context.panel.shape === 'sharp' ? 'sharpLabourFactor' : 'crownedLabourFactor').value;
}
