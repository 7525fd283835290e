import fc from 'fast-check';
import { fullCureMin } from '../climate/cure.ts';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { inModes } from '../materials/modes.ts';
import { sheetSchema, type ProductSheet } from '../materials/sheet.ts';
import { openPlan } from '../planner/view-plan.ts';
import { KINDS, planOf, shopOf } from '../testing/shop-work.ts';
import {
  NEXT_USES,
  clockSchema,
  type Clock,
  type ClockAir,
  type ClockView,
  type ClockWork,
  type Moment,
} from './clock.ts';
import { byUrgency, clockStand, comeWords, comingWords, limitWords } from './clock-words.ts';
import { momentsOf } from './run-clock.ts';
import { clockOfStep } from './start-clock.ts';

const MIN_MS = 60_000;
const BEGAN_MS = Date.UTC(2026, 11, 7, 9);
const MORNING = { startOn: '2026-12-07', startMin: 540 };
const EVEN = { celsius: 20, nightCelsius: 20, relativeHumidity: 50 };

const sheetOf = (id: string, more: Partial<ProductSheet> = {}): ProductSheet => ({
  ...GENERIC_SHELF.find((sheet) => sheet.id === id)!,
  ...more,
});
const epoxy = sheetOf('epoxy-1-1');

interface Run {
  readonly shop?: object;
  readonly start?: typeof MORNING;
  /** Air until so many minutes after the beginning. */
  readonly before?: readonly (readonly [number, object])[];
}

const run = (work: ClockWork, { shop = {}, start = MORNING, before = [] }: Run = {}): Moment[] =>
  momentsOf({ work, startedMs: BEGAN_MS }, shopOf({ ...EVEN, ...shop }), {
    start,
    airBefore: before.map(
      ([min, air]) => ({ untilMs: BEGAN_MS + min * MIN_MS, air: { ...EVEN, ...air } }) as ClockAir,
    ),
  });

/** Minutes from the beginning to a moment of a kind. */
const minutesTo = (moments: readonly Moment[], kind: Moment['kind'], turn: Moment['turn']): number =>
  ((moments.find((moment) => moment.kind === kind && moment.turn === turn)?.atMs ?? NaN) - BEGAN_MS) / MIN_MS;

const coat = (sheet = epoxy, next: (typeof NEXT_USES)[number] = 'any'): ClockWork => ({
  kind: 'coat',
  sheet,
  next,
});

describe('limits that run', () => {
  test('a flash takes twice as long 15 °C colder, from the moment on at which it got colder', () => {
    const sheet = {
      ...epoxy,
      flash: { betweenCoatsMin: 10, beforeNextMin: 40 },
      recoat: { ...epoxy.recoat, opensMin: 40 },
    };
    const work = coat(sheet, 'coat');
    expect(minutesTo(run(work), 'recoat', 'opens')).toBeCloseTo(40, 3);
    const colder = run(work, { shop: { celsius: 5, nightCelsius: 5 }, before: [[10, {}]] });
    expect(minutesTo(colder, 'recoat', 'opens')).toBeCloseTo(10 + 30 * 2, 3);
    const back = run(work, {
      before: [
        [10, {}],
        [30, { celsius: 5, nightCelsius: 5 }],
      ],
    });
    expect(minutesTo(back, 'recoat', 'opens')).toBeCloseTo(30 + 20, 3);
  });

  test('cure adds up through the hours as they were, and nothing counts below the least temperature', () => {
    const sheet = { ...epoxy, sandAfterMin: 1 };
    const needMin = 0.9 * fullCureMin(sheet.cure, 20);
    expect(minutesTo(run(coat(sheet)), 'cure', 'opens')).toBeCloseTo(needMin, 3);
    const least = sheet.climate.minCelsius;
    const cold = { celsius: least - 1, nightCelsius: least - 1 };
    const stopped = run(coat(sheet), {
      before: [
        [60, {}],
        [180, cold],
      ],
    });
    expect(minutesTo(stopped, 'cure', 'opens')).toBeCloseTo(needMin + 120, 3);
    const never = run(coat(sheet), { shop: cold });
    expect(never.find(({ kind }) => kind === 'cure')).toMatchObject({ turn: 'opens' });
    expect(never.find(({ kind }) => kind === 'cure')?.atMs).toBeUndefined();
  });

  test('a night of a shop that cools down makes a cure longer, and the closing of a recoat window does not move', () => {
    const evening = { startOn: '2026-12-07', startMin: 16 * 60 };
    const sheet = { ...epoxy, sandAfterMin: 1 };
    const warm = run(coat(sheet), { start: evening });
    const cool = run(coat(sheet), { start: evening, shop: { nightCelsius: 15 } });
    expect(minutesTo(cool, 'cure', 'opens')).toBeGreaterThan(minutesTo(warm, 'cure', 'opens'));
    expect(minutesTo(cool, 'recoat', 'closes')).toBe(minutesTo(warm, 'recoat', 'closes'));
  });

  test('pot life is used up faster once it gets warm; metal waits less long once it gets damp', () => {
    const sheet = { ...epoxy, potLifeMin: 120, refCelsius: 20 };
    const mix: ClockWork = { kind: 'mix', sheet };
    expect(minutesTo(run(mix), 'pot-life', 'closes')).toBeCloseTo(120, 3);
    const warmer = run(mix, { shop: { celsius: 30, nightCelsius: 30 }, before: [[60, {}]] });
    expect(minutesTo(warmer, 'pot-life', 'closes')).toBeCloseTo(60 + 30, 3);
    const rules = { bareMetalLimitMin: 240, humidLimitMin: 60 };
    const dry = run({ kind: 'bare' }, { shop: { relativeHumidity: 30, rules } });
    expect(minutesTo(dry, 'exposure', 'closes')).toBe(240);
    const damp = run(
      { kind: 'bare' },
      { shop: { relativeHumidity: 70, rules }, before: [[20, { relativeHumidity: 30 }]] },
    );
    expect(minutesTo(damp, 'exposure', 'closes')).toBe(60);
  });

  test('minutes that a person set are the same in any air', () => {
    const at = (celsius: number) =>
      run({ kind: 'minutes', minutes: 25, source: 'shop' }, { shop: { celsius } });
    expect(at(5)).toEqual(at(35));
    expect(minutesTo(at(20), 'minutes', 'opens')).toBe(25);
  });

  test('air that is said anew without another figure changes nothing', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...NEXT_USES),
        fc.array(fc.integer({ min: 1, max: 400 }), { maxLength: 4 }),
        fc.integer({ min: 8, max: 34 }),
        fc.integer({ min: 0, max: 1439 }),
        (next, changes, celsius, startMin) => {
          const air = { celsius, nightCelsius: celsius };
          const start = { startOn: '2026-12-07', startMin };
          const work = coat(epoxy, next);
          const plain = run(work, { shop: air, start });
          const said = run(work, {
            shop: air,
            start,
            before: [...changes].sort((a, b) => a - b).map((min) => [min, air] as const),
          });
          said.forEach(({ atMs }, i) =>
            expect((atMs ?? 0) / MIN_MS).toBeCloseTo((plain[i]!.atMs ?? 0) / MIN_MS, 2),
          );
        },
      ),
    );
  });
});

describe('clocks of a plan’s steps', () => {
  const shop = shopOf({ celsius: 20, nightCelsius: 20 });
  const opened = KINDS.map((kind) => openPlan(planOf(kind, shop)));
  const cases = opened.flatMap((plan) =>
    plan.view.systems.flatMap(({ id, steps }) => steps.map((step) => ({ plan, id, steps, step }))),
  );

  test('every step of every kind of panel has one, and its limits are those of the plan', () => {
    expect(cases.length).toBeGreaterThan(100);
    let nCompared = 0;
    for (const { plan, steps, step } of cases) {
      const clock = clockOfStep(step.n, steps, plan.sheetOf)!;
      expect(clock.n).toBeLessThanOrEqual(step.n);
      const moments = momentsOf({ work: clock.work, startedMs: BEGAN_MS }, shop, { start: MORNING });
      expect(moments.length).toBeGreaterThan(0);
      const closes = moments.find(({ turn }) => turn === 'closes');
      if (clock.n !== step.n || !step.window || !closes || clock.work.kind === 'body') continue;
      nCompared++;
      expect((closes.atMs! - BEGAN_MS) / MIN_MS).toBeCloseTo(step.window.closesMin, 0);
    }
    expect(nCompared).toBeGreaterThan(20);
  });

  test('a flash is the clock of the coat under it, and a build that is blocked next waits for its cure', () => {
    const flashes = cases.filter(({ step }) => step.op === 'flash');
    expect(flashes.length).toBeGreaterThan(0);
    for (const { plan, steps, step } of flashes) {
      const clock = clockOfStep(step.n, steps, plan.sheetOf)!;
      expect(clock.n).toBeLessThan(step.n);
      expect(clock.work.kind).toMatch(/coat|body/);
    }
    const builds = cases.flatMap(({ plan, steps, step }) => {
      const clock = clockOfStep(step.n, steps, plan.sheetOf)!;
      return step.op === 'prime-build' && clock.then?.includes('Block') ? [clock] : [];
    });
    expect(builds.length).toBeGreaterThan(0);
    for (const { work } of builds) expect(work).toMatchObject({ kind: 'coat', next: 'sand' });
  });

  test('missing a limit costs what the rules then ask for; where nothing closes there is nothing to miss', () => {
    const costs = cases.map(({ plan, id, step }) => ({ step, cost: plan.missedCostOf(id, step.n) }));
    const lost = costs.filter(({ step, cost }) => step.window && cost !== null);
    expect(lost.length).toBeGreaterThan(20);
    for (const { cost } of lost) expect(cost).toBeGreaterThanOrEqual(0);
    expect(lost.some(({ cost }) => cost! > 1)).toBe(true);
    expect(costs.find(({ step }) => step.op === 'hand-over')!.cost).toBeNull();
  });
});

test('what any step starts is a clock that the server takes, also of a product in one of its ways', () => {
  const own = { ...epoxy, name: 'x'.repeat(120), modes: [{ id: 'sealer', name: 'As sealer', ratio: '2:1' }] };
  for (const sheet of [...GENERIC_SHELF, ...inModes(sheetSchema.parse(own))]) {
    const title = `Mix for 12. ${sheet.name}`;
    const read = clockSchema.safeParse({ id: 'c', title, work: coat(sheet), startedMs: BEGAN_MS });
    expect([sheet.id, read.error?.issues ?? []]).toEqual([sheet.id, []]);
  }
});

describe('how a clock stands', () => {
  const clock = (work: ClockWork, startedMs = BEGAN_MS): Clock => ({
    id: `${startedMs}`,
    title: '5. Epoxy',
    work,
    startedMs,
    missedCostMin: 13.4,
  });
  const viewOf = (work: ClockWork, startedMs = BEGAN_MS): Pick<ClockView, 'clock' | 'moments'> => ({
    clock: clock(work, startedMs),
    moments: momentsOf({ work, startedMs }, shopOf(EVEN), { start: MORNING }),
  });

  test('runs, may begin, closes, is missed, and says each in words with what it costs', () => {
    const view = viewOf(coat(epoxy, 'coat'));
    const [opens, closes] = view.moments as [Moment, Moment];
    expect(comingWords(opens, view.clock)).toBe('next coat from');
    expect(comingWords(closes, view.clock)).toBe('next coat by');
    expect(limitWords(closes, view.clock)).toMatch(/^past it, .*, about 14 min$/);
    const stateAt = (ms: number) => clockStand(view, ms).state;
    const last = { ...view.clock, work: coat(epoxy, 'base') };
    expect(comingWords(closes, last)).toBe('base by');
    expect(comeWords(closes, last)).toMatch(/^Base does not bond/);
    expect(stateAt(BEGAN_MS)).toBe('runs');
    expect(stateAt(opens.atMs!)).toBe('open');
    expect(stateAt(closes.atMs! - 5 * MIN_MS)).toBe('closing');
    expect(stateAt(closes.atMs!)).toBe('missed');
    expect(comeWords(closes, view.clock)).toMatch(/^Next coat does not bond any more: .*, about 14 min$/);
  });

  test('what is missed and what closes comes first, then what is nearest to now', () => {
    const now = BEGAN_MS + 60 * MIN_MS;
    const minutes = (min: number): ClockWork => ({ kind: 'minutes', minutes: min, source: 'shop' });
    const farther = viewOf(minutes(300));
    const near = viewOf(minutes(70));
    const rung = viewOf(minutes(58), BEGAN_MS + 1);
    const missed = viewOf({ kind: 'bare' }, BEGAN_MS - 600 * MIN_MS);
    expect(byUrgency([farther, near, missed, rung], now)).toEqual([missed, rung, near, farther]);
  });

  test('part of a window in which a coat would lift shuts and opens again', () => {
    const sheet = {
      ...epoxy,
      recoat: { ...epoxy.recoat, closesMin: 5000, forbidden: { fromMin: 200, toMin: 900 } },
    };
    const view = viewOf(coat(sheet, 'coat'));
    expect(view.moments.map(({ turn }) => turn)).toEqual(['opens', 'shuts', 'opens', 'closes']);
    const stand = clockStand(view, BEGAN_MS + 300 * MIN_MS);
    expect(comeWords(stand.come!, view.clock)).toMatch(/would lift/);
    expect(stand.state).toBe('runs');
  });
});
