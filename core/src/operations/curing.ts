import { conversionAfter, fullCureMin, minutesToConversion, type Spell } from '../climate/cure.ts';
import { dewMarginKelvin } from '../climate/dew.ts';
import { familyOf, type Family } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Panel } from '../survey/panel.ts';
import type { Sourced } from '../wording/reason.ts';
import { ruleIn, schoolIn, type Context } from './context.ts';
import { bakeCelsiusIn, hasHeat } from './heat.ts';
import type { CureMethod, Night } from './time-window.ts';
import {
  coldestOfNight,
  dayLengthMin,
  leftOfDayMin,
  spellsBefore,
  spellsFrom,
  untilMorningMin,
  type Day,
} from './day.ts';

/** How long a coat needs before it may be sanded, in this shop: by the sheet and by the cure model, whichever is longer. */

/** Hottest that a panel of this family may get, °C (rules GP4 and P6); what is not here bears any bake. */
const MOST_CELSIUS: Partial<Record<Family, number>> = { composite: 60, plastic: 65 };

/** The lowest heat limit of the panel's materials, °C; Infinity where metal carries all of it. */
export const heatLimitCelsius = (panel: Pick<Panel, 'zones'>): number =>
  Math.min(...panel.zones.map((zone) => MOST_CELSIUS[familyOf(zone.layers[0]!.kind)] ?? Infinity));

const bearsHeat = (context: Context): boolean =>
  bakeCelsiusIn(context).value <= heatLimitCelsius(context.panel);

/** Conversion from which a coat sands (rule B3), 0..1. */
export const sandableConversion = (context: Pick<Context, 'shop'>): number =>
  ruleIn(context, 'sandablePercent').value / 100;

const byDayMin = (sheet: ProductSheet, fromMin: number, context: Context): number =>
  context.shop.usualDay
    ? minutesToConversion(sheet.cure, sandableConversion(context), spellsFrom(fromMin, context))
    : sandableConversion(context) * fullCureMin(sheet.cure, context.shop.celsius);

/** The same from the next morning on. */
const fromMorningMin = (sheet: ProductSheet, fromMin: number, context: Context): number =>
  byDayMin(sheet, fromMin + untilMorningMin(fromMin, context), context);

/** The night between a coat and its sanding, where air cure takes longer than what is left of the day; else null. */
function nightOf(sheet: ProductSheet, fromMin: number, context: Context): Night | null {
  const coldest = coldestOfNight(context);
  const { celsius } = coldest;
  const isAlike = !context.shop.usualDay && celsius === context.shop.celsius;
  if (isAlike || byDayMin(sheet, fromMin, context) <= leftOfDayMin(fromMin, context)) return null;
  const limitKelvin = ruleIn(context, 'dewMarginKelvin').value;
  const marginKelvin = dewMarginKelvin(celsius, coldest);
  return {
    celsius,
    marginKelvin,
    limitKelvin,
    isDamp: marginKelvin < limitKelvin,
    isCold: celsius < sheet.climate.minCelsius,
    isAvoidable: fromMorningMin(sheet, fromMin, context) <= dayLengthMin(context),
  };
}

/** A night that is no place for an uncured coat. */
export const isUnfit = (night: Night | null): night is Night =>
  night !== null && (night.isDamp || night.isCold);

/** Where an unfit night would come in and a day is enough, the coat is sprayed the next morning: that wait counts. */
function airMin(sheet: ProductSheet, fromMin: number, night: Night | null, context: Context): number {
  if (!night) return byDayMin(sheet, fromMin, context);
  if (isUnfit(night) && night.isAvoidable)
    return untilMorningMin(fromMin, context) + fromMorningMin(sheet, fromMin, context);
  // A shop that is itself below the sheet's least temperature is refused before anything is sprayed (rule M3).
  const warmest = Math.max(...spellsFrom(fromMin, context).map(({ celsius }) => celsius));
  const leastCelsius = Math.min(sheet.climate.minCelsius, warmest);
  return minutesToConversion(
    sheet.cure,
    sandableConversion(context),
    spellsFrom(fromMin, context),
    leastCelsius,
  );
}

/** What cures a coat, for how long, and the night that it would lie through in air. */
export interface Cure {
  readonly method: CureMethod;
  /** Minutes from the last coat until it may be sanded, with the authority that decided. */
  readonly after: Sourced<number>;
  readonly night: Night | null;
}

/**
 * The cure of a coat whose last pass ends at a minute of the panel's clock; null for a product that is not sanded.
 * Heat where the shop's school is same-day or the night is unfit, and it has a lamp or an oven that the panel bears; air
 * otherwise. Baking counts at the panel temperature of the shop's lamp or oven; air counts the hours as they come.
 */
export function cureFrom(sheet: ProductSheet, fromMin: number, context: Context): Cure | null {
  if (sheet.sandAfterMin === null) return null;
  const night = nightOf(sheet, fromMin, context);
  const isBaked =
    hasHeat(context) &&
    bearsHeat(context) &&
    (schoolIn(context, 'pace').side === 'same-day' || isUnfit(night));
  if (isBaked) {
    const bakeMin =
      sandableConversion(context) * fullCureMin(sheet.cure, bakeCelsiusIn(context).value) +
      ruleIn(context, 'bakeHandlingMin').value;
    return { method: 'bake', after: { value: bakeMin, source: 'model' }, night };
  }
  const modelled = airMin(sheet, fromMin, night, context);
  const after: Sourced<number> =
    modelled > sheet.sandAfterMin
      ? { value: modelled, source: 'model' }
      : { value: sheet.sandAfterMin, source: 'sheet' };
  return { method: 'air', after, night };
}

/** Minutes until filler, glaze or paste sands: as its sheet says, longer where the shop is colder than that. */
export const setsMin = (sheet: ProductSheet, fromMin: number, context: Context): number =>
  sheet.sandAfterMin === null ? 0 : Math.max(sheet.sandAfterMin, byDayMin(sheet, fromMin, context));

const minutesOf = (spells: readonly Spell[]): number => spells.reduce((sum, { minutes }) => sum + minutes, 0);

/**
 * Minutes in air until a product that lies since `fromMin` may be sanded, through the hours as they were and will be; nothing
 * cures below its least temperature. Infinity where the shop is never that warm; null for a product that is not sanded.
 */
export function curesInAir(sheet: ProductSheet, fromMin: number, day: Day): Sourced<number> | null {
  if (sheet.sandAfterMin === null) return null;
  const { minCelsius } = sheet.climate;
  const wanted = sandableConversion(day);
  const isWarm = ({ celsius }: Spell): boolean => celsius >= minCelsius;
  const before = spellsBefore(fromMin, day);
  const reached = conversionAfter(sheet.cure, before.filter(isWarm));
  const beforeMin = minutesOf(before);
  const after = spellsFrom(fromMin + beforeMin, day);
  const modelled =
    reached >= wanted
      ? minutesToConversion(sheet.cure, wanted, before, minCelsius)
      : after.some(isWarm)
        ? beforeMin + minutesToConversion(sheet.cure, wanted - reached, after, minCelsius)
        : Infinity;
  return modelled > sheet.sandAfterMin
    ? { value: modelled, source: 'model' }
    : { value: sheet.sandAfterMin, source: 'sheet' };
}
