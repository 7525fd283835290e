import { WEEKDAYS, dateAfter, dayAndMonth, daysBetween, weekdayOf } from './calendar.ts';

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

/** When work starts: minutes after midnight, and the day where it is known. */
export interface WorkStart {
  readonly startMin: number;
  /** ISO date, "2026-12-07". */
  readonly startOn?: string | undefined;
}

/** The day of a moment, 0 for the first, and its time, "14:20". */
function momentOf(startMin: number, afterMin: number): { readonly day: number; readonly time: string } {
  const atMin = Math.round(startMin + afterMin);
  const day = Math.floor(atMin / DAY_MIN);
  const ofDay = atMin - day * DAY_MIN;
  const two = (part: number): string => String(part).padStart(2, '0');
  return { day, time: `${two(Math.floor(ofDay / 60))}:${two(ofDay % 60)}` };
}

/**
 * A day in the one dress that all dates wear: "Tue 1 Dec"; "Tue" in the week of today, Monday to Sunday; with its year
 * where that is not today's.
 * @param date ISO date
 * @param today ISO date; where it is left out the day is named in full, as on paper
 */
export function dayText(date: string, today?: string): string {
  const weekday = WEEKDAYS[weekdayOf(date)]!;
  if (today !== undefined && isSameWeek(date, today)) return weekday;
  const isOtherYear = today !== undefined && date.slice(0, 4) !== today.slice(0, 4);
  return `${weekday} ${dayAndMonth(date)}${isOtherYear ? ` ${date.slice(0, 4)}` : ''}`;
}

/** A moment with its year, for what is kept: "Tue 1 Dec 2026 14:20". */
export function datedTime(
  { startOn, startMin }: { readonly startOn: string; readonly startMin: number },
  afterMin: number,
): string {
  const { day, time } = momentOf(startMin, afterMin);
  const date = dateAfter(startOn, day);
  return `${dayText(date)} ${date.slice(0, 4)} ${time}`;
}

const isSameWeek = (a: string, b: string): boolean => daysBetween(b, a) + weekdayOf(b) === weekdayOf(a);

/**
 * Time on the shop's clock: "Tue 1 Dec 14:20", "Tue 14:20" in the week of today; where no date is known, "14:20",
 * "14:20 next day", "14:20 on day 3".
 * @param afterMin minutes since the start
 * @param today ISO date; see {@link dayText}
 */
export function clockTime({ startMin, startOn }: WorkStart, afterMin: number, today?: string): string {
  const { day, time } = momentOf(startMin, afterMin);
  if (startOn !== undefined) return `${dayText(dateAfter(startOn, day), today)} ${time}`;
  return day === 0 ? time : day === 1 ? `${time} next day` : `${time} on day ${day + 1}`;
}
