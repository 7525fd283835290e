import dayjs from 'dayjs';

/** When nobody works, by the clock of the shop's place. */
const NIGHT_HOUR = 2;

/** The moment of the last night at which a backup is due. */
export function lastNightMs(nowMs: number): number {
  const now = dayjs(nowMs);
  const tonight = now.hour(NIGHT_HOUR).minute(0).second(0).millisecond(0);
  return (tonight.valueOf() <= nowMs ? tonight : tonight.subtract(1, 'day')).valueOf();
}
