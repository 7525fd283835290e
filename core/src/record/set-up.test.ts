import { makePlan } from '../planner/make-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf } from '../testing/bench.ts';
import { entriesAsPlanned } from '../testing/record.ts';
import type { NewEntry } from './entry.ts';
import { foldRecord, pastOf } from './fold.ts';
import { isKept, setUpOf, systemLike } from './set-up.ts';

const task = {
  panel: panelOf([
    { id: 'A', areaM2: 0.3, stack: 'steel', findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  ]),
  shop: shopSchema.parse({ schools: { build: 'always' } }),
  target: targetSchema.parse({}),
};
const { view, actsOf } = openPlan(makePlan(task));
const { steps } = view.systems.find(({ id }) => id === view.chosen)!;
const entries = entriesAsPlanned(steps, actsOf(view.chosen!));
const sprayed = (values: object): NewEntry[] =>
  entries.map((entry) =>
    entry.kind === 'act' && entry.body.op === 'prime-build'
      ? ({ ...entry, body: { ...entry.body, values } } as NewEntry)
      : entry,
  );

test('the products that were laid, in their order, and the schools of the plan', () => {
  const { products, schools, guns } = setUpOf(foldRecord(task, entries));
  expect(products.map(({ name }) => name)).toEqual([
    ...new Set(steps.flatMap(({ sheetName }) => sheetName ?? [])),
  ]);
  expect(schools).toEqual({ build: 'always' });
  // Nobody wrote down how it was sprayed.
  expect(guns).toEqual([]);
});

test('the same coats are found in another plan, also once the panel was planned again; other coats are not', () => {
  const plan = makePlan(task);
  const setUp = setUpOf(foldRecord(task, entries));
  expect(setUp.coats).toEqual([...new Set(steps.flatMap(({ op, coats }) => (coats ? [op] : [])))]);
  expect(systemLike(setUp, plan)).toBe(view.chosen);
  expect(systemLike({ coats: ['promote', 'prime-plastic'] }, plan)).toBeUndefined();
  // What is left to do at the end is not the system.
  const rest = makePlan({ ...task, ...pastOf(entries.slice(0, -1)) });
  expect(rest.chosen).not.toBe(view.chosen);
  expect(systemLike(setUp, rest)).toBeUndefined();
});

test('how a coat was sprayed is a set-up of the shop, and the same one is kept once', () => {
  const values = { tipMm: 1.8, reductionPercent: 5, bar: 2, celsius: 18 };
  const { guns } = setUpOf(foldRecord(task, sprayed(values)));
  expect(guns).toEqual([{ sheetId: expect.any(String), gunId: 'usual', on: '2026-12-07', ...values }]);
  expect(isKept([], guns[0]!)).toBe(false);
  expect(isKept([{ ...guns[0]!, id: 's1', on: '2026-01-01' }], guns[0]!)).toBe(true);
  expect(isKept([{ ...guns[0]!, id: 's1', tipMm: 1.4 }], guns[0]!)).toBe(false);
});
