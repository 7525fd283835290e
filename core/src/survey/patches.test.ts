import fc from 'fast-check';
import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { withPatchAt } from './marks.ts';
import { patchesOf, spotShareOf, surveyedZone } from './patches.ts';

const FINISH = 'steel/ecoat:20/old-finish:95';
const panel = (...sketches: ZoneSketch[]) => panelOf(sketches);
const zone = (stack: string, areaM2: number, ...findings: object[]) =>
  panel({ stack, areaM2, findings }).zones[0]!;
const idsOf = (stack: string, areaM2: number, ...findings: object[]): string[] =>
  surveyedZone(zone(stack, areaM2, ...findings), {}).patches.map(({ id }) => id);
const patchOf = (stack: string, areaM2: number, finding: object) =>
  surveyedZone(zone(stack, areaM2, finding), {}).patches[0]!;

describe('which findings are patches', () => {
  test.each<[string, string[], string, object]>([
    ['a dent without a size', ['low'], FINISH, { kind: 'low', depthMm: 2 }],
    ['chips', ['chips'], FINISH, { kind: 'chips', share: 0.02 }],
    ['a peeling corner', ['peeling'], FINISH, { kind: 'peeling', share: 0.05 }],
    ['peeling all over', [], FINISH, { kind: 'peeling' }],
    ['rust under paint', ['rust-surface'], FINISH, { kind: 'rust-surface' }],
    ['rust on bare metal', [], 'steel', { kind: 'rust-surface' }],
    ['a rust spot on bare metal', ['rust-surface'], 'steel', { kind: 'rust-surface', sizeMm: 40 }],
    ['pinholes in filler', [], 'steel/filler:700', { kind: 'pinholes' }],
    ['pinholes in paint', ['pinholes'], FINISH, { kind: 'pinholes' }],
    ['waves', [], FINISH, { kind: 'waves', um: 60, wavelengthMm: 150 }],
    ['a share of nothing', [], FINISH, { kind: 'peeling', share: 0 }],
  ])('%s: %j', (_, ids, stack, finding) => expect(idsOf(stack, 1.4, finding)).toEqual(ids));

  test('damage that takes more than half of its zone is the zone’s', () => {
    expect(idsOf(FINISH, 0.02, { kind: 'low', depthMm: 1 })).toEqual([]);
    expect(idsOf(FINISH, 1, { kind: 'peeling', share: 0.6 })).toEqual([]);
  });

  test('findings of one kind are a patch each, told apart by a number', () => {
    const { patches } = surveyedZone(
      zone(FINISH, 2, { kind: 'low', depthMm: 1, sizeMm: 60 }, { kind: 'low', depthMm: 2, sizeMm: 90 }),
      {},
    );
    expect(patches).toMatchObject([
      { id: 'low', nth: 1, placeMm: 60, finding: { depthMm: 1 } },
      { id: 'low-2', nth: 2, placeMm: 90, finding: { depthMm: 2 } },
    ]);
  });
});

describe('how far a patch reaches', () => {
  test('a dent of 90 mm is ground 150 mm wide, feathered two layers, primed 50 mm past that', () => {
    const { extent } = patchOf(FINISH, 1.4, { kind: 'low', depthMm: 2, sizeMm: 90 });
    const disc = (mm: number): number => (Math.PI / 4) * (mm / 1000) ** 2;
    expect(extent.coreM2).toBeCloseTo(disc(90), 6);
    expect(extent.openM2).toBeCloseTo(disc(150), 6);
    expect(extent.featherM2).toBeCloseTo(disc(210), 6);
    expect(extent.reachM2).toBeCloseTo(disc(310), 6);
    expect(extent.edgeM).toBeCloseTo((Math.PI * 150) / 1000, 6);
  });
  test('many small places are worked on as the band that they lie in', () => {
    const { extent } = patchOf(FINISH, 1.4, { kind: 'chips', count: 40, sizeMm: 4, areaM2: 0.25 });
    expect(extent.coreM2).toBeLessThan(0.001);
    expect(extent.reachM2).toBeGreaterThan(0.25);
    expect(extent.reachM2).toBeLessThan(0.4);
  });
  test('nothing reaches further than its zone, and each reach holds the one inside it', () => {
    const finding = fc.record({
      kind: fc.constantFrom('low', 'chips', 'crack', 'peeling', 'rust-pitted'),
      depthMm: fc.constant(1),
      lengthMm: fc.integer({ min: 5, max: 600 }),
      sizeMm: fc.integer({ min: 1, max: 500 }),
      count: fc.integer({ min: 1, max: 60 }),
    });
    fc.assert(
      fc.property(finding, fc.integer({ min: 2, max: 4000 }), (found, cm2) => {
        const areaM2 = cm2 / 100;
        for (const { extent } of surveyedZone(zone('plastic-rigid/old-finish:90', areaM2, found), {})
          .patches) {
          const { coreM2, openM2, featherM2, reachM2 } = extent;
          const reaches = [0, coreM2, openM2, featherM2, reachM2, areaM2];
          expect(reaches).toEqual(reaches.toSorted((a, b) => a - b));
        }
      }),
      { numRuns: 200, seed: 9 },
    );
  });
});

test('spots are counted over the whole panel', () => {
  const spotted = panel(
    { stack: FINISH, areaM2: 1, findings: [{ kind: 'rub-through', spotMm: 50, count: 10 }] },
    { stack: FINISH, areaM2: 1, findings: [{ kind: 'rub-through', spotMm: 50, count: 10 }] },
  );
  expect(spotShareOf(spotted)).toBeCloseTo((20 * Math.PI * 0.05 ** 2) / 4 / 2, 6);
});

test('a patch is named with its zone, placed on the panel, and a kept zone has none', () => {
  const both = panel(
    { stack: FINISH, areaM2: 1, findings: [{ kind: 'chips' }] },
    { stack: FINISH, areaM2: 1, facts: { role: 'keep' } },
  );
  const [patch] = patchesOf(both, {});
  expect(patch).toMatchObject({ areaId: 'A/chips', zoneId: 'A', isAssumed: true });
  expect(patchesOf(both, {})).toHaveLength(1);
  expect(withPatchAt(both, patch!, [10, 20]).zones[0]!.findings[0]).toMatchObject({ atMm: [10, 20] });
});
