import { WHEN_MISSED } from '../operations/time-window.ts';
import { formatMinutes } from '../units/duration.ts';
import type { Clock, ClockView, Moment } from './clock.ts';

/** What a clock says: what comes next, and what has come. */

type Words = Readonly<Partial<Record<Moment['kind'], string>>>;

/** Words before the time at which something may begin: "next coat from 10:40". */
const FROM: Words = {
  flash: 'bake from',
  induction: 'spray from',
  recoat: 'next coat from',
  promoter: 'coat the promoter from',
  cure: 'sand from',
  minutes: 'time is up at',
};

/** Words before the time at which a limit is: "next coat by 11:20". */
const BY: Words = {
  exposure: 'coat the metal by',
  'pot-life': 'mix good until',
  recoat: 'next coat by',
  promoter: 'coat the promoter by',
};

/** What may be done once it has opened. */
const MAY: Words = {
  flash: 'Flashed off: bake',
  induction: 'Stood long enough: spray',
  recoat: 'Next coat may go on',
  promoter: 'Coat the promoter now',
  cure: 'May be sanded',
  minutes: 'Time is up',
};

const MISSED: Words = {
  exposure: 'Bare metal waited too long',
  'pot-life': 'Past its pot life',
  recoat: 'Next coat does not bond any more',
  promoter: 'The promoter does not bond any more',
};

const costText = ({ missedCostMin }: Clock): string =>
  missedCostMin ? `, about ${formatMinutes(Math.ceil(missedCostMin))}` : '';

/** What follows a last coat is base. */
const forBase = (words: string, { work }: Pick<Clock, 'work'>): string =>
  'next' in work && work.next === 'base'
    ? words.replace(/next coat/i, (was) => (was[0] === 'N' ? 'Base' : 'base'))
    : words;

/** Words that a time follows: "next coat from", "mix good until", "no coat after". */
export function comingWords({ kind, turn }: Moment, clock: Pick<Clock, 'work'>): string {
  if (turn === 'shuts') return 'no coat after';
  return forBase((turn === 'opens' ? FROM[kind] : BY[kind]) ?? 'until', clock);
}

/** What a person does once a moment has come; of a limit also what missing it costs. */
export function comeWords({ kind, turn, whenMissed }: Moment, clock: Clock): string {
  if (turn === 'shuts') return 'No coat now: it would lift';
  if (turn === 'opens') return forBase(MAY[kind] ?? 'Go on', clock);
  return forBase(`${MISSED[kind] ?? 'Too late'}: ${WHEN_MISSED[whenMissed]}${costText(clock)}`, clock);
}

/** What happens at a limit that is still to come: "past it, scuff and clean before the next coat, about 14 min". */
export const limitWords = ({ whenMissed }: Moment, clock: Clock): string =>
  `past it, ${WHEN_MISSED[whenMissed]}${costText(clock)}`;

/** How a clock stands. */
export interface ClockStand {
  /** What has come last; null before the first moment. */
  readonly come: Moment | null;
  /** What comes next; null after the last one. */
  readonly coming: (Moment & { readonly atMs: number }) | null;
  /** runs: nothing to do yet. open: something may be done. closing: its time is nearly over. missed: it is over. */
  readonly state: 'runs' | 'open' | 'closing' | 'missed';
}

/** A limit is close in the last part of the time that it leaves, and in the last minutes of a long one. */
const CLOSING_SHARE = 0.2;
const CLOSING_MS = 30 * 60_000;

const hasTime = (moment: Moment): moment is Moment & { readonly atMs: number } => moment.atMs !== undefined;

/** How a clock stands at a moment, ms of the server's clock. */
export function clockStand(
  { clock, moments }: Pick<ClockView, 'clock' | 'moments'>,
  nowMs: number,
): ClockStand {
  const timed = moments.filter(hasTime);
  const come = timed.findLast(({ atMs }) => atMs <= nowMs) ?? null;
  const coming = timed.find(({ atMs }) => atMs > nowMs) ?? null;
  if (come?.turn === 'closes') return { come, coming, state: 'missed' };
  const sinceMs = come?.atMs ?? clock.startedMs;
  const isClosing =
    coming !== null &&
    coming.turn !== 'opens' &&
    coming.atMs - nowMs <= Math.min(CLOSING_MS, (coming.atMs - sinceMs) * CLOSING_SHARE);
  if (isClosing) return { come, coming, state: 'closing' };
  return { come, coming, state: come?.turn === 'opens' ? 'open' : 'runs' };
}

/** Missed ones and closing ones come first. */
const RANK: Readonly<Record<ClockStand['state'], number>> = { missed: 0, closing: 1, open: 2, runs: 2 };

/** The most urgent first: what is missed, what closes, then what came or comes nearest to now. */
export function byUrgency<T extends Pick<ClockView, 'clock' | 'moments'>>(
  clocks: readonly T[],
  nowMs: number,
): T[] {
  const away = (moment: Moment | null): number => Math.abs((moment?.atMs ?? Infinity) - nowMs);
  const ranked = clocks.map((view) => {
    const { state, come, coming } = clockStand(view, nowMs);
    return { view, rank: RANK[state], awayMs: Math.min(away(come), away(coming)) };
  });
  return ranked.sort((a, b) => a.rank - b.rank || a.awayMs - b.awayMs).map(({ view }) => view);
}
