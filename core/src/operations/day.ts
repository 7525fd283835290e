import type { Spell } from '../climate/cure.ts';
import { heldAt, type Air } from '../climate/dew.ts';
import type { ShopAir } from '../survey/shop.ts';
import { airOfDay } from '../survey/usual-day.ts';
import { dateAfter, weekdayOf } from '../units/calendar.ts';
import { ruleIn, type Context } from './context.ts';

/** The shop's day: what time it is when the panel's clock shows a minute, and how warm the hours after it are. */

const DAY_MIN = 24 * 60;

export type Day = Pick<Context, 'shop' | 'startMin' | 'startOn' | 'airBefore'>;

/** Minutes after midnight at which the working day begins. */
export const dayBeginsMin = (day: Pick<Context, 'shop'>): number => ruleIn(day, 'dayBeginsHour').value * 60;
const endsMin = (day: Day): number => ruleIn(day, 'dayEndsHour').value * 60;

/** Minutes from morning to evening. */
export const dayLengthMin = (day: Day): number => endsMin(day) - dayBeginsMin(day);

/** Minutes after midnight at a minute of the panel's clock. */
const timeOfDay = (clockMin: number, { startMin }: Day): number =>
  (((startMin + clockMin) % DAY_MIN) + DAY_MIN) % DAY_MIN;

/** What is left of the working day; 0 before it begins and after it ends. */
export function leftOfDayMin(clockMin: number, day: Day): number {
  const time = timeOfDay(clockMin, day);
  return time < dayBeginsMin(day) ? 0 : Math.max(0, endsMin(day) - time);
}

/** Minutes until the next morning; 0 when the day just begins. */
export function untilMorningMin(clockMin: number, day: Day): number {
  const time = timeOfDay(clockMin, day);
  return (dayBeginsMin(day) - time + DAY_MIN) % DAY_MIN;
}

const WEEK_DAYS = 7;
const MOST_DAYS = 366;

/** Nobody works on this day, counted from the first; every day is a working day where no date is known. */
function isDayOff(nth: number, day: Day): boolean {
  if (day.startOn === undefined) return false;
  const { holidays } = day.shop;
  if (holidays && holidays.length > 0 && holidays.includes(dateAfter(day.startOn, nth))) return true;
  return (weekdayOf(day.startOn) + nth) % WEEK_DAYS >= ruleIn(day, 'workingDaysAWeek').value;
}

const nthDay = (clockMin: number, { startMin }: Day): number => Math.floor((startMin + clockMin) / DAY_MIN);

/** Minutes from now in which somebody works: until evening; 0 out of hours and on days off. */
export const leftOfWorkMin = (clockMin: number, day: Day): number =>
  isDayOff(nthDay(clockMin, day), day) ? 0 : leftOfDayMin(clockMin, day);

/** Minutes until the next morning on which somebody works; never 0. */
export function untilNextShiftMin(clockMin: number, day: Day): number {
  let waitMin = untilMorningMin(clockMin, day) || DAY_MIN;
  // A shop that never opens again is asked about day by day for a year at most.
  for (let i = 0; i < MOST_DAYS && isDayOff(nthDay(clockMin + waitMin, day), day); i++) waitMin += DAY_MIN;
  return waitMin;
}

/** What the shop said of its air at a minute of the panel's clock; what it says now, from the last change on. */
const saidAirAt = (clockMin: number, { shop, airBefore = [] }: Day): ShopAir =>
  airBefore.find(({ untilMin }) => clockMin < untilMin)?.air ?? shop;

/** The air at a minute of the panel's clock: of that hour where the shop says so, else of its day or its night. */
export function airAt(clockMin: number, day: Day): Air {
  const { usualDay, celsius, nightCelsius = celsius, relativeHumidity } = saidAirAt(clockMin, day);
  if (usualDay) return airOfDay(usualDay, timeOfDay(clockMin, day));
  const byDay = { celsius, relativeHumidity };
  return leftOfDayMin(clockMin, day) > 0 ? byDay : heldAt(nightCelsius, byDay);
}

/**
 * The air in which work of that minute is done: planned work that is reached out of hours is done the next morning, work
 * that really runs lies in the air of its hour.
 */
export function workAirAt(clockMin: number, day: Day): Air {
  if (day.airBefore) return airAt(clockMin, day);
  if (!day.shop.usualDay) return day.shop;
  const isOpen = leftOfDayMin(clockMin, day) > 0;
  return airAt(isOpen ? clockMin : clockMin + untilMorningMin(clockMin, day), day);
}

/** Minutes for which the air stays of one kind: until it was said anew, at most `mostMin`. */
export const airHoldsMin = (clockMin: number, mostMin: number, { airBefore = [] }: Day): number =>
  Math.min(mostMin, (airBefore.find(({ untilMin }) => clockMin < untilMin)?.untilMin ?? Infinity) - clockMin);

const STEP_MIN = 60;

/** The hours from a minute until the shop's air was last said anew, each at the air of its middle; none where it never was. */
export function spellsBefore(clockMin: number, day: Day): Spell[] {
  const untilMin = day.airBefore?.at(-1)?.untilMin ?? clockMin;
  const spells: Spell[] = [];
  for (let atMin = clockMin; atMin < untilMin;) {
    const minutes = airHoldsMin(atMin, STEP_MIN, day);
    spells.push({ celsius: airAt(atMin + minutes / 2, day).celsius, minutes });
    atMin += minutes;
  }
  return spells;
}

/** A usual day's hours from a minute on, each at the air of its middle. */
function spellsOfDay(clockMin: number, day: Day): Spell[] {
  const spells: Spell[] = [];
  const firstMin = STEP_MIN - (timeOfDay(clockMin, day) % STEP_MIN);
  for (let fromMin = 0, minutes = firstMin; fromMin < DAY_MIN; fromMin += minutes, minutes = STEP_MIN) {
    minutes = Math.min(minutes, DAY_MIN - fromMin);
    spells.push({ celsius: airAt(clockMin + fromMin + minutes / 2, day).celsius, minutes });
  }
  return spells;
}

/** The coldest hour of the night, and its air: what an uncured coat is judged by. */
export function coldestOfNight(day: Day): Air {
  const { usualDay, celsius, nightCelsius = celsius, relativeHumidity } = day.shop;
  if (!usualDay) return heldAt(nightCelsius, { celsius, relativeHumidity });
  const airs = nightMinutes(day).map((minute) => airOfDay(usualDay, minute % DAY_MIN));
  return airs.reduce((a, b) => (b.celsius < a.celsius ? b : a));
}

const nightMinutes = (day: Day): number[] => {
  const nightMin = DAY_MIN - dayLengthMin(day);
  const minutes = Array.from({ length: Math.ceil(nightMin / STEP_MIN) }, (_, i) => i * STEP_MIN);
  return [...minutes, nightMin].map((minute) => endsMin(day) + minute);
};

/** The hours after a minute, as they come: one day round, by the air of each. */
export function spellsFrom(clockMin: number, day: Day): Spell[] {
  if (day.shop.usualDay) return spellsOfDay(clockMin, day);
  const { celsius, nightCelsius = celsius } = day.shop;
  const left = leftOfDayMin(clockMin, day);
  const length = dayLengthMin(day);
  const nightMin = DAY_MIN - length;
  const leftOfNight = left > 0 ? nightMin : untilMorningMin(clockMin, day);
  return [
    { celsius, minutes: left },
    { celsius: nightCelsius, minutes: leftOfNight },
    { celsius, minutes: length - left },
    { celsius: nightCelsius, minutes: nightMin - leftOfNight },
  ].filter(({ minutes }) => minutes > 0);
}
