import { dateAfter, daysSince1970 } from './calendar.ts';

/** Moments by arithmetic alone: core asks no clock. A moment is ISO 8601 text in UTC, "2026-12-07T07:30:00.000Z". */

const DAY_MIN = 24 * 60;
const EPOCH = '1970-01-01';

/** Minutes from 1970 to a moment, seconds as parts of a minute. Its parts stand at fixed places. */
export function minutesOfMoment(moment: string): number {
  const part = (from: number, to: number): number => Number(moment.slice(from, to));
  const days = daysSince1970(part(0, 4), part(5, 7), part(8, 10));
  const seconds = Number(moment.slice(17).replace('Z', ''));
  return days * DAY_MIN + part(11, 13) * 60 + part(14, 16) + seconds / 60;
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
