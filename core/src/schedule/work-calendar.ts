import { shopRule, type ShopRuleName } from '../survey/shop-rules.ts';
import type { Shop } from '../survey/shop.ts';
import { minutesOf, type Hours, type Person } from '../survey/shop-time.ts';
import { dateAfter, weekdayOf } from '../units/calendar.ts';
import { minutesBetween, type DatedStart } from '../planner/work-start.ts';

/** When people work, on the axis of a schedule: minutes since its start by the shop's clock, nights counted. */

const DAY_MIN = 24 * 60;
const MINUTES_AN_HOUR = 60;

/** Stretches of time, each from one minute to a later one, in order and apart: from, to, from, to, ... */
export type Stretches = number[];

/** Minutes from the start of a schedule to a moment; negative before it. */
export const axisMin = minutesBetween;

/** The day and the minute of it at a minute of the axis. */
export function momentOf(start: DatedStart, atMin: number): DatedStart {
  const sinceMidnight = start.startMin + atMin;
  const days = Math.floor(sinceMidnight / DAY_MIN);
  return { startOn: dateAfter(start.startOn, days), startMin: sinceMidnight - days * DAY_MIN };
}

/** A person whose hours are all settled: its own, else the shop's. */
export interface WorkingPerson {
  readonly id: string;
  readonly name: string;
  readonly fromMin: number;
  readonly toMin: number;
  readonly breaks: readonly Hours[];
  /** 0 for Monday to 6 for Sunday. */
  readonly weekdays: ReadonlySet<number>;
  readonly daysOff: NonNullable<Person['daysOff']>;
}

/** Who works in a shop that has named nobody. */
const ONE_PERSON: Person = { id: '1', name: 'Technician' };

/** The people of a shop with their hours. */
export function peopleOf(shop: Shop): WorkingPerson[] {
  const hour = (name: ShopRuleName): number => shopRule(shop.rules, name).value;
  const shopDays = Array.from({ length: hour('workingDaysAWeek') }, (_, i) => i);
  const people = shop.people && shop.people.length > 0 ? shop.people : [ONE_PERSON];
  return people.map(({ id, name, hours, days, breaks, daysOff }) => ({
    id,
    name,
    fromMin: hours ? minutesOf(hours.from) : hour('dayBeginsHour') * MINUTES_AN_HOUR,
    toMin: hours ? minutesOf(hours.to) : hour('dayEndsHour') * MINUTES_AN_HOUR,
    breaks: breaks ?? shop.breaks ?? [],
    weekdays: new Set(days ? days.map((day) => day - 1) : shopDays),
    daysOff: daysOff ?? [],
  }));
}

const isOff = ({ daysOff }: WorkingPerson, date: string): boolean =>
  daysOff.some(({ from, to }) => from <= date && date <= to);

/** The stretches of one day's work, minutes after midnight. */
function stretchesOfDay({ fromMin, toMin, breaks }: WorkingPerson): Stretches {
  const sorted = breaks
    .map(({ from, to }) => [minutesOf(from), minutesOf(to)] as const)
    .sort(([a], [b]) => a - b);
  const stretches: Stretches = [];
  let beginMin = fromMin;
  for (const [from, to] of sorted) {
    if (from > beginMin) stretches.push(beginMin, Math.min(from, toMin));
    beginMin = Math.max(beginMin, to);
  }
  if (beginMin < toMin) stretches.push(beginMin, toMin);
  return stretches;
}

/**
 * When a person works in the first days of a schedule; what lies before its start is left out.
 * @param holidays days on which nobody works
 */
export function workingStretches(
  person: WorkingPerson,
  holidays: readonly string[],
  start: DatedStart,
  nDays: number,
): Stretches {
  const closed = new Set(holidays);
  const ofDay = stretchesOfDay(person);
  const first = weekdayOf(start.startOn);
  const stretches: Stretches = [];
  for (let day = 0; day < nDays; day++) {
    if (!person.weekdays.has((first + day) % 7)) continue;
    if (closed.size > 0 || person.daysOff.length > 0) {
      const date = dateAfter(start.startOn, day);
      if (closed.has(date) || isOff(person, date)) continue;
    }
    const midnight = day * DAY_MIN - start.startMin;
    for (let i = 0; i < ofDay.length; i += 2) {
      const [from, to] = [midnight + ofDay[i]!, midnight + ofDay[i + 1]!];
      if (to > 0) stretches.push(Math.max(0, from), to);
    }
  }
  return stretches;
}
const two = (value: number): string => String(value).padStart(2, '0');

/** "2026-12-07T08:00" */
export const textOfMoment = ({ startOn, startMin }: DatedStart): string =>
  `${startOn}T${two(Math.floor(startMin / MINUTES_AN_HOUR))}:${two(Math.round(startMin % MINUTES_AN_HOUR))}`;

/** The moment at which the shop's day ends: what is due on a day is due by then. */
export const eveningOf = (day: string, { rules }: Pick<Shop, 'rules'>): DatedStart => ({
  startOn: day,
  startMin: shopRule(rules, 'dayEndsHour').value * MINUTES_AN_HOUR,
});
