/** Days by arithmetic alone: core asks no clock and no time zone. A date is ISO text, "2026-12-07". */

const DAYS_A_WEEK = 7;
const DAYS_OF_400_YEARS = 146_097;
/** 1970-01-01, a Thursday, in days after 0000-03-01. */
const EPOCH_DAY = 719_468;
const THURSDAY = 3;

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;

/** Days since 1970-01-01 of a date in ISO text. */
function dayNumber(date: string): number {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  return daysSince1970(year, month, day);
}

/** Days since 1970-01-01; years are counted from March, so that the leap day is the last of one. */
export function daysSince1970(year: number, month: number, day: number): number {
  const marchYear = month > 2 ? year : year - 1;
  const monthsSinceMarch = (month + 9) % 12;
  const era = Math.floor(marchYear / 400);
  const yearOfEra = marchYear - era * 400;
  const dayOfYear = Math.floor((153 * monthsSinceMarch + 2) / 5) + day - 1;
  const dayOfEra = yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return era * DAYS_OF_400_YEARS + dayOfEra - EPOCH_DAY;
}

/** 0 for Monday to 6 for Sunday. */
export const weekdayOf = (date: string): number =>
  (((dayNumber(date) + THURSDAY) % DAYS_A_WEEK) + DAYS_A_WEEK) % DAYS_A_WEEK;

/** Days from one date to another; negative for one before. */
export const daysBetween = (from: string, to: string): number => dayNumber(to) - dayNumber(from);

const two = (part: number): string => String(part).padStart(2, '0');

/** The date of a day since 1970-01-01, in ISO text: the other way round. */
function dateOfDay(day: number): string {
  const sinceMarch = day + EPOCH_DAY;
  const era = Math.floor(sinceMarch / DAYS_OF_400_YEARS);
  const dayOfEra = sinceMarch - era * DAYS_OF_400_YEARS;
  const yearOfEra = Math.floor(
    (dayOfEra -
      Math.floor(dayOfEra / 1460) +
      Math.floor(dayOfEra / 36_524) -
      Math.floor(dayOfEra / 146_096)) /
      365,
  );
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const monthsSinceMarch = Math.floor((5 * dayOfYear + 2) / 153);
  const month = monthsSinceMarch < 10 ? monthsSinceMarch + 3 : monthsSinceMarch - 9;
  const year = yearOfEra + era * 400 + (month <= 2 ? 1 : 0);
  const dayOfMonth = dayOfYear - Math.floor((153 * monthsSinceMarch + 2) / 5) + 1;
  return `${String(year).padStart(4, '0')}-${two(month)}-${two(dayOfMonth)}`;
}

/** The date so many days later, or earlier where they are negative. */
export const dateAfter = (date: string, days: number): string => dateOfDay(dayNumber(date) + days);

/** "7 Dec" */
export function dayAndMonth(date: string): string {
  const [, month = 1, day = 1] = date.split('-').map(Number);
  return `${day} ${MONTHS[month - 1]}`;
}
