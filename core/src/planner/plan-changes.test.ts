import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf } from '../testing/bench.ts';
import { makePlan } from './make-plan.ts';
import { changesSince, type InputsNow } from './plan-changes.ts';
import { PLANNER_VERSION, storedPlanOf } from './stored-plan.ts';

const epoxy = GENERIC_SHELF.find(({ id }) => id === 'epoxy-1-1')!;
const texture = GENERIC_SHELF.find(({ kind }) => kind === 'texture')!;
const now: InputsNow = {
  panel: panelOf([{ stack: 'steel' }]),
  shop: shopSchema.parse({ nightCelsius: 14 }),
  target: targetSchema.parse({}),
  sheets: [epoxy, texture],
};
const plan = makePlan(now);
const [zone] = now.panel.zones;

/** The same fields, written in the opposite order. */
const backwards = <T extends object>(value: T): T => Object.fromEntries(Object.entries(value).reverse()) as T;

test.each<[string, Partial<InputsNow>, string[]]>([
  ['nothing', {}, []],
  ['the order in which fields were written', { panel: backwards(now.panel) }, []],
  [
    'readings of film, which are taken after it',
    { panel: { ...now.panel, zones: [{ ...zone!, readings: [{ after: 'build', um: 120 }] }] } },
    [],
  ],
  ['the survey', { panel: panelOf([{ stack: 'steel/ecoat:20' }]) }, ['survey']],
  ['the shop', { shop: { ...now.shop, celsius: 14 } }, ['shop']],
  ['the night of the shop', { shop: { ...now.shop, nightCelsius: 9 } }, ['shop']],
  [
    'who works when, prices, and what lies at the bench',
    {
      shop: {
        ...now.shop,
        people: [{ id: 'a', name: 'Prep A', daysOff: [{ from: '2026-12-07', to: '2026-12-08' }] }],
        breaks: [{ from: '12:00', to: '12:30' }],
        holidays: ['2026-12-24'],
        currency: 'SEK',
        cups: [],
        rules: { labourPerHour: 80, discPrice: 2 },
      },
      sheets: [{ ...epoxy, pricePerLitre: 99, version: 2 }, texture],
    },
    [],
  ],
  ['a figure of the shop', { shop: { ...now.shop, rules: { bareMetalLimitMin: 45 } } }, ['shop']],
  ['the target', { target: targetSchema.parse({ quality: 'show' }) }, ['target']],
  ['a sheet that it uses', { sheets: [{ ...epoxy, potLifeMin: 30 }, texture] }, ['sheets']],
  ['a sheet that it does not use', { sheets: [epoxy, { ...texture, potLifeMin: 30 }] }, []],
  ['all but one of them', { shop: { ...now.shop, celsius: 9 }, sheets: [] }, ['shop', 'sheets']],
])('a plan says what changed since: %s', (_, changed, inputs) => {
  expect(changesSince(plan, { ...now, ...changed })).toEqual(inputs);
});

test('a plan of another planner is named so, one of another format cannot be opened', () => {
  expect(changesSince({ ...plan, plannerVersion: PLANNER_VERSION - 1 }, now)).toEqual(['programme']);
  expect(storedPlanOf(plan)).toBe(plan);
  for (const body of [null, 7, {}, { systems: [] }, { ...plan, formatVersion: 99 }])
    expect(storedPlanOf(body)).toBeNull();
});
