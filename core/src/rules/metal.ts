import { hasIssue, showsMetal } from '../operations/issues.ts';
import { airProblem, willAirDoOn } from '../operations/air.ts';
import { workAirAt } from '../operations/day.ts';
import { isCoarser, type Grade } from '../materials/grades.ts';
import { isBody, labelOf, type LayerKind } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import {
  COAT_OPS,
  LAYING_OPS,
  isCoat,
  isLastCoat,
  isLaying,
  leadsToBase,
  type Act,
} from '../operations/act.ts';
import { ruleIn, schoolIn, sheetIn } from '../operations/context.ts';
import { sectionsOf } from '../operations/cleaning.ts';
import { sheetFor } from '../operations/products.ts';
import { exposureLimit } from '../operations/windows.ts';
import { isBare, topOf } from '../operations/state.ts';
import { abrade, bodyWork, kept } from './remedies.ts';
import {
  advice,
  NO_VERDICTS,
  verdictsFor,
  type Rule,
  type RuleInput,
  type ZoneRuleInput,
  type Verdict,
} from './rule.ts';
import { areSmallSpots, spotFacts, spotProblem } from './bare-spots.ts';
import { metalGrade } from './metal-grades.ts';
import { RUST_RULES } from './rust.ts';
import { STRIPPING_RULES } from './stripping.ts';

/** Rules of bare metal. */

const UNDER_FILLER: Grade = 'P80';
/** Scratch that a small bare spot gets under a coat whose sheet names no bare metal (default). */
const SPOT_RANGE = { coarsest: 'P80', finest: 'P320' } as const;
const gradeUnder = (act: Act, kind: LayerKind): Grade =>
  act.op === 'fill' ? UNDER_FILLER : metalGrade(kind);

/** What the rim of bare metal around filler is scuffed with again, the filler with it (default). */
const RIM_GRADE: Grade = 'P180';

const m1 = verdictsFor('M1');
const FIRST_COAT: Partial<Record<Act['op'], string>> = {
  'prime-epoxy': 'epoxy',
  'prime-etch': 'etch-spots',
  'prime-dtm': 'dtm',
};

/** An open joint lets water creep under whatever covers it: it is sealed over the first coat that sealer may lie on. */
const openJoint = (input: ZoneRuleInput): readonly Verdict[] => {
  const { act, zone, context } = input;
  const sheet = sheetFor(context, 'seam', [topOf(zone).kind]);
  if (sheet) return m1.must(input, { code: 'M1.joint', facts: {} }, bodyWork('seam-seal', zone, sheet));
  return !leadsToBase(act)
    ? NO_VERDICTS
    : m1.must(input, { code: 'M1.no-seam', facts: { layer: labelOf(topOf(zone).kind) } });
};

const unprotected = (input: ZoneRuleInput, sheet: ProductSheet): readonly Verdict[] =>
  m1.must(input, {
    code: 'M1.bare',
    facts: { sheet: sheet.name, layer: labelOf(topOf(input.zone).kind) },
    source: 'sheet',
  });

/** A sealer, a build or wet-on-wet over small spots: as far as size, number and sheet allow. */
const overSpots = (input: ZoneRuleInput): readonly Verdict[] => {
  const { zone, context } = input;
  const problem = spotProblem(input);
  if (!problem) return NO_VERDICTS;
  if (problem === 'sheet') {
    const { act } = input;
    return isCoat(act) ? unprotected(input, sheetIn(context, act.sheetId)) : NO_VERDICTS;
  }
  return m1.must(input, {
    code: 'M1.spots',
    facts: { ...spotFacts(input), layer: labelOf(topOf(zone).kind) },
    source: ruleIn(context, 'bareSpotMm').source,
  });
};

/** A first coat is as thick as its sheet calls full: a reduced one is a sealer, and one coat of two is half of it. */
function thinFirst(input: ZoneRuleInput, sheet: ProductSheet): readonly Verdict[] {
  const { act, zone, context } = input;
  if (!isCoat(act) || areSmallSpots(zone, context)) return NO_VERDICTS;
  const coats = act.coats[zone.zone.id] ?? 1;
  const layer = labelOf(topOf(zone).kind);
  if (sheet.use === 'sealer') {
    const facts = { sheet: sheet.name, layer, filmUm: coats * sheet.film.perCoatUm };
    return m1.must(input, { code: 'M1.reduced', facts, source: 'sheet' });
  }
  if (coats >= sheet.film.coats) return NO_VERDICTS;
  const facts = { sheet: sheet.name, coats, fullCoats: sheet.film.coats };
  return m1.should(input, { code: 'M1.thin', facts, source: 'sheet' });
}

const M1 = m1.rule({
  on: [...COAT_OPS, 'hand-over'],
  asks: 'Bare metal gets a corrosion-resisting first coat.',
  about: (zone) => isBare(zone) || hasIssue(zone, 'joint'),
  judge: (input) => {
    const { act, zone, context } = input;
    if (act.op === 'hand-over' && isBare(zone))
      return m1.must(input, { code: 'M1.left-bare', facts: { layer: labelOf(topOf(zone).kind) } });
    if (hasIssue(zone, 'joint') && !isBare(zone)) {
      const sealed = openJoint(input);
      if (sealed.length > 0) return sealed;
    }
    if (!isCoat(act)) return NO_VERDICTS;
    if (!isBare(zone)) return NO_VERDICTS;
    const sheet = sheetIn(context, act.sheetId);
    // A chip has lain open; only what was just rubbed through may do without a corrosion coat.
    const isRubbed = zone.patch?.finding.kind === 'rub-through';
    if (!sheet.resistsCorrosion) return isRubbed ? overSpots(input) : unprotected(input, sheet);
    const { side } = schoolIn(context, 'firstCoat');
    // Etch is for spots whatever the school of the rest; a shop of that school primes larger metal with epoxy.
    const isOwn = FIRST_COAT[act.op] === side || (side === 'etch-spots' && !zone.patch?.spots);
    return [
      ...thinFirst(input, sheet),
      ...(isOwn || isLastCoat(act)
        ? NO_VERDICTS
        : m1.school(input, { code: 'school.first-coat', facts: { sheet: sheet.name, side } })),
    ];
  },
});

const m2 = verdictsFor('M2');

const M2 = m2.rule({
  only: 'metal',
  on: LAYING_OPS,
  asks: 'Bare metal is coated inside the exposure limit, else abraded again.',
  about: showsMetal,
  reads: 'panel',
  judge: (input) => {
    const { act, zone, panel, context } = input;
    // The rim of filler is scuffed with its shaping; what is asked here is whether that was too long ago.
    const isAsked = isBare(zone) || (isCoat(act) && zone.surface.scratch !== null);
    if (!isLaying(act) || !isAsked) return NO_VERDICTS;
    const { value: limitMin, source } = exposureLimit(context, zone.bareSinceMin ?? panel.clockMin);
    const { kind } = topOf(zone);
    const range = sheetIn(context, act.sheetId).over[kind];
    const remedy = isBare(zone)
      ? abrade(zone, kept(gradeUnder(act, kind), context, range), 'machine', context)
      : abrade(zone, RIM_GRADE, 'block', context);
    if (zone.bareSinceMin === null)
      return m2.must(input, { code: 'M2.found-bare', facts: { limitMin }, source }, remedy);
    const exposedMin = panel.clockMin - zone.bareSinceMin;
    if (exposedMin <= (limitMin * ruleIn(context, 'exposureTightPercent').value) / 100) return NO_VERDICTS;
    if (exposedMin <= limitMin)
      return m2.should(input, { code: 'M2.tight', facts: { exposedMin, limitMin }, source });
    return m2.must(input, { code: 'M2.exposed', facts: { exposedMin, limitMin }, source }, remedy);
  },
});

const m3 = verdictsFor('M3');

/** Dew on a film that is not through dulls and lifts it: such a night is kept out of, by heat or by an early start. */
function throughTheNight(input: ZoneRuleInput): readonly Verdict[] {
  const { laid } = topOf(input.zone);
  const night = laid?.cure?.night;
  if (!laid || !night?.isDamp || night.isAvoidable) return NO_VERDICTS;
  const sheet = sheetIn(input.context, laid.sheetId);
  const { celsius: nightCelsius, marginKelvin, limitKelvin } = night;
  return m3.must(input, {
    code: 'M3.night',
    facts: { sheet: sheet.name, nightCelsius, marginKelvin, limitKelvin },
  });
}

const M3 = m3.rule({
  on: [...LAYING_OPS, 'cure'],
  asks: 'Nothing is sprayed, or left to cure, near the dew point or outside the sheet’s climate.',
  reads: 'panel',
  concerns: ({ act }) => isLaying(act) || (act.op === 'cure' && act.method === 'air'),
  judge: (input) => {
    const { act, zone, panel, context } = input;
    if (!isLaying(act)) return throughTheNight(input);
    const sheet = sheetIn(context, act.sheetId);
    // A search does not know the hour yet: any of the day's will do.
    if (context.isUntimed && willAirDoOn(sheet, zone, context)) return NO_VERDICTS;
    const problem = airProblem(sheet, zone, workAirAt(panel.clockMin, context), context);
    return problem ? [{ level: 'must', zoneId: zone.zone.id, reason: problem }] : NO_VERDICTS;
  },
});

const m4 = verdictsFor('M4');

const M4 = m4.rule({
  only: 'metal',
  on: COAT_OPS,
  asks: 'Metal is abraded to the grade that its first coat wants.',
  about: isBare,
  judge: (input) => {
    const { act, zone, context } = input;
    if (!isCoat(act)) return NO_VERDICTS;
    const kind = topOf(zone).kind;
    const range = sheetIn(context, act.sheetId).over[kind] ?? (zone.patch?.spots ? SPOT_RANGE : undefined);
    if (!range) return NO_VERDICTS;
    const wanted = metalGrade(kind);
    const target = kept(isCoarser(range.finest, wanted) ? range.finest : wanted, context, range);
    const grade = zone.surface.scratch?.grade;
    if (grade && !isCoarser(grade, target) && !isCoarser(range.finest, grade)) return NO_VERDICTS;
    return m4.must(
      input,
      {
        code: kind === 'aluminium' ? 'M4.aluminium' : grade ? 'M4.grade' : 'M4.unsanded',
        facts: { layer: labelOf(kind), grit: target, found: grade ?? 'not sanded yet' },
        source: 'sheet',
      },
      abrade(zone, target, 'machine', context),
    );
  },
});

const m6 = verdictsFor('M6');

const etchVerdicts = (input: RuleInput): readonly Verdict[] => {
  const { zone, act, panel, context } = input;
  if (zone.stack.some((layer) => isBody(layer.kind))) return m6.must(input, { code: 'M6.filler', facts: {} });
  const limit = ruleIn(context, 'etchSharePercent');
  const areaM2 = panel.zones.reduce(
    (sum, other) => (act.zones.includes(other.zone.id) ? sum + other.extent.openM2 : sum),
    0,
  );
  const sharePercent = (areaM2 / context.panel.areaM2) * 100;
  if (sharePercent <= limit.value) return NO_VERDICTS;
  return m6.must(input, {
    code: 'M6.spots-only',
    facts: { sharePercent, limitPercent: limit.value },
    source: limit.source,
  });
};

const M6 = m6.rule({
  on: ['prime-etch', 'prime-epoxy', 'fill', 'glaze', 'hand-over'],
  asks: 'Acid etch only on spots, never with filler or under epoxy, always covered.',
  reads: 'panel',
  concerns: ({ act, zone }) => act.op === 'prime-etch' || topOf(zone).kind === 'etch',
  judge: (input) => {
    const { act } = input;
    if (act.op === 'prime-etch') return etchVerdicts(input);
    if (act.op === 'prime-epoxy')
      return m6.must(input, { code: 'M6.under-epoxy', facts: {}, source: 'sheet' });
    if (act.op === 'fill' || act.op === 'glaze') return m6.must(input, { code: 'M6.filler', facts: {} });
    return act.op === 'hand-over' ? m6.must(input, { code: 'M6.uncovered', facts: {} }) : NO_VERDICTS;
  },
});

const M2_SECTIONS = advice(
  'M2',
  COAT_OPS,
  'Large bare areas are abraded, wiped and coated section by section.',
  ({ zone, context }) => {
    const sections = isBare(zone) ? sectionsOf(zone, context) : 1;
    if (sections < 2) return null;
    return {
      code: 'M2.sections',
      facts: { sections, sectionM2: (context.panel.count * zone.extent.openM2) / sections },
    };
  },
);

export const METAL_RULES: readonly Rule[] = [
  M1,
  M2,
  M2_SECTIONS,
  M3,
  M4,
  ...RUST_RULES,
  M6,
  ...STRIPPING_RULES,
];
