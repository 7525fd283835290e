import { ruleIn, type Context } from './context.ts';
import { reachedOn } from './extent.ts';
import type { OperationRow } from './operation.ts';
import type { ZoneState } from './state.ts';

type Timed = Pick<OperationRow, 'setOutMin' | 'rate' | 'reach'>;

/** Minutes of an operation that is timed by area, without setting out; 0 for one that is not. */
export const areaMin = (
  { rate }: Pick<Timed, 'rate'>,
  areaM2: number,
  context: Pick<Context, 'shop'>,
): number => (rate === undefined ? 0 : ruleIn(context, rate).value * areaM2);

/** The same with setting out, for the areas of an act. */
export const labourOn = (row: Timed, zones: readonly ZoneState[], context: Context): number =>
  row.setOutMin + areaMin(row, reachedOn(row.reach, zones, context), context);

/** How much longer sanding takes on a shaped part than on a flat one. */
export function formFactor(context: Context): number {
  if (context.panel.shape === 'flat') return 1;
  return ruleIn(context, context.panel.shape === 'sharp' ? 'sharpLabourFactor' : 'crownedLabourFactor').value;
}
