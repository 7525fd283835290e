import fc from 'fast-check';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { runsOf } from '../testing/crossings.ts';
import { clockTime } from '../units/duration.ts';
import { weekdayOf } from '../units/calendar.ts';
import { makePlan } from './make-plan.ts';
import type { PanelPlan, Step, System } from './plan.ts';
import { openPlan } from './view-plan.ts';

/** The shop of these tests works from 8 to 17. */
const [BEGINS, ENDS] = [8 * 60, 17 * 60];
const DAY_MIN = 24 * 60;

interface Start {
  readonly startMin?: number;
  readonly startOn?: string;
}

const planned = (zones: readonly ZoneSketch[], start: Start, shop: object = {}): PanelPlan =>
  openPlan(
    makePlan({
      panel: panelOf(zones),
      shop: shopSchema.parse({ celsius: 20, nightCelsius: 14, ...shop }),
      target: targetSchema.parse({}),
      ...start,
    }),
  ).view;
const best = ({ systems, chosen }: PanelPlan): System => systems.find(({ id }) => id === chosen)!;
/** "Mon 08:00 hand-over", of the best system or of one by its id. */
const timesOf = (plan: PanelPlan, id = plan.chosen): string[] =>
  plan.systems
    .find((system) => system.id === id)!
    .steps.map(({ op, startMin }) => `${clockTime(plan, startMin)} ${op}`);

/** What somebody stands by: its hands and, but for what is left alone, its waits. */
const attendedMin = ({ op, handsOnMin, waitMin }: Step): number =>
  ['flash', 'cure', 'temper', 'laminate-repair'].includes(op) ? handsOnMin : handsOnMin + waitMin;

const PAINTED = 'steel/ecoat:20/old-finish:95';

test('on Friday afternoon the primer waits for Monday: its window would close over the weekend', () => {
  const plan = planned([{ stack: PAINTED, areaM2: 3 }], { startMin: 15 * 60, startOn: '2026-12-04' });
  const times = timesOf(plan, 'prime-wet-on-wet');
  expect(times[0]).toBe('Fri 4 Dec 15:00 wash');
  expect(times.find((text) => text.includes('prime-'))).toMatch(/^Mon /);
  expect(times.at(-1)).toMatch(/^Mon .* hand-over$/);
});

test('nobody cleans in the evening for the morning: wipe, mask and tack wait with the coat', () => {
  const plan = planned(
    [{ stack: 'plastic-olefin', areaM2: 0.4 }],
    { startMin: 15 * 60, startOn: '2026-12-04' },
    { profile: 'garage', nightCelsius: 11 },
  );
  const times = timesOf(plan);
  const coat = times.findIndex((text) => text.endsWith('promote'));
  expect(times.slice(coat - 3, coat + 1)).toEqual([
    'Mon 7 Dec 08:00 antistatic-wipe',
    expect.stringMatching(/^Mon .* mask$/),
    expect.stringMatching(/^Mon .* tack$/),
    expect.stringMatching(/^Mon .* promote$/),
  ]);
  expect(times[coat - 4]).toMatch(/^Fri /);
});

test('what cures over a night is gone on with in the morning', () => {
  const hollow = { stack: PAINTED, areaM2: 1.4, findings: [{ kind: 'low', depthMm: 2, sizeMm: 90 }] };
  const { steps } = best(planned([hollow], {}));
  const after = steps[steps.findIndex(({ op, endMin }) => op === 'cure' && endMin > ENDS - BEGINS) + 1]!;
  expect(after.startMin).toBe(DAY_MIN);
});

test('who starts out of hours starts in the morning', () => {
  expect(timesOf(planned([{ stack: PAINTED }], { startMin: 22 * 60, startOn: '2026-12-11' }))[0]).toBe(
    'Mon 14 Dec 08:00 wash',
  );
  expect(
    timesOf(
      planned(
        [{ stack: PAINTED }],
        { startMin: 22 * 60, startOn: '2026-12-11' },
        { rules: { workingDaysAWeek: 6 } },
      ),
    )[0],
  ).toBe('Sat 12 Dec 08:00 wash');
});

test('sanding that is longer than the day goes on in the morning; large metal is masked first, so that it is abraded once', () => {
  const plan = planned([{ stack: 'steel/ecoat:20', areaM2: 40, findings: [{ kind: 'peeling' }] }], {});
  const long = best(plan).steps.filter(({ op, handsOnMin }) => op === 'abrade' && handsOnMin > 400);
  expect(long).toHaveLength(1);
  for (const { startMin, endMin, handsOnMin } of long)
    expect(endMin - startMin).toBeCloseTo(handsOnMin + DAY_MIN - (ENDS - BEGINS), 0);
});

const sketches = fc
  .record({
    stack: fc.constantFrom(PAINTED, 'steel', 'aluminium', 'steel/ecoat:20', 'fiberglass', 'plastic-olefin'),
    areaM2: fc.constantFrom(0.02, 0.4, 1.5, 3, 8),
    findings: fc.constantFrom(
      [],
      [{ kind: 'low', depthMm: 2, sizeMm: 90 }],
      [{ kind: 'chips', count: 30, sizeMm: 4 }],
    ),
  })
  .map((sketch): ZoneSketch => sketch);
const starts = fc.record({
  startMin: fc.integer({ min: 0, max: DAY_MIN - 1 }),
  startOn: fc.constantFrom('2026-12-04', '2026-12-05', '2026-12-07', '2027-02-28'),
});
const shops = fc.constantFrom({}, { profile: 'garage', nightCelsius: 11 }, { schools: { pace: 'same-day' } });

test('whatever the panel and the hour: hands work in shifts only, in order, and no limit runs out unsaid', () => {
  fc.assert(
    fc.property(fc.array(sketches, { minLength: 1, maxLength: 2 }), starts, shops, (zones, start, shop) => {
      const { systems, startMin } = planned(zones, start, shop);
      for (const { steps, verdict } of systems) {
        if (verdict === 'refused') continue;
        steps.forEach((step, i) => {
          expect(step.startMin).toBeGreaterThanOrEqual(steps[i - 1]?.endMin ?? 0);
          expect(step.why.map(({ code }) => code)).not.toContain('M2.exposed');
          const workMin = attendedMin(step);
          const isSplit = step.endMin - step.startMin > step.handsOnMin + step.waitMin + 1;
          if (workMin === 0 || isSplit) return;
          const begins = startMin + step.startMin;
          expect(begins % DAY_MIN).toBeGreaterThan(BEGINS - 1);
          expect((begins % DAY_MIN) + workMin).toBeLessThan(ENDS + 1);
          expect((weekdayOf(start.startOn) + Math.floor(begins / DAY_MIN)) % 7).toBeLessThan(5);
        });
      }
    }),
    runsOf(60),
  );
});
