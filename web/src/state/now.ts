import type { DatedStart } from '@blue-ledge/core';
import dayjs from 'dayjs';

const DATE = 'YYYY-MM-DD';

/** Day and time of the person's own clock, as plans count them. */
export function nowHere(): DatedStart {
  const now = dayjs();
  return { startOn: now.format(DATE), startMin: now.hour() * 60 + now.minute() };
}

/** The text of a date-and-time field, "2026-12-07T08:00", and back; null for one that is not filled in. */
export const fieldOf = ({ startOn, startMin }: DatedStart): string =>
  dayjs(startOn, DATE).startOf('day').add(startMin, 'minute').format(`${DATE}THH:mm`);
export function startOfField(text: string): DatedStart | null {
  const at = dayjs(text);
  return at.isValid() ? { startOn: at.format(DATE), startMin: at.hour() * 60 + at.minute() } : null;
}
