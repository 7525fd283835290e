/**
 * Panels of all kinds, drawn by a seed: every ground, finding, test, role, size and school that the survey knows. They are
 * kept (panels.jsonl) and not drawn anew, so that a new finding or school adds panels and changes none.
 */
import { newFinding } from '../core/dist/survey/finding.js';
import { FINDING_KINDS, findingRow } from '../core/dist/survey/findings.js';
import { FINDABLE_KINDS } from '../core/dist/materials/layer-kinds.js';
import { contradictionsOf, impossibilitiesOf, qualityProblems } from '../core/dist/survey/contradictions.js';
import { targetSchema } from '../core/dist/survey/shop.js';
import { QUALITIES } from '../core/dist/survey/qualities.js';
import { SCHOOLS } from '../core/dist/survey/schools.js';
import { panelOf } from '../core/dist/survey/sketch.js';
import { TEST_FORMS, TEST_KINDS } from '../core/dist/survey/test-guide.js';
import { FACES, ROLES } from '../core/dist/survey/zone.js';
import { seeded } from '../core/dist/units/random.js';

/** From the ground up; every layer that can be found lies in one of them (checked below). */
const STACKS = [
  'steel',
  'zinc-steel',
  'aluminium',
  'fiberglass',
  'plastic-rigid',
  'plastic-olefin',
  'plastic-soft',
  'plastic-primed',
  'steel/ecoat:20',
  'steel/ecoat:20/old-finish:95',
  'steel/old-finish:110',
  'steel/old-finish:420',
  'zinc-steel/old-finish:110',
  'zinc-steel/ecoat:22/old-finish:100',
  'aluminium/ecoat:20/old-finish:90',
  'aluminium/old-finish:120',
  'steel/part-primer:30',
  'steel/old-finish-soluble:120',
  'steel/epoxy:60',
  'steel/epoxy:50/build:100',
  'steel/filler:700',
  'steel/filler:2500',
  'zinc-steel/filler:800',
  'steel/filler:900/old-finish:110',
  'steel/epoxy:40/filler:600/glaze:200',
  'steel/old-finish:100/filler:800/old-finish:100',
  'steel/epoxy:40/seam:1500',
  'steel/epoxy:40/seam:1500/old-finish:100',
  'steel/epoxy:50/texture:600',
  'fiberglass/old-finish:100',
  'fiberglass/filler:500',
  'plastic-rigid/old-finish:90',
  'plastic-olefin/old-finish:90',
  'plastic-soft/old-finish:80',
];
const unused = FINDABLE_KINDS.filter((kind) => !STACKS.some((stack) => stack.split(/[:/]/).includes(kind)));
if (unused.length > 0) throw new Error(`No ground of behaviour/make-panels.mjs has: ${unused.join(', ')}.`);

const AREAS_M2 = [0.02, 0.05, 0.12, 0.3, 0.5, 0.9, 1.5, 2.4, 4, 8, 20, 40];
/** How often a thing that is not usual is said of a panel. */
const SELDOM = 0.2;
/** A cold or damp shop refuses most coats: what is seen of the others is worth more. */
const RARE = 0.07;
/** What goes to the welder before anything is planned, drawn as often as it teaches something. */
const STOPS = new Set(['rust-through', 'hole']);

/** What a seed draws. */
function drawerOf(seed) {
  const random = seeded(seed);
  const below = (n) => Math.floor(random() * n);
  const oneOf = (list) => list[below(list.length)];
  return { random, below, oneOf, isSo: (share) => random() < share };
}

/** A size by the order of its own, so that small ones are as frequent as large ones. */
const between = (random, least, most) => Number((least * (most / least) ** random()).toPrecision(2));

function figureOf(field, { random, below, oneOf }) {
  if (field.kind === 'choice') return oneOf(field.options);
  if (field.kind === 'count') return 1 + below(60);
  return field.kind === 'share' ? between(random, 0.002, 0.9) : between(random, field.least, field.most / 20);
}

function findingOf(kind, draw) {
  const blank = newFinding(kind);
  const { fields } = findingRow(kind);
  const drawn = fields.filter(({ isOptional }) => !isOptional || draw.isSo(0.5));
  // Half of what is found is as somebody leaves the form.
  return draw.isSo(0.5)
    ? blank
    : { ...blank, ...Object.fromEntries(drawn.map((field) => [field.name, figureOf(field, draw)])) };
}

const MEASURED = {
  readings: ({ below }) => {
    const um = 60 + below(1400);
    return { readingsUm: [um, um + 20, um - 15] };
  },
  mark: ({ oneOf }) => ({ outcome: oneOf(['PP', 'ABS', 'PUR', 'PC/PBT']) }),
  gap: ({ random }) => ({ chordMm: 300, gapMm: between(random, 0.05, 3) }),
  celsius: ({ below }) => ({ surfaceCelsius: 6 + below(24) }),
};

function testOf(kind, draw) {
  const { outcomes } = TEST_FORMS[kind];
  const outcome = Array.isArray(outcomes)
    ? { outcome: draw.oneOf(outcomes).value }
    : MEASURED[outcomes](draw);
  return { kind, ...outcome };
}

/** Some of a list, each once; seldom more than two. */
const someOf = (list, { below, isSo, oneOf }) => [
  ...new Set(Array.from({ length: isSo(SELDOM) ? 2 + below(3) : below(3) }, () => oneOf(list))),
];

function zoneOf(draw) {
  const { oneOf, isSo } = draw;
  const sketch = { stack: oneOf(STACKS), areaM2: oneOf(AREAS_M2) };
  const canBe = (more) => {
    const parsed = panelOf([{ ...sketch, ...more }]);
    return impossibilitiesOf(parsed.zones[0]).length === 0;
  };
  const findings = someOf(FINDING_KINDS, draw)
    .filter((kind) => !STOPS.has(kind) || isSo(SELDOM))
    .map((kind) => findingOf(kind, draw))
    .filter((finding) => canBe({ findings: [finding] }));
  const tests = (isSo(0.3) ? someOf(TEST_KINDS, draw) : [])
    .filter((kind) => TEST_FORMS[kind].fits(panelOf([sketch]).zones[0]))
    .map((kind) => testOf(kind, draw));
  const facts = {
    ...(isSo(SELDOM) ? { role: oneOf(ROLES) } : {}),
    ...(isSo(SELDOM / 2) ? { face: oneOf(FACES) } : {}),
    ...(isSo(SELDOM / 2) ? { quality: oneOf(QUALITIES) } : {}),
  };
  const made = { findings, ...(tests.length > 0 ? { tests } : {}) };
  return { ...sketch, ...made, ...(canBe({ ...made, facts }) ? { facts } : {}) };
}

function panelFactsOf({ oneOf, isSo }) {
  return {
    ...(isSo(0.5) ? { shape: oneOf(['flat', 'crowned', 'sharp']) } : {}),
    ...(isSo(0.3) ? { orientation: 'horizontal' } : {}),
    ...(isSo(SELDOM) ? { role: 'blend' } : {}),
    ...(isSo(SELDOM) ? { offVehicle: true } : {}),
    ...(isSo(SELDOM / 2) ? { new: true } : {}),
    ...(isSo(SELDOM / 4) ? { finish: 'keep-texture' } : {}),
    ...(isSo(SELDOM) ? { borders: [{ name: 'fender', plan: oneOf(['blend', 'refinish', 'keep']) }] } : {}),
  };
}

function shopOf(draw) {
  const { below, oneOf, isSo } = draw;
  const names = Object.keys(SCHOOLS).filter(() => isSo(SELDOM / 2));
  return {
    celsius: isSo(RARE) ? 4 + below(32) : 20,
    nightCelsius: isSo(SELDOM) ? 8 + below(14) : 14,
    ...(isSo(RARE) ? { relativeHumidity: 30 + below(66) } : {}),
    ...(isSo(SELDOM) ? { profile: 'garage' } : {}),
    schools: Object.fromEntries(names.map((name) => [name, oneOf(Object.keys(SCHOOLS[name]))])),
    ...(isSo(0.5)
      ? { heaters: [{ id: 'lamp', name: 'Lamp', kind: oneOf(['lamp', 'oven']), mostCelsius: 70 }] }
      : {}),
  };
}

/** The zones without facts of their own where those cannot be on this panel. */
function possible(zones, facts, target) {
  const panel = panelOf(zones, facts);
  const told = targetSchema.parse(target);
  return zones.map(({ facts: own, ...zone }, i) =>
    own && contradictionsOf(panel.zones[i]).length + qualityProblems(panel.zones[i], told).length === 0
      ? { ...zone, facts: own }
      : zone,
  );
}

/** The panel of a seed, with its shop and target. */
export function drawnPanel(seed) {
  const draw = drawerOf(seed);
  const { below, oneOf, isSo } = draw;
  const zones = Array.from({ length: isSo(0.5) ? 1 : 1 + below(4) }, () => zoneOf(draw));
  const facts = panelFactsOf(draw);
  const target = {
    quality: isSo(0.6) ? 'standard' : oneOf(QUALITIES),
    ...(isSo(0.5) ? { base: { color: oneOf(['#1b7f86', '#c01a1a', '#f2f2ee', '#141414']) } } : {}),
  };
  return { seed, zones: possible(zones, facts, target), panel: facts, shop: shopOf(draw), target };
}
