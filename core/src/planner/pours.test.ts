import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { sheetSchema } from '../materials/sheet.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { makePlan } from './make-plan.ts';
import { combinedPour, potOf, shoppingOf, type Pour } from './pours.ts';
import { openPlan } from './view-plan.ts';

/** What is mixed for a plan: enough, no more than can be poured, and by scale what it is by volume. */

const DENT: readonly ZoneSketch[] = [
  {
    stack: 'steel/ecoat:20/old-finish:95',
    areaM2: 1.2,
    findings: [{ kind: 'low', depthMm: 1.5, sizeMm: 80 }],
  },
];

function poursFor(
  zones: readonly ZoneSketch[],
  { shop = {}, sheets = [], count = 1 }: { shop?: object; sheets?: readonly object[]; count?: number } = {},
): readonly Pour[] {
  const plan = openPlan(
    makePlan({
      panel: panelOf(zones, { count }),
      shop: shopSchema.parse(shop),
      target: targetSchema.parse({}),
      sheets: sheets.map((sheet) => sheetSchema.parse(sheet)),
    }),
  );
  return plan.poursOf(plan.view.chosen!);
}

const genericOf = (id: string) => GENERIC_SHELF.find((sheet) => sheet.id === id)!;

test('every step that lays something has a pour, by the number of its step, that covers what it takes', () => {
  for (const zones of [
    DENT,
    [{ stack: 'plastic-olefin', areaM2: 0.4 }],
    [{ stack: 'aluminium', areaM2: 12 }],
  ]) {
    const pours = poursFor(zones);
    expect(pours.length).toBeGreaterThan(0);
    for (const { pots, potMl, lastPotMl = potMl, needMl, leftoverMl, parts, sheetId } of pours) {
      const mixedMl = (pots - 1) * potMl + lastPotMl;
      expect(mixedMl).toBeGreaterThanOrEqual(needMl - 0.1);
      expect(leftoverMl).toBeCloseTo(mixedMl - needMl, 1);
      expect(parts.at(-1)!.readMl).toBeCloseTo(potMl, 1);
      const grams = parts.reduce((sum, part) => sum + part.grams!, 0);
      expect(Math.abs(parts.at(-1)!.readGrams! - grams)).toBeLessThan(0.3);
      for (const { ml } of parts) expect([sheetId, ml > 0]).toEqual([sheetId, true]);
    }
  }
});

test('parts are those of the sheet, and readings add up', () => {
  const build = poursFor(DENT).find(({ op }) => op === 'prime-build')!;
  const [base, hardener, thinner] = build.parts;
  expect(base!.ml / hardener!.ml).toBeCloseTo(4, 1);
  expect(thinner!.readMl).toBeCloseTo(build.potMl, 1);
  expect(base!.grams! / base!.ml).toBeCloseTo(1.55, 1);
});

test('filler takes its hardener by mass', () => {
  const fill = poursFor(DENT).find(({ op }) => op === 'fill')!;
  const [filler, hardener] = fill.parts;
  expect(hardener!.grams! / filler!.grams!).toBeCloseTo(0.02, 1);
});

test('coats that lie further apart than the pot life take a pot each', () => {
  const slow = {
    ...genericOf('epoxy-1-1'),
    potLifeMin: 20,
    flash: { betweenCoatsMin: 45, beforeNextMin: 45 },
  };
  const epoxy = poursFor(DENT, { sheets: [slow] }).find(({ op }) => op === 'prime-epoxy')!;
  expect(epoxy.pots).toBe(2);
  const usual = poursFor(DENT).find(({ op }) => op === 'prime-epoxy')!;
  expect(usual.pots).toBe(1);
});

test('of three coats in two pots the last pot is smaller, and nothing more is mixed than is laid', () => {
  const build = poursFor(DENT, { shop: { celsius: 32 }, count: 20 }).find(({ op }) => op === 'prime-build')!;
  expect(build.pots).toBe(2);
  expect(build.lastPotMl).toBeLessThan(build.potMl);
  expect(build.leftoverMl).toBeLessThan(30);
  const last = potOf(build, 1);
  expect(last.potMl).toBe(build.lastPotMl);
  expect(last.parts.at(-1)!.readMl).toBeCloseTo(build.lastPotMl!, 1);
  expect(potOf(build, 0).parts).toEqual(build.parts);
  const [first] = shoppingOf([build]);
  expect(first!.ml).toBeCloseTo(build.parts[0]!.ml + last.parts[0]!.ml, 1);
});

test.each([
  [
    'paste for a crack',
    'plastic-olefin/old-finish:90',
    { kind: 'crack', lengthMm: 40 },
    'plastic-repair',
    30,
  ],
  [
    'filler for a small dent',
    'steel/ecoat:20/old-finish:95',
    { kind: 'low', depthMm: 0.8, sizeMm: 30 },
    'fill',
    30,
  ],
  [
    'glaze for a ding',
    'steel/ecoat:20/old-finish:95',
    { kind: 'low', depthMm: 0.3, sizeMm: 30 },
    'glaze',
    10,
  ],
])('no less is mixed than can be measured: %s', (_, stack, finding, op, leastGrams) => {
  const pours = poursFor([{ stack, areaM2: 1.2, findings: [finding] }]);
  const { parts, leftoverMl } = pours.find((pour) => pour.op === op)!;
  expect(parts.reduce((sum, { grams }) => sum + grams!, 0)).toBeGreaterThanOrEqual(leastGrams - 0.1);
  expect(leftoverMl).toBeGreaterThan(0);
});

const leastGrams = ({ parts }: Pour): number => Math.min(...parts.map(({ grams }) => grams!));

test('for one chip as much is mixed as the scale can measure: by brush, for the small gun', () => {
  const chips = (rules: object): readonly Pour[] =>
    poursFor(
      [
        {
          stack: 'steel/ecoat:20/old-finish:95',
          areaM2: 1.2,
          findings: [{ kind: 'chips', count: 1, sizeMm: 4 }],
        },
      ],
      { shop: { rules } },
    );
  const [epoxy, build, sealer] = chips({});
  expect(epoxy).toMatchObject({ sheetId: 'epoxy-1-1-brush', potMl: 10, lossMl: 2 });
  expect(build).toMatchObject({ op: 'prime-build', lossMl: 15 });
  for (const pour of [build!, sealer!]) {
    expect(pour.potMl).toBeGreaterThanOrEqual(40);
    expect(leastGrams(pour)).toBeGreaterThanOrEqual(5 - 0.01);
  }
  const own = chips({ leastSmallMixMl: 250, leastBrushMl: 20 });
  expect(own.slice(0, 2).map(({ potMl }) => potMl)).toEqual([20, 250]);
});

test('for more than a small place a cup of the big gun is mixed', () => {
  const small = [{ stack: 'steel', areaM2: 0.3 }];
  expect(poursFor(small)[0]).toMatchObject({ op: 'prime-epoxy', lossMl: 60 });
  for (const { potMl } of poursFor(small)) expect(potMl).toBeGreaterThanOrEqual(80);
  expect(poursFor(small, { shop: { rules: { leastMixMl: 400 } } })[0]!.potMl).toBe(400);
});

test('a coat that takes longer than the pot life is laid from several pots', () => {
  const epoxy = poursFor([{ stack: 'steel', areaM2: 40 }], { shop: { celsius: 32 } })[0]!;
  expect(epoxy.potsACoat).toBeGreaterThan(1);
  expect(epoxy.pots % epoxy.potsACoat!).toBe(0);
  const glaze = poursFor([{ stack: 'steel/filler:900', areaM2: 6, findings: [{ kind: 'pinholes' }] }])[0]!;
  expect(glaze.potsACoat).toBeGreaterThan(1);
});

test('panels that are sprayed together share one mix, and the loss of one', () => {
  const build = poursFor(DENT).find(({ op }) => op === 'prime-build')!;
  const both = combinedPour([build, build])!;
  expect(both.needMl).toBeCloseTo(2 * build.needMl - build.lossMl, 1);
  expect(build.lossMl).toBeGreaterThan(0);
  expect(both.potMl).toBeGreaterThanOrEqual(both.needMl);
  expect(both.parts.at(-1)!.readMl).toBeCloseTo(both.potMl, 0);
  expect(combinedPour([build, { ...build, sheetId: 'other' }])).toBeNull();
  expect(combinedPour([build, { ...build, pots: 2 }])).toBeNull();
  const soft = {
    ...build,
    parts: [...build.parts, { name: 'flexible additive', canOf: 'x', ml: 30, readMl: 200 }],
  };
  expect(combinedPour([build, soft])).toBeNull();
});

test('a warm shop shortens the pot life; a batch of parts is mixed in one', () => {
  const potLife = (shop: object): number =>
    poursFor(DENT, { shop }).find(({ op }) => op === 'prime-build')!.potLifeMin!;
  expect(potLife({ celsius: 30 })).toBeCloseTo(potLife({ celsius: 20 }) / 2, 0);
  const need = (count: number): number =>
    poursFor([{ stack: 'steel', areaM2: 0.1 }], { count }).find(({ op }) => op === 'prime-epoxy')!.needMl;
  expect(need(10) - need(1)).toBeGreaterThan(0);
  expect(need(10)).toBeLessThan(10 * need(1));
});

test('a flexible part has its additive in the pot', () => {
  const pours = poursFor([{ stack: 'plastic-olefin', areaM2: 0.4 }]);
  const additive = pours.flatMap(({ parts }) => parts.filter(({ name }) => name === 'flexible additive'));
  expect(additive.length).toBeGreaterThan(0);
});

test('what is wanted is added up by product and component', () => {
  const pours = poursFor(DENT);
  const wanted = shoppingOf([...pours, ...pours]);
  const once = shoppingOf(pours);
  expect(wanted.map(({ ml }) => ml)).toEqual(once.map(({ ml }) => expect.closeTo(2 * ml, 1)));
  expect(new Set(once.map(({ sheetId, component }) => `${sheetId} ${component}`)).size).toBe(once.length);
});

test('epoxy and its reduced way are poured from the same cans, and bought once', () => {
  const through = { kind: 'rub-through', spotMm: 15, count: 1 };
  const spot: ZoneSketch = { stack: 'steel/ecoat:20/old-finish:110', areaM2: 1.2, findings: [through] };
  const [epoxy] = poursFor([{ stack: 'steel', areaM2: 1 }]);
  const [reduced] = poursFor([spot], { shop: { noneOf: ['sealer', 'wet-on-wet'] } });
  expect([epoxy!.sheetId, reduced!.sheetId]).toEqual(['epoxy-1-1', 'epoxy-1-1-sealer']);
  const mlOf = (i: number) => (epoxy!.parts[i]?.ml ?? 0) + reduced!.parts[i]!.ml;
  expect(shoppingOf([epoxy!, reduced!])).toEqual([
    { sheetId: 'epoxy-1-1', component: 'epoxy base', ml: expect.closeTo(mlOf(0), 1) },
    { sheetId: 'epoxy-1-1', component: 'epoxy hardener', ml: expect.closeTo(mlOf(1), 1) },
    { sheetId: 'epoxy-1-1-sealer', component: 'epoxy thinner', ml: expect.closeTo(mlOf(2), 1) },
  ]);
});

test('hardener is chosen by the air of the hour in which it is mixed, not by the shop’s usual figure', () => {
  const build = genericOf('build-4-1-1');
  const [base, hardener, ...more] = build.components;
  const fast = { ...hardener!, name: 'fast hardener', fromCelsius: -20, toCelsius: 18 };
  const sheet = {
    ...build,
    id: 'own-build',
    components: [base!, { ...hardener!, choices: [fast] }, ...more],
  };
  const cool = [0, 12].map((hour) => ({ hour, celsius: 16, relativeHumidity: 45 }));
  const partsIn = (shop: object) =>
    poursFor(DENT, { shop: { celsius: 22, ...shop }, sheets: [sheet] })
      .filter(({ sheetId }) => sheetId === 'own-build')
      .flatMap(({ parts }) => parts.map(({ name }) => name));
  expect(partsIn({})).not.toContain('fast hardener');
  expect(partsIn({ usualDay: cool })).toContain('fast hardener');
});
