import { benchOf, coat, coated, clean, put, sand, zoneIn, type Bench } from '../testing/bench.ts';
import { glazeForPinholes, lowWayOf } from './lows.ts';
import { perform } from './perform.ts';
import { heightUm, unlevelUm } from './state.ts';

const FINISH = 'steel/ecoat:20/old-finish:110';
const lowIn = (stack: string, depthMm: number, around = {}): Bench =>
  benchOf([{ stack, areaM2: 1.2, findings: [{ kind: 'low', depthMm, sizeMm: 50 }] }], around);
const wayIn = (bench: Bench): string => lowWayOf(zoneIn(bench, 'A/low'), bench.context);

describe('what takes out a low, by its depth and by what it is in', () => {
  test.each([
    [FINISH, 0.03, 'build'],
    [FINISH, 0.1, 'build'],
    [FINISH, 0.11, 'glaze'],
    [FINISH, 0.5, 'glaze'],
    [FINISH, 0.51, 'fill'],
    [FINISH, 3, 'fill'],
    ['steel/ecoat:20', 0.3, 'glaze'],
    ['steel/part-primer:30', 0.3, 'glaze'],
    // Softened by thinner, glaze lifts it; paint on plastic takes paste on what is opened.
    ['steel/old-finish-soluble:110', 0.05, 'fill'],
    ['plastic-rigid/old-finish:90', 0.3, 'fill'],
    ['plastic-rigid/old-finish:90', 0.08, 'build'],
    // Raw plastic gets its primer first, and that takes build.
    ['plastic-rigid', 0.08, 'build'],
    ['plastic-rigid', 0.3, 'fill'],
    // Direct-to-metal build lies on bare metal, glaze on epoxy only.
    ['steel', 0.08, 'build'],
    ['steel', 0.3, 'fill'],
    // A film so thin is sanded through when it is keyed.
    ['steel/ecoat:5', 0.08, 'fill'],
  ])('%s, %s mm: %s', (stack, depthMm, way) => expect(wayIn(lowIn(stack, depthMm))).toBe(way));

  test('over epoxy a low of bare metal is levelled or glazed', () => {
    const primed = (depthMm: number): Bench => put(lowIn('steel', depthMm), 'A/low', coated('epoxy', 50));
    expect(wayIn(primed(0.08))).toBe('build');
    expect(wayIn(primed(0.3))).toBe('glaze');
    expect(wayIn(primed(0.8))).toBe('fill');
  });
  test('by the figures of the shop', () => {
    const own = { shop: { rules: { buildLowUm: 50, glazeLowUm: 200 } } };
    expect(wayIn(lowIn(FINISH, 0.08, own))).toBe('glaze');
    expect(wayIn(lowIn(FINISH, 0.3, own))).toBe('fill');
  });
});

test('pinholes are glazed as they lie in paint, and opened where filler is under it', () => {
  const inPaint = (stack: string): Bench =>
    benchOf([{ stack, findings: [{ kind: 'pinholes', sizeMm: 40 }] }]);
  const glazeIn = (bench: Bench): string | undefined =>
    glazeForPinholes(zoneIn(bench, 'A/pinholes'), bench.context)?.kind;
  expect(glazeIn(inPaint(FINISH))).toBe('glaze');
  expect(glazeIn(inPaint('steel/filler:900/old-finish:110'))).toBeUndefined();
});

describe('build in a shallow low', () => {
  const built = put(lowIn(FINISH, 0.08), 'A/low', clean, coated('build', 150));
  const blocked = perform(built.state, sand('block', 'A/low', 'P240', 'block'), built.context);
  const after = blocked.zones.find(({ zone }) => zone.id === 'A/low')!;

  test('is blocked level: what lies in the low adds no height', () => {
    expect(after.surface.lowUm).toBe(0);
    expect(after.stack.at(-1)).toMatchObject({ um: 80 + blocked.lastSandUm, laid: { hollowUm: 80 } });
    expect(heightUm(after)).toBe(130 + blocked.lastSandUm);
    expect(unlevelUm(after, blocked)).toBeLessThan(20);
  });
  test('keeps what lies in the low when more of it goes on', () => {
    const { zones } = perform(blocked, coat('prime-build', 'A/low'), built.context);
    const more = zones.find(({ zone }) => zone.id === 'A/low')!;
    expect(more.stack.at(-1)!.laid).toMatchObject({ hollowUm: 80, nBlocked: 1 });
    expect(heightUm(more) - heightUm(after)).toBeCloseTo(more.stack.at(-1)!.um - after.stack.at(-1)!.um, 6);
  });
  test('that is too thin leaves the rest of it', () => {
    const thin = put(lowIn(FINISH, 0.08), 'A/low', clean, coated('build', 80));
    const { zones } = perform(thin.state, sand('block', 'A/low', 'P240', 'block'), thin.context);
    const { lowUm } = zones.find(({ zone }) => zone.id === 'A/low')!.surface;
    expect(lowUm).toBeGreaterThan(0);
    expect(lowUm).toBeLessThan(80);
  });
});

describe('waves are hollows', () => {
  const surfaceOf = (stack: string, wave: object) => {
    const findings = [{ kind: 'waves', wavelengthMm: 150, ...wave }];
    const zones = benchOf([{ stack, areaM2: 1.2, findings }]).state.zones;
    const { lowUm, wavesUm } = (zones.find(({ patch }) => patch) ?? zones[0]!).surface;
    return { lowUm, wavesUm };
  };
  test.each([
    ['of one place, however shallow', FINISH, { um: 40, sizeMm: 300 }, { lowUm: 40, wavesUm: 0 }],
    ['of a zone that two cycles level: none', FINISH, { um: 200 }, { lowUm: 0, wavesUm: 200 }],
    ['of a zone beyond two cycles', FINISH, { um: 201 }, { lowUm: 201, wavesUm: 0 }],
    ['in fiberglass too', 'fiberglass', { um: 300 }, { lowUm: 300, wavesUm: 0 }],
    ['never in plastic', 'plastic-rigid/old-finish:90', { um: 300, sizeMm: 300 }, { lowUm: 0, wavesUm: 300 }],
  ])('%s', (_, stack, wave, expected) => expect(surfaceOf(stack, wave)).toEqual(expected));
});

describe('what a low was filled with goes, and the low is there again', () => {
  const filled = put(lowIn(FINISH, 0.08), 'A/low', clean, coated('build', 150));
  const blocked = perform(filled.state, sand('block', 'A/low', 'P240', 'block'), filled.context);
  const lowAfter = (act: Parameters<typeof perform>[1]): number =>
    perform(blocked, act, filled.context).zones.find(({ zone }) => zone.id === 'A/low')!.surface.lowUm;

  test('stripped', () => expect(lowAfter(sand('strip-sand', 'A/low', 'P80'))).toBe(80));
  test('sanded through', () => {
    const thin = { ...filled, state: blocked };
    const { state, context } = put(thin, 'A/low', (zone) => ({
      ...zone,
      stack: zone.stack.map((layer) => (layer.laid ? { ...layer, um: 1 } : layer)),
    }));
    const { zones } = perform(state, sand('abrade', 'A/low', 'P320'), context);
    expect(zones.find(({ zone }) => zone.id === 'A/low')!.surface.lowUm).toBe(80);
  });
  test('sanded as planned, it stays filled', () =>
    expect(lowAfter(sand('abrade', 'A/low', 'P400', 'machine-soft'))).toBe(0));
});

test('a coat on a few hands is sprayed with the small gun', () => {
  const small = lowIn(FINISH, 0.08);
  const seal = (id: string, bench: Bench): number =>
    perform(bench.state, coat('seal', id), bench.context).clockMin;
  const big = { shop: { rules: { smallGunM2: 0 } } };
  expect(seal('A/low', lowIn(FINISH, 0.08, big)) - seal('A/low', small)).toBe(5);
  expect(seal('A', lowIn(FINISH, 0.08, big))).toBe(seal('A', small));
});
