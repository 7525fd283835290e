import { solventFlashFactor, tableFlashFactor, waterFlashFactor } from '../climate/flash.ts';
import type { Air } from '../climate/dew.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Shop } from '../survey/shop.ts';
import type { Sourced } from '../wording/reason.ts';
import { ruleIn, sheetIn, type Context } from './context.ts';
import { airHoldsMin, workAirAt, type Day } from './day.ts';
import { cureFrom, curesInAir, setsMin } from './curing.ts';
import type { ZoneState } from './state.ts';
import type { CoatWindows, CureWindow, TimeWindow } from './time-window.ts';

/**
 * Every time limit of the bench: from when to when something may be done, on what authority, and what is done once it is
 * missed. Rules, steps, screens and schedule ask here; nobody else reckons a limit. Times on the panel's clock.
 */

/** How much longer a flash takes in some air: by the sheet's own table, else by what leaves, solvent or water. */
function flashFactor(sheet: ProductSheet, room: Air, context: Pick<Context, 'shop'>): number {
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

/** The air is looked at so often while something runs, minutes. */
const AIR_STEP_MIN = 15;

/** Minutes that something takes which takes `factorOf(air)` times as long in some air, in the air as it changes from a minute on. */
function minutesInAir(
  neededMin: number,
  factorOf: (air: Air) => number,
  { fromMin, day }: { readonly fromMin: number; readonly day: Day },
): number {
  if (!day.shop.usualDay && !day.airBefore) return neededMin * factorOf(day.shop);
  let [leftMin, passedMin] = [neededMin, 0];
  for (;;) {
    const factor = factorOf(workAirAt(fromMin + passedMin, day));
    const holdsMin = airHoldsMin(fromMin + passedMin, AIR_STEP_MIN, day);
    if (leftMin * factor <= holdsMin) return passedMin + leftMin * factor;
    leftMin -= holdsMin / factor;
    passedMin += holdsMin;
  }
}

/** The figure for how air moves where a shop sprays: how much longer a flash takes in it than its sheet says. */
export const movingAirRule = ({ profile }: Pick<Shop, 'profile'>): 'stillAirFactor' | 'boothAirFactor' =>
  profile === 'garage' ? 'stillAirFactor' : 'boothAirFactor';

/**
 * Minutes that a sheet's flash time takes in this shop: by its air as it changes over the hours, and by how that moves.
 * @param fromMin minute of the panel's clock at which the coat lies; the beginning of the work where it is not known
 */
export function flashMin(sheetMin: number, sheet: ProductSheet, day: Day, fromMin = 0): number {
  const moves = ruleIn(day, movingAirRule(day.shop)).value;
  return minutesInAir(sheetMin, (air) => flashFactor(sheet, air, day) * moves, { fromMin, day });
}

const never = Infinity;

function flashWindow(sheet: ProductSheet, endMin: number, context: Day): TimeWindow {
  const opensAtMin = endMin + flashMin(sheet.flash.beforeNextMin, sheet, context, endMin);
  return { kind: 'flash', rule: 'B2', opensAtMin, closesAtMin: never, source: 'model', whenMissed: 'wait' };
}

/**
 * From when to when the next coat bonds on one whose last pass ends at `endMin`: opens as its sheet says, later in
 * colder or damper air; closes as its sheet says, whatever the air.
 */
export function recoatWindow(sheet: ProductSheet, endMin: number, context: Day): TimeWindow {
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

const inAir = (cures: Sourced<number> | null, fromMin: number): readonly TimeWindow[] =>
  cures
    ? [
        {
          kind: 'cure',
          rule: 'B3',
          opensAtMin: fromMin + cures.value,
          closesAtMin: never,
          source: cures.source,
          whenMissed: 'wait',
        },
      ]
    : [];

/** The clocks of a coat that really lies since `endMin`, and cures in air. */
export const runningCoat = (sheet: ProductSheet, endMin: number, day: Day): TimeWindow[] => [
  flashWindow(sheet, endMin, day),
  recoatWindow(sheet, endMin, day),
  ...inAir(curesInAir(sheet, endMin, day), endMin),
];

/** The clocks of filler, glaze, paste or sealer that was really laid at `laidMin`. */
export function runningBody(sheet: ProductSheet, laidMin: number, day: Day): TimeWindow[] {
  const cures = curesInAir(sheet, laidMin, day);
  const { recoat } = bodyWindows(sheet, laidMin + (cures?.value ?? skinsMin(sheet, laidMin, day)));
  return [...inAir(cures, laidMin), recoat];
}

/** Minutes until what is laid and never sanded, as one-pack seam sealer, has skinned: it may be touched and coated. */
const skinsMin = (sheet: ProductSheet, laidMin: number, day: Day): number =>
  flashMin(sheet.flash.beforeNextMin, sheet, day, laidMin);

/** Minutes that body work of a product is left alone: until it sands, or has skinned where it is never sanded. */
export const restsMin = (sheet: ProductSheet, laidMin: number, context: Context): Sourced<number> => {
  const sheetMin = sheet.sandAfterMin ?? sheet.flash.beforeNextMin;
  const value =
    sheet.sandAfterMin === null
      ? skinsMin(sheet, laidMin, context)
      : Math.max(sheetMin, setsMin(sheet, laidMin, context));
  return { value, source: value === sheetMin ? 'sheet' : 'model' };
};

/** The clocks of filler, glaze, paste or sealer that has set at `endMin`: it may be touched, coated and sanded. */
export function bodyWindows(sheet: ProductSheet, endMin: number): CoatWindows {
  const isSet = { opensAtMin: endMin, closesAtMin: never, source: 'sheet', whenMissed: 'wait' } as const;
  return {
    flash: { kind: 'flash', rule: 'B2', ...isSet },
    recoat: {
      kind: 'recoat',
      rule: 'S3',
      opensAtMin: endMin,
      closesAtMin: endMin + sheet.recoat.closesMin,
      source: 'sheet',
      whenMissed: sheet.recoat.past,
    },
    cure:
      sheet.sandAfterMin === null ? null : { kind: 'cure', rule: 'B3', ...isSet, method: 'air', night: null },
  };
}

/** Clocks that start when a product is mixed; those that its sheet does not name are left out. */
export function mixWindows(sheet: ProductSheet, mixedMin: number, day: Day): TimeWindow[] {
  const { inductionMin = 0, potLifeMin } = sheet;
  const halvesKelvin = ruleIn(day, 'potLifeHalvesKelvin').value;
  const lasts = ({ celsius }: Air): number => 2 ** ((sheet.refCelsius - celsius) / halvesKelvin);
  const closesAtMin =
    potLifeMin === undefined ? never : mixedMin + minutesInAir(potLifeMin, lasts, { fromMin: mixedMin, day });
  const head = { rule: 'S6', source: 'sheet', opensAtMin: mixedMin + inductionMin, closesAtMin } as const;
  return [
    ...(inductionMin > 0
      ? [{ ...head, kind: 'induction', closesAtMin: never, whenMissed: 'wait' } as const]
      : []),
    ...(potLifeMin === undefined ? [] : [{ ...head, kind: 'pot-life', whenMissed: 'mix-anew' } as const]),
  ];
}

/** How long bare metal may wait for its first coat; longer than in humid air only where the air is dry. */
export function exposureLimit(context: Day, sinceMin = 0): Sourced<number> {
  const own = ruleIn(context, 'bareMetalLimitMin');
  const dryPercent = ruleIn(context, 'dryAirPercent').value;
  const changes = (context.airBefore ?? []).flatMap(({ untilMin }) =>
    untilMin > sinceMin ? [untilMin] : [],
  );
  const isHumid = [sinceMin, ...changes].some(
    (atMin) => workAirAt(atMin, context).relativeHumidity >= dryPercent,
  );
  const humid = ruleIn(context, 'humidLimitMin');
  return isHumid && humid.value < own.value ? humid : own;
}

/** The exposure of metal that was abraded or blasted at `sinceMin`. */
export function exposureWindow(sinceMin: number, context: Day): TimeWindow {
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
