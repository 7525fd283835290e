import { panelOf, type ZoneSketch } from '../testing/bench.ts';
import { contradictionsOf } from './contradictions.ts';
import { schoolsInPlay } from './schools-in-play.ts';
import { isFlexible, isLowEnergy, textureOf } from './zone-facts.ts';

const zoneOf = (sketch: ZoneSketch) => panelOf([sketch]).zones[0]!;

describe('contradictions are named with their remedy', () => {
  test.each<[string, ZoneSketch, RegExp]>([
    ['metal over paint', { stack: 'old-finish:90/steel' }, /Put the layers in order/],
    ['filler in the air', { stack: 'filler:500/old-finish:90' }, /add the substrate/],
    ['a found topcoat', { stack: 'steel/clear:50' }, /recorded as old finish/],
    [
      'rust on plastic',
      { stack: 'plastic-rigid', findings: [{ kind: 'rust-pitted' }] },
      /Pitted rust and rigid plastic do not go together/,
    ],
    [
      'peeling bare metal',
      { stack: 'steel', findings: [{ kind: 'peeling', share: 1 }] },
      /Peeling and bare steel do not go together/,
    ],
    [
      'a patch larger than its zone',
      { stack: 'steel/old-finish:100', areaM2: 0.1, findings: [{ kind: 'peeling', areaM2: 0.4 }] },
      /Peeling of 0.4 m² is larger than its zone of 0.1 m²/,
    ],
    [
      'a texture coat of 0 mm',
      { stack: 'steel/epoxy:50/texture:0' },
      /Texture coat of 0 mm: give its thickness/,
    ],
    [
      'a blend area of bare metal',
      { stack: 'steel', facts: { role: 'blend' } },
      /Colour fades out on sound finish only, and this is bare steel/,
    ],
    [
      'a kept area with damage',
      { stack: 'steel/old-finish:100', findings: [{ kind: 'chips' }], facts: { role: 'keep' } },
      /Kept as it is, yet damage is recorded/,
    ],
    [
      'texture kept and flattened',
      {
        stack: 'plastic-rigid',
        findings: [
          { kind: 'texture', want: 'keep' },
          { kind: 'texture', want: 'flatten' },
        ],
      },
      /keep one of the two/,
    ],
    [
      'a float test of steel',
      { stack: 'steel', tests: [{ kind: 'float', outcome: 'floats' }] },
      /for plastic/,
    ],
    [
      'a soluble finish that the rub left alone',
      { stack: 'steel/old-finish-soluble:90', tests: [{ kind: 'solvent-rub', outcome: 'none' }] },
      /correct one of them/,
    ],
    [
      'a magnet that holds on aluminium',
      { stack: 'aluminium', tests: [{ kind: 'magnet', outcome: 'holds' }] },
      /A magnet holds/,
    ],
    [
      'a magnet that falls off steel',
      { stack: 'steel/old-finish:90', tests: [{ kind: 'magnet', outcome: 'falls-off' }] },
      /record the filler/,
    ],
    [
      'gauge readings on plastic',
      { stack: 'plastic-rigid', tests: [{ kind: 'gauge', readingsUm: [90] }] },
      /over metal only/,
    ],
  ])('%s', (_, sketch, text) => {
    expect(
      contradictionsOf(zoneOf(sketch))
        .map(({ text: words }) => words)
        .join(' '),
    ).toMatch(text);
  });
  test.each([
    'steel/ecoat:20/old-finish:95',
    'steel/filler:900',
    'plastic-olefin/plastic-primed:25',
    'fiberglass',
    'ecoat:20',
  ])('%s is fine', (stack) => {
    expect(contradictionsOf(zoneOf({ stack }))).toEqual([]);
  });
});

describe('what follows for a zone', () => {
  const rigid = (tests: object[] = [], findings: object[] = []) =>
    zoneOf({ stack: 'plastic-rigid', tests, findings });
  test('low energy by kind, mark or float; an unknown plastic is taken for it', () => {
    expect(isLowEnergy(zoneOf({ stack: 'plastic-olefin' }))).toBe(true);
    expect(isLowEnergy(rigid())).toBe(false);
    expect(isLowEnergy(rigid([{ kind: 'moulding-mark', outcome: '>PP/EPDM-T20<' }]))).toBe(true);
    expect(isLowEnergy(rigid([{ kind: 'moulding-mark', outcome: 'PC' }]))).toBe(false);
    expect(isLowEnergy(rigid([{ kind: 'float', outcome: 'sinks' }], [{ kind: 'unknown-plastic' }]))).toBe(
      false,
    );
    expect(isLowEnergy(rigid([], [{ kind: 'unknown-plastic' }]))).toBe(true);
    expect(isLowEnergy(rigid([{ kind: 'moulding-mark', outcome: 'X/7' }]))).toBe(true);
    expect(
      isLowEnergy(
        rigid([
          { kind: 'moulding-mark', outcome: 'X/7' },
          { kind: 'float', outcome: 'sinks' },
        ]),
      ),
    ).toBe(false);
    expect(isFlexible(zoneOf({ stack: 'plastic-soft' }))).toBe(true);
    expect(isFlexible(zoneOf({ stack: 'steel' }))).toBe(false);
  });
  test('texture: the zone’s own finding goes before the panel’s finish', () => {
    const flattened = rigid([], [{ kind: 'texture', want: 'flatten' }]);
    expect(textureOf(flattened, { finish: 'keep-texture' })).toBe('flatten');
    expect(textureOf(rigid(), { finish: 'keep-texture' })).toBe('keep');
    expect(textureOf(rigid(), { finish: 'smooth' })).toBe('smooth');
  });
  test('only schools that can change something are in play', () => {
    expect(schoolsInPlay(panelOf([{ stack: 'steel/ecoat:20' }]))).toEqual([
      'ecoat',
      'sealerCoats',
      'pace',
      'finalSand',
    ]);
    expect(schoolsInPlay(panelOf([{ stack: 'plastic-olefin' }]))).toEqual(
      expect.arrayContaining(['rawPlasticSolvent', 'plasticSystem']),
    );
  });
});
