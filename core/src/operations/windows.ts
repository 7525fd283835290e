import { solventFlashFactor, tableFlashFactor, waterFlashFactor } from '../climate/flash.ts';
import type { Air } from '../climate/dew.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Sourced } from '../wording/reason.ts';
import { ruleIn, sheetIn, type Context } from './context.ts';
import { workAirAt } from './day.ts';
import { cureFrom } from './curing.ts';
import type { ZoneState } from './state.ts';
import type { CoatWindows, CureWindow, TimeWindow } from './time-window.ts';

/**
 * Every time limit of the bench: from when to when something may be done, on what authority, and what is done once it is
 * missed. Rules, steps, screens and schedule ask here; nobody else reckons a limit. Times on the panel's clock.
 */

/** How much longer a flash takes in some air: by the sheet's own table, else by what leaves, solvent or water. */
function flashFactor(sheet: ProductSheet, room: Air, context: Context): number {
  const { at, betweenCoatsMin } = sheet.flash;
  if (at && betweenCoatsMin > 0) {
    const others = at.filter(({ celsius }) => celsius !== sheet.refCelsius);
    const points = [...others, { celsius: sheet.refCelsius, minutes: betweenCoatsMin }];
    return tableFlashFactor(points, room.celsius, sheet.refCelsius);
  }
  return sheet.carrier === 'water'
    ? waterFlashFactor(room, ruleIn(context, 'leastDeficitHPa').value)
    : solventFlashFactor(room.celsius, sheet.refCelsius, ruleIn(context, 'flashDoublesKelvin').value);
}

/** The air is looked at so often while a coat flashes, minutes. */
const AIR_STEP_MIN = 15;

/**
 * Minutes that a sheet's flash time takes in this shop: by its air as it changes over the hours, and by how that moves.
 * @param fromMin minute of the panel's clock at which the coat lies; the beginning of the work where it is not known
 */
export function flashMin(sheetMin: number, sheet: ProductSheet, context: Context, fromMin = 0): number {
  const { shop } = context;
  const air = shop.profile === 'garage' ? ruleIn(context, 'stillAirFactor').value : 1;
  if (!shop.usualDay) return sheetMin * flashFactor(sheet, shop, context) * air;
  let [left, passedMin] = [sheetMin, 0];
  for (;;) {
    const factor = flashFactor(sheet, workAirAt(fromMin + passedMin, context), context) * air;
    if (left * factor <= AIR_STEP_MIN) return passedMin + left * factor;
    left -= AIR_STEP_MIN / factor;
    passedMin += AIR_STEP_MIN;
  }
}

const never = Infinity;

function flashWindow(sheet: ProductSheet, endMin: number, context: Context): TimeWindow {
  const opensAtMin = endMin + flashMin(sheet.flash.beforeNextMin, sheet, context, endMin);
  return { kind: 'flash', rule: 'B2', opensAtMin, closesAtMin: never, source: 'model', whenMissed: 'wait' };
}

/**
 * From when to when the next coat bonds on one whose last pass ends at `endMin`: opens as its sheet says, later in
 * colder or damper air; closes as its sheet says, whatever the air.
 */
export function recoatWindow(sheet: ProductSheet, endMin: number, context: Context): TimeWindow {
  const { opensMin, closesMin, past, forbidden } = sheet.recoat;
  const isPromoter = sheet.kind === 'promoter';
  const opensAtMin = endMin + flashMin(Math.max(opensMin, sheet.flash.beforeNextMin), sheet, context, endMin);
  return {
    kind: isPromoter ? 'promoter' : 'recoat',
    rule: isPromoter ? 'P4' : 'S3',
    opensAtMin,
    closesAtMin: Math.max(opensAtMin, endMin + closesMin),
    ...(forbidden
      ? { forbidden: { fromAtMin: endMin + forbidden.fromMin, toAtMin: endMin + forbidden.toMin } }
      : {}),
    source: 'sheet',
    whenMissed: past,
  };
}

function cureWindow(sheet: ProductSheet, endMin: number, context: Context): CureWindow | null {
  const cure = cureFrom(sheet, endMin, context);
  if (!cure) return null;
  const { after, method, night } = cure;
  const opensAtMin = endMin + after.value;
  return {
    kind: 'cure',
    rule: 'B3',
    opensAtMin,
    closesAtMin: never,
    source: after.source,
    whenMissed: 'wait',
    method,
    night,
  };
}

/** The clocks of a coat whose last pass ends at `endMin`. */
export const coatWindows = (sheet: ProductSheet, endMin: number, context: Context): CoatWindows => ({
  flash: flashWindow(sheet, endMin, context),
  recoat: recoatWindow(sheet, endMin, context),
  cure: cureWindow(sheet, endMin, context),
});

/** The clocks of filler, glaze, paste or sealer that has set at `endMin`: it may be touched, coated and sanded. */
export function bodyWindows(sheet: ProductSheet, endMin: number): CoatWindows {
  const set = { opensAtMin: endMin, source: 'sheet' } as const;
  const open = { ...set, closesAtMin: never, whenMissed: 'wait' } as const;
  return {
    flash: { ...open, kind: 'flash', rule: 'B2' },
    recoat: {
      ...set,
      kind: 'recoat',
      rule: 'S3',
      closesAtMin: endMin + sheet.recoat.closesMin,
      whenMissed: sheet.recoat.past,
    },
    cure:
      sheet.sandAfterMin === null ? null : { ...open, kind: 'cure', rule: 'B3', method: 'air', night: null },
  };
}

/** Clocks that start when a product is mixed; those that its sheet does not name are left out. */
export function mixWindows(sheet: ProductSheet, mixedMin: number, context: Context): TimeWindow[] {
  const { inductionMin = 0, potLifeMin } = sheet;
  const warmerKelvin = workAirAt(mixedMin, context).celsius - sheet.refCelsius;
  const lastsShare = 2 ** (-warmerKelvin / ruleIn(context, 'potLifeHalvesKelvin').value);
  const closesAtMin = potLifeMin === undefined ? never : mixedMin + potLifeMin * lastsShare;
  const head = { rule: 'S6', source: 'sheet', opensAtMin: mixedMin + inductionMin, closesAtMin } as const;
  return [
    ...(inductionMin > 0
      ? [{ ...head, kind: 'induction', closesAtMin: never, whenMissed: 'wait' } as const]
      : []),
    ...(potLifeMin === undefined ? [] : [{ ...head, kind: 'pot-life', whenMissed: 'mix-anew' } as const]),
  ];
}

/** How long bare metal may wait for its first coat; longer than in humid air only where the air is dry. */
export function exposureLimit(context: Context, sinceMin = 0): Sourced<number> {
  const own = ruleIn(context, 'bareMetalLimitMin');
  const isHumid = workAirAt(sinceMin, context).relativeHumidity >= ruleIn(context, 'dryAirPercent').value;
  const humid = ruleIn(context, 'humidLimitMin');
  return isHumid && humid.value < own.value ? humid : own;
}

/** The exposure of metal that was abraded or blasted at `sinceMin`. */
export function exposureWindow(sinceMin: number, context: Context): TimeWindow {
  const { value, source } = exposureLimit(context, sinceMin);
  return {
    kind: 'exposure',
    rule: 'M2',
    opensAtMin: sinceMin,
    closesAtMin: sinceMin + value,
    source,
    whenMissed: 'abrade-metal',
  };
}

/** Earliest minute, now or later, at which the next coat may go on by this window; its close is another matter. */
export function earliestIn({ opensAtMin, forbidden }: TimeWindow, nowMin: number): number {
  const atMin = Math.max(nowMin, opensAtMin);
  return forbidden && atMin > forbidden.fromAtMin && atMin < forbidden.toAtMin ? forbidden.toAtMin : atMin;
}

/** The clocks of a coat in one list. */
export const windowsOfCoat = ({ flash, recoat, cure }: CoatWindows): TimeWindow[] => [
  flash,
  recoat,
  ...(cure ? [cure] : []),
];

/** Every clock that runs on an area as it is now: of its top coat and of bare metal. */
export function windowsOf({ stack, bareSinceMin }: ZoneState, context: Context): TimeWindow[] {
  const { laid } = stack[stack.length - 1]!;
  const coat = laid ? windowsOfCoat(laid) : [];
  return bareSinceMin === null ? coat : [...coat, exposureWindow(bareSinceMin, context)];
}

/** The clocks of a product of the shelf that is mixed at `mixedMin`. */
export const windowsOfMix = (sheetId: string, mixedMin: number, context: Context): TimeWindow[] =>
  mixWindows(sheetIn(context, sheetId), mixedMin, context);
