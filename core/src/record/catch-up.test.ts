import fc from 'fast-check';
import { openPlan } from '../planner/view-plan.ts';
import { makePlan } from '../planner/make-plan.ts';
import { taskOf } from '../testing/planned.ts';
import { runsOf } from '../testing/crossings.ts';
import { panelOf } from '../testing/bench.ts';
import { MONDAY_MIN, momentAt } from '../testing/record.ts';
import { momentOfMinutes } from '../units/moment.ts';
import { asPlanned, endingAt, enteredAtMin, type CaughtUp } from './catch-up.ts';
import type { NewEntry } from './entry.ts';
import { foldRecord, whyNotNow } from './fold.ts';
import { stateOfFold } from './true-state.ts';

const task = {
  ...taskOf(
    panelOf([
      { id: 'A', areaM2: 0.8, stack: 'steel/ecoat:20/old-finish:95' },
      {
        id: 'B',
        areaM2: 0.3,
        stack: 'steel/filler:900',
        findings: [{ kind: 'coarse-scratches', grit: 'P80' }, { kind: 'pinholes' }],
      },
    ]),
  ),
  startOn: '2026-12-07',
};
const { view, actsOf } = openPlan(makePlan(task));
const system = view.systems.find(({ id }) => id === view.chosen)!;
const acts = actsOf(system.id);
const { steps } = system;

const firstCoat = steps.findIndex(({ op }) => op.startsWith('prime-'));

const entryAt = (nth: number, at: string): NewEntry => {
  const { idleMin: _idle, isSplit: _split, thenMin: _then, ...act } = acts[nth]!;
  return { id: `e${nth}`, at, by: 'Prep A', kind: 'act', body: act } as NewEntry;
};
const brokenOf = (entries: readonly NewEntry[]) => stateOfFold(foldRecord(task, entries)).broken;
const entered = (times: readonly CaughtUp[]): NewEntry[] =>
  times.map(({ endMin }, i) => entryAt(i, momentOfMinutes(endMin)));

/** When each step was planned to end, minutes since 1970. */
const plannedEnd = (n: number): number => MONDAY_MIN + enteredAtMin(steps.find((step) => step.n === n)!);
const late = { fromMin: MONDAY_MIN, nowMin: MONDAY_MIN + 20 * 24 * 60 };

test('entered afterwards at their planned times, steps keep the rules that the plan keeps', () => {
  const times = asPlanned(steps, plannedEnd, late);
  expect(times.map(({ endMin }) => endMin)).toEqual(steps.map(({ n }) => plannedEnd(n)));
  expect(brokenOf(entered(times))).toEqual([]);
});

test('one after the other, with the flashes and cures between them, up to a moment', () => {
  const first = steps.slice(0, firstCoat + 2);
  const endMin = MONDAY_MIN + 300;
  const times = endingAt(first, endMin, late);
  expect(times.at(-1)!.endMin).toBe(endMin);
  expect(brokenOf(entered(times))).toEqual([]);
});

test('no step lies ahead, before what is entered already, or before the step before it', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: steps.length }),
      fc.integer({ min: -600, max: 6000 }),
      fc.integer({ min: 0, max: 3000 }),
      fc.boolean(),
      (count, endMin, fromMin, isPlanned) => {
        const some = steps.slice(0, count);
        const terms = { fromMin: MONDAY_MIN + fromMin, nowMin: MONDAY_MIN + fromMin + 500 };
        const times = isPlanned
          ? asPlanned(some, (n) => (n % 3 === 0 ? null : plannedEnd(n)), terms)
          : endingAt(some, MONDAY_MIN + endMin, terms);
        expect(times.map(({ n }) => n)).toEqual(some.map(({ n }) => n));
        times.forEach((time, i) => {
          expect(time.endMin).toBeGreaterThanOrEqual(i === 0 ? terms.fromMin : times[i - 1]!.endMin);
          expect(time.endMin).toBeLessThanOrEqual(terms.nowMin);
        });
      },
    ),
    runsOf(200),
  );
});

// Minutes between two taps at the bench.
test.each([5 / 60, 2, 7, 15, 40])(
  'a step that the bench lets through is no broken rule in the record, tapped every %d min',
  (gapMin) => {
    const entries: NewEntry[] = [];
    steps.forEach((_, i) => {
      const at = momentAt((i + 1) * gapMin);
      const isLetThrough = whyNotNow(foldRecord(task, entries, { now: at }), acts[i]!).length === 0;
      entries.push(entryAt(i, at));
      const broken = brokenOf(entries).filter(({ entryId }) => entryId === `e${i}`);
      if (isLetThrough) expect(broken.map(({ text }) => text)).toEqual([]);
    });
  },
);

test('whoever wrote down how long it took began too early where the minutes say so', () => {
  const next = steps.findIndex(({ op }) => op === 'block');
  const entries = steps.slice(0, firstCoat + 1).map((step, i) => entryAt(i, momentAt(enteredAtMin(step))));
  // Its flash and cure passed, and nobody entered those.
  const codes = (minutes?: number) => {
    const entry = entryAt(next, momentAt(enteredAtMin(steps[firstCoat]!) + 600));
    const timed = { ...entry, body: { ...entry.body, ...(minutes ? { minutes } : {}) } } as NewEntry;
    return brokenOf([...entries, timed]).map(({ code }) => code);
  };
  expect(codes(20)).toEqual(codes());
  // Blocking that took nearly as long as all the time since the coat began on a soft film.
  expect(codes(599).length).toBeGreaterThan(codes().length);
});
