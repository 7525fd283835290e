import { makePlan } from '../planner/make-plan.ts';
import { stepMix } from '../planner/describe-step.ts';
import { openPlan } from '../planner/view-plan.ts';
import { panelOf } from '../testing/bench.ts';
import { taskOf } from '../testing/planned.ts';
import { KINDS, MONDAY, panelsOf, scheduleOf, shopOf } from '../testing/shop-work.ts';
import type { DatedStart } from '../planner/work-start.ts';
import { systemAtTimes, timesInSchedule, type StepTime } from './plan-times.ts';
import type { PanelOfShop } from './shop-schedule.ts';
import type { Schedule } from './view-schedule.ts';
import { axisMin } from './work-calendar.ts';

const task = {
  ...taskOf(
    panelOf([
      { id: 'A', areaM2: 0.8, stack: 'steel/ecoat:20/old-finish:95' },
      { id: 'B', areaM2: 0.3, stack: 'steel', findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
    ]),
  ),
  startOn: '2026-12-07',
  startMin: 480,
};
const stored = makePlan(task);
const planned = openPlan(stored).view.systems.find(({ id }) => id === stored.chosen)!;
const at = (timeOf: (n: number) => StepTime | undefined) => systemAtTimes(stored, planned.id, timeOf)!;
const startOf = (n: number): number => planned.steps.find((step) => step.n === n)!.startMin;
const endOf = (n: number): number => planned.steps.find((step) => step.n === n)!.endMin;
const later = (byMin: number) => (n: number) => ({ startMin: startOf(n) + byMin, endMin: endOf(n) + byMin });
const DAY_MIN = 24 * 60;

test('at the times of the plan itself nothing changes', () => {
  const same = at(later(0));
  expect(same.steps.map(({ op, startMin }) => [op, startMin])).toEqual(
    planned.steps.map(({ op, startMin }) => [op, startMin]),
  );
  expect(same.verdict).toBe('ready');
  expect(same.title).toBe(planned.title);
});

test('a day later the steps stand a day later, and next coats with them', () => {
  const moved = at(later(DAY_MIN));
  moved.steps.forEach((step, i) => {
    expect(step.startMin - planned.steps[i]!.startMin).toBeCloseTo(DAY_MIN, 0);
    expect(step.endMin - planned.steps[i]!.endMin).toBeCloseTo(DAY_MIN, 0);
    expect(step.window?.closesMin).toEqual(planned.steps[i]!.window?.closesMin);
  });
});

test('a pot keeps as long as its sheet says, whatever hour the coat is laid at and however long the gun is washed before', () => {
  const { sheetOf } = openPlan(stored);
  const mixesIn = (steps: typeof planned.steps): string[] =>
    steps.flatMap((step) => (step.sheetId ? [stepMix(step, sheetOf(step.sheetId))] : []));
  const asPlanned = mixesIn(planned.steps);
  expect(asPlanned.join()).toMatch(/pot life/);
  for (const byMin of [DAY_MIN, 45, -60]) expect(mixesIn(at(later(byMin)).steps)).toEqual(asPlanned);
  const washed = at((n) => ({ startMin: startOf(n) - 40, endMin: endOf(n) }));
  expect(mixesIn(washed.steps)).toEqual(asPlanned);
});

test('a start before that of the plan is one too', () => {
  const earlier = at(later(-60));
  expect(earlier.steps[0]!.startMin).toBe(-60);
});

test('the next coat is told from the end of the coat in the schedule: washing of the gun before it, and pauses, count', () => {
  const coat = planned.steps.find(({ op }) => op === 'prime-epoxy')!;
  const opens = (step: typeof coat): number => step.endMin + step.window!.opensMin;
  for (const washMin of [7, 165]) {
    const moved = at((n) => {
      const { startMin, endMin } = later(n > coat.n ? washMin : 0)(n);
      return { startMin, endMin: endMin + (n === coat.n ? washMin : 0) };
    }).steps.find(({ n }) => n === coat.n)!;
    expect(moved.startMin).toBe(coat.startMin);
    expect(moved.endMin).toBe(coat.endMin + washMin);
    expect(opens(moved) - opens(coat)).toBeCloseTo(washMin, 0);
  }
});

test('what is done stands where the record says that it ended; what has no time goes on after it', () => {
  const first = planned.steps[0]!;
  const done = at((n) => (n === first.n ? { enteredMin: first.endMin + 30 } : undefined));
  expect(done.steps[0]!.endMin).toBeCloseTo(first.endMin + 30, 0);
  expect(done.steps[1]!.startMin).toBeGreaterThanOrEqual(done.steps[0]!.endMin - 0.1);
});

test('filler that is entered when it is spread sets from then on, not before', () => {
  const filled = makePlan({
    ...task,
    ...taskOf(
      panelOf([
        { id: 'A', areaM2: 0.8, stack: 'steel', findings: [{ kind: 'low', depthMm: 1.2, areaM2: 0.1 }] },
      ]),
    ),
  });
  const system = openPlan(filled).view.systems.find(({ id }) => id === filled.chosen)!;
  const fill = system.steps.find(({ op, waitMin }) => (op === 'fill' || op === 'glaze') && waitMin > 0)!;
  const spreadMin = fill.startMin + fill.handsOnMin + 40;
  const timed = systemAtTimes(filled, system.id, (n) =>
    n === fill.n ? { enteredMin: spreadMin } : undefined,
  )!;
  const seen = timed.steps.find(({ n }) => n === fill.n)!;
  expect(seen.endMin).toBeCloseTo(spreadMin + fill.waitMin, 0);
  expect(seen.startMin).toBeCloseTo(spreadMin - fill.handsOnMin, 0);
});

test('a step that was entered before its turn stands in the past, where it was done', () => {
  const [first, second] = planned.steps;
  const timed = at((n) => (n === second!.n ? { enteredMin: 5 } : later(600)(n)));
  expect(timed.steps[1]!.endMin).toBeLessThan(timed.steps[0]!.startMin);
  expect(timed.steps[0]!.startMin).toBe(first!.startMin + 600);
});

test('a system that is not there, and a plan without a date, have no times', () => {
  expect(systemAtTimes(stored, 'nothing', () => undefined)).toBeNull();
  const { startOn: _on, ...inputs } = stored.inputs;
  expect(systemAtTimes({ ...stored, inputs }, planned.id, () => undefined)).toBeNull();
});

/** Minutes by which plan and schedule differ in when a coat's window opens and closes, coat by coat of a panel. */
function windowsApart(
  schedule: Schedule,
  start: DatedStart,
  { jobId, panelId, plan }: PanelOfShop,
): number[] {
  const { startMin } = openPlan(plan!).view;
  const dated = { ...plan!, inputs: { ...plan!.inputs, startOn: MONDAY.startOn } };
  const offMin = axisMin({ startOn: MONDAY.startOn, startMin }, start);
  const times = timesInSchedule(schedule, { jobId, panelId });
  const { steps } = systemAtTimes(dated, plan!.chosen!, (n) => {
    const time = times.get(n);
    return time && { startMin: time.startMin + offMin, endMin: time.endMin + offMin };
  })!;
  return schedule.windows
    .filter((window) => window.kind === 'recoat' && window.jobId === jobId && window.panelId === panelId)
    .flatMap((window) => {
      const { window: own, endMin } = steps.find(({ n }) => n === window.n)!;
      if (!own) return [];
      const [opensMin, closesMin] = [window.opensMin + offMin, window.closesMin + offMin];
      return [endMin + own.opensMin - opensMin, endMin + own.closesMin - closesMin];
    });
}

test.each([450, 1000])(
  'schedule and plan tell the same windows of every coat, whatever gun is washed, from minute %d of the day',
  (startMin) => {
    const shop = shopOf({
      people: [
        { id: '1', name: 'Prep 1' },
        { id: '2', name: 'Prep 2' },
      ],
      breaks: [{ from: '12:00', to: '12:30' }],
    });
    const panels = panelsOf([...KINDS], shop);
    const start = { startOn: MONDAY.startOn, startMin };
    const schedule = scheduleOf({ shop, start, panels, effort: 'rules' });
    const apart = panels.flatMap((panel) => windowsApart(schedule, start, panel));
    expect(apart.length).toBeGreaterThan(10);
    for (const minutes of apart) expect(Math.abs(minutes)).toBeLessThan(1.5);
  },
);
