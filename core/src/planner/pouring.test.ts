import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { sheetSchema, type ProductSheet, type ProductSheetInput } from '../materials/sheet.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { withThings } from '../survey/shop-things.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { makePlan } from './make-plan.ts';
import { needsOf } from './needs.ts';
import { changesSince } from './plan-changes.ts';
import { quoteOf } from './quote.ts';
import { openPlan } from './view-plan.ts';

/** What a shop's own products, guns and base do to a plan, its pours, its spraying and its price. */

const DENT: readonly ZoneSketch[] = [
  {
    stack: 'steel/ecoat:20/old-finish:95',
    areaM2: 1.2,
    findings: [{ kind: 'low', depthMm: 1.5, sizeMm: 80 }],
  },
];
const BARE: readonly ZoneSketch[] = [{ stack: 'steel', areaM2: 1.5 }];

interface Asked {
  readonly shop?: object;
  readonly target?: object;
  readonly sheets?: readonly ProductSheet[];
  readonly panel?: object;
}

function planFor(
  zones: readonly ZoneSketch[],
  { shop = {}, target = {}, sheets = [], panel = {} }: Asked = {},
) {
  const inputs = {
    panel: panelOf(zones, panel),
    shop: shopSchema.parse(shop),
    target: targetSchema.parse(target),
    sheets,
  };
  const plan = makePlan(inputs);
  const opened = openPlan(plan);
  const chosen = opened.view.chosen!;
  const system = opened.view.systems.find(({ id }) => id === chosen)!;
  return { plan, inputs, opened, chosen, system, pours: opened.poursOf(chosen) };
}

const own = (id: string, changes: Partial<ProductSheetInput> = {}): ProductSheet =>
  sheetSchema.parse({ ...GENERIC_SHELF.find((sheet) => sheet.id === id)!, ...changes });
const gun = {
  id: 'g',
  name: 'gun',
  kind: 'conventional',
  tipsMm: [1.4, 1.8],
  flowMlPerMin: 200,
  fanMm: 250,
  airLPerMin: 300,
  cupMl: 600,
};

test('one product in two ways is laid in both, and its version and change are those of the sheet', () => {
  const sealer = GENERIC_SHELF.find(({ kind, use }) => kind === 'sealer' && use === undefined)!;
  const build = own('build-4-1-1', {
    id: 'both',
    name: 'Both',
    modes: [
      {
        id: 'seal',
        name: 'as sealer',
        kind: 'sealer',
        film: sealer.film,
        over: sealer.over,
        sandAfterMin: null,
        recoat: sealer.recoat,
        flash: sealer.flash,
        tonesL: [],
      },
    ],
  });
  const { system, plan, inputs, opened } = planFor(DENT, { sheets: [build] });
  const laid = system.steps.flatMap(({ sheetId }) => sheetId ?? []);
  expect(laid).toContain('both');
  expect(laid).toContain('both/seal');
  expect(opened.view.sheetVersions).toMatchObject({ both: 1, 'both/seal': 1 });
  expect(plan.inputs.sheets.map(({ id }) => id)).toEqual(['both']);
  expect(changesSince(plan, inputs)).toEqual([]);
  const dearer = { ...build, version: 2, pricePerLitre: 90 };
  expect(changesSince(plan, { ...inputs, sheets: [dearer] })).toEqual([]);
  const shorter = { ...build, version: 2, potLifeMin: 20 };
  expect(changesSince(plan, { ...inputs, sheets: [shorter] })).toEqual(['sheets']);
});

test('what lands of a gun decides the volume; cups, prices and set-ups leave a plan as it is', () => {
  const mlOf = (shop: object): number =>
    planFor(BARE, { shop }).pours.find(({ op }) => op === 'prime-epoxy')!.needMl;
  expect(mlOf({ guns: [gun] }) - 60).toBeCloseTo((mlOf({}) - 60) * (65 / 40), 0);
  const { plan, inputs } = planFor(BARE, { shop: { guns: [gun] } });
  const cup = { id: 'c', name: 'cup', bottomMm: 70, topMm: 90, heightMm: 120 };
  const things = withThings(inputs.shop, { cups: { c: cup } });
  expect(changesSince(plan, { ...inputs, shop: { ...things, currency: 'EUR', vocLimitGPerL: 400 } })).toEqual(
    [],
  );
  const without = withThings(inputs.shop, { guns: { g: null } });
  expect(changesSince(plan, { ...inputs, shop: without })).toEqual(['shop']);
});

test('heat is that of the shop’s ovens and lamps, no warmer than they get', () => {
  const lamp = { id: 'l', name: 'lamp', kind: 'lamp', mostCelsius: 45 };
  const shop = { schools: { pace: 'same-day' } };
  const bakes = (more: object): readonly string[] =>
    planFor(DENT, { shop: { ...shop, ...more } }).system.steps.flatMap(({ why }) =>
      why.flatMap(({ code, text }) => (code === 'cure.bake' ? [text] : [])),
    );
  expect(bakes({})[0]).toMatch(/panel at 60 °C/);
  expect(bakes({ heaters: [lamp] })[0]).toMatch(/panel at 45 °C/);
  expect(bakes({ profile: 'garage' })).toEqual([]);
  expect(bakes({ profile: 'garage', heaters: [lamp] })[0]).toMatch(/panel at 45 °C/);
});

test('things of a shop are changed one by one, in their place', () => {
  const shop = shopSchema.parse({ guns: [gun, { ...gun, id: 'h', name: 'other' }] });
  const changed = withThings(shop, { guns: { g: { ...shop.guns![0]!, name: 'renamed' } } });
  expect(changed.guns!.map(({ name }) => name)).toEqual(['renamed', 'other']);
  const added = withThings(changed, { guns: { i: { ...shop.guns![0]!, id: 'wrong' }, h: null } });
  expect(added.guns!.map(({ id }) => id)).toEqual(['g', 'i']);
});

test('aerosols are counted in cans, without a mix', () => {
  const aerosol = own('sealer-3-1-1', { form: 'aerosol', canMl: 300 });
  const { pours, opened, chosen } = planFor(DENT, { sheets: [aerosol] });
  const pour = pours.find(({ sheetId }) => sheetId === 'sealer-3-1-1')!;
  expect(pour.cans! * 300).toBeGreaterThanOrEqual(pour.needMl);
  expect((pour.cans! - 1) * 300).toBeLessThan(pour.needMl);
  expect(pour.parts).toEqual([
    { name: aerosol.components[0]!.name, canOf: 'sealer-3-1-1', ml: 300, readMl: 300 },
  ]);
  expect(opened.sprayTasksOf(chosen).map(({ sheetId }) => sheetId)).not.toContain('sealer-3-1-1');
});

test('without a density it is poured by volume from there on', () => {
  const [base, hardener, thinner] = own('build-4-1-1').components;
  const { gramsPerMl: _, ...blind } = hardener!;
  const { pours } = planFor(DENT, { sheets: [own('build-4-1-1', { components: [base!, blind, thinner!] })] });
  const [first, second, third] = pours.find(({ sheetId }) => sheetId === 'build-4-1-1')!.parts;
  expect(first!.readGrams).toBeGreaterThan(0);
  expect([second!.grams, second!.readGrams, third!.readGrams]).toEqual([undefined, undefined, undefined]);
  expect(third!.grams).toBeGreaterThan(0);
});

test('a quote is used material, what is left over and work, and its lines add up to it', () => {
  const { system, pours, opened, inputs } = planFor(DENT, { shop: { rules: { labourPerHour: 60 } } });
  const quote = quoteOf({
    pours,
    steps: system.steps,
    nameOf: (id) => opened.sheetOf(id)!.name,
    shop: inputs.shop,
  });
  const sum = quote.rows.reduce((total, { amount }) => total + amount, 0);
  expect(sum).toBeCloseTo(quote.totalCost, 1);
  expect(quote.totalCost).toBeCloseTo(quote.materialCost + quote.wasteCost + quote.labourCost, 2);
  const stepsMin = system.steps.reduce((total, { handsOnMin }) => total + handsOnMin, 0);
  expect(quote.labourCost).toBeCloseTo(stepsMin, 2);
  // A step is shown to a tenth of a minute, the system to a whole one.
  const roundedMin = 0.5 + 0.05 * system.steps.length;
  expect(Math.abs(stepsMin - system.totals.handsOnMin)).toBeLessThanOrEqual(roundedMin);
  expect(Math.round(quote.materialCost)).toBe(system.totals.materialCost);
});

test('what open plans need is added up by product and component, with the panels', () => {
  const [a, b] = [planFor(DENT), planFor(BARE)];
  const needs = needsOf([
    { job: 'One', panel: 'door', chosen: a.chosen, plan: a.plan },
    { job: 'Two', panel: 'roof', chosen: b.chosen, plan: b.plan },
  ]);
  const epoxy = needs.find(
    ({ sheetId, component }) => sheetId === 'epoxy-1-1' && component === 'epoxy base',
  )!;
  expect(epoxy.panels.map(({ job }) => job)).toEqual(['One', 'Two']);
  expect(epoxy.ml).toBeCloseTo(
    epoxy.panels.reduce((sum, { ml }) => sum + ml, 0),
    1,
  );
});

test('zones that are drawn are sprayed as one; hidden faces are named', () => {
  const square = (x: number, y: number, side: number) => [
    [x, y],
    [x + side, y],
    [x + side, y + side],
    [x, y + side],
  ];
  const zones: readonly ZoneSketch[] = [
    { stack: 'steel', facts: { face: 'inside' }, areaM2: 0.75 },
    { stack: 'steel', areaM2: 0.25, facts: { shape: square(0, 0, 500) } },
  ];
  const { opened, chosen } = planFor(zones, { panel: { outline: square(0, 0, 1000), areaM2: 1 } });
  const [task] = opened.sprayTasksOf(chosen);
  expect(task!.areas).toHaveLength(1);
  expect(task!.areas[0]).toMatchObject({ areaIds: ['A', 'B'], isDrawn: true });
  expect(task!.areas[0]!.areaM2).toBeCloseTo(1, 2);
  expect(task!.hidden).toEqual(['A']);
  const { opened: undrawn, chosen: first } = planFor(BARE);
  expect(undrawn.sprayTasksOf(first)[0]!.areas[0]).toMatchObject({ isDrawn: false, areaM2: 1.5 });
});

test('with a hiding card the tone that hides soonest is taken, without one the nearest', () => {
  const color = '#7a1010';
  const toneWith = (base: object): number | undefined =>
    planFor(DENT, { target: { base: { color, ...base } } }).system.steps.find(({ op }) => op === 'seal')
      ?.toneL;
  const [nearest, serving] = [toneWith({}), toneWith({ contrast: 0.35 })];
  expect(nearest).toBeDefined();
  expect(serving).toBeDefined();
  const why = planFor(DENT, { target: { base: { color, contrast: 0.35 } } })
    .system.steps.find(({ op }) => op === 'seal')!
    .why.find(({ rule }) => rule === 'S4')!;
  expect(why.text).toMatch(/hides in the fewest coats/);
});
