import { DEFECTS } from '../operations/mishaps.ts';
import type { PlanTask } from '../planner/bench-of-task.ts';
import { makePlan } from '../planner/make-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf } from '../testing/bench.ts';
import { entriesAsPlanned } from '../testing/record.ts';
import type { NewEntry } from './entry.ts';
import { foldRecord, pastOf } from './fold.ts';
import { cardState, handOverCard, uncheckedOf } from './hand-over.ts';
import { cardWords, notCheckedLines } from './card-words.ts';
import { checksOf } from './checks.ts';
import { besideEachPlan, plannedBesideDone } from './planned-done.ts';
import { trueState } from './true-state.ts';

const task: PlanTask = {
  panel: panelOf([
    { id: 'A', areaM2: 0.8, stack: 'steel/ecoat:20/old-finish:95' },
    { id: 'B', areaM2: 0.3, stack: 'steel', findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  ]),
  shop: shopSchema.parse({ celsius: 20, nightCelsius: 18 }),
  target: targetSchema.parse({ base: { color: '#20404a', contrast: 0.5 } }),
  startOn: '2026-12-07',
};
const { view, actsOf } = openPlan(makePlan(task));
const system = view.systems.find(({ id }) => id === view.chosen)!;
const done = entriesAsPlanned(system.steps, actsOf(system.id));
const plan = { planId: 'plan', steps: system.steps };
const cardOf = (record: readonly NewEntry[]) => handOverCard(foldRecord(task, record), record, { plan });
const lastMin = system.steps.at(-1)!.endMin;
const ref = (n: number) => ({ planId: 'plan', n });
/** The same with its acts at their steps of the plan. */
const byPlan = done.map(
  (entry, i) => ({ ...entry, body: { ...entry.body, step: ref(system.steps[i]!.n) } }) as NewEntry,
);
/** Every check that the steps ask for, made by somebody at the end. */
const checked = system.steps.flatMap((each) =>
  checksOf(each).map(
    ({ check }, i) =>
      ({
        id: `check-${each.n}-${i}`,
        at: done.at(-1)!.at,
        by: 'Prep B',
        kind: 'check',
        body: { check, outcome: 'passes', step: ref(each.n) },
      }) as NewEntry,
  ),
);
const later = (kind: NewEntry['kind'], body: object, id: string = kind): NewEntry =>
  ({ id, at: done.at(-1)!.at, by: 'Prep B', kind, body }) as NewEntry;
const step = (op: string): number => done.findIndex((entry) => entry.kind === 'act' && entry.body.op === op);
const withBody = (nth: number, body: object): NewEntry[] =>
  done.map((entry, i) => (i === nth ? ({ ...entry, body: { ...entry.body, ...body } } as NewEntry) : entry));

test('done as planned: nothing deviates, base may go on inside the window of the last coat', () => {
  const card = cardOf(done);
  expect(card).toMatchObject({ deviations: [], broken: [], notYet: [] });
  expect(card.people).toEqual([{ name: 'Prep A', nActs: system.steps.length }]);
  const last = system.steps.findLast(({ op }) => op === 'seal')!;
  expect(card.window!.closesMin! - last.endMin).toBeCloseTo(last.window!.closesMin, 0);
  expect(card.areas.map(({ area }) => area)).toEqual(['A', 'B']);
  expect(card.areas[1]!.layers.map(({ kind }) => kind)).toEqual(['steel', 'epoxy', 'build', 'sealer']);
  expect(card.forPainter.join(' ')).toMatch(/the base hides in \d+ coats?, by its hiding card/);
});

test('before the last coat it may not be handed over, and the card says why', () => {
  const card = cardOf(done.slice(0, step('seal')));
  expect(card.notYet.length).toBeGreaterThan(0);
  expect(card.window).toBeNull();
});

test('a hand-over of one zone alone does not make the panel ready', () => {
  const early = { ...done.at(-1)!, body: { op: 'hand-over', zones: ['A'] } } as NewEntry;
  const card = cardOf([...done.slice(0, step('prime-epoxy')), early]);
  expect(card.notYet.length).toBeGreaterThan(0);
});

test('a gauge reading is the film of the card; other coats, a failed check and a defect stand as deviations', () => {
  const nth = step('prime-build');
  const build = done[nth]!;
  const more: NewEntry[] = [
    ...withBody(nth, { coats: 2, instead: { coats: 4 } }).slice(0, nth + 1),
    { ...build, id: 'r', kind: 'reading', body: { zone: 'B', kind: 'film', um: [148, 152] } } as NewEntry,
    { ...build, id: 'd', kind: 'defect', body: { defect: 'dust-nibs', zones: ['B'] } } as NewEntry,
    { ...build, id: 'c', kind: 'check', body: { check: 'film', outcome: 'fails', zones: ['B'] } } as NewEntry,
  ];
  const card = cardOf(more);
  expect(card.areas.find(({ area }) => area === 'B')).toMatchObject({ filmUm: 150, isMeasured: true });
  expect(card.deviations).toEqual([
    'Dust nibs on B, found on the way.',
    'High-build on B: coats differ, 4 were planned.',
    'Not passed: Film is read.',
  ]);
});

test('planned beside done: pairs by the step that an entry names, tells what differs and what was left out', () => {
  const nth = step('prime-build');
  const record = withBody(nth, { coats: 3 }).filter((_, i) => i !== step('wash'));
  const rows = plannedBesideDone(system.steps, trueState(task, record).steps);
  const of = (op: string) => rows.find(({ planned }) => planned?.op === op)!;
  expect(of('wash').as).toBe('left-out');
  expect(of('prime-build').deviations).toContainEqual({
    field: 'coats',
    planned: system.steps[nth]!.coats,
    done: 3,
  });
  expect(of('seal').as).toBe('as-planned');
  const [extra] = plannedBesideDone([], trueState(task, done.slice(0, 1)).steps);
  expect(extra!.as).toBe('unplanned');
});

test('planned again on the way: each act beside the plan that it was done by, the rest beside the newest', () => {
  const nBefore = step('prime-epoxy') + 1;
  const before = withBody(step('prime-epoxy'), { coats: 1 }).slice(0, nBefore);
  const { view: later } = openPlan(makePlan({ ...task, ...pastOf(before) }));
  const newest = later.systems.find(({ id }) => id === later.chosen)!;
  const acts = trueState(task, before).steps.map((each, i) => ({ done: each, planId: 'first', n: i + 1 }));
  const rows = besideEachPlan(
    [
      { planId: 'first', steps: system.steps },
      { planId: 'second', steps: newest.steps },
    ],
    acts,
  );
  const done_ = rows.slice(0, nBefore);
  expect(done_.map(({ planned }) => planned!.n)).toEqual(acts.map(({ n }) => n));
  // One coat in place of two: said beside the plan that asked for two.
  expect(done_.at(-1)!.deviations.map(({ field }) => field)).toContain('coats');
  expect(rows.slice(nBefore).map(({ as }) => as)).toEqual(
    newest.steps.filter(({ isDone }) => !isDone).map(() => 'to-do'),
  );
  // Without a second plan it is the plan beside all that was done.
  expect(besideEachPlan([{ planId: 'first', steps: system.steps }], acts)).toHaveLength(system.steps.length);
  expect(besideEachPlan([], acts.slice(0, 1))).toMatchObject([{ as: 'unplanned' }]);
});

describe('how far a panel is', () => {
  const stateOf = (record: readonly NewEntry[]) => cardState(cardOf(record), lastMin);
  const whole = [...byPlan, ...checked];

  test('every step tapped and nothing checked is not checked; with every check it is ready', () => {
    expect(stateOf(byPlan)).toBe('not-checked');
    const nAsked = checked.length;
    expect(notCheckedLines(cardOf(byPlan))).toEqual([
      `0 of ${nAsked} checks made`,
      'no readings',
      expect.stringMatching(/^\d+ products without a batch$/),
    ]);
    expect(stateOf(whole)).toBe('ready');
    expect(stateOf(whole.slice(0, -1))).toBe('not-checked');
  });

  test('a check that is waived is answered for by name; one that failed last holds the panel', () => {
    const [first, ...others] = checked;
    const waived = { ...first!, body: { ...first!.body, outcome: 'waived', text: 'no gauge' } } as NewEntry;
    expect(stateOf([...byPlan, ...others, waived])).toBe('ready');
    // Waived is not made.
    expect(notCheckedLines(cardOf([...byPlan, waived]))).toEqual(
      expect.arrayContaining([`0 of ${checked.length} checks made`, '1 waived']),
    );
    const failed = { ...first!, id: 'failed', body: { ...first!.body, outcome: 'fails' } } as NewEntry;
    expect(stateOf([...whole, failed])).toBe('not-ready');
    // Three times not passed, and passed in the end: ready, and never left unsaid.
    const often = [1, 2, 3].map((nth) => ({ ...failed, id: `failed-${nth}` }));
    const card = cardOf([...byPlan, ...often, ...checked]);
    expect(cardState(card, lastMin)).toBe('ready');
    expect(card.deviations).toEqual([expect.stringMatching(/: failed 3 times before it passed\.$/)]);
    const said = cardWords(cardOf([...byPlan, ...others, waived]), lastMin, 'metric').sections;
    expect(said.find(({ title }) => title === 'Checks and readings')!.lines.join()).toMatch(
      /waived by Prep B \(no gauge\)/,
    );
  });

  test('a defect after the hand-over makes it not ready, whatever was signed', () => {
    const signed = later('sign', { name: 'Prep A', state: 'ready' });
    const sag = later('defect', { defect: 'sag', zones: ['B'] });
    expect(cardOf([...whole, signed]).signedBy).toMatchObject([{ state: 'ready', nSince: 0 }]);
    const card = cardOf([...whole, signed, sag]);
    expect(cardState(card, lastMin)).toBe('not-ready');
    expect(card.signedBy).toMatchObject([{ name: 'Prep A', nSince: 1 }]);
    const { verdict } = cardWords(card, lastMin, 'metric');
    expect(verdict.lines.at(-1)).toMatch(/as ready for base; 1 entry made since then/);
  });

  test.each(DEFECTS)('%s that somebody found holds every area until something is done there', (defect) => {
    for (const zone of ['A', 'B']) {
      const found = later('defect', { defect, zones: [zone] });
      const card = cardOf([...whole, found]);
      expect(cardState(card, lastMin)).toBe('not-ready');
      expect(cardWords(card, lastMin, 'metric').verdict.lines.join(' ')).toMatch(
        /found, and nothing was done there since/,
      );
      const sanded = later('act', { op: 'abrade', zones: [zone], grits: ['P600'], tool: 'hand' }, 'sanded');
      expect(cardOf([...whole, found, sanded]).openDefects).toEqual([]);
      const masked = later('act', { op: 'mask', zones: [zone] }, 'masked');
      expect(cardOf([...whole, found, masked]).openDefects).toHaveLength(1);
    }
  });

  test('steps that were passed over, a rule that was not kept, and a hand-over that nobody entered are counted', () => {
    const without = byPlan.filter((_, i) => i !== step('wash') && i !== byPlan.length - 1);
    const card = cardOf([...without, ...checked]);
    expect(cardState(card, lastMin)).not.toBe('ready');
    expect(notCheckedLines(card)).toEqual(
      expect.arrayContaining(['1 step of the plan left out', 'the hand-over itself not recorded']),
    );
    expect(card.isHanded).toBe(false);
  });

  test('work after the hand-over asks for another one', () => {
    const denib = later('act', { op: 'denib', zones: ['B'], grits: ['P1000'], tool: 'hand' }, 'denib');
    const card = cardOf([...whole, denib]);
    expect(card.isHanded).toBe(false);
    expect(cardState(card, lastMin)).not.toBe('ready');
    const again = later('act', { op: 'hand-over', zones: ['A', 'B'] }, 'again');
    expect(cardOf([...whole, denib, again]).isHanded).toBe(true);
  });

  test('base ends it: no window runs out any more', () => {
    const card = cardOf([...whole, later('base', {})]);
    expect(cardState(card, lastMin + 20 * 24 * 60)).toBe('base-on');
    expect(cardWords(card, lastMin, 'metric').verdict.title).toBe('Base is on');
  });

  test('an act of no plan asks for its checks on its areas', () => {
    const block = later('act', { op: 'flash', zones: ['A', 'B'] }, 'own');
    const of = (more: readonly NewEntry[]) =>
      uncheckedOf(cardOf([...whole, block, ...more])).map(({ check }) => check);
    expect(of([])).toEqual(['fingertip']);
    expect(of([later('check', { check: 'fingertip', outcome: 'passes', zones: ['B', 'A'] })])).toEqual([]);
  });
});

describe('the card in words', () => {
  const words = (record: readonly NewEntry[], nowMin: number) => cardWords(cardOf(record), nowMin, 'metric');

  test('ready inside the window, with the time of day at which it closes; missed after it', () => {
    const { verdict, asOf } = words([...byPlan, ...checked], lastMin);
    expect(asOf).toMatch(/^By the record as it stood on \w{3} \d+ Dec 2026 \d\d:\d\d\.$/);
    expect(verdict.state).toBe('ready');
    expect(verdict.lines[0]).toMatch(/^Base from \w{3} \d+ Dec \d\d:\d\d until \w{3} .*, .* from now\.$/);
    const missed = words([...byPlan, ...checked], lastMin + 20 * 24 * 60).verdict;
    expect(missed).toMatchObject({ state: 'not-ready', title: 'The window to base has closed' });
    expect(missed.lines[0]).toMatch(/Scuff and clean before base\.$/);
  });

  test('not yet: why, and no window', () => {
    const { verdict } = words(done.slice(0, step('seal')), 0);
    expect(verdict).toMatchObject({ state: 'not-ready', title: 'Not ready for base' });
    expect(verdict.lines.length).toBeGreaterThan(0);
  });

  test('layers from the top down in the reader’s units, and rules that were not kept once of each kind', () => {
    const late = done.map((entry, i) =>
      i < step('prime-epoxy') ? { ...entry, at: '2026-12-06T08:00:00Z' } : entry,
    );
    const { areas, sections } = cardWords(cardOf(late), lastMin, 'us');
    expect(areas[1]!.layers.map(({ kind }) => kind)).toEqual(['sealer', 'build', 'epoxy', 'steel']);
    expect(areas[1]!.layers[0]!.film).toMatch(/mil$/);
    const lines = sections.find(({ title }) => title === 'Otherwise than planned')!.lines;
    const kinds = cardOf(late).broken.map(({ said }) => said.code);
    expect(new Set(kinds).size).toBe(kinds.length);
    expect(lines.filter((line) => line.startsWith('Not by the rules:'))).toHaveLength(kinds.length);
  });
});
