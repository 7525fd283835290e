import { clockStand, clockTime, comeWords, comingWords, limitWords, type ClockView } from '@blue-ledge/core';
import dayjs from 'dayjs';
import { startOf } from '../state/now.ts';

/** How clocks are said on screen. */

const MIN_MS = 60_000;
const HOUR_MS = 60 * MIN_MS;
/** The last minutes are counted with their seconds. */
const SECONDS_UNDER_MS = 10 * MIN_MS;

/** "10:40", with its day on another day. */
export function timeOf(atMs: number, nowMs: number): string {
  const at = dayjs(atMs);
  const now = dayjs(nowMs);
  return at.isSame(now, 'day') ? at.format('HH:mm') : clockTime(startOf(atMs), 0, now.format('YYYY-MM-DD'));
}

/** "9:59", "12 min", "2 h 10 min"; whole minutes are not said before they are over. */
export function spanText(ms: number): string {
  const whole = Math.max(0, ms);
  if (whole < SECONDS_UNDER_MS) {
    const seconds = Math.ceil(whole / 1000);
    return `${Math.floor(seconds / 60)}:${`${seconds % 60}`.padStart(2, '0')}`;
  }
  if (whole < HOUR_MS) return `${Math.floor(whole / MIN_MS)} min`;
  const hours = Math.floor(whole / HOUR_MS);
  return hours < 24
    ? `${hours} h ${Math.floor((whole % HOUR_MS) / MIN_MS)} min`
    : `${Math.floor(hours / 24)} d ${hours % 24} h`;
}

export interface ClockText {
  readonly state: ReturnType<typeof clockStand>['state'];
  /** What may be done now, or what was missed; null while it only runs. */
  readonly come: string | null;
  /** "next coat by 11:20"; null where nothing comes any more. */
  readonly coming: string | null;
  /** The one thing that a strip has room for. */
  readonly short: string;
  /** What happens at the limit that comes. */
  readonly atZero: string | null;
  /** Time left to what comes, else since what came. */
  readonly span: string;
  readonly isLeft: boolean;
}

/** What a clock says at a moment of the server's clock. */
export function clockText(
  { clock, moments }: Pick<ClockView, 'clock' | 'moments'>,
  nowMs: number,
): ClockText {
  const { state, come, coming } = clockStand({ clock, moments }, nowMs);
  const never = moments.find(({ atMs }) => atMs === undefined);
  const said = {
    come: come && comeWords(come, clock),
    coming: coming
      ? `${comingWords(coming, clock)} ${timeOf(coming.atMs, nowMs)}`
      : never
        ? 'too cold to cure: it never comes in this air'
        : null,
  };
  return {
    state,
    ...said,
    short: state === 'missed' ? `missed ${timeOf(come!.atMs!, nowMs)}` : (said.coming ?? said.come ?? ''),
    atZero:
      coming?.turn === 'closes'
        ? limitWords(coming, clock)
        : coming && clock.then
          ? `then ${clock.then}`
          : null,
    span: spanText(coming ? coming.atMs - nowMs : nowMs - (come?.atMs ?? clock.startedMs)),
    isLeft: coming !== null,
  };
}
