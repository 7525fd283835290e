import fc from 'fast-check';
import { runsOf } from '../testing/crossings.ts';
import { faultsOf, KINDS, MONDAY, panelsOf, scheduleOf, shopOf } from '../testing/shop-work.ts';
import { weekdayOf } from '../units/calendar.ts';
import type { StepStart } from './schedule-task.ts';
import { makeSchedule } from './shop-schedule.ts';
import type { Schedule } from './view-schedule.ts';
import { momentOf } from './work-calendar.ts';

const people = (n: number) =>
  Array.from({ length: n }, (_, i) => ({ id: `${i + 1}`, name: `Prep ${i + 1}` }));
const NOON = [{ from: '12:00', to: '12:30' }];
const two = shopOf({ people: people(2), breaks: NOON });

const finishOf = ({ makespanMin }: Schedule): number => makespanMin;

/** Too cold for most products until about ten. */
const COLD_MORNING = [
  { hour: 6, celsius: 8, relativeHumidity: 70 },
  { hour: 10, celsius: 17, relativeHumidity: 55 },
  { hour: 14, celsius: 21, relativeHumidity: 45 },
  { hour: 20, celsius: 14, relativeHumidity: 55 },
];

const shopArbitrary = fc
  .record({
    nPeople: fc.integer({ min: 1, max: 3 }),
    profile: fc.constantFrom('booth', 'garage'),
    booths: fc.constantFrom(undefined, 0, 1, 2),
    breaks: fc.constantFrom([], NOON, [{ from: '10:00', to: '10:15' }, ...NOON]),
    nightCelsius: fc.constantFrom(20, 14),
    usualDay: fc.constantFrom(undefined, COLD_MORNING),
    ends: fc.constantFrom('16:00', '18:30'),
    ovens: fc.integer({ min: 0, max: 1 }),
    pace: fc.constantFrom('same-day', 'overnight'),
  })
  .map(({ nPeople, booths, ends, ovens, pace, usualDay, ...facts }) =>
    shopOf({
      ...facts,
      ...(usualDay ? { usualDay } : {}),
      schools: { pace },
      ...(booths === undefined ? {} : { booths }),
      people: people(nPeople).map((person, i) =>
        i === 1 ? { ...person, hours: { from: '07:00', to: ends } } : person,
      ),
      ...(ovens > 0 ? { heaters: [{ id: 'lamp', name: 'Lamp', kind: 'lamp', mostCelsius: 70 }] } : {}),
    }),
  );

const kindsArbitrary = fc.array(fc.constantFrom(...KINDS), { minLength: 1, maxLength: 9 });

test('whatever the shop and the panels: hours, resources, order and windows are kept', () => {
  fc.assert(
    fc.property(
      shopArbitrary,
      kindsArbitrary,
      fc.constantFrom('rules', 'search'),
      fc.integer({ min: 0, max: 1439 }),
      (shop, kinds, effort, startMin) => {
        const asked = {
          shop,
          start: { startOn: '2026-12-10', startMin },
          panels: panelsOf(kinds, shop),
          effort,
        } as const;
        const schedule = scheduleOf(asked);
        expect(faultsOf(schedule, asked)).toEqual([]);
        expect(schedule.panels).toHaveLength(kinds.length - schedule.waiting.length);
        expect(schedule.lowerBoundMin).toBeLessThanOrEqual(schedule.makespanMin);
      },
    ),
    runsOf(24),
  );
});

test('a shop with a hundred panels is scheduled whole, by all of its people', () => {
  const kinds = Array.from({ length: 100 }, (_, i) => KINDS[i % KINDS.length]!);
  const asked = { shop: two, start: MONDAY, panels: panelsOf(kinds, two), effort: 'rules' } as const;
  const schedule = scheduleOf(asked);
  expect(faultsOf(schedule, asked)).toEqual([]);
  expect([schedule.people.length, schedule.panels.length]).toEqual([2, 100]);
});

test('the same work gives the same schedule', () => {
  const asked = { shop: two, start: MONDAY, panels: panelsOf(['dent', 'trim', 'bare'], two) };
  expect(scheduleOf(asked)).toEqual(scheduleOf(asked));
});

test('one person more never makes the finish later', () => {
  fc.assert(
    fc.property(kindsArbitrary, fc.integer({ min: 1, max: 2 }), (kinds, nPeople) => {
      const work = panelsOf(kinds, two);
      const with_ = (n: number) =>
        scheduleOf({ shop: { ...two, people: people(n) }, start: MONDAY, panels: work, effort: 'rules' });
      expect(finishOf(with_(nPeople + 1))).toBeLessThanOrEqual(finishOf(with_(nPeople)));
    }),
    runsOf(15),
  );
});

test('every step of the plan is there, with its number', () => {
  const panels = panelsOf(['dent'], two);
  const { plan } = panels[0]!;
  const acts = plan!.systems.find(({ id }) => id === plan!.chosen)!.acts;
  const { tasks } = scheduleOf({ shop: two, start: MONDAY, panels });
  const steps = new Map(tasks.map(({ n, op }) => [n, op]));
  acts.forEach(({ op }, i) => expect([i + 1, steps.get(i + 1)]).toEqual([i + 1, op]));
});

test('what cures through the night needs nobody, and is taken up in the morning', () => {
  const { tasks } = scheduleOf({ shop: two, start: MONDAY, panels: panelsOf(['dent'], two) });
  const cure = tasks.find(({ op, isUnattended, endMin }) => op === 'cure' && isUnattended && endMin > 540)!;
  expect(cure.resources).toEqual([]);
  const next = tasks[tasks.indexOf(cure) + 1]!;
  expect(next.startMin).toBeGreaterThanOrEqual(1440);
});

test('a coat keeps its clocks when a block has levelled it', () => {
  const asked = { shop: two, start: MONDAY, panels: panelsOf(['waves', 'ding'], two) };
  const schedule = scheduleOf(asked);
  const blocks = schedule.tasks.filter(({ panelId, op }) => panelId === 'waves-1' && op === 'block');
  expect(blocks.length).toBeGreaterThan(1);
  expect(faultsOf(schedule, asked)).toEqual([]);
});

test('small parts that want the same mix share a booth cycle', () => {
  const kinds = ['brackets', 'brackets', 'brackets'];
  const { tasks } = scheduleOf({ shop: two, start: MONDAY, panels: panelsOf(kinds, two) });
  const batches = new Set(tasks.flatMap(({ batch }) => batch ?? []));
  expect(batches.size).toBeGreaterThan(0);
  for (const batch of batches)
    expect(
      new Set(tasks.filter((task) => task.batch === batch).map(({ sheetId }) => sheetId ?? '')).size,
    ).toBeLessThanOrEqual(2);
});

test('what is baked or tempered holds the lamp, one panel at a time', () => {
  const heaters = [{ id: 'lamp', name: 'Lamp', kind: 'lamp', mostCelsius: 70 }];
  const shop = shopOf({ people: people(2), schools: { pace: 'same-day' }, heaters });
  const asked = { shop, start: MONDAY, panels: panelsOf(['moulding', 'moulding', 'dent'], shop) };
  const schedule = scheduleOf(asked);
  expect(faultsOf(schedule, asked)).toEqual([]);
  const warm = schedule.tasks.filter(({ resources }) => resources.includes('oven:1')).map(({ op }) => op);
  expect(new Set(warm)).toEqual(new Set(['temper', 'cure']));
});

test('without a booth nothing holds one', () => {
  const garage = shopOf({ profile: 'garage', people: people(1) });
  const { tasks } = scheduleOf({ shop: garage, start: MONDAY, panels: panelsOf(['chips'], garage) });
  expect(tasks.flatMap(({ resources }) => resources).filter((each) => each.startsWith('booth'))).toEqual([]);
});

test('a person away for a week leaves the work to the others, or for after it', () => {
  const away = [{ from: '2026-12-07', to: '2026-12-13' }];
  const shop = { ...two, people: people(2).map((each, i) => (i === 0 ? { ...each, daysOff: away } : each)) };
  const asked = { shop, start: MONDAY, panels: panelsOf(['dent', 'bare'], two) };
  const schedule = scheduleOf(asked);
  expect(faultsOf(schedule, asked)).toEqual([]);
  const early = schedule.tasks.filter(({ startMin }) => startMin < 7 * 1440);
  expect(early.flatMap(({ resources }) => resources)).not.toContain('technician:1');
});

test('holidays are nobody’s', () => {
  const shop = { ...two, holidays: ['2026-12-07', '2026-12-08'] };
  const { tasks } = scheduleOf({ shop, start: MONDAY, panels: panelsOf(['chips'], two) });
  expect(Math.min(...tasks.map(({ startMin }) => startMin))).toBeGreaterThanOrEqual(2 * 1440 - 480 + 480);
});

test('a pinned step begins when it is pinned, by whom it is pinned to, and the rest follows', () => {
  const panels = panelsOf(['chips', 'dent'], two);
  const plain = scheduleOf({ shop: two, start: MONDAY, panels });
  const first = plain.tasks.find(({ panelId }) => panelId === 'chips-1')!;
  const pins = [{ jobId: 'job', panelId: 'chips-1', n: first.n, startMin: 1500, personId: '2' }];
  const asked = { shop: two, start: MONDAY, panels, pins };
  const schedule = scheduleOf(asked);
  const moved = schedule.tasks.find(({ panelId, n }) => panelId === 'chips-1' && n === first.n)!;
  expect([moved.startMin, moved.resources[0]]).toEqual([1500, 'technician:2']);
  expect(faultsOf(schedule, asked)).toEqual([]);
});

test('a coat that is pinned is led up to: its metal is abraded just before', () => {
  const panels = panelsOf(['bare', 'corner'], two);
  const before = scheduleOf({ shop: two, start: MONDAY, panels });
  const coat = before.tasks.find(({ panelId, op }) => panelId === 'bare-1' && op === 'prime-epoxy')!;
  const pins = [{ jobId: 'job', panelId: 'bare-1', n: coat.n, startMin: 3 * 1440 + 120 }];
  const asked = { shop: two, start: MONDAY, panels, pins, before: before.tasks, effort: 'keep' } as const;
  const schedule = scheduleOf(asked);
  const moved = schedule.tasks.find(({ panelId, n }) => panelId === 'bare-1' && n === coat.n)!;
  expect(moved.startMin).toBe(3 * 1440 + 120);
  expect(schedule.inserted).toEqual([]);
  expect(faultsOf(schedule, asked)).toEqual([]);
});

/** When each step began and by whom, as a schedule that is kept hands it on. */
const startsOf = ({ tasks }: Schedule): StepStart[] =>
  tasks
    .filter(({ part, isInserted }) => part === 1 && !isInserted)
    .map(({ resources, ...task }) => ({
      ...task,
      personId: resources.find((each) => each.startsWith('technician:'))?.slice('technician:'.length),
    }));

test.each([[['chips', 'dent', 'trim']], [KINDS], [['bare', 'bare', 'trim', 'brackets', 'cap']]])(
  'kept without a move nothing moves: %p',
  (kinds) => {
    const asked = { shop: two, start: MONDAY, panels: panelsOf(kinds, two) };
    const before = scheduleOf(asked);
    const again = scheduleOf({ ...asked, before: startsOf(before), effort: 'keep' });
    expect(again.tasks).toEqual(before.tasks);
  },
);

test('wherever work is moved to, the rest keeps hours, resources, order and windows', () => {
  const asked = { shop: two, start: MONDAY, panels: panelsOf(KINDS, two) };
  const before = startsOf(scheduleOf(asked));
  fc.assert(
    fc.property(fc.nat(before.length - 1), fc.integer({ min: 5, max: 900 }), (nth, byMin) => {
      const { jobId, panelId, n, op, startMin } = before[nth]!;
      const pins = [{ jobId, panelId, n, startMin: startMin + byMin }];
      const schedule = scheduleOf({ ...asked, before, pins, effort: 'keep' });
      expect(faultsOf(schedule, asked)).toEqual([]);
      const moved = schedule.tasks.find(
        (task) => task.panelId === panelId && task.n === n && !task.isInserted,
      );
      // A wait that is over by then has no time of its own; work never falls away.
      if (!moved && (op === 'flash' || op === 'cure')) return;
      expect(moved?.startMin).toBeGreaterThanOrEqual(startMin + byMin - 0.5);
    }),
    runsOf(18),
  );
});

test.each(['2026-12-31', '2027-02-26', '2027-03-26', '2026-10-23'])(
  'the end of a month or a year, or the days on which clocks change, is a day like others: from %s',
  (startOn) => {
    const asked = { shop: two, start: { startOn, startMin: 480 }, panels: panelsOf(['dent', 'bare'], two) };
    const schedule = scheduleOf(asked);
    expect(faultsOf(schedule, asked)).toEqual([]);
    const days = new Set(schedule.tasks.map(({ startMin }) => momentOf(asked.start, startMin).startOn));
    for (const day of days) expect(weekdayOf(day)).toBeLessThan(5);
  },
);

test('a window that no hours keep is mended, and what was put in says why and what it costs', () => {
  // Bare metal is abraded, and the only person goes home for two days at once.
  const shop = shopOf({
    people: [{ id: '1', name: 'Prep 1', days: [1], hours: { from: '08:00', to: '09:00' } }],
  });
  const panels = panelsOf(['bare'], shop);
  const asked = { shop, start: MONDAY, panels, effort: 'rules' } as const;
  const schedule = scheduleOf(asked);
  expect(faultsOf(schedule, asked)).toEqual([]);
  for (const { why, handsOnMin } of schedule.inserted) {
    expect(why).not.toBe('');
    expect(handsOnMin).toBeGreaterThanOrEqual(0);
  }
});

test.each([
  [
    'no working day',
    { people: [{ ...people(1)[0]!, daysOff: [{ from: '2026-01-01', to: '2030-01-01' }] }] },
    /Nobody works/,
  ],
  ['breaks all day', { breaks: [{ from: '00:00', to: '24:00' }] }, /Nobody works/],
  ['a day that ends before it begins', { rules: { dayBeginsHour: 11, dayEndsHour: 12 }, holidays: [] }, null],
])('%s is said, or scheduled', (_, facts, message) => {
  const shop = shopOf(facts);
  const made = makeSchedule({ shop, start: MONDAY, panels: panelsOf(['corner'], two), effort: 'rules' });
  if (message) expect(made).toMatchObject({ ok: false, message: expect.stringMatching(message) as string });
  else expect(made.ok).toBe(true);
});

test('what is due yesterday is late, by how much', () => {
  const [panel] = panelsOf(['corner'], two);
  const due = { startOn: '2026-12-06', startMin: 1020 };
  const { late, panels } = scheduleOf({ shop: two, start: MONDAY, panels: [{ ...panel!, due }] });
  expect(late).toEqual([{ jobId: 'job', panelId: 'corner-1', byMin: panels[0]!.finishMin + 900 }]);
});

test('a panel without a plan waits, and says for what', () => {
  const waiting = { jobId: 'job', panelId: 'door', name: 'Door', plan: null };
  const { waiting: said } = scheduleOf({ shop: two, start: MONDAY, panels: [waiting] });
  expect(said).toEqual([
    { jobId: 'job', panelId: 'door', name: 'Door', text: expect.stringContaining('not planned') as string },
  ]);
});

test('a panel whose hand-over is in its record is nobody’s work; one that was worked on after it is', () => {
  const [panel] = panelsOf(['corner'], two);
  const { acts } = panel!.plan!.systems.find(({ id }) => id === panel!.plan!.chosen)!;
  const handOver = acts.find(({ op }) => op === 'hand-over')!;
  const doneAt = (toMin: number, act: (typeof acts)[number]) => ({
    op: act.op,
    zones: act.zones,
    real: { toMin },
  });
  const past = (done: readonly ReturnType<typeof doneAt>[]) => ({
    ...MONDAY,
    done,
    doneSteps: acts.flatMap(({ op }, i) => (op === 'hand-over' ? [] : [i + 1])),
  });
  const of = (done: readonly ReturnType<typeof doneAt>[]) =>
    scheduleOf({ shop: two, start: MONDAY, panels: [{ ...panel!, past: past(done) }] }).panels.length;
  const wash = acts.find(({ op }) => op === 'wash' || op === 'degrease')!;
  expect(of([doneAt(5, wash), doneAt(10, handOver)])).toBe(0);
  expect(of([doneAt(5, handOver), doneAt(10, wash)])).toBe(1);
});

test('of two panels the one that is due goes first', () => {
  const one = shopOf({ people: people(1) });
  const [a, b] = panelsOf(['dent', 'dent'], one);
  const due = { startOn: '2026-12-09', startMin: 720 };
  const late = scheduleOf({ shop: one, start: MONDAY, panels: [a!, { ...b!, due }] });
  expect(late.late).toEqual([]);
});
