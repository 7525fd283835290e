import type { ShopRuleName } from '../survey/shop-rules.ts';
import { ruleIn, type Context } from './context.ts';
import type { OpName } from './act.ts';
import { workedOn } from './extent.ts';
import type { ZoneState } from './state.ts';

/** Minutes of setting out, whatever the area (defaults, calibrated as the rates of survey/labour-rules.ts). */
const FIXED_MIN: Partial<Record<OpName, number>> = {
  wash: 5,
  degrease: 3,
  'antistatic-wipe': 3,
  mask: 6,
  tack: 1,
  'guide-coat': 1,
  inspect: 3,
  test: 4,
  'hand-over': 10,
  fill: 6,
  glaze: 3,
  'plastic-repair': 15,
  'seam-seal': 8,
  'texture-coat': 12,
  'laminate-repair': 30,
  'metal-repair': 20,
  condition: 8,
  'warm-out': 10,
  'remove-part': 5,
  temper: 4,
  'strip-blast': 12,
  'remove-rust': 6,
};

/** The shop's rate of what is timed by area. */
const RATE: Partial<Record<OpName, ShopRuleName>> = {
  wash: 'washMinPerM2',
  degrease: 'degreaseMinPerM2',
  'antistatic-wipe': 'wipeMinPerM2',
  mask: 'maskMinPerM2',
  tack: 'tackMinPerM2',
  'guide-coat': 'guideCoatMinPerM2',
  inspect: 'inspectMinPerM2',
  test: 'testMinPerM2',
  fill: 'fillMinPerM2',
  glaze: 'glazeMinPerM2',
  'plastic-repair': 'plasticRepairMinPerM2',
  'seam-seal': 'seamSealMinPerM2',
  'texture-coat': 'textureCoatMinPerM2',
  'laminate-repair': 'laminateRepairMinPerM2',
  'metal-repair': 'metalRepairMinPerM2',
  condition: 'conditionMinPerM2',
  'warm-out': 'warmOutMinPerM2',
  'strip-blast': 'blastMinPerM2',
  'remove-rust': 'removeRustMinPerM2',
};

/** Minutes of setting out an operation that is timed by area, once for all areas and parts that it names. */
export const fixedMin = (op: OpName): number => FIXED_MIN[op] ?? 0;

/** Minutes of an operation that is timed by area, without setting out. */
export function areaMin(op: OpName, areaM2: number, context: Pick<Context, 'shop'>): number {
  const rate = RATE[op];
  return rate === undefined ? 0 : ruleIn(context, rate).value * areaM2;
}

/** The same with setting out, for the areas of an act. */
export const labourOn = (op: OpName, zones: readonly ZoneState[], context: Context): number =>
  fixedMin(op) + areaMin(op, workedOn(op, zones, context), context);

/** How much longer sanding takes on a shaped part than on a flat one. */
export function formFactor(context: Context): number {
  if (context.panel.shape === 'flat') return 1;
  return ruleIn(context, context.panel.shape === 'sharp' ? 'sharpLabourFactor' : 'crownedLabourFactor').value;
}
