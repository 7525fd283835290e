import { fullCureMin, minutesToConversion } from '../climate/cure.ts';
import { familyOf, type Family } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Panel } from '../survey/panel.ts';
import type { Sourced } from '../wording/reason.ts';
import { ruleIn, schoolIn, type Context } from './context.ts';

/** How long a coat needs before it may be sanded, in this shop: by the sheet and by the cure model, whichever is longer. */

/** Conversion from which a coat sands (rule B3). */
export const SANDABLE_CONVERSION = 0.9;
/** A cure longer than this is left overnight: the night comes first, then the day. */
const OVERNIGHT_FROM_MIN = 240;
const NIGHT_MIN = 15 * 60;
const DAY_MIN = 9 * 60;
/** Heat-up and cool-down around a bake (default). */
const BAKE_HANDLING_MIN = 20;

export type CureMethod = 'air' | 'bake';

/** Heat where the shop's school is same-day and it has a lamp or an oven; air otherwise. */
export const cureMethod = (context: Context): CureMethod =>
  context.shop.profile === 'booth' && schoolIn(context, 'pace').side === 'same-day' && bearsHeat(context)
    ? 'bake'
    : 'air';

/** Hottest that a panel of this family may get, °C (rules GP4 and P6); what is not here bears any bake. */
const MOST_CELSIUS: Partial<Record<Family, number>> = { composite: 60, plastic: 65 };

/** The lowest heat limit of the panel's materials, °C; Infinity where metal carries all of it. */
export const heatLimitCelsius = (panel: Pick<Panel, 'zones'>): number =>
  Math.min(...panel.zones.map((zone) => MOST_CELSIUS[familyOf(zone.layers[0]!.kind)] ?? Infinity));

const bearsHeat = (context: Context): boolean =>
  ruleIn(context, 'bakeCelsius').value <= heatLimitCelsius(context.panel);

function airMin(sheet: ProductSheet, { shop }: Context): number {
  const byDay = SANDABLE_CONVERSION * fullCureMin(sheet.cure, shop.celsius);
  const nightCelsius = shop.nightCelsius ?? shop.celsius;
  if (byDay <= OVERNIGHT_FROM_MIN || nightCelsius === shop.celsius) return byDay;
  return minutesToConversion(sheet.cure, SANDABLE_CONVERSION, [
    { celsius: nightCelsius, minutes: NIGHT_MIN },
    { celsius: shop.celsius, minutes: DAY_MIN },
  ]);
}

/**
 * Minutes from the last coat until it may be sanded, with the authority that decided; null for a product that is not
 * sanded. Baking counts at the panel temperature of the shop's lamp or oven.
 */
export function sandableAfterMin(sheet: ProductSheet, context: Context): Sourced<number> | null {
  if (sheet.sandAfterMin === null) return null;
  if (cureMethod(context) === 'bake') {
    const bake = SANDABLE_CONVERSION * fullCureMin(sheet.cure, ruleIn(context, 'bakeCelsius').value);
    return { value: bake + BAKE_HANDLING_MIN, source: 'model' };
  }
  const modelled = airMin(sheet, context);
  return modelled > sheet.sandAfterMin
    ? { value: modelled, source: 'model' }
    : { value: sheet.sandAfterMin, source: 'sheet' };
}
