import { benchOf, coat, saidBy, type Bench } from '../testing/bench.ts';
import { sheetIn } from './context.ts';
import { applyingMin, leastCoatMl, mixLossMl, tooLargeFor } from './applying.ts';
import { costOf, carryOut } from './perform.ts';
import { zoneOf } from './state.ts';
import { say } from '../wording/say.ts';

/** By gun, out of a spray can, by brush: how large a place each is for, and what it takes. */

const chipsOf = (sizeMm: number, count = 1) => ({ kind: 'chips', sizeMm, count });
const bench = (
  areaM2: number,
  findings: readonly object[] = [],
  facts: object = {},
  shop: object = {},
): Bench => benchOf([{ stack: 'steel', areaM2, findings, facts }], { shop });

const whyTooLarge = (sheetId: string, id: string, { state, context }: Bench): string | null => {
  const reason = tooLargeFor(sheetIn(context, sheetId), zoneOf(state, id), context);
  return reason && say(reason);
};

test.each([
  ['epoxy-spray-can', bench(0.25), 'A', null],
  ['epoxy-spray-can', bench(0.3), 'A', /is for up to 0\.25 m², and this is 0\.3 m²/],
  ['epoxy-1-1', bench(40), 'A', null],
  ['epoxy-1-1-brush', bench(1.2, [chipsOf(10)]), 'A/chips', null],
  ['epoxy-1-1-brush', bench(1.2, [chipsOf(11)]), 'A/chips', /bare spots up to 10 mm/],
  ['epoxy-1-1-brush', bench(0.1), 'A', /bare spots up to 10 mm/],
  ['epoxy-1-1-brush', bench(0.1, [], { face: 'inside' }), 'A', null],
  ['epoxy-1-1-brush', bench(4, [], { face: 'inside' }), 'A', /also where nobody looks/],
  ['epoxy-1-1-brush', bench(1.2, [chipsOf(11)], {}, { rules: { brushMm: 20 } }), 'A/chips', null],
] as const)('how large a place %s is for', (sheetId, on, id, said) => {
  const why = whyTooLarge(sheetId, id, on);
  if (said === null) expect(why).toBeNull();
  else expect(why).toMatch(said);
});

test('a brush takes minutes by spot, a gun by area, a spray can by can', () => {
  const on = bench(1.2, [chipsOf(4, 10)]);
  const zones = [zoneOf(on.state, 'A/chips')];
  const min = (sheetId: string, ml: number, areas = zones): number =>
    applyingMin({ sheet: sheetIn(on.context, sheetId), zones: areas, coatsOn: () => 2 }, ml, on.context);
  expect(min('epoxy-1-1-brush', 5)).toBeCloseTo(2 + 10 * 2 * 0.1);
  expect(min('epoxy-spray-can', 500) - min('epoxy-spray-can', 300)).toBeCloseTo(3);
  expect(min('epoxy-1-1', 5, [zoneOf(on.state, 'A')])).toBeCloseTo(9 + 2 * (1 + 1.2 * 2.5));
});

test('the can of a two-pack is used up, whatever is wanted of it', () => {
  const on = bench(0.05);
  const costWith = (sheetId: string) =>
    costOf(coat('prime-epoxy', 'A', 1, { sheetId }), on.state, on.context).materialCost;
  expect(costWith('epoxy-spray-can')).toBeCloseTo(0.4 * 45);
  expect(costWith('epoxy-1-1')).toBeLessThan(2);
});

test('of a two-pack for the small gun no part is less than the scale can weigh', () => {
  const { context } = bench(1);
  const leastOf = (id: string, m2: number) => leastCoatMl(sheetIn(context, id), m2, context);
  expect(leastOf('dtm-4-1-05', 1)).toBe(80);
  // One part in eleven by volume is thinner: 5 g of it are 63 ml of the mix.
  expect(leastOf('dtm-4-1-05', 0.1)).toBeCloseTo((5 * 11) / 0.87);
  expect(leastOf('epoxy-1-1', 0.1)).toBe(40);
  expect(leastOf('epoxy-1-1-brush', 0.1)).toBe(10);
  expect(leastOf('etch-1k', 0.1)).toBe(0);
  expect([0.1, 1].map((m2) => mixLossMl(sheetIn(context, 'epoxy-1-1'), m2, context))).toEqual([15, 60]);
});

test('a brush is not masked for, and its marks are to be levelled', () => {
  const on = bench(1.2, [chipsOf(4)]);
  const brush = coat('prime-epoxy', 'A/chips', 1, { sheetId: 'epoxy-1-1-brush' });
  const gun = coat('prime-epoxy', 'A/chips', 1);
  const clean = {
    ...on,
    state: {
      ...on.state,
      zones: on.state.zones.map((zone) => ({
        ...zone,
        surface: { ...zone.surface, soil: 'clean' as const },
      })),
    },
  };
  expect(saidBy('C1', gun, clean).join()).toMatch(/Mask before spraying/);
  expect(saidBy('C1', brush, clean).join()).not.toMatch(/Mask/);
  const wavesAfter = (act: typeof brush): number =>
    zoneOf(carryOut(on.state, act, on.context).panel, 'A/chips').surface.wavesUm;
  expect(wavesAfter(brush)).toBe(30);
  expect(wavesAfter(gun)).toBe(0);
});
