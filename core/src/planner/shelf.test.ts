import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { PRODUCT_WORKS, workOf, workWords } from '../materials/product-work.ts';
import { sheetSchema, type ProductSheet, type ProductSheetInput } from '../materials/sheet.ts';
import { surveyState } from '../operations/survey-state.ts';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { seeded } from '../units/random.ts';
import { benchOfTask, type PlanTask } from './bench-of-task.ts';
import { makePlan } from './make-plan.ts';
import { otherProducts } from './other-products.ts';
import { changesSince } from './plan-changes.ts';
import { planPanel } from './plan-panel.ts';
import { searchSystems, searchWith } from './search-systems.ts';
import { shelfOf } from './shelf.ts';

/** A shop's own shelf: which of its products are laid, and that many of them neither lose nor hide a system. */

const genericOf = (id: string): ProductSheet => GENERIC_SHELF.find((sheet) => sheet.id === id)!;
const like = (id: string, changes: Partial<ProductSheetInput>): ProductSheet =>
  sheetSchema.parse({ ...genericOf(id), ...changes });

const DENT: readonly ZoneSketch[] = [
  {
    stack: 'steel/ecoat:20/old-finish:95',
    areaM2: 1.2,
    findings: [{ kind: 'low', depthMm: 1.5, sizeMm: 80 }],
  },
];
const STRIPPED: readonly ZoneSketch[] = [{ stack: 'steel', areaM2: 1 }];

const taskOf = (
  zones: readonly ZoneSketch[],
  sheets: readonly ProductSheet[],
  more: Partial<PlanTask> = {},
): PlanTask => ({
  panel: panelOf(zones),
  shop: shopSchema.parse({}),
  target: targetSchema.parse({}),
  sheets,
  ...more,
});

const laidBy = (task: PlanTask): string[] => {
  const plan = planPanel(task);
  const best = plan.systems.find(({ id }) => id === plan.chosen);
  return [...new Set((best?.steps ?? []).flatMap(({ sheetId }) => sheetId ?? []))];
};

test('a product of the shop’s own takes the place of the generic one for the same work, dearer or not', () => {
  const own = like('build-4-1-1', { id: 'own-build', pricePerLitre: 40 });
  expect(laidBy(taskOf(DENT, [own]))).toContain('own-build');
  expect(laidBy(taskOf(DENT, [own]))).toContain('epoxy-1-1');
});

describe('a kind of which the shop has none', () => {
  const PANELS: readonly (readonly ZoneSketch[])[] = [
    DENT,
    STRIPPED,
    [{ stack: 'steel/ecoat:20', areaM2: 0.8, findings: [{ kind: 'open-joint', lengthMm: 300 }] }],
    [{ stack: 'plastic-olefin/old-finish:90', areaM2: 1.6, findings: [{ kind: 'crack', lengthMm: 80 }] }],
    [{ stack: 'plastic-olefin', areaM2: 1.1 }],
    [{ stack: 'steel/ecoat:20/texture:600', areaM2: 0.8, findings: [{ kind: 'rust-surface', sizeMm: 60 }] }],
    [
      {
        stack: 'steel/ecoat:20/old-finish:110',
        areaM2: 1.2,
        findings: [{ kind: 'low', depthMm: 0.4, sizeMm: 60 }],
      },
    ],
  ];
  test('a spray can or a brush of its own takes the place of built-in ones for spots, and leaves what is for a panel', () => {
    const idsWith = (...own: ProductSheet[]): string[] =>
      [...shelfOf(own).values()]
        .filter(({ kind, use }) => kind === 'epoxy' && !use)
        .map(({ id }) => id)
        .sort();
    const can = { ...genericOf('epoxy-spray-can'), id: 'own-can' };
    const forGun = { ...genericOf('epoxy-1-1'), id: 'own-epoxy' };
    expect(idsWith()).toEqual(['epoxy-1-1', 'epoxy-1-1-brush', 'epoxy-spray-can']);
    expect(idsWith(can)).toEqual(['epoxy-1-1', 'own-can']);
    expect(idsWith({ ...can, isArchived: true })).toEqual(['epoxy-1-1']);
    expect(idsWith(forGun)).toEqual(['own-epoxy']);
  });

  const without = (noneOf: string[]) => shopSchema.parse({ noneOf });

  test.each(PRODUCT_WORKS)(
    '%s: no plan lays it, and one without a system says that it is missing',
    (work) => {
      for (const zones of PANELS) {
        const { systems, warnings } = planPanel(taskOf(zones, [], { shop: without([work]) }));
        const laid = systems.flatMap(({ steps }) => steps.flatMap(({ sheetId }) => sheetId ?? []));
        expect(laid.filter((id) => workOf(genericOf(id)) === work)).toEqual([]);
        const isReady = systems.some(({ verdict }) => verdict === 'ready');
        const said = warnings.filter(({ code }) => code === 'plan.none-of').map(({ text }) => text);
        expect(said).toEqual(isReady ? [] : [expect.stringContaining(workWords(work))]);
      }
    },
  );

  test('all of the shop’s own archived is none of it; one in use is one', () => {
    const archived = like('epoxy-1-1', { id: 'own-epoxy', isArchived: true });
    const only = planPanel(taskOf(STRIPPED, [archived]));
    const laid = only.systems.flatMap(({ steps }) => steps.flatMap(({ sheetId }) => sheetId ?? []));
    expect(laid).not.toContain('epoxy-1-1');
    const other = like('epoxy-1-1', { id: 'other-epoxy' });
    expect(laidBy(taskOf(STRIPPED, [archived, other]))).toContain('other-epoxy');
    // A plan that is opened later is without it too.
    const kept = makePlan(taskOf(STRIPPED, [archived])).inputs.sheets;
    expect(kept).toEqual([archived]);
  });

  test('of a kind that it has, what it says does not count', () => {
    const own = like('build-4-1-1', { id: 'own-build' });
    expect(laidBy(taskOf(DENT, [own], { shop: without(['build']) }))).toContain('own-build');
  });

  test('work that no product does is named', () => {
    const said = shopSchema.safeParse({ noneOf: ['enamel'] });
    expect(said.error?.issues[0]?.path).toEqual(['noneOf', 0]);
  });
});

test('of two that do the same the shop’s first is laid; without an order the one that serves better', () => {
  const cheap = like('build-4-1-1', { id: 'cheap', pricePerLitre: 10 });
  const dear = like('build-4-1-1', { id: 'dear', pricePerLitre: 80 });
  expect(laidBy(taskOf(DENT, [dear, cheap]))).toContain('cheap');
  expect(laidBy(taskOf(DENT, [{ ...dear, rank: 1 }, cheap]))).toContain('dear');
  expect(laidBy(taskOf(DENT, [dear, cheap], { products: ['dear'] }))).toContain('dear');
});

test('a product that dries ten times faster for a little more money is found', () => {
  const fast = like('build-4-1-1', {
    id: 'fast',
    pricePerLitre: 35,
    sandAfterMin: 18,
    cure: [{ celsius: 20, minutes: 24 }],
  });
  const shop = shopSchema.parse({ schools: { pace: 'same-day' } });
  expect(laidBy(taskOf(DENT, [genericOf('build-4-1-1'), fast], { shop }))).toContain('fast');
});

test('a product that the ground wants is taken where the preferred one may not lie', () => {
  const notOnSteel = like('epoxy-1-1', {
    id: 'cheap-epoxy',
    pricePerLitre: 5,
    over: { aluminium: genericOf('epoxy-1-1').over.aluminium! },
  });
  const onSteel = like('epoxy-1-1', { id: 'steel-epoxy', pricePerLitre: 60 });
  expect(laidBy(taskOf(STRIPPED, [notOnSteel, onSteel]))).toContain('steel-epoxy');
});

test('a product that the shop’s air does not allow comes last', () => {
  const warmOnly = like('epoxy-1-1', {
    id: 'warm',
    pricePerLitre: 5,
    climate: { minCelsius: 25, maxCelsius: 40, maxRelativeHumidity: 80 },
  });
  expect(laidBy(taskOf(STRIPPED, [warmOnly, like('epoxy-1-1', { id: 'usual' })]))).toContain('usual');
});

/** `nEach` products of every kind, with films, times, prices and grounds of their own. */
function shelfOfEach(nEach: number, seed: number): ProductSheet[] {
  const random = seeded(seed);
  const times = (value: number, from: number, to: number): number => value * (from + random() * (to - from));
  return GENERIC_SHELF.filter(({ kind }) => kind !== 'cleaner').flatMap((sheet) =>
    Array.from({ length: nEach }, (_, nth) => {
      const cures = times(1, 0.3, 2);
      return sheetSchema.parse({
        ...sheet,
        id: `${sheet.id}-${nth}`,
        film: { ...sheet.film, perCoatUm: Math.round(times(sheet.film.perCoatUm, 0.8, 1.3)) },
        cure: sheet.cure.map((point) => ({ ...point, minutes: Math.ceil(point.minutes * cures) })),
        sandAfterMin: sheet.sandAfterMin === null ? null : Math.round(sheet.sandAfterMin * cures),
        over: Object.fromEntries(Object.entries(sheet.over).filter(() => random() > 0.04)),
        pricePerLitre: Math.round(times(sheet.pricePerLitre, 0.7, 1.5)),
      });
    }),
  );
}

test.each([
  ['a dent', DENT],
  ['stripped steel', STRIPPED],
  ['a primed part', [{ stack: 'steel/ecoat:20', areaM2: 1 }]],
  ['raw plastic', [{ stack: 'plastic-rigid', areaM2: 0.6 }]],
] satisfies [string, readonly ZoneSketch[]][])(
  'on %s the preferred products come within 1 % of trying every product everywhere',
  (_, zones) => {
    for (const seed of [1, 2]) {
      const { context } = benchOfTask(taskOf(zones, shelfOfEach(3, seed)));
      const start = surveyState(context.panel, context.shop.rules);
      const cheapest = (ready: readonly { cost: number }[]): number =>
        Math.min(...ready.map(({ cost }) => cost));
      const all = searchWith(start, { ...context, triesAll: true }, { mostStates: 3000 });
      expect(all.gaveUp).toBe(false);
      expect(cheapest(searchSystems(start, context).ready)).toBeLessThanOrEqual(cheapest(all.ready) * 1.01);
    }
  },
);

test('with fifty products of each kind there are systems, no more states than with one, and a small plan', () => {
  const few = makePlan(taskOf(DENT, []));
  const many = makePlan(taskOf(DENT, shelfOfEach(50, 1)));
  expect(many.systems.filter(({ verdict }) => verdict.kind === 'ready').length).toBeGreaterThanOrEqual(4);
  expect(many.search!.gaveUp).toBe(false);
  expect(many.search!.looked).toBeLessThanOrEqual(few.search!.looked * 1.5);
  expect(many.inputs.sheets.length).toBeLessThan(40);
});

test('a shelf on which only an odd product works is searched for it', () => {
  const thick = (nth: number): ProductSheet =>
    like('sealer-3-1-1', { id: `thick-${nth}`, pricePerLitre: 5, over: {} });
  const works = like('sealer-3-1-1', { id: 'works', pricePerLitre: 70 });
  const sheets = [...Array.from({ length: 6 }, (_, nth) => thick(nth)), works];
  expect(laidBy(taskOf([{ stack: 'steel/ecoat:20', areaM2: 1 }], sheets))).toContain('works');
});

test('where the search gives up, nobody is told that nothing exists', () => {
  const plan = planPanel(taskOf(STRIPPED, [like('epoxy-1-1', { over: {} })]));
  const said = plan.warnings.map(({ code }) => code);
  expect(plan.systems.every(({ verdict }) => verdict === 'refused') || said.length === 0).toBe(true);
  const nothing = shelfOfEach(8, 1).map((sheet) => ({ ...sheet, over: {} }));
  const codes = planPanel(taskOf(STRIPPED, nothing)).warnings.map(({ code }) => code);
  expect(codes).toContain('plan.gave-up-early');
  expect(codes).not.toContain('plan.no-system');
});

describe('other products for a step', () => {
  const cheap = like('build-4-1-1', { id: 'cheap', name: 'Cheap build', pricePerLitre: 10 });
  const slow = like('build-4-1-1', { id: 'slow', name: 'Slow build', pricePerLitre: 12, sandAfterMin: 900 });
  const notHere = like('build-4-1-1', {
    id: 'other',
    over: { fiberglass: genericOf('build-4-1-1').over.fiberglass! },
  });
  const sheets = [cheap, slow, notHere];
  const plan = makePlan(taskOf(DENT, sheets));
  const system = plan.systems.find(({ id }) => id === plan.chosen)!;
  const n = system.acts.findIndex(({ sheetId }) => sheetId === 'cheap') + 1;

  test('say what the system takes more with each, or what refuses it', () => {
    const { others, nMore } = otherProducts(plan, system.id, n, sheets);
    expect(others.map(({ sheetId }) => sheetId)).toEqual(['slow', 'other']);
    expect(others[0]!.more!.elapsedMin).toBeGreaterThan(300);
    expect(others[0]!.more!.materialCost).toBeGreaterThan(0);
    expect(others[1]!.more).toBeUndefined();
    expect(others[1]!.refusedBy[0]!.text).toMatch(/./);
    expect(nMore).toBe(0);
  });

  test('are none for work that lays nothing, and for a system that is not there', () => {
    expect(otherProducts(plan, system.id, 1, sheets).others).toEqual([]);
    expect(otherProducts(plan, 'no such system', n, sheets).others).toEqual([]);
  });

  test('one that is new on the shelf outdates the plans that lay its like, and no others', () => {
    const { panel, shop, target } = taskOf(DENT, sheets);
    const now = (more: ProductSheet): string[] =>
      changesSince(plan, { panel, shop, target, sheets: [...sheets, more] });
    expect(now(like('build-4-1-1', { id: 'new' }))).toEqual(['sheets']);
    expect(now(like('chip-guard-1k', { id: 'rough' }))).toEqual([]);
  });
});
