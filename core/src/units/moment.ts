import { dateAfter, daysBetween } from './calendar.ts';

/** Moments by arithmetic alone: core asks no clock. A moment is ISO 8601 text in UTC, "2026-12-07T07:30:00.000Z". */

const DAY_MIN = 24 * 60;
const EPOCH = '1970-01-01';

/** Minutes from 1970 to a moment, seconds as parts of a minute. */
export function minutesOfMoment(moment: string): number {
  const [date = EPOCH, time = ''] = moment.replace('Z', '').split('T');
  const [hours = 0, minutes = 0, seconds = 0] = time.split(':').map(Number);
  return daysBetween(EPOCH, date) * DAY_MIN + hours * 60 + minutes + seconds / 60;
}

const two = (part: number): string => String(part).padStart(2, '0');

/** The moment so many minutes after 1970, 0 or more, to the millisecond. */
export function momentOfMinutes(minutes: number): string {
  const ms = Math.round(minutes * 60_000);
  const [days, ofDay] = [Math.floor(ms / (DAY_MIN * 60_000)), ms % (DAY_MIN * 60_000)];
  const [hour, minute] = [Math.floor(ofDay / 3_600_000), Math.floor((ofDay % 3_600_000) / 60_000)];
  const seconds = ((ofDay % 60_000) / 1000).toFixed(3).padStart(6, '0');
  return `${dateAfter(EPOCH, days)}T${two(hour)}:${two(minute)}:${seconds}Z`;
}
