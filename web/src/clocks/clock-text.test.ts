import type { ClockView } from '@blue-ledge/core';
import { withClockActs } from '../outbox/clocks.ts';
import type { ClockAct, Entry } from '../outbox/entry.ts';
import { clockText, spanText } from './clock-text.ts';

/** What clocks say on screen, and how they look before the server has what was done to them. */

const MIN_MS = 60_000;
const NOW_MS = new Date(2026, 11, 7, 10, 0).getTime();

const view = (minutes: number, startedMs = NOW_MS): ClockView => ({
  clock: {
    id: 'c1',
    title: 'Lamp',
    work: { kind: 'minutes', minutes, source: 'shop' },
    startedMs,
  },
  by: 'bench',
  version: 1,
  endedMs: null,
  moments: [
    {
      kind: 'minutes',
      turn: 'opens',
      atMs: startedMs + minutes * MIN_MS,
      source: 'shop',
      whenMissed: 'wait',
    },
  ],
});

const entry = (act: ClockAct, state: Entry['state'] = 'waiting'): Entry => ({
  kind: 'clock',
  key: act.kind,
  order: 1,
  state,
  clockId: 'c1',
  title: 'Lamp',
  act,
});

test.each([
  [0, '0:00'],
  [500, '0:01'],
  [9 * MIN_MS + 59_000, '9:59'],
  [10 * MIN_MS, '10 min'],
  [59.9 * MIN_MS, '59 min'],
  [130 * MIN_MS, '2 h 10 min'],
  [50 * 60 * MIN_MS, '2 d 2 h'],
])('%d ms is %s', (ms, text) => expect(spanText(ms)).toBe(text));

test('before, at and after zero', () => {
  expect(clockText(view(30), NOW_MS)).toMatchObject({
    short: 'time is up at 10:30',
    span: '30 min',
    isLeft: true,
    come: null,
  });
  expect(clockText(view(30), NOW_MS + 31 * MIN_MS)).toMatchObject({
    short: 'Time is up',
    span: '1:00',
    isLeft: false,
  });
  expect(clockText(view(24 * 60), NOW_MS).short).toBe('time is up at Tue 10:00');
});

test('a limit that never comes in this air is said, not left out', () => {
  const cold = view(30);
  const { atMs: _, ...never } = cold.moments[0]!;
  expect(clockText({ ...cold, moments: [never] }, NOW_MS).short).toMatch(/never comes in this air/);
});

test('what was done here shows at once; what was refused does not', () => {
  const started = entry({ kind: 'start', view: view(30) });
  expect(withClockActs([], [started])).toHaveLength(1);
  expect(withClockActs([view(30)], [started])).toHaveLength(1);
  expect(withClockActs([], [{ ...started, state: 'refused' }])).toEqual([]);
  expect(withClockActs([view(30)], [entry({ kind: 'stop', atMs: NOW_MS })])).toEqual([]);
  expect(withClockActs([], [entry({ kind: 'resume', view: view(30) })])).toHaveLength(1);
  const [begun] = withClockActs([view(30)], [entry({ kind: 'begun', startedMs: NOW_MS - 5 * MIN_MS })]);
  expect(begun!.moments[0]!.atMs).toBe(NOW_MS + 25 * MIN_MS);
});
