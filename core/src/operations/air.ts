import type { Air } from '../climate/dew.ts';
import { dewMarginOf } from '../climate/dew-margin.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Reason } from '../wording/reason.ts';
import type { Context } from './context.ts';
import { leftOfWorkMin, untilNextShiftMin, workAirAt } from './day.ts';
import type { ZoneState } from './state.ts';

/** Whether the air of an hour will do for a coat, why not, and when it next will (rule M3). */

/** An area with what was measured on it. */
interface Area {
  readonly zone: Pick<ZoneState['zone'], 'tests'>;
}

/** What speaks against laying a product on an area in some air; null where nothing does. */
export function airProblem(
  sheet: ProductSheet,
  { zone }: Area,
  air: Air,
  { shop }: Pick<Context, 'shop'>,
): Reason | null {
  const rule = 'M3';
  const { celsius, relativeHumidity } = air;
  const { isEnough, source, ...margin } = dewMarginOf(zone, { rules: shop.rules, celsius, relativeHumidity });
  if (!isEnough) return { rule, code: 'M3.dew', facts: margin, source };
  const { minCelsius, maxCelsius, maxRelativeHumidity } = sheet.climate;
  if (celsius < minCelsius || celsius > maxCelsius)
    return {
      rule,
      code: 'M3.temperature',
      facts: { sheet: sheet.name, roomCelsius: celsius, minCelsius, maxCelsius },
      source: 'sheet',
    };
  if (relativeHumidity <= maxRelativeHumidity) return null;
  return {
    rule,
    code: 'M3.humidity',
    facts: { sheet: sheet.name, roomPercent: relativeHumidity, maxPercent: maxRelativeHumidity },
    source: 'sheet',
  };
}

const STEP_MIN = 15;
const DAY_MIN = 24 * 60;

/**
 * Minutes from a minute of the clock until somebody works and the air will do for a product on all of these areas: 0
 * where it does now, in quarters of an hour else; null where no working hour of the day ever will.
 */
export function untilAirWillDoMin(
  sheet: ProductSheet,
  areas: readonly Area[],
  clockMin: number,
  context: Context,
): number | null {
  const doesAt = (atMin: number): boolean =>
    areas.every((area) => airProblem(sheet, area, workAirAt(atMin, context), context) === null);
  if (doesAt(clockMin)) return 0;
  if (!context.shop.usualDay) return null;
  let passedMin = STEP_MIN - ((context.startMin + clockMin) % STEP_MIN);
  // One working day from begin to end shows every hour that there is.
  for (let lookedMin = 0; lookedMin <= DAY_MIN;) {
    const atMin = clockMin + passedMin;
    const left = leftOfWorkMin(atMin, context);
    if (left > 0 && doesAt(atMin)) return passedMin;
    const step = left > 0 ? STEP_MIN : untilNextShiftMin(atMin, context);
    lookedMin += left > 0 ? STEP_MIN : 0;
    passedMin += step;
    if (left === 0 && lookedMin === 0 && passedMin > 400 * DAY_MIN) return null;
  }
  return null;
}

/** Some working hour of the day has air that will do. */
export const willAirDo = (sheet: ProductSheet, areas: readonly Area[], context: Context): boolean =>
  untilAirWillDoMin(sheet, areas, 0, context) !== null;

/** What is known of the air for a product where nothing was measured on the surface: the same wherever it is laid. */
const airKnown = new WeakMap<Context, Map<string, boolean>>();

/** The same of one area, which a search asks about over and over. */
export function willAirDoOn(sheet: ProductSheet, area: Area, context: Context): boolean {
  if (area.zone.tests && area.zone.tests.length > 0) return willAirDo(sheet, [area], context);
  const known = airKnown.get(context) ?? new Map<string, boolean>();
  airKnown.set(context, known);
  const will = known.get(sheet.id) ?? willAirDo(sheet, [area], context);
  known.set(sheet.id, will);
  return will;
}
