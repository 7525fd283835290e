import type { ClockView } from '@blue-ledge/core';
import { isPending, type ClockAct, type ClockEntry, type Entry } from './entry.ts';
import { decide, nextOrder } from './row.ts';
import { sendAll } from './sender.ts';

/** What a person does to clocks, and how clocks look before the server has it. */

const isClock = (entry: Entry): entry is ClockEntry => entry.kind === 'clock';

/** Puts an act on a clock into the row: seen at once, sent when the server is there. */
export function doToClock(clockId: string, title: string, act: ClockAct): void {
  const head = { kind: 'clock', key: crypto.randomUUID(), state: 'waiting', clockId, title, act } as const;
  void decide((row) => ({
    put: [{ ...head, order: nextOrder(row) }],
    gone: row
      .filter((entry) => isClock(entry) && entry.clockId === clockId && entry.state === 'refused')
      .map(({ key }) => key),
  })).then(sendAll);
}

/** A clock that is said to have begun at another time: all that comes shifts with it, until the server knows better. */
function begunAt(view: ClockView, startedMs: number): ClockView {
  const shiftMs = startedMs - view.clock.startedMs;
  return {
    ...view,
    clock: { ...view.clock, startedMs },
    moments: view.moments.map((moment) =>
      moment.atMs === undefined ? moment : { ...moment, atMs: moment.atMs + shiftMs },
    ),
  };
}

function withAct(clocks: readonly ClockView[], { clockId, act }: ClockEntry): readonly ClockView[] {
  if (act.kind === 'start')
    return clocks.some(({ clock }) => clock.id === clockId) ? clocks : [...clocks, act.view];
  if (act.kind === 'stop') return clocks.filter(({ clock }) => clock.id !== clockId);
  if (act.kind === 'resume')
    return clocks.some(({ clock }) => clock.id === clockId)
      ? clocks
      : [...clocks, { ...act.view, endedMs: null }];
  return clocks.map((view) => (view.clock.id === clockId ? begunAt(view, act.startedMs) : view));
}

/** Clocks with what was done to them here and is on its way. */
export const withClockActs = (clocks: readonly ClockView[], row: readonly Entry[]): readonly ClockView[] =>
  row
    .filter((entry) => isClock(entry) && isPending(entry) && entry.state !== 'refused')
    .reduce((seen, entry) => withAct(seen, entry as ClockEntry), clocks);
