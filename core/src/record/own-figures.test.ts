import { wetFilmUm } from '../film/coverage.ts';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { readyVolumeSolids } from '../materials/sheet.ts';
import { makePlan } from '../planner/make-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { withThings } from '../survey/shop-things.ts';
import { shopRule, type ShopRuleName } from '../survey/shop-rules.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { momentAt } from '../testing/record.ts';
import type { NewEntry } from './entry.ts';
import { figureInForce, middleOf, ownFigures, weightedShare, withOwnFigure } from './own-figures.ts';
import { ownSamples } from './own-samples.ts';

/** Records that a shop with figures of its own would write, read by one that reckons with the defaults. */

const GUN = {
  id: 'g1',
  name: 'Build gun',
  kind: 'hvlp',
  tipsMm: [1.3, 1.8],
  flowMlPerMin: 200,
  fanMm: 250,
  airLPerMin: 300,
  cupMl: 600,
} as const;

const OWN = {
  washMinPerM2: 4.4,
  degreaseMinPerM2: 3.4,
  maskMinPerM2: 2.9,
  sprayMinPerM2: 3.6,
  removalCm3PerMin: 2.1,
  stripMinPerM2: 41,
} as const satisfies Partial<Record<ShopRuleName, number>>;
const AIR_FACTOR = 1.4;
const FILM_PERCENT = 118;
const PEEL_UM = 19;

const SKETCHES: readonly (readonly ZoneSketch[])[] = [
  [{ id: 'A', areaM2: 1.8, stack: 'steel', findings: [{ kind: 'coarse-scratches', grit: 'P80' }] }],
  [{ id: 'A', areaM2: 2.6, stack: 'steel/ecoat:20/old-finish:95', findings: [{ kind: 'peeling' }] }],
  [{ id: 'A', areaM2: 3.2, stack: 'steel/ecoat:20/old-finish:420' }],
];

/** Numbers from 0 to 1, the same in each run. */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2 ** 31;
    return state / 2 ** 31;
  };
}

const reader = shopSchema.parse({ celsius: 20, guns: [GUN], schools: { build: 'always' } });
const worker = shopSchema.parse({ ...reader, rules: { ...OWN, boothAirFactor: AIR_FACTOR } });
const target = targetSchema.parse({});

/** A panel that was done by a shop with those figures, with the scatter of a bench: 15 % in times, 6 % in film. */
function recordOf(sketches: readonly ZoneSketch[], celsius: number, random: () => number) {
  const panel = panelOf(sketches);
  const shop = { ...worker, celsius };
  const { view, actsOf } = openPlan(makePlan({ panel, shop, target, startOn: '2026-12-07' }));
  const { steps } = view.systems.find(({ id }) => id === view.chosen)!;
  const acts = actsOf(view.chosen!);
  const about = (value: number, share: number): number => value * (1 - share + 2 * share * random());
  const entries: NewEntry[] = [
    { id: 'air', at: momentAt(0), by: 'Prep A', kind: 'climate', body: { celsius, relativeHumidity: 50 } },
  ];
  const add = (atMin: number, kind: string, body: object): void =>
    void entries.push({
      id: `e${entries.length}`,
      at: momentAt(atMin),
      by: 'Prep A',
      kind,
      body,
    } as unknown as NewEntry);
  let lostMin = 0;
  let filmUm = 0;
  steps.forEach((step, i) => {
    const { idleMin: _idle, isSplit: _split, ...act } = acts[i]!;
    const sheet = GENERIC_SHELF.find(({ id }) => id === act.sheetId);
    const minutes = Math.max(1, Math.round(about(step.handsOnMin, 0.15)));
    lostMin += minutes - step.handsOnMin;
    const isSprayed = sheet !== undefined && step.coats !== undefined;
    const wetUm = isSprayed
      ? Math.round(
          (wetFilmUm(sheet.film.perCoatUm, readyVolumeSolids(sheet)) * about(FILM_PERCENT, 0.06)) / 100,
        )
      : undefined;
    if (step.op === 'block')
      add(step.startMin + lostMin - minutes, 'reading', { zone: 'A', kind: 'film', um: (filmUm = 300) });
    add(step.endMin + lostMin, 'act', {
      ...act,
      minutes,
      ...(wetUm === undefined ? {} : { values: { wetUm } }),
    });
    if (step.op === 'block')
      add(step.endMin + lostMin + 1, 'reading', {
        zone: 'A',
        kind: 'film',
        um: Math.round(filmUm - about(PEEL_UM, 0.1)),
      });
    if (step.op === 'flash') {
      const gone = step.endMin + lostMin - (step.endMin - step.startMin) * 0.06;
      add(gone - 2, 'check', { check: 'fingertip', zones: [...step.areas], outcome: 'fails' });
      add(gone + 2, 'check', { check: 'fingertip', zones: [...step.areas], outcome: 'passes' });
    }
  });
  return { task: { panel, shop: { ...reader, celsius }, target, startOn: '2026-12-07' }, entries };
}

const CELSIUS = [14, 17, 20, 23, 26];

const figures = (() => {
  const random = randomFrom(7);
  const samples = CELSIUS.flatMap((celsius) =>
    SKETCHES.flatMap((sketches) => {
      const { task, entries } = recordOf(sketches, celsius, random);
      return ownSamples(task, entries);
    }),
  );
  return ownFigures(samples, reader);
})();
const figure = (rule: ShopRuleName) => figures.find((each) => each.rule === rule)!;

test.each(Object.entries(OWN) as [ShopRuleName, number][])(
  '%s is recovered from what was written',
  (rule, own) => {
    const { value, effectiveCount, offBy, isEnough } = figure(rule);
    expect(Math.abs(value / own - 1)).toBeLessThan(0.1);
    expect(isEnough).toBe(effectiveCount >= 12 && 2 * offBy < value / 4);
  },
);

test('flash by touch gives the figure of the air, in each band of temperature', () => {
  const { value, inAir } = figure('boothAirFactor');
  expect(Math.abs(value / AIR_FACTOR - 1)).toBeLessThan(0.1);
  expect(inAir!.length).toBeGreaterThan(1);
  expect(inAir!.reduce((sum, { count }) => sum + count, 0)).toBe(figure('boothAirFactor').count);
});

test('the comb gives the film of a gun', () => {
  const { value, gunName } = figure('coatFilmPercent');
  expect(gunName).toBe('Build gun');
  expect(Math.abs(value / FILM_PERCENT - 1)).toBeLessThan(0.1);
});

test('readings before and after a block give the texture that it took off', () => {
  expect(Math.abs(figure('orangePeelUm').value / PEEL_UM - 1)).toBeLessThan(0.1);
});

test('a figure is made the shop’s own and taken back, a gun’s too', () => {
  const wash = figure('washMinPerM2');
  const taken = { ...reader, ...withOwnFigure(reader, wash, wash.value).shop };
  expect(shopRule(taken.rules, 'washMinPerM2')).toEqual({ value: wash.value, source: 'shop' });
  expect(withOwnFigure(taken, wash, null).shop!.rules).toEqual(reader.rules);
  const film = figure('coatFilmPercent');
  const sprayed = withThings(reader, withOwnFigure(reader, film, film.value).things!);
  expect(sprayed.guns![0]!.filmPercent).toBe(film.value);
  expect(figureInForce(sprayed, film)).toEqual({ value: film.value, source: 'shop' });
  expect(figureInForce(reader, film)).toEqual({ value: 100, source: 'default' });
  expect(withThings(sprayed, withOwnFigure(sprayed, film, null).things!).guns).toEqual(reader.guns);
});

test('a plan reckons with the film that a gun really lays', () => {
  const panel = panelOf(SKETCHES[0]!);
  const guns = [{ ...reader.guns![0]!, filmPercent: 80 }];
  const filmsOf = (shop: typeof reader) => {
    const { view } = openPlan(makePlan({ panel, shop, target }));
    const { steps } = view.systems.find(({ id }) => id === view.chosen)!;
    return steps.flatMap(({ filmUm, coats }) => (filmUm && coats ? [filmUm / coats] : []));
  };
  const [before, after] = [filmsOf(reader), filmsOf({ ...reader, guns })];
  expect(after.at(-1)! / before.at(-1)!).toBeCloseTo(0.8, 2);
});

test('a figure of the record does not depend on the one in force', () => {
  const random = randomFrom(3);
  const { task, entries } = recordOf(SKETCHES[1]!, 20, random);
  const rules = { degreaseMinPerM2: 9, removalCm3PerMin: 5, stripMinPerM2: 12 };
  const values = (shop: typeof task.shop) =>
    ownSamples({ ...task, shop }, entries)
      .filter(({ rule }) => rule in rules)
      .map(({ rule, value }) => `${rule} ${value.toFixed(2)}`);
  expect(values({ ...task.shop, rules })).toEqual(values(task.shop));
});

test('the middle of weighted values', () => {
  const of = (...pairs: [value: number, weight: number][]) =>
    pairs.map(([value, weight]) => ({ value, weight }));
  expect(weightedShare(of([1, 1], [2, 1], [9, 1]), 0.5)).toBe(2);
  expect(weightedShare(of([1, 1], [3, 1]), 0.5)).toBe(2);
  expect(weightedShare(of([1, 1], [5, 10]), 0.5)).toBe(5);
});

test('a figure is worth its samples: equal ones all, one heavy among light ones hardly more than one', () => {
  const equal = Array.from({ length: 12 }, (_, i) => ({ value: 10 + (i % 3) * 0.1, weight: 2 }));
  expect(middleOf(equal).effectiveCount).toBeCloseTo(12, 5);
  const one = equal.map((sample, i) => ({ ...sample, weight: i === 0 ? 100 : 0.1 }));
  expect(middleOf(one).effectiveCount).toBeLessThan(1.1);
});

test('a slip of the pen moves neither the figure nor what it is worth', () => {
  const work = Array.from({ length: 20 }, (_, i) => ({ value: 4 + (i % 5) * 0.1, weight: 1 }));
  const before = middleOf(work);
  const after = middleOf([...work, { value: 400, weight: 1 }]);
  expect(Math.abs(after.value - before.value)).toBeLessThan(0.11);
  expect(after.effectiveCount).toBeGreaterThan(19);
  expect(after.offBy).toBeLessThan(0.9);
});

test('the middle is as sure as samples are many and near to one another', () => {
  const spread = (n: number, by: number) =>
    middleOf(Array.from({ length: n }, (_, i) => ({ value: 10 + by * ((i / (n - 1)) * 2 - 1), weight: 1 })));
  expect(spread(40, 2).offBy).toBeLessThan(spread(10, 2).offBy);
  expect(spread(20, 1).offBy).toBeLessThan(spread(20, 4).offBy);
});
