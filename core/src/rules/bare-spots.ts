import { isCoat } from '../operations/act.ts';
import { ruleIn, sheetIn, type Context } from '../operations/context.ts';
import { isBare, type ZoneState } from '../operations/state.ts';
import { spotShareOf } from '../survey/patches.ts';
import type { ZoneRuleInput } from './rule.ts';

/** Small bare spots: how large and how many a coat that resists no corrosion may cover. */

/** Share of the panel that all small bare spots take together, percent. */
const spotSharePercent = ({ panel }: Context): number => spotShareOf(panel) * 100;

/** Bare spots so small and so few that less than a full first coat may protect them. */
export function areSmallSpots({ patch }: ZoneState, context: Context): boolean {
  const spots = patch?.spots;
  return (
    spots !== undefined &&
    spots !== null &&
    spots.mm <= ruleIn(context, 'bareSpotMm').value &&
    spotSharePercent(context) <= ruleIn(context, 'bareSpotSharePercent').value
  );
}

/** Whether bare spots are too large, or the product unwilling, to be covered without a corrosion coat; null if all is well. */
export function spotProblem({ zone, act, context }: ZoneRuleInput): 'size' | 'sheet' | null {
  const spots = zone.patch?.spots;
  if (!spots || !isBare(zone) || !isCoat(act)) return null;
  const sheet = sheetIn(context, act.sheetId);
  if (sheet.resistsCorrosion) return null;
  if (!areSmallSpots(zone, context)) return 'size';
  return sheet.coversBareSpots ? null : 'sheet';
}

export const spotFacts = ({ zone, context }: ZoneRuleInput) => ({
  spotMm: zone.patch?.spots?.mm ?? 0,
  count: zone.patch?.spots?.count ?? 0,
  sharePercent: spotSharePercent(context),
  limitMm: ruleIn(context, 'bareSpotMm').value,
  limitPercent: ruleIn(context, 'bareSpotSharePercent').value,
});
