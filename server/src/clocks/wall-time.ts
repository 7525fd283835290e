import type { DatedStart } from '@blue-ledge/core';
import dayjs from 'dayjs';

/** Day and minute of the shop's wall clock, which is this machine's; seconds as parts of the minute. */
export function wallTimeOf(ms: number): DatedStart {
  const at = dayjs(ms);
  return {
    startOn: at.format('YYYY-MM-DD'),
    startMin: at.hour() * 60 + at.minute() + (at.second() + at.millisecond() / 1000) / 60,
  };
}

/** "10:40", or "Mon 7 Dec 10:40" of another day than today. */
export function timeText(moment: number | string, nowMs = Date.now()): string {
  const at = dayjs(moment);
  return at.format(at.isSame(dayjs(nowMs), 'day') ? 'HH:mm' : 'ddd D MMM HH:mm');
}
