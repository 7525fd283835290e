import { isProductFor } from './table.ts';
import {
  benchOf,
  body,
  clean,
  coat,
  coated,
  dusted,
  level,
  plain,
  put,
  sand,
  scratched,
  wavy,
  zoneIn,
  type Bench,
} from '../testing/bench.ts';
import type { Act } from './act.ts';
import { volumeMl } from './coating.ts';
import { costOf, perform } from './perform.ts';
import { shapingMin } from './sanding.ts';
import { gapUm, heightUm, topOf, unlevelUm } from './state.ts';

const after = (bench: Bench, act: Act): Bench => ({
  ...bench,
  state: perform(bench.state, act, bench.context),
});

const freeze = <T>(value: T): T => {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    Object.values(value).forEach(freeze);
  }
  return value;
};

const door = benchOf([
  { stack: 'steel/ecoat:20/old-finish:95', areaM2: 1.5 },
  { stack: 'steel', areaM2: 0.35 },
  { stack: 'steel/filler:900', areaM2: 0.25, findings: [{ kind: 'waves', um: 60, wavelengthMm: 150 }] },
]);

test('an act moves the clock by its own minutes and leaves other zones as they are', () => {
  const act = coat('prime-epoxy', 'B', 2);
  const { handsOnMin, waitMin } = costOf(act, door.state, door.context);
  const done = after({ ...door, state: freeze(door.state) }, act);
  expect(done.state.clockMin).toBeCloseTo(handsOnMin + waitMin);
  expect(zoneIn(done, 'A')).toBe(zoneIn(door, 'A'));
  expect(waitMin).toBeGreaterThan(0);
});

describe('masking', () => {
  const maskAll = plain('mask', 'A B C');
  const minutes = ({ state, context }: Bench): number => costOf(maskAll, state, context).handsOnMin;
  const masked = after(door, maskAll);

  test('that a block opened is renewed: half of it is done again', () => {
    const built = put(masked, 'C', clean, coated('build', 150));
    const blocked = after(built, sand('block', 'C', 'P240', 'block'));
    expect(blocked.state).toMatchObject({ isMasked: false, hasMaskLeft: true });
    expect(minutes(blocked)).toBeCloseTo(minutes(door) / 2);
  });
  test('that stripping or washing took off is done anew', () => {
    for (const act of [sand('strip-sand', 'A', 'P80'), plain('wash', 'A')])
      expect(minutes(after(masked, act))).toBe(minutes(door));
  });
  test('takes as long each time in a shop that says so', () => {
    const shop = { ...door.context.shop, rules: { renewedMaskShare: 1 } };
    const context = { ...door.context, shop };
    expect(minutes({ state: masked.state, context })).toBe(minutes({ state: door.state, context }));
  });
});

test('a few dots take less holding and checking than a dent, many of them no more', () => {
  const shaped = (finding: object): number => {
    const { state, context } = benchOf([
      { stack: 'steel/ecoat:20/old-finish:110', areaM2: 1.2, findings: [finding] },
    ]);
    const patch = state.zones.find((zone) => zone.patch)!;
    return shapingMin([patch], context);
  };
  expect([1, 3, 40].map((count) => shaped({ kind: 'chips', count, sizeMm: 4 }))).toEqual([1, 3, 5]);
  expect(shaped({ kind: 'chips', count: 1, sizeMm: 30 })).toBe(5);
  expect(shaped({ kind: 'low', depthMm: 0.1, sizeMm: 8 })).toBe(5);
});

test('a coat adds its film and nothing else; its clocks start when it is done', () => {
  const done = after(door, coat('prime-epoxy', 'B', 2));
  expect(heightUm(zoneIn(done, 'B')) - heightUm(zoneIn(door, 'B'))).toBe(50);
  const { laid } = topOf(zoneIn(done, 'B'));
  expect(laid!.flash.opensAtMin).toBeCloseTo(done.state.clockMin + 30);
  expect(laid!.recoat.closesAtMin).toBeCloseTo(done.state.clockMin + 4320);
});

test('the volume of a coat follows film, solids and transfer', () => {
  // 0.5 m² x 100 µm / (0.4217 x 0.65) = 182 ml, and 60 ml stay in cup and line.
  const one = benchOf([{ stack: 'steel' }]);
  expect(volumeMl(one.state.zones, coat('prime-build', 'A', 2), one.context)).toBeCloseTo(182.4 + 60, 0);
});

test('stripping goes down to the metal and leaves the hollow that filler filled', () => {
  const done = after(door, sand('strip-sand', 'C', 'P80'));
  expect(zoneIn(done, 'C').stack).toEqual([{ kind: 'steel', um: 0 }]);
  expect(zoneIn(done, 'C').surface.lowUm).toBe(900);
  expect(after(done, body('fill', 'C')).state.zones[2]!.surface.lowUm).toBe(0);
});

test('blocking levels a build with its sound neighbour, down to what the last sanding takes', () => {
  const built = put(door, 'B', level, coated('epoxy', 50), coated('build', 150), wavy(20), dusted);
  const done = after(built, sand('block', 'B', 'P240', 'block'));
  const { state } = done;
  expect(topOf(zoneIn(done, 'B')).um).toBeLessThan(150);
  expect(unlevelUm(zoneIn(done, 'B'), state)).toBeLessThanOrEqual(20);
  expect(zoneIn(done, 'B').surface.hasGuideCoat).toBe(false);
});

test('sanding never adds film, and a finer grade leaves a finer scratch', () => {
  const sanded = after(door, sand('abrade', 'A', 'P320'));
  expect(heightUm(zoneIn(sanded, 'A'))).toBeLessThan(heightUm(zoneIn(door, 'A')));
  const finer = after(sanded, sand('abrade', 'A', 'P500'));
  expect(zoneIn(finer, 'A').surface.scratch!.depthUm).toBeLessThan(
    zoneIn(sanded, 'A').surface.scratch!.depthUm,
  );
});

test('glaze closes pinholes and is levelled to a skin', () => {
  const holed = put(
    benchOf([{ stack: 'steel/filler:900', findings: [{ kind: 'pinholes' }] }]),
    'A',
    clean,
    scratched('P180', 'block'),
  );
  const glazed = after(holed, body('glaze', 'A'));
  expect(zoneIn(glazed, 'A').surface.hasPinholes).toBe(false);
  const levelled = after(glazed, sand('abrade', 'A', 'P180', 'block'));
  expect(topOf(zoneIn(levelled, 'A'))).toMatchObject({ kind: 'glaze', um: 20 });
});

test('body work adds no height, so the gap to the neighbour is the finish alone', () => {
  expect(gapUm(zoneIn(door, 'C'), door.state)).toBe(115);
});

test('flash and cure wait until the slowest zone is ready, and not at all when it is', () => {
  const wet = after(door, coat('prime-build', 'B', 2));
  expect(costOf(plain('flash', 'B'), wet.state, wet.context).waitMin).toBeCloseTo(15);
  const flashed = after(wet, plain('flash', 'B'));
  expect(costOf(plain('flash', 'B'), flashed.state, flashed.context).waitMin).toBe(0);
});

test('a product is for the operation of its kind, or for the use that its sheet names', () => {
  expect(isProductFor('prime-epoxy', { kind: 'epoxy' })).toBe(true);
  expect(isProductFor('seal', { kind: 'epoxy' })).toBe(false);
  for (const kind of ['epoxy', 'sealer'] as const) {
    expect(isProductFor('seal', { kind, use: 'sealer' })).toBe(true);
    expect(isProductFor('prime-epoxy', { kind, use: 'sealer' })).toBe(false);
  }
  expect(isProductFor('wash', { kind: 'cleaner' })).toBe(false);
});
