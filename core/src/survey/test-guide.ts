import { numbersProblem, readNumbers } from '../units/numbers.ts';
import { formatQuantity, toStored, type UnitSystem } from '../units/quantities.ts';
import { familyOf, isBody, isRawPlastic, type LayerKind } from '../materials/layer-kinds.ts';
import { findingOf, type Finding } from './finding.ts';
import type { Panel } from './panel.ts';
import type { Zone } from './zone.ts';
import { readMark, type MarkedPlastic } from './moulding-mark.ts';
import { baseOf, crownRadiusMm, testOf, topKindOf } from './zone-facts.ts';

/**
 * Guided tests: how each is done, what may be seen, what that means, and what follows from it in the survey.
 * A test is recorded with what it meant, so that the reasoning stays with the zone.
 */

export type ZoneTest = NonNullable<Zone['tests']>[number];
export type TestKind = ZoneTest['kind'];

export interface SeenOutcome {
  readonly value: string | number;
  /** What is seen. */
  readonly seen: string;
  readonly means: string;
}

export interface TestForm {
  readonly label: string;
  readonly how: string;
  /** Whether the test says anything on this zone. */
  readonly fits: (zone: Zone) => boolean;
  /** Done on every zone that it fits; others are done where there is doubt. */
  readonly isUsual?: boolean;
  /** What may be seen; a mark or a temperature is typed and readings are listed instead. */
  readonly outcomes: readonly SeenOutcome[] | 'mark' | 'readings' | 'celsius' | 'gap';
}

const hasFilm = (zone: Zone): boolean =>
  ['finish', 'primer'].includes(familyOf(topKindOf(zone))) || topKindOf(zone) === 'plastic-primed';
const onPlastic = (zone: Zone): boolean => isRawPlastic(baseOf(zone));
const comesOff = (value: number): SeenOutcome => ({
  value,
  seen: `class ${value}`,
  means: 'this layer comes off',
});

export const TEST_FORMS: Record<TestKind, TestForm> = {
  'solvent-rub': {
    label: 'Solvent rub',
    how: 'Thinner on a cloth, held half a minute.',
    isUsual: true,
    fits: hasFilm,
    outcomes: [
      { value: 'none', seen: 'nothing comes off', means: 'cross-linked' },
      { value: 'softens', seen: 'colour or softening', means: 'thinner-soft: strip it or isolate it' },
    ],
  },
  'cross-cut': {
    label: 'Cross-cut and pull',
    how: 'Six cuts each way, then tape.',
    fits: hasFilm,
    outcomes: [
      { value: 0, seen: 'class 0, no square', means: 'it holds' },
      { value: 1, seen: 'class 1, specks at the cuts', means: 'it holds' },
      ...[2, 3, 4, 5].map(comesOff),
    ],
  },
  gauge: {
    label: 'Thickness gauge',
    how: 'Five or more readings over the zone.',
    isUsual: true,
    fits: (zone) => familyOf(baseOf(zone)) === 'metal',
    outcomes: 'readings',
  },
  magnet: {
    label: 'Magnet',
    how: 'On the zone, a thin cloth between.',
    fits: (zone) => familyOf(baseOf(zone)) === 'metal',
    outcomes: [
      { value: 'holds', seen: 'it holds', means: 'steel under it' },
      { value: 'falls-off', seen: 'it falls off', means: 'no steel, or thick filler over it' },
    ],
  },
  'moulding-mark': {
    label: 'Moulding mark',
    how: 'Look at the back of the part.',
    isUsual: true,
    fits: onPlastic,
    outcomes: 'mark',
  },
  float: {
    label: 'Float',
    how: 'A sliver in a cup of water.',
    isUsual: true,
    fits: onPlastic,
    outcomes: [
      { value: 'floats', seen: 'it floats', means: 'an olefin: low surface energy' },
      { value: 'sinks', seen: 'it sinks', means: 'not an olefin' },
    ],
  },
  'tape-hold': {
    label: 'Tape hold',
    how: 'Masking tape on the cleaned plastic.',
    isUsual: true,
    fits: onPlastic,
    outcomes: [
      { value: 'holds', seen: 'it holds', means: 'a promoter has a chance' },
      {
        value: 'slides-off',
        seen: 'it slides off',
        means: 'too low in energy or contaminated: do not paint yet',
      },
    ],
  },
  'water-break': {
    label: 'Water break',
    how: 'Clean water over the cleaned zone.',
    fits: () => true,
    outcomes: [
      { value: 'sheets', seen: 'one unbroken sheet', means: 'clean' },
      { value: 'beads', seen: 'it beads', means: 'still contaminated: dressing or silicone' },
    ],
  },
  straightedge: {
    label: 'Straightedge',
    how: 'Laid across: the gap under it over its length.',
    fits: () => true,
    outcomes: 'gap',
  },
  dew: {
    label: 'Surface temperature',
    how: 'A probe on the panel, where it is coldest.',
    fits: () => true,
    outcomes: 'celsius',
  },
  thumbnail: {
    label: 'Thumbnail',
    how: 'Press where nobody sees it.',
    fits: hasFilm,
    outcomes: [
      { value: 'none', seen: 'no mark', means: 'cured enough to sand' },
      { value: 'marks', seen: 'it marks', means: 'not cured: it may be thinner-soft, rub it with solvent' },
    ],
  },
};

export const TEST_KINDS = Object.keys(TEST_FORMS) as TestKind[];

/** Bands of a mean reading over metal, µm, from thin to thick. */
const GAUGE_BANDS: readonly (readonly [belowUm: number, means: string])[] = [
  [80, 'thin: rubbed or polished before'],
  [150, 'one factory finish'],
  [300, 'painted over once'],
  [1000, 'repainted: consider stripping'],
  [Infinity, 'filler under it'],
];

export interface GaugeFigures {
  readonly meanUm: number;
  readonly leastUm: number;
  readonly mostUm: number;
  readonly means: string;
}

/** Mean, least and most of some readings, µm, and what the mean says. */
export function gaugeFigures(readingsUm: readonly number[]): GaugeFigures {
  const meanUm = readingsUm.reduce((sum, um) => sum + um, 0) / readingsUm.length;
  const means = GAUGE_BANDS.find(([below]) => meanUm <= below)![1];
  return { meanUm, leastUm: Math.min(...readingsUm), mostUm: Math.max(...readingsUm), means };
}

const MARK_MEANS: Record<MarkedPlastic, string> = {
  olefin: 'an olefin: low surface energy',
  other: 'not an olefin',
  unknown: 'no known mark: tape hold and float decide, and it is taken for an olefin until then',
};

/** What a recorded test meant. */
export function meaningOf(test: ZoneTest): string {
  if (test.kind === 'gauge') return gaugeFigures(test.readingsUm).means;
  if (test.kind === 'straightedge') return meaningOfGap(test.chordMm, test.gapMm);
  if (test.kind === 'dew') return 'this counts against the dew point, not the air of the room';
  const { outcomes } = TEST_FORMS[test.kind];
  if (outcomes === 'mark') return MARK_MEANS[readMark(String(test.outcome))];
  return (outcomes as readonly SeenOutcome[]).find(({ value }) => value === test.outcome)?.means ?? '';
}

/** A gap under a straightedge on a flat surface: a hollow from here on, waves below (default), mm. */
const HOLLOW_FROM_MM = 0.5;

const meaningOfGap = (chordMm: number, gapMm: number): string =>
  gapMm === 0
    ? 'straight here'
    : `a dent or a wave; on a crown a radius of ${Math.round(crownRadiusMm(chordMm, gapMm))} mm`;

/** A gap on a flat panel is a hollow or a wave of the zone; on a crown it tells the radius and nothing else. */
function withGap(zone: Zone, chordMm: number, gapMm: number, isFlat: boolean): Zone {
  if (!isFlat || gapMm === 0) return zone;
  const kind = gapMm >= HOLLOW_FROM_MM ? 'low' : 'waves';
  if (findingOf(zone.findings, kind)) return zone;
  const found: Finding =
    kind === 'low'
      ? { kind, depthMm: gapMm, sizeMm: chordMm }
      : { kind, um: gapMm * 1000, wavelengthMm: chordMm };
  return { ...zone, findings: [...zone.findings, found] };
}

const withTop = (zone: Zone, kind: LayerKind): Zone => ({
  ...zone,
  layers: [...zone.layers.slice(0, -1), { ...zone.layers[zone.layers.length - 1]!, kind }],
  ...(kind === 'old-finish' || kind === 'old-finish-soluble' ? { substrate: kind } : {}),
});

/** The plastic is known now: its kind is written down, and it is no longer unknown. */
function withPlastic(zone: Zone, kind: 'plastic-olefin' | 'plastic-rigid'): Zone {
  const [base, ...rest] = zone.layers;
  const findings = zone.findings.filter((finding) => finding.kind !== 'unknown-plastic');
  const substrate = rest.length === 0 ? kind : zone.substrate;
  return { ...zone, layers: [{ ...base!, kind }, ...rest], findings, substrate };
}

/** A mark that says nothing leaves the zone as it was recorded. */
const withMark = (zone: Zone, marked: MarkedPlastic): Zone =>
  marked === 'unknown' ? zone : withPlastic(zone, marked === 'olefin' ? 'plastic-olefin' : 'plastic-rigid');

/** Readings set the thickness of the top film, or show the filler that nobody had recorded. */
function withReadings(zone: Zone, readingsUm: readonly number[]): Zone {
  const { meanUm, means } = gaugeFigures(readingsUm);
  const known = zone.layers.slice(1, -1).reduce((sum, { um }) => sum + (um ?? 0), 0);
  const top = zone.layers[zone.layers.length - 1]!;
  const hasBody = zone.layers.some(({ kind }) => isBody(kind));
  if (means === 'filler under it' && !hasBody) {
    const um = Math.round(meanUm - known - (zone.layers.length > 1 ? (top.um ?? 0) : 0));
    return { ...zone, layers: [zone.layers[0]!, { kind: 'filler', um }, ...zone.layers.slice(1)] };
  }
  const um = Math.round(meanUm - known);
  if (zone.layers.length < 2 || um <= 0) return zone;
  return { ...zone, layers: [...zone.layers.slice(0, -1), { ...top, um }] };
}

/** What follows from a test in the zone's survey; the zone as it was where nothing follows. */
function consequences(zone: Zone, test: ZoneTest, isFlat = false): Zone {
  const top = topKindOf(zone);
  switch (test.kind) {
    case 'solvent-rub':
      if (test.outcome === 'softens' && top === 'old-finish') return withTop(zone, 'old-finish-soluble');
      return test.outcome === 'none' && top === 'old-finish-soluble' ? withTop(zone, 'old-finish') : zone;
    case 'float':
      if (!onPlastic(zone)) return zone;
      return withPlastic(zone, test.outcome === 'floats' ? 'plastic-olefin' : 'plastic-rigid');
    case 'moulding-mark':
      return onPlastic(zone) ? withMark(zone, readMark(test.outcome)) : zone;
    case 'gauge':
      return withReadings(zone, test.readingsUm);
    case 'straightedge':
      return withGap(zone, test.chordMm, test.gapMm, isFlat);
    case 'water-break':
      return test.outcome === 'beads' && !findingOf(zone.findings, 'dressing')
        ? { ...zone, findings: [...zone.findings, { kind: 'dressing' }] }
        : zone;
    default:
      return zone;
  }
}

/** The zone with a test recorded, in the place of an earlier one of its kind, and with what follows from it. */
export function withTest(zone: Zone, test: ZoneTest): Zone {
  const others = (zone.tests ?? []).filter(({ kind }) => kind !== test.kind);
  return {
    ...consequences(zone, test),
    tests: [...others, { ...test, because: meaningOf(test) } as ZoneTest],
  };
}

/**
 * The panel with what its recorded tests mean taken into its survey, however they came in: by screen, file, server or
 * command line. Taking them in twice changes nothing. A straightedge on a crown gives the panel its radius.
 */
export function withTestsTaken(panel: Panel): Panel {
  if (!panel.zones.some(({ tests }) => tests && tests.length > 0)) return panel;
  const isFlat = panel.shape === 'flat';
  const zones = panel.zones.map((zone) =>
    (zone.tests ?? []).reduce((now, test) => consequences(now, test, isFlat), zone),
  );
  const edge = panel.zones.map((zone) => testOf(zone, 'straightedge')).find((test) => test && test.gapMm > 0);
  return {
    ...panel,
    zones,
    ...(edge && !isFlat && panel.crownRadiusMm === undefined
      ? { crownRadiusMm: Math.max(50, crownRadiusMm(edge.chordMm, edge.gapMm)) }
      : {}),
  };
}

/** The zone with a test taken back; what had followed from it stays, for the person to judge. */
export const withoutTest = (zone: Zone, kind: TestKind): Zone => ({
  ...zone,
  tests: (zone.tests ?? []).filter((test) => test.kind !== kind),
});

const MOST_READING_UM = 20_000;

/** Gauge readings as they were typed in the units in force, in µm; or why the text is no list of readings. */
export function readReadings(
  text: string,
  system: UnitSystem,
): { readonly um: readonly number[] } | { readonly problem: string } {
  const um = readNumbers(text)?.map((shown) => toStored('Um', shown, system));
  if (um?.every((each) => each >= 0 && each <= MOST_READING_UM)) return { um };
  const range = `A reading is from 0 to ${formatQuantity('Um', MOST_READING_UM, system)}.`;
  return { problem: `${(um ? null : numbersProblem(text)) ?? range} Readings are numbers apart by spaces.` };
}
