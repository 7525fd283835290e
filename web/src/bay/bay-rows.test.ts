import { scheduleChanges, type Schedule, type ScheduledTask, type ScheduledWindow } from '@blue-ledge/core';
import { heldRows, isDrawn, lanesOf, panelRows, stateAt } from './bay-rows.ts';
import { changesText } from './bay-words.ts';
import { brokenBy } from './broken-by.ts';

const START = { startOn: '2026-12-07', startMin: 480 };
const task = (changes: Partial<ScheduledTask>): ScheduledTask => ({
  jobId: 'bus',
  panelId: 'door',
  n: 1,
  op: 'wash',
  part: 1,
  isUnattended: false,
  startMin: 0,
  endMin: 10,
  resources: ['technician:1'],
  zones: ['A'],
  ...changes,
});
const WINDOW: ScheduledWindow = {
  jobId: 'bus',
  panelId: 'door',
  kind: 'recoat',
  rule: 'S3',
  n: 2,
  usedByN: 3,
  zones: ['A'],
  opensMin: 40,
  closesMin: 400,
  usedMin: 120,
  thenWhat: 'scuff',
};
const schedule: Schedule = {
  start: '2026-12-07T08:00',
  makespanMin: 200,
  lowerBoundMin: 100,
  boundBy: 'chain',
  people: [{ id: '1', name: 'Prep A' }],
  nBooths: 1,
  nOvens: 1,
  panels: [
    { jobId: 'bus', panelId: 'door', name: 'Door', startMin: 0, finishMin: 140, dueMin: 300 },
    { jobId: 'bus', panelId: 'lid', name: 'Lid', startMin: 10, finishMin: 60 },
  ],
  tasks: [
    task({}),
    task({
      n: 2,
      op: 'prime-epoxy',
      startMin: 12,
      endMin: 20,
      resources: ['technician:1', 'booth:1'],
      batch: 'batch-1',
    }),
    task({
      n: 2,
      op: 'flash',
      isUnattended: true,
      startMin: 20,
      endMin: 40,
      resources: ['booth:1'],
      batch: 'batch-1',
    }),
    task({ n: 3, op: 'seal', startMin: 120, endMin: 140, resources: ['technician:1', 'booth:1'] }),
    task({
      panelId: 'lid',
      n: 1,
      op: 'prime-epoxy',
      startMin: 22,
      endMin: 30,
      resources: ['technician:1', 'booth:1'],
      batch: 'batch-1',
    }),
  ],
  windows: [WINDOW],
  inserted: [],
  late: [],
  waiting: [],
  warnings: [],
};
const rows = panelRows(schedule);

test('work on a panel is drawn as sessions, in the booth on its own, waits alone', () => {
  expect(rows[0]!.bars.map(({ kind, text }) => [kind, text])).toEqual([
    ['hands', '1'],
    ['booth', '2'],
    ['alone', 'let it flash'],
    ['booth', '3'],
  ]);
});

test('panels of one mix share a stay in the booth; an oven that nothing is baked in is left out', () => {
  const lanes = lanesOf(schedule, rows);
  expect(lanes.map(({ name }) => name)).toEqual(['Booth', 'Prep A']);
  expect(lanes[0]!.bars.map(({ text }) => text)).toEqual(['1 + 2', '1']);
});

test('what runs, what should be done and is not, and nothing once all is done', () => {
  expect(stateAt(rows[0]!, 5)).toMatchObject({ isRunning: true, task: { n: 1 } });
  // What stands in the schedule is not entered: it is still the next.
  expect(stateAt(rows[0]!, 60)).toMatchObject({ task: { n: 1 } });
  expect(stateAt({ ...rows[0]!, tasks: [] }, 140)).toBeUndefined();
});

test('a window is drawn where it presses, or its panel is looked at', () => {
  expect([isDrawn(WINDOW, false), isDrawn(WINDOW, true)]).toEqual([false, true]);
  expect(isDrawn({ ...WINDOW, usedMin: 390 }, false)).toBe(true);
});

test('while work is dragged it says at once what it breaks and what mends that', () => {
  const session = rows[0]!.bars[3]!.session!;
  expect(brokenBy(rows[0]!, session, 60, START)).toEqual([]);
  expect(brokenBy(rows[0]!, session, 300, START).join(' ')).toMatch(
    /breaks: next coat by 14:40; mended: scuff/,
  );
  expect(brokenBy(rows[0]!, session, -110, START).join(' ')).toMatch(/not done by then/);
});

test('a panel whose next coat waits for the air is told of; one that works or waits for people is not', () => {
  const next = task({ n: 4, op: 'prime-epoxy', startMin: 300, endMin: 320 });
  const row = (changes: Partial<ScheduledTask>) => ({ ...rows[0]!, tasks: [{ ...next, ...changes }] });
  expect(heldRows([row({ heldBy: 'air' })], 100).map(({ task: held }) => held.n)).toEqual([4]);
  expect(heldRows([row({ heldBy: 'air' })], 310)).toEqual([]);
  expect(heldRows([row({ heldBy: 'person' }), row({})], 100)).toEqual([]);
});

test('what a move comes to is said: what is put in, who is ready when, who is late; or that nothing else moves', () => {
  expect(changesText(scheduleChanges(schedule, schedule), START)).toEqual(['nothing else moves']);
  const [door] = schedule.panels;
  const later = {
    ...schedule,
    panels: [{ ...door!, finishMin: door!.finishMin + 600, dueMin: door!.finishMin + 60 }],
    inserted: [
      { jobId: 'bus', panelId: 'door', afterN: 2, op: 'scuff' as const, why: 'Too late.', handsOnMin: 6 },
    ],
  };
  const said = changesText(scheduleChanges(schedule, later), START);
  expect(said[0]).toBe('put in: scuff by pad, 6 min. Too late.');
  expect(said[1]).toMatch(/ready .*, late by 9 h/);
});
