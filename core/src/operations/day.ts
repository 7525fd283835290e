import type { Spell } from '../climate/cure.ts';
import { weekdayOf } from '../units/calendar.ts';
import { ruleIn, type Context } from './context.ts';

/** The shop's day: what time it is when the panel's clock shows a minute, and how warm the hours after it are. */

const DAY_MIN = 24 * 60;

type Day = Pick<Context, 'shop' | 'startMin' | 'startOn'>;

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

/** Nobody works on this day, counted from the first; every day is a working day where no date is known. */
function isDayOff(nth: number, day: Day): boolean {
  if (day.startOn === undefined) return false;
  return (weekdayOf(day.startOn) + nth) % WEEK_DAYS >= ruleIn(day, 'workingDaysAWeek').value;
}

const nthDay = (clockMin: number, { startMin }: Day): number => Math.floor((startMin + clockMin) / DAY_MIN);

/** Minutes from now in which somebody works: until evening; 0 out of hours and on days off. */
export const leftOfWorkMin = (clockMin: number, day: Day): number =>
  isDayOff(nthDay(clockMin, day), day) ? 0 : leftOfDayMin(clockMin, day);

/** Minutes until the next morning on which somebody works; never 0. */
export function untilNextShiftMin(clockMin: number, day: Day): number {
  let waitMin = untilMorningMin(clockMin, day) || DAY_MIN;
  while (isDayOff(nthDay(clockMin + waitMin, day), day)) waitMin += DAY_MIN;
  return waitMin;
}

/** The hours after a minute, as they come: one day round, by the temperatures of shop and night. */
export function spellsFrom(clockMin: number, day: Day): Spell[] {
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
