import { WEEKDAYS, dateAfter, dayAndMonth, weekdayOf } from './calendar.ts';

/**
 * Minutes in words a shop reads at a glance: "35 min", "5 h 10", "3 d 2 h".
 * Half a minute and less shows as "under 1 min" so that no real wait reads as zero.
 */
export function formatMinutes(minutes: number): string {
  if (minutes <= 0) return '0 min';
  if (minutes < 0.5) return 'under 1 min';
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const hours = Math.floor(whole / 60);
  if (hours < 48) {
    const rest = whole % 60;
    return rest === 0 ? `${hours} h` : `${hours} h ${String(rest).padStart(2, '0')}`;
  }
  const restHours = hours % 24;
  return restHours === 0 ? `${Math.floor(hours / 24)} d` : `${Math.floor(hours / 24)} d ${restHours} h`;
}

const DAY_MIN = 24 * 60;
/** From so many days on a weekday alone would be taken for one of the first week. */
const WEEK_DAYS = 7;

/** When work starts: minutes after midnight, and the day where it is known. */
export interface WorkStart {
  readonly startMin: number;
  /** ISO date, "2026-12-07". */
  readonly startOn?: string | undefined;
}

/** The day of a moment, 0 for the first, and its time, "14:20". */
function momentOf(startMin: number, afterMin: number): { readonly day: number; readonly time: string } {
  const atMin = Math.round(startMin + afterMin);
  const [hour, minute] = [Math.floor((atMin % DAY_MIN) / 60), atMin % 60];
  return {
    day: Math.floor(atMin / DAY_MIN),
    time: `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`,
  };
}

/**
 * Time on the shop's clock: "Fri 14:20", "Fri 4 Dec 14:20" a week or more after the start; where no date is known,
 * "14:20", "14:20 next day", "14:20 on day 3".
 * @param afterMin minutes since the start, 0 or more
 */
export function clockTime({ startMin, startOn }: WorkStart, afterMin: number): string {
  const { day, time } = momentOf(startMin, afterMin);
  if (startOn !== undefined) {
    const weekday = WEEKDAYS[(weekdayOf(startOn) + day) % WEEKDAYS.length]!;
    return day < WEEK_DAYS
      ? `${weekday} ${time}`
      : `${weekday} ${dayAndMonth(dateAfter(startOn, day))} ${time}`;
  }
  return day === 0 ? time : day === 1 ? `${time} next day` : `${time} on day ${day + 1}`;
}
