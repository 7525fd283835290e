import { dewMarginOf } from '../climate/dew-margin.ts';
import { isCoarser, type Grade } from '../materials/grades.ts';
import { isBody, isMetal, labelOf, type LayerKind } from '../materials/layer-kinds.ts';
import { COAT_OPS, LAYING_OPS, SAND_OPS, isCoat, isLaying, isSanding, type Act } from '../operations/act.ts';
import { ruleIn, schoolIn, sheetIn, type Context } from '../operations/context.ts';
import { has, isBare, isUnprimedPlastic, topOf, type ZoneState } from '../operations/state.ts';
import { ZINC_GRADE, abrade, bodyWork, isLargeFlat, mask, removeRust, sheetFor, wash } from './remedies.ts';
import { advice, fine, speaker, type Rule, type Trial, type ZoneTrial, type Verdict } from './rule.ts';

/** Rules of bare metal. */

const STEEL_GRADE: Grade = 'P180';
/** Grade under a first coat, by metal (default); inside the range of the sheet. */
const METAL_GRADES: Partial<Record<LayerKind, Grade>> = {
  steel: STEEL_GRADE,
  aluminium: 'P180',
  'zinc-steel': 'P240',
};
const metalGrade = (kind: LayerKind): Grade => METAL_GRADES[kind] ?? STEEL_GRADE;
const UNDER_FILLER: Grade = 'P80';
const gradeUnder = (act: Act, kind: LayerKind): Grade =>
  act.op === 'fill' ? UNDER_FILLER : metalGrade(kind);

/** Share of the panel that rub-through spots take, percent. */
const spotSharePercent = ({ spots }: ZoneState, context: Context): number =>
  spots ? ((spots.count * Math.PI * (spots.mm / 1000) ** 2) / 4 / context.panel.areaM2) * 100 : 0;

/** Whether the spots are small enough, and the product willing, to be covered without a corrosion coat. */
export function spotProblem({ zone, act, context }: ZoneTrial): 'size' | 'sheet' | null {
  if (!zone.spots || !isCoat(act)) return null;
  const sheet = sheetIn(context, act.sheetId);
  if (sheet.resistsCorrosion) return null;
  const tooLarge =
    zone.spots.mm > ruleIn(context, 'bareSpotMm').value ||
    spotSharePercent(zone, context) > ruleIn(context, 'bareSpotSharePercent').value;
  if (tooLarge) return 'size';
  return sheet.coversBareSpots ? null : 'sheet';
}

export const spotFacts = ({ zone, context }: ZoneTrial) => ({
  spotMm: zone.spots?.mm ?? 0,
  count: zone.spots?.count ?? 0,
  sharePercent: spotSharePercent(zone, context),
  limitMm: ruleIn(context, 'bareSpotMm').value,
  limitPercent: ruleIn(context, 'bareSpotSharePercent').value,
});

const m1 = speaker('M1');
const FIRST_COAT: Partial<Record<Act['op'], string>> = {
  'prime-epoxy': 'epoxy',
  'prime-etch': 'etch-spots',
  'prime-dtm': 'dtm',
};

/** A joint whose sealer was stripped lets water creep under whatever covers it. */
const openJoint = (trial: ZoneTrial): readonly Verdict[] => {
  const { zone, context } = trial;
  const sheet = sheetFor(context, 'seam', [topOf(zone).kind]);
  return sheet
    ? m1.must(trial, { code: 'M1.joint', facts: {} }, bodyWork('seam-seal', zone, sheet))
    : m1.must(trial, { code: 'M1.no-seam', facts: { layer: labelOf(topOf(zone).kind) } });
};

export const M1: Rule = {
  id: 'M1',
  on: [...COAT_OPS, 'hand-over'],
  asks: 'Bare metal gets a corrosion-resisting first coat.',
  judge: (trial) => {
    const { act, zone, context } = trial;
    if (act.op === 'hand-over' && isBare(zone))
      return m1.must(trial, { code: 'M1.left-bare', facts: { layer: labelOf(topOf(zone).kind) } });
    if (has(zone, 'joint') && !isBare(zone)) return openJoint(trial);
    if (!isCoat(act)) return fine;
    const sheet = sheetIn(context, act.sheetId);
    if (isBare(zone)) {
      if (!sheet.resistsCorrosion)
        return m1.must(trial, {
          code: 'M1.bare',
          facts: { sheet: sheet.name, layer: labelOf(topOf(zone).kind) },
          source: 'sheet',
        });
      const { side } = schoolIn(context, 'firstCoat');
      return FIRST_COAT[act.op] === side
        ? fine
        : m1.school(trial, { code: 'school.first-coat', facts: { sheet: sheet.name, side } });
    }
    if (topOf(zone).kind === 'ecoat' || !isMetal(zone.spots?.to ?? 'steel') || !spotProblem(trial))
      return fine;
    return m1.must(trial, {
      code: 'M1.spots',
      facts: spotFacts(trial),
      source: ruleIn(context, 'bareSpotMm').source,
    });
  },
};

const m2 = speaker('M2');
/** A limit above an hour holds only in dry air. */
const DRY_AIR_PERCENT = 50;
const HUMID_LIMIT_MIN = 60;
/** From this share of the limit on, a small delay breaks it. */
const TIGHT_SHARE = 0.75;

export const M2: Rule = {
  id: 'M2',
  only: 'metal',
  on: LAYING_OPS,
  asks: 'Bare metal is coated inside the exposure limit, else abraded again.',
  reads: 'panel',
  judge: (trial) => {
    const { act, zone, panel, context } = trial;
    if (!isLaying(act) || !isBare(zone)) return fine;
    const own = ruleIn(context, 'bareMetalLimitMin');
    const isHumid = context.shop.relativeHumidity >= DRY_AIR_PERCENT;
    const limitMin = isHumid ? Math.min(own.value, HUMID_LIMIT_MIN) : own.value;
    const remedy = abrade(zone, gradeUnder(act, topOf(zone).kind), 'machine', context);
    if (zone.bareSinceMin === null)
      return m2.must(trial, { code: 'M2.found-bare', facts: { limitMin }, source: own.source }, remedy);
    const exposedMin = panel.clockMin - zone.bareSinceMin;
    if (exposedMin <= limitMin * TIGHT_SHARE) return fine;
    if (exposedMin <= limitMin)
      return m2.should(trial, { code: 'M2.tight', facts: { exposedMin, limitMin }, source: own.source });
    return m2.must(
      trial,
      { code: 'M2.exposed', facts: { exposedMin, limitMin }, source: own.source },
      remedy,
    );
  },
};

const m3 = speaker('M3');

export const M3: Rule = {
  id: 'M3',
  on: LAYING_OPS,
  asks: 'Nothing is sprayed near the dew point or outside the sheet’s climate.',
  judge: (trial) => {
    const { act, zone, context } = trial;
    if (!isLaying(act)) return fine;
    const { celsius, relativeHumidity } = context.shop;
    const { isEnough, source, ...margin } = dewMarginOf(zone.zone, context.shop);
    if (!isEnough) return m3.must(trial, { code: 'M3.dew', facts: margin, source });
    const sheet = sheetIn(context, act.sheetId);
    const { minCelsius, maxCelsius, maxRelativeHumidity } = sheet.climate;
    if (celsius < minCelsius || celsius > maxCelsius)
      return m3.must(trial, {
        code: 'M3.temperature',
        facts: { sheet: sheet.name, roomCelsius: celsius, minCelsius, maxCelsius },
        source: 'sheet',
      });
    if (relativeHumidity <= maxRelativeHumidity) return fine;
    return m3.must(trial, {
      code: 'M3.humidity',
      facts: { sheet: sheet.name, roomPercent: relativeHumidity, maxPercent: maxRelativeHumidity },
      source: 'sheet',
    });
  },
};

const m4 = speaker('M4');

export const M4: Rule = {
  id: 'M4',
  only: 'metal',
  on: COAT_OPS,
  asks: 'Metal is abraded to the grade that its first coat wants.',
  judge: (trial) => {
    const { act, zone, context } = trial;
    if (!isCoat(act) || !isBare(zone)) return fine;
    const kind = topOf(zone).kind;
    const range = sheetIn(context, act.sheetId).over[kind];
    if (!range) return fine;
    const wanted = metalGrade(kind);
    const target = isCoarser(range.finest, wanted) ? range.finest : wanted;
    const grade = zone.surface.scratch?.grade;
    if (grade && !isCoarser(grade, target) && !isCoarser(range.finest, grade)) return fine;
    return m4.must(
      trial,
      {
        code: kind === 'aluminium' ? 'M4.aluminium' : grade ? 'M4.grade' : 'M4.unsanded',
        facts: { layer: labelOf(kind), grit: target, found: grade ?? 'no scratch' },
        source: 'sheet',
      },
      abrade(zone, target, 'machine', context),
    );
  },
};

const m5 = speaker('M5');

export const M5: Rule = {
  id: 'M5',
  only: 'metal',
  on: LAYING_OPS,
  asks: 'Rust comes off before anything goes on.',
  judge: (trial) => {
    const { act, zone } = trial;
    if (!isLaying(act) || zone.rust === 'none') return fine;
    return m5.must(
      trial,
      { code: zone.rust === 'pitted' ? 'M5.pitted' : 'M5.surface', facts: {} },
      removeRust(zone),
    );
  },
};

const m6 = speaker('M6');

const etchVerdicts = (trial: Trial): readonly Verdict[] => {
  const { zone, act, panel, context } = trial;
  if (zone.stack.some((layer) => isBody(layer.kind))) return m6.must(trial, { code: 'M6.filler', facts: {} });
  const limit = ruleIn(context, 'etchSharePercent');
  const areaM2 = panel.zones.reduce(
    (sum, other) => (act.zones.includes(other.zone.id) ? sum + other.zone.areaM2 : sum),
    0,
  );
  const sharePercent = (areaM2 / context.panel.areaM2) * 100;
  if (sharePercent <= limit.value) return fine;
  return m6.must(trial, {
    code: 'M6.spots-only',
    facts: { sharePercent, limitPercent: limit.value },
    source: limit.source,
  });
};

export const M6: Rule = {
  id: 'M6',
  on: ['prime-etch', 'prime-epoxy', 'fill', 'glaze', 'hand-over'],
  asks: 'Acid etch only on spots, never with filler or under epoxy, always covered.',
  reads: 'panel',
  judge: (trial) => {
    const { act, zone } = trial;
    if (act.op === 'prime-etch') return etchVerdicts(trial);
    if (topOf(zone).kind !== 'etch') return fine;
    if (act.op === 'prime-epoxy')
      return m6.must(trial, { code: 'M6.under-epoxy', facts: {}, source: 'sheet' });
    if (act.op === 'fill' || act.op === 'glaze') return m6.must(trial, { code: 'M6.filler', facts: {} });
    return act.op === 'hand-over' ? m6.must(trial, { code: 'M6.uncovered', facts: {} }) : fine;
  },
};

const m7 = speaker('M7');

export const M7: Rule = {
  id: 'M7',
  on: ['strip-blast', 'strip-sand'],
  asks: 'No blasting and no coarse power sanding on large flat thin panels: they warp.',
  reads: 'panel',
  judge: (trial) => {
    const { act, panel, context } = trial;
    const zones = panel.zones.filter(({ zone }) => act.zones.includes(zone.id));
    if (act.zones[0] !== trial.zone.zone.id || !isLargeFlat(zones, context)) return fine;
    if (act.op === 'strip-blast') return m7.should(trial, { code: 'M7.blast', facts: {} });
    const isCoarse = isSanding(act) && isCoarser(act.grades[0], STEEL_GRADE);
    return isCoarse ? m7.should(trial, { code: 'M7.sand', facts: { grit: act.grades[0] } }) : fine;
  },
};

const m8 = speaker('M8');
/** Scratch that lets stripper in. */
const SCORED = { coarsest: 'P40', finest: 'P80' } as const;

export const M8: Rule = {
  id: 'M8',
  on: ['strip-chemical', 'degrease', ...SAND_OPS, ...LAYING_OPS],
  asks: 'Stripper goes on scored finish, away from edges, and is neutralised before anything else.',
  reads: 'panel',
  judge: (trial) => {
    const { act, zone, panel, context } = trial;
    if (act.op !== 'strip-chemical')
      return has(zone, 'stripper') ? m8.must(trial, { code: 'M8.neutralise', facts: {} }, wash(panel)) : fine;
    const grade = zone.surface.scratch?.grade;
    const isScored = grade && !isCoarser(grade, SCORED.coarsest) && !isCoarser(SCORED.finest, grade);
    if (!isScored)
      return m8.must(
        trial,
        { code: 'M8.score', facts: { grit: SCORED.finest } },
        abrade(zone, SCORED.finest, 'machine', context),
      );
    return panel.isMasked
      ? m8.note(trial, { code: 'M8.how', facts: { marginMm: 25 } })
      : m8.must(trial, { code: 'M8.mask', facts: { marginMm: 25 } }, mask(panel));
  },
};

export const M9 = advice(
  'M9',
  ['degrease', 'antistatic-wipe'],
  'Gloves from the last clean on.',
  ({ zone }) => (isBare(zone) || isUnprimedPlastic(zone) ? { code: 'M9.gloves', facts: {} } : null),
);

const m10 = speaker('M10');

/** The zinc that an act would sand: the bare top, or what stripping comes down to. */
const sandsZinc = ({ act, zone }: ZoneTrial): boolean =>
  (act.op === 'strip-sand' ? zone.stack[0]! : topOf(zone)).kind === 'zinc-steel';

export const M10: Rule = {
  id: 'M10',
  only: 'metal',
  on: [...SAND_OPS, 'strip-blast', 'fill', 'inspect'],
  asks: 'Zinc is not cut through, and filler lies on it only where its sheet says so.',
  judge: (trial) => {
    const { act, zone, context } = trial;
    if (isSanding(act)) {
      if (
        act.op === 'feather' ||
        act.op === 'scuff' ||
        !sandsZinc(trial) ||
        !isCoarser(act.grades[0], ZINC_GRADE)
      )
        return fine;
      return m10.must(trial, { code: 'M10.cut', facts: { grit: act.grades[0], limit: ZINC_GRADE } });
    }
    if (act.op === 'strip-blast')
      return zone.stack[0]!.kind === 'zinc-steel' ? m10.must(trial, { code: 'M10.blast', facts: {} }) : fine;
    if (act.op === 'inspect')
      return has(zone, 'found-body') && zone.stack[0]!.kind === 'zinc-steel'
        ? m10.should(trial, { code: 'M10.kept', facts: {} })
        : fine;
    if (act.op !== 'fill' || topOf(zone).kind !== 'zinc-steel') return fine;
    const sheet = sheetIn(context, act.sheetId);
    return sheet.over['zinc-steel']
      ? fine
      : m10.must(trial, { code: 'M10.filler', facts: { sheet: sheet.name }, source: 'sheet' });
  },
};

export const METAL_RULES: readonly Rule[] = [M1, M2, M3, M4, M5, M6, M7, M8, M9, M10];
