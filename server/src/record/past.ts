import { pastOf, readEntries, type DatedStart, type Entry } from '@blue-ledge/core';
import dayjs from 'dayjs';

/** What plans and the schedule go on from: the record of a panel, by this machine's clock. */

type Past = ReturnType<typeof pastOf>;
/** Work that has begun: it has a start. */
export type BegunPast = Omit<Past, keyof DatedStart> & DatedStart;

/** By how much the clock of this machine's place was ahead of UTC when a record began, min. */
export const utcOffsetOf = (entries: readonly Entry[]): number => dayjs(entries[0]?.at).utcOffset();

/**
 * What was done on a panel so far; null where nothing was.
 * @param nowMs moment from which it goes on; the last entry where it is left out
 */
export function pastOfPanel(entries: readonly Entry[], nowMs?: number): BegunPast | null {
  if (entries.length === 0) return null;
  const utcOffsetMin = utcOffsetOf(entries);
  const now = nowMs === undefined ? {} : { now: new Date(nowMs).toISOString() };
  const past = pastOf(readEntries(entries), { utcOffsetMin, ...now });
  const { startOn, startMin } = past;
  return startOn === undefined || startMin === undefined ? null : { ...past, startOn, startMin };
}
