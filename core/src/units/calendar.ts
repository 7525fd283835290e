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

const lastDayOf = (year: number, month: number): number =>
  dayNumber(month === 12 ? `${year + 1}-1-1` : `${year}-${month + 1}-1`) - dayNumber(`${year}-${month}-1`);

/** The date so many days later, 0 or more. */
export function dateAfter(date: string, days: number): string {
  let [year = 0, month = 1, day = 1] = date.split('-').map(Number);
  day += days;
  while (day > lastDayOf(year, month)) {
    day -= lastDayOf(year, month);
    [year, month] = month === 12 ? [year + 1, 1] : [year, month + 1];
  }
  return [String(year).padStart(4, '0'), ...[month, day].map((part) => String(part).padStart(2, '0'))].join(
    '-',
  );
}

/** "7 Dec" */
export function dayAndMonth(date: string): string {
  const [, month = 1, day = 1] = date.split('-').map(Number);
  return `${day} ${MONTHS[month - 1]}`;
}
