import fc from 'fast-check';
import { benchOf } from '../testing/bench.ts';
import { changed, type AreaChange } from './changed-area.ts';
import type { ZoneState } from './state.ts';

/** An area is changed in what is named, and in nothing else. */

const { state } = benchOf([{ stack: 'steel/ecoat:20/old-finish:95' }]);
const found = state.zones[0]!;
const area: ZoneState = { ...found, bareSinceMin: 12, surface: { ...found.surface, peelUm: 3 } };

const um = fc.integer({ min: 0, max: 500 });
const scratch = fc.constantFrom(null, { grade: 'P320', tool: 'machine', depthUm: 6 } as const);
const surface = fc.record(
  {
    soil: fc.constantFrom('grime', 'washed', 'clean', 'dusty'),
    isTacked: fc.boolean(),
    scratch,
    hasGuideCoat: fc.boolean(),
    wavesUm: um,
    wavelengthMm: um,
    peelUm: um,
    lowUm: um,
    hasPinholes: fc.boolean(),
  },
  { requiredKeys: [] },
);
const change: fc.Arbitrary<AreaChange> = fc.record(
  {
    patch: fc.constant(null),
    role: fc.constantFrom('refinish', 'blend', 'clear-only', 'keep'),
    stack: fc.constant([{ kind: 'steel', um: 0 } as const]),
    surface,
    edge: fc.constantFrom('sound', 'raw', 'feathered'),
    isSoluble: fc.boolean(),
    openIssues: fc.subarray(['wax', 'flaw', 'rust'] as const),
    bareSinceMin: fc.constantFrom(null, 0, 45),
  },
  { requiredKeys: [] },
);

test('what is named is taken, all else stays, nothing is left out', () => {
  fc.assert(
    fc.property(change, (to) => {
      const after = changed(area, to);
      expect(after).toEqual({ ...area, ...to, surface: { ...area.surface, ...to.surface } });
      expect(Object.keys(after)).toEqual(Object.keys(area));
    }),
  );
});

test('what does not change is the same object', () => {
  const after = changed(area, { isSoluble: true });
  expect(after.surface).toBe(area.surface);
  expect(after.stack).toBe(area.stack);
});
