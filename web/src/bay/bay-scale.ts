import {
  axisMin,
  clockTime,
  momentOf,
  peopleOf,
  workingStretches,
  type DatedStart,
  type Shop,
} from '@blue-ledge/core';
import { scaleLinear } from 'd3-scale';
import dayjs from 'dayjs';
import { shopTime } from '../state/now.ts';

/** Shop time on a line: working hours at a scale that is chosen, what is closed in between folded to a narrow strip. */

const DAY_MIN = 24 * 60;
/** Most that a night or a weekend takes. */
const FOLD_PX = 46;

/** From when to when the shop is closed. */
export interface Fold {
  readonly fromMin: number;
  readonly toMin: number;
}

export interface Tick {
  readonly atMin: number;
  readonly text: string;
  /** The day that begins with it. */
  readonly day?: string;
}

export interface BayScale {
  readonly x: (atMin: number) => number;
  readonly minAt: (px: number) => number;
  readonly widthPx: number;
  readonly folds: readonly Fold[];
  readonly ticks: readonly Tick[];
}

/** The day of the shop, from the first who comes to the last who goes, day by day; minutes of the axis. */
export function openHours(shop: Shop, start: DatedStart, untilMin: number): Fold[] {
  const nDays = Math.ceil((untilMin + start.startMin) / DAY_MIN) + 1;
  const midnight = { startOn: start.startOn, startMin: 0 };
  const stretches = peopleOf(shop).map((person) =>
    workingStretches(person, shop.holidays ?? [], midnight, nDays),
  );
  const open: Fold[] = [];
  for (let day = 0; day < nDays; day++) {
    const [from, to] = [day * DAY_MIN, (day + 1) * DAY_MIN];
    const own = stretches.flat().filter((minute) => minute >= from && minute <= to);
    if (own.length > 0)
      open.push({ fromMin: Math.min(...own) - start.startMin, toMin: Math.max(...own) - start.startMin });
  }
  return open;
}

/** Hours between two ticks, by how wide an hour is. */
const STEP_HOURS: readonly (readonly [leastPx: number, hours: number])[] = [
  [34, 1],
  [17, 2],
  [9, 4],
  [0, 12],
];

function ticksOf(open: readonly Fold[], start: DatedStart, pxPerHour: number): Tick[] {
  const step = 60 * STEP_HOURS.find(([least]) => pxPerHour >= least)![1];
  return open.flatMap(({ fromMin, toMin }) => {
    const first = Math.ceil((fromMin + start.startMin) / 60) * 60 - start.startMin;
    const day = dayjs(momentOf(start, Math.max(fromMin, 0)).startOn).format('ddd D');
    const ticks: Tick[] = [];
    for (let atMin = first; atMin < toMin; atMin += step) {
      const { startMin } = momentOf(start, atMin);
      ticks.push({
        atMin,
        text: `${startMin / 60}`,
        ...(atMin === first ? { day } : {}),
      });
    }
    return ticks;
  });
}

/**
 * The scale of a schedule.
 * @param open working hours, day by day
 * @param fromMin first and last minute that are shown
 */
export function bayScale(
  open: readonly Fold[],
  start: DatedStart,
  [fromMin, toMin]: readonly [number, number],
  pxPerHour: number,
): BayScale {
  const shown = open.filter((day) => day.toMin > fromMin && day.fromMin < toMin);
  const domain = [fromMin];
  const range = [0];
  const folds: Fold[] = [];
  const add = (untilMin: number, isOpen: boolean): void => {
    const minutes = untilMin - domain[domain.length - 1]!;
    if (minutes <= 0) return;
    const full = (minutes / 60) * pxPerHour;
    if (!isOpen) folds.push({ fromMin: domain[domain.length - 1]!, toMin: untilMin });
    domain.push(untilMin);
    range.push(range[range.length - 1]! + (isOpen ? full : Math.min(full, FOLD_PX)));
  };
  for (const day of shown) {
    add(Math.max(fromMin, day.fromMin), false);
    add(Math.min(toMin, day.toMin), true);
  }
  add(toMin, false);
  if (domain.length === 1) add(fromMin + 60, true);
  const scale = scaleLinear().domain(domain).range(range);
  return {
    x: (atMin) => scale(atMin),
    minAt: (px) => scale.invert(px),
    widthPx: range[range.length - 1]!,
    folds,
    ticks: ticksOf(shown, start, pxPerHour),
  };
}

/** "Tue 14:26" of a minute of the axis, "Tue 29 Dec 14:26" of one in another week; "14:26" where the day is said already. */
export const timeText = (start: DatedStart, atMin: number, { withDay = true } = {}): string =>
  withDay ? shopTime(start, atMin) : clockTime(momentOf(start, Math.round(atMin)), 0).slice(-5);

/** Whether two minutes lie on one day. */
export const isSameDay = (start: DatedStart, aMin: number, bMin: number): boolean =>
  momentOf(start, aMin).startOn === momentOf(start, bMin).startOn;

/** The minute of the axis that it is. */
export const nowOnAxis = (start: DatedStart, now: DatedStart): number => axisMin(start, now);
