import { fullCureMin, minutesToConversion } from '../climate/cure.ts';
import { dewMarginKelvin } from '../climate/dew.ts';
import { familyOf, type Family } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Panel } from '../survey/panel.ts';
import type { Sourced } from '../wording/reason.ts';
import { ruleIn, schoolIn, sheetIn, type Context } from './context.ts';
import { topOf, type ZoneState } from './state.ts';

/** How long a coat needs before it may be sanded, in this shop: by the sheet and by the cure model, whichever is longer. */

/** Conversion from which a coat sands (rule B3). */
export const SANDABLE_CONVERSION = 0.9;
/** What is left of the day when a coat is sprayed (default); then comes the night, then the day again. */
const REST_OF_DAY_MIN = 240;
const NIGHT_MIN = 15 * 60;
const DAY_MIN = 9 * 60;
/** Heat-up and cool-down around a bake (default). */
const BAKE_HANDLING_MIN = 20;

export type CureMethod = 'air' | 'bake';

/** Hottest that a panel of this family may get, °C (rules GP4 and P6); what is not here bears any bake. */
const MOST_CELSIUS: Partial<Record<Family, number>> = { composite: 60, plastic: 65 };

/** The lowest heat limit of the panel's materials, °C; Infinity where metal carries all of it. */
export const heatLimitCelsius = (panel: Pick<Panel, 'zones'>): number =>
  Math.min(...panel.zones.map((zone) => MOST_CELSIUS[familyOf(zone.layers[0]!.kind)] ?? Infinity));

const bearsHeat = (context: Context): boolean =>
  ruleIn(context, 'bakeCelsius').value <= heatLimitCelsius(context.panel);

const byDayMin = (sheet: ProductSheet, { shop }: Context): number =>
  SANDABLE_CONVERSION * fullCureMin(sheet.cure, shop.celsius);

/** The night that a coat would cure through in air. */
export interface Night {
  readonly celsius: number;
  /** Its temperature over the dew point of the shop's air, and what the shop asks. */
  readonly marginKelvin: number;
  readonly limitKelvin: number;
  readonly isDamp: boolean;
  /** Below the sheet's least temperature nothing cures. */
  readonly isCold: boolean;
  /** A day from morning to evening is enough. */
  readonly isAvoidable: boolean;
}

/** The night between a coat and its sanding, where air cure takes longer than what is left of a day; else null. */
export function nightOf(sheet: ProductSheet, context: Context): Night | null {
  const { celsius: roomCelsius, nightCelsius: celsius = roomCelsius } = context.shop;
  const byDay = byDayMin(sheet, context);
  if (byDay <= REST_OF_DAY_MIN || celsius === roomCelsius) return null;
  const limitKelvin = ruleIn(context, 'dewMarginKelvin').value;
  const marginKelvin = dewMarginKelvin(celsius, {
    celsius: roomCelsius,
    relativeHumidity: context.shop.relativeHumidity,
  });
  return {
    celsius,
    marginKelvin,
    limitKelvin,
    isDamp: marginKelvin < limitKelvin,
    isCold: celsius < sheet.climate.minCelsius,
    isAvoidable: byDay <= DAY_MIN,
  };
}

/** A night that is no place for an uncured coat. */
export const isUnfit = (night: Night | null): night is Night =>
  night !== null && (night.isDamp || night.isCold);

/** Heat where the shop's school is same-day or the night is unfit, and it has a lamp or an oven; air otherwise. */
export const cureMethod = (sheets: readonly ProductSheet[], context: Context): CureMethod =>
  context.shop.profile === 'booth' &&
  bearsHeat(context) &&
  (schoolIn(context, 'pace').side === 'same-day' || sheets.some((sheet) => isUnfit(nightOf(sheet, context))))
    ? 'bake'
    : 'air';

/** Products that lie freshly on top of these zones: what a cure is for. */
export const freshSheets = (zones: readonly ZoneState[], context: Context): ProductSheet[] =>
  zones.flatMap((zone) => {
    const { laid } = topOf(zone);
    return laid ? [sheetIn(context, laid.sheetId)] : [];
  });

/** An unfit night is kept out of by spraying in the morning where a day is enough; else it counts for what it is. */
function airMin(sheet: ProductSheet, context: Context): number {
  const night = nightOf(sheet, context);
  if (!night || (isUnfit(night) && night.isAvoidable)) return byDayMin(sheet, context);
  const spells = [
    { celsius: context.shop.celsius, minutes: REST_OF_DAY_MIN },
    { celsius: night.celsius, minutes: NIGHT_MIN },
    { celsius: context.shop.celsius, minutes: DAY_MIN - REST_OF_DAY_MIN },
  ];
  // A shop that is itself below the sheet's least temperature is refused before anything is sprayed (rule M3).
  const leastCelsius = Math.min(sheet.climate.minCelsius, context.shop.celsius);
  return minutesToConversion(sheet.cure, SANDABLE_CONVERSION, spells, leastCelsius);
}

/**
 * Minutes from the last coat until it may be sanded, with the authority that decided; null for a product that is not
 * sanded. Baking counts at the panel temperature of the shop's lamp or oven.
 */
export function sandableAfterMin(sheet: ProductSheet, context: Context): Sourced<number> | null {
  if (sheet.sandAfterMin === null) return null;
  if (cureMethod([sheet], context) === 'bake') {
    const bake = SANDABLE_CONVERSION * fullCureMin(sheet.cure, ruleIn(context, 'bakeCelsius').value);
    return { value: bake + BAKE_HANDLING_MIN, source: 'model' };
  }
  const modelled = airMin(sheet, context);
  return modelled > sheet.sandAfterMin
    ? { value: modelled, source: 'model' }
    : { value: sheet.sandAfterMin, source: 'sheet' };
}
