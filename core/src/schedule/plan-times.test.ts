import { makePlan } from '../planner/make-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import { panelOf } from '../testing/bench.ts';
import { taskOf } from '../testing/planned.ts';
import { systemAtTimes, type StepTime } from './plan-times.ts';

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
const DAY_MIN = 24 * 60;

test('at the times of the plan itself nothing changes', () => {
  const same = at((n) => ({ startMin: startOf(n) }));
  expect(same.steps.map(({ op, startMin }) => [op, startMin])).toEqual(
    planned.steps.map(({ op, startMin }) => [op, startMin]),
  );
  expect(same.verdict).toBe('ready');
  expect(same.title).toBe(planned.title);
});

test('a day later the steps stand a day later, and next coats with them', () => {
  const later = at((n) => ({ startMin: startOf(n) + DAY_MIN }));
  later.steps.forEach((step, i) => {
    expect(step.startMin - planned.steps[i]!.startMin).toBeCloseTo(DAY_MIN, 0);
    expect(step.endMin - planned.steps[i]!.endMin).toBeCloseTo(DAY_MIN, 0);
    expect(step.window?.closesMin).toEqual(planned.steps[i]!.window?.closesMin);
  });
});

test('a start before that of the plan is one too', () => {
  const earlier = at((n) => ({ startMin: startOf(n) - 60 }));
  expect(earlier.steps[0]!.startMin).toBe(-60);
});

test('a coat that the schedule lays later opens its window later: nobody coats by the hour of the plan alone', () => {
  const coat = planned.steps.find(({ op }) => op === 'prime-epoxy')!;
  const later = at((n) => ({ startMin: startOf(n) + (n >= coat.n ? 165 : 0) }));
  const moved = later.steps.find(({ n }) => n === coat.n)!;
  const opens = (step: typeof coat): number => step.endMin + step.window!.opensMin;
  expect(opens(moved) - opens(coat)).toBeGreaterThan(160);
  expect(opens(moved)).toBeGreaterThanOrEqual(moved.startMin + coat.handsOnMin);
});

test('what is done stands where the record says that it ended; what has no time goes on after it', () => {
  const first = planned.steps[0]!;
  const done = at((n) => (n === first.n ? { endMin: first.endMin + 30 } : undefined));
  expect(done.steps[0]!.endMin).toBeCloseTo(first.endMin + 30, 0);
  expect(done.steps[1]!.startMin).toBeGreaterThanOrEqual(done.steps[0]!.endMin - 0.1);
});

test('a system that is not there, and a plan without a date, have no times', () => {
  expect(systemAtTimes(stored, 'nothing', () => undefined)).toBeNull();
  const { startOn: _on, ...inputs } = stored.inputs;
  expect(systemAtTimes({ ...stored, inputs }, planned.id, () => undefined)).toBeNull();
});
