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
