import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import {
  TEST_FORMS,
  TEST_KINDS,
  gaugeFigures,
  meaningOf,
  readReadings,
  withTest,
  withoutTest,
  type ZoneTest,
} from './test-guide.ts';
import { zoneSchema, zoneTestSchema } from './zone.ts';

const zoneOf = (sketch: ZoneSketch) => panelOf([sketch]).zones[0]!;
const after = (sketch: ZoneSketch, test: ZoneTest) => {
  const zone = withTest(zoneOf(sketch), test);
  zoneSchema.parse(zone);
  return zone;
};
const stackOf = (sketch: ZoneSketch, test: ZoneTest): string =>
  after(sketch, test)
    .layers.map(({ kind, um }) => (um === undefined ? kind : `${kind}:${um}`))
    .join('/');

test.each(TEST_KINDS)('%s: what may be seen is what the survey takes, and says what it means', (kind) => {
  const { outcomes } = TEST_FORMS[kind];
  if (typeof outcomes === 'string') return;
  for (const { value } of outcomes) {
    const test = zoneTestSchema.parse({ kind, outcome: value });
    expect(meaningOf(test).length).toBeGreaterThan(4);
  }
});

test.each<[string, ZoneSketch, ZoneTest, string]>([
  [
    'softening makes the finish soluble',
    { stack: 'steel/old-finish:100' },
    { kind: 'solvent-rub', outcome: 'softens' },
    'steel/old-finish-soluble:100',
  ],
  [
    'nothing coming off makes it cross-linked',
    { stack: 'steel/old-finish-soluble:100' },
    { kind: 'solvent-rub', outcome: 'none' },
    'steel/old-finish:100',
  ],
  [
    'a floating sliver is an olefin',
    { stack: 'plastic-rigid' },
    { kind: 'float', outcome: 'floats' },
    'plastic-olefin',
  ],
  [
    'a mark gives the family',
    { stack: 'plastic-olefin' },
    { kind: 'moulding-mark', outcome: 'ABS' },
    'plastic-rigid',
  ],
  [
    'readings set the top film',
    { stack: 'steel/ecoat:20/old-finish:95' },
    { kind: 'gauge', readingsUm: [130, 140, 150] },
    'steel/ecoat:20/old-finish:120',
  ],
  [
    'thick readings show filler',
    { stack: 'steel/old-finish:100' },
    { kind: 'gauge', readingsUm: [1400, 1600] },
    'steel/filler:1400/old-finish:100',
  ],
  [
    'a class changes no layer',
    { stack: 'steel/old-finish:100' },
    { kind: 'cross-cut', outcome: 3 },
    'steel/old-finish:100',
  ],
])('%s', (_, sketch, test, stack) => {
  expect(stackOf(sketch, test)).toBe(stack);
});

test('a known plastic is no longer unknown, and beading water is a dressing', () => {
  const unknown = { stack: 'plastic-rigid', findings: [{ kind: 'unknown-plastic' }] };
  expect(after(unknown, { kind: 'float', outcome: 'sinks' }).findings).toEqual([]);
  expect(after({ stack: 'steel' }, { kind: 'water-break', outcome: 'beads' }).findings).toEqual([
    { kind: 'dressing' },
  ]);
});

test('the reasoning stays with the test; a later one of its kind takes its place', () => {
  const once = after({ stack: 'steel/old-finish:100' }, { kind: 'cross-cut', outcome: 1 });
  const twice = withTest(once, { kind: 'cross-cut', outcome: 3 });
  expect(twice.tests).toEqual([{ kind: 'cross-cut', outcome: 3, because: 'this layer comes off' }]);
  expect(withoutTest(twice, 'cross-cut').tests).toEqual([]);
});

test.each([
  [[60, 70], 'thin: rubbed or polished before'],
  [[100, 120], 'one factory finish'],
  [[220], 'painted over once'],
  [[500, 700], 'repainted: consider stripping'],
  [[1500], 'filler under it'],
])('readings of %j say: %s', (readings, means) => {
  expect(gaugeFigures(readings).means).toBe(means);
});

test('typed readings are numbers, however they are set apart; anything else is refused', () => {
  expect(readReadings('95; 102,5 110, 98', 'metric')).toEqual({ um: [95, 102.5, 110, 98] });
  expect(readReadings('4; 3,5', 'us')).toEqual({ um: [101.6, 88.9].map((um) => expect.closeTo(um, 6)) });
  const problemOf = (text: string) => (readReadings(text, 'us') as { problem: string }).problem;
  expect(problemOf('95 about 100')).toMatch(/"about" is no number/);
  expect(problemOf('3,500')).toMatch(/can be 3.5 or 3500/);
  expect(problemOf('1e9')).toMatch(/from 0 to 787.4 mil/);
  expect(problemOf('')).toMatch(/from 0 to/);
});
