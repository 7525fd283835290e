import { clockTime, datedTime, type DatedStart, type WorkStart } from '@blue-ledge/core';
import dayjs from 'dayjs';
import { serverNow } from './server-time.ts';

/** Days and times of the shop on screen: always by the server's clock, whatever this device's own clock says. */

const DATE = 'YYYY-MM-DD';

/** Day and time of a moment, ms or ISO text. */
export function startOf(moment: number | string): DatedStart {
  const at = dayjs(moment);
  return { startOn: at.format(DATE), startMin: at.hour() * 60 + at.minute() };
}

/** Day and time now, as plans count them. */
export const nowHere = (): DatedStart => startOf(serverNow());

/** The day that is today, ISO text. */
export const todayHere = (): string => nowHere().startOn;

/** A time so many minutes after a start: "Tue 14:20" in this week, "Tue 8 Dec 14:20" in another. */
export const shopTime = (start: WorkStart, afterMin: number): string =>
  clockTime(start, afterMin, todayHere());

/** The same of a moment, ms or ISO text. */
export const momentText = (moment: number | string): string => shopTime(startOf(moment), 0);

/** A moment with its year, for paper and for what is kept: "Tue 1 Dec 2026 14:20". */
export const datedText = (moment: number | string): string => datedTime(startOf(moment), 0);

/** The text of a date-and-time field, "2026-12-07T08:00", and back; null for one that is not filled in. */
export const fieldOf = ({ startOn, startMin }: DatedStart): string =>
  dayjs(startOn, DATE).startOf('day').add(startMin, 'minute').format(`${DATE}THH:mm`);
export function startOfField(text: string): DatedStart | null {
  const at = dayjs(text);
  return at.isValid() ? startOf(text) : null;
}
