import { daysBetween } from './calendar.ts';

/** Moments by arithmetic alone: core asks no clock. A moment is ISO 8601 text in UTC, "2026-12-07T07:30:00.000Z". */

const DAY_MIN = 24 * 60;
const EPOCH = '1970-01-01';

/** Minutes from 1970 to a moment, seconds as parts of a minute. */
export function minutesOfMoment(moment: string): number {
  const [date = EPOCH, time = ''] = moment.replace('Z', '').split('T');
  const [hours = 0, minutes = 0, seconds = 0] = time.split(':').map(Number);
  return daysBetween(EPOCH, date) * DAY_MIN + hours * 60 + minutes + seconds / 60;
}
