import { strataOf, type Stack, type Step } from '@blue-ledge/core';
import fc from 'fast-check';
import { coreLayers, coreX } from './core-strip.ts';
import {
  axisTicks,
  layoutSection,
  layoutSpans,
  measuredMarks,
  removedUm,
  type SectionInput,
} from './section-layout.ts';

const SIZE = { width: 480, height: 320 };
const FOUND: Record<string, Stack> = {
  A: [
    { kind: 'steel', um: 0 },
    { kind: 'ecoat', um: 20 },
    { kind: 'old-finish', um: 95 },
  ],
  B: [{ kind: 'steel', um: 0 }],
  C: [
    { kind: 'steel', um: 0 },
    { kind: 'filler', um: 900 },
  ],
};
const lay = (n: number, stacks: Record<string, Stack>) => ({ n, stacks }) as unknown as Step;
const over = (zone: string, ...films: Stack): Stack => [...FOUND[zone]!, ...films];

/** A door: epoxy on B and C, build over it, and the build blocked. */
const STEPS = [
  lay(1, { B: over('B', { kind: 'epoxy', um: 50 }), C: over('C', { kind: 'epoxy', um: 50 }) }),
  lay(2, {
    B: over('B', { kind: 'epoxy', um: 50 }, { kind: 'build', um: 100 }),
    C: over('C', { kind: 'epoxy', um: 50 }, { kind: 'build', um: 150 }),
  }),
  lay(3, {
    B: over('B', { kind: 'epoxy', um: 50 }, { kind: 'build', um: 70 }),
    C: over('C', { kind: 'epoxy', um: 50 }, { kind: 'build', um: 70 }),
  }),
];
const DOOR: SectionInput = {
  spans: ['A', 'B', 'C', 'B', 'A'].map((zoneId, i) => ({ zoneId, mm: [400, 120, 240, 120, 400][i]! })),
  strata: strataOf(FOUND, STEPS),
  substrates: { A: 'steel', B: 'steel', C: 'steel' },
  assumed: new Set(),
  hollowsUm: { A: 0, B: 0, C: 900 },
  tones: {},
  measuredUm: {},
};

test('stretches fill the width without gap or overlap, the outer two cut short', () => {
  const spans = layoutSpans(DOOR.spans, SIZE.width);
  spans.slice(1).forEach((span, i) => expect(span.x0).toBeCloseTo(spans[i]!.x1));
  expect(spans[4]!.x1 - spans[0]!.x0).toBeCloseTo(SIZE.width - 44 - 12);
  expect(spans[0]!.x1 - spans[0]!.x0).toBe(62);
  expect(spans[2]!.x1 - spans[2]!.x0).toBeCloseTo(2 * (spans[1]!.x1 - spans[1]!.x0));
});

test('layers lie on one another from the ground to the surface', () => {
  const { ribbons, ground, surface } = layoutSection(DOOR, 2, SIZE);
  ground.forEach(([, y], i) => {
    let floor = y;
    for (const { points } of ribbons) {
      expect(points[i]![2]).toBeCloseTo(floor);
      expect(points[i]![1]).toBeLessThanOrEqual(floor + 1e-9);
      floor = points[i]![1];
    }
    expect(surface[i]![1]).toBeCloseTo(floor);
  });
});

test('what was measured stands as far off the surface as it is off what is drawn', () => {
  const measured = { ...DOOR, measuredUm: { B: [null, null, 160, null] } };
  const geometry = layoutSection(measured, 2, SIZE);
  const marks = measuredMarks(measured, 2, geometry);
  expect(marks.map(({ span, measuredUm }) => [span.zoneId, measuredUm])).toEqual([
    ['B', 160],
    ['B', 160],
  ]);
  const drawnY = geometry.zeroY - 150 * geometry.pxPerUm;
  expect(drawnY - marks[0]!.y).toBeCloseTo(10 * geometry.pxPerUm, 0);
  expect(measuredMarks(measured, 3, layoutSection(measured, 3, SIZE))).toEqual([]);
});

test('the last sample belongs to the last stretch, so nothing of the repair shows at the right edge', () => {
  const { ribbons, spans } = layoutSection(DOOR, 2, SIZE);
  const build = ribbons.find(({ kind }) => kind === 'build')!;
  const [, top, bottom] = build.points.at(-1)!;
  expect(spans.at(-1)!.zoneId).toBe('A');
  expect(bottom - top).toBe(0);
});

test('filler fills its hollow up to the line of sound metal', () => {
  const { ribbons, spans, zeroY, breakY } = layoutSection(DOOR, 0, SIZE);
  const { x0, x1 } = spans[2]!;
  const filler = ribbons.find(({ kind }) => kind === 'filler')!;
  for (const [x, top] of filler.points) if (x > x0 && x < x1) expect(top).toBeCloseTo(zeroY, 0);
  expect(breakY).not.toBeNull();
});

test('beside a hollow nothing of its filler shows, and glaze over no hollow is a thin skin', () => {
  const { ribbons, spans } = layoutSection(DOOR, 0, SIZE);
  const filler = ribbons.find(({ kind }) => kind === 'filler')!;
  for (const [x, top, bottom] of filler.points)
    if (x < spans[2]!.x0 || x > spans[2]!.x1) expect(bottom - top).toBe(0);
  const glazed = {
    ...DOOR,
    strata: strataOf({ ...FOUND, B: [...FOUND['B']!, { kind: 'glaze', um: 20 }] }, []),
  };
  const skin = layoutSection(glazed, 0, SIZE).ribbons.find(({ kind }) => kind === 'glaze')!;
  expect(Math.max(...skin.points.map(([, top, bottom]) => bottom - top))).toBe(5);
});

test('film is drawn to one scale', () => {
  const { ribbons, pxPerUm, spans } = layoutSection(DOOR, 1, SIZE);
  const epoxy = ribbons.find(({ kind }) => kind === 'epoxy')!;
  const middle = (spans[1]!.x0 + spans[1]!.x1) / 2;
  const [, top, bottom] = epoxy.points.find(([x]) => Math.abs(x - middle) < 2)!;
  expect(bottom - top).toBeCloseTo(50 * pxPerUm, 0);
});

test('what a step took off is told zone by zone', () => {
  expect(removedUm(DOOR, 1)).toEqual([]);
  expect(removedUm(DOOR, 3)).toEqual([
    { zoneId: 'B', um: 30 },
    { zoneId: 'C', um: 80 },
  ]);
});

test.each(['metric', 'us'] as const)('the %s axis has round figures at their own height', (system) => {
  const geometry = layoutSection(DOOR, 2, SIZE);
  const ticks = axisTicks(geometry, system);
  expect(ticks[0]).toEqual({ figure: 0, y: geometry.zeroY });
  for (const { figure } of ticks) expect(figure).toBe(Number(figure.toFixed(1)));
  const [first, second] = ticks;
  expect(first!.y - second!.y).toBeGreaterThan(20);
});

test('the core has the layers of its zone, top first, with figures that keep apart', () => {
  const geometry = layoutSection(DOOR, 2, SIZE);
  const x = coreX(geometry, 'C')!;
  const core = coreLayers(geometry, x, DOOR.strata[2]!.zones['C']!);
  expect(core.map(({ kind, um }) => [kind, um])).toEqual([
    ['build', 150],
    ['epoxy', 50],
    ['filler', 900],
  ]);
  core.slice(1).forEach(({ labelY }, i) => expect(labelY - core[i]!.labelY).toBeGreaterThanOrEqual(20));
  expect(coreX(geometry, 'nowhere')).toBeNull();
});

describe('any panel', () => {
  const film = fc.record({
    kind: fc.constantFrom('ecoat', 'old-finish', 'epoxy', 'build', 'sealer', 'filler'),
    um: fc.integer({ min: 1, max: 3000 }),
  });
  const panel = fc.array(
    fc.record({
      mm: fc.integer({ min: 10, max: 3000 }),
      films: fc.uniqueArray(film, { maxLength: 4, selector: ({ kind }) => kind }),
    }),
    {
      minLength: 1,
      maxLength: 8,
    },
  );
  const inputOf = (zones: { mm: number; films: { kind: string; um: number }[] }[]): SectionInput => {
    const found = Object.fromEntries(
      zones.map(({ films }, i) => [`Z${i}`, [{ kind: 'steel', um: 0 }, ...films] as Stack]),
    );
    const sides = zones.slice(0, -1).map(({ mm }, i) => ({ zoneId: `Z${i}`, mm }));
    const core = { zoneId: `Z${zones.length - 1}`, mm: zones.at(-1)!.mm };
    const hollow = (stack: Stack): number =>
      stack.reduce((sum, { kind, um }) => (kind === 'filler' ? sum + um : sum), 0);
    return {
      spans: [...sides, core, ...sides.toReversed()],
      strata: strataOf(found, []),
      substrates: {},
      assumed: new Set(),
      hollowsUm: Object.fromEntries(Object.entries(found).map(([id, stack]) => [id, hollow(stack)])),
      tones: {},
      measuredUm: {},
    };
  };

  test('stays inside its drawing, is finite everywhere, and no two plaques cover one another', () => {
    fc.assert(
      fc.property(panel, fc.integer({ min: 160, max: 500 }), (zones, height) => {
        const { surface, ground, plaques } = layoutSection(inputOf(zones), 0, { width: 480, height });
        const outside = [...surface, ...ground].filter(([x, y]) => !Number.isFinite(x) || !(y <= height));
        expect(outside).toEqual([]);
        const covered = plaques.flatMap((plaque, i) =>
          plaques
            .slice(i + 1)
            .filter(({ x, y }) => Math.abs(plaque.y - y) < 19 && Math.abs(plaque.x - x) <= 60),
        );
        expect(covered).toEqual([]);
      }),
      { numRuns: 60, seed: 8 },
    );
  });
});
