import { hasIssue } from '../operations/issues.ts';
import { grainUm, isCoarser, type Grade } from '../materials/grades.ts';
import { familyOf, isBody, isMetal, isRawPlastic, labelOf } from '../materials/layer-kinds.ts';
import {
  COAT_OPS,
  LAST_OPS,
  SAND_OPS,
  isCoat,
  isLastCoat,
  leadsToBase,
  type Act,
} from '../operations/act.ts';
import { contextFor, ledgeLimit, ruleIn, schoolIn, sheetIn, type Context } from '../operations/context.ts';
import { glazeOn, lowWayOf } from '../operations/lows.ts';
import { keptUm, staysOn } from '../operations/sanded-area.ts';
import {
  byId,
  isFoundFinish,
  keepsGrain,
  memoize,
  takesCoats,
  topOf,
  zoneOf,
  type Layer,
  type ZoneState,
} from '../operations/state.ts';
import { scratchUnder } from '../materials/sheet.ts';
import { countOfLines, drawnLines, zonesOnLines } from '../survey/body-lines.ts';
import { bordersOf } from '../survey/panel.ts';
import { readArea } from '../survey/patches.ts';
import { isSandableBuild } from './build.ts';
import { finalGrade, finalTool, telegraphOn } from './final-grade.ts';
import { abrade, bodyWork, cure, flash, guideCoat, kept, scuff, wipe, type Remedy } from './remedies.ts';
import {
  advice,
  NO_VERDICTS,
  verdictsFor,
  type Rule,
  type RuleInput,
  type ZoneRuleInput,
  type Verdict,
} from './rule.ts';

/** Rules of guide coat, block and last grit. */

const k1 = verdictsFor('K1');

const K1 = k1.rule({
  on: ['block', 'abrade'],
  asks: 'Guide coat before the first block and again before each finer grit.',
  reads: 'panel',
  concerns: ({ act, zone }) =>
    act.op === 'block' || (isSandableBuild(zone) && zone.surface.scratch?.tool === 'block'),
  judge: (input) => {
    const { act, zone, context } = input;
    if (zone.surface.hasGuideCoat) return NO_VERDICTS;
    const isFiner = act.op === 'abrade';
    // An experienced eye does without it between grades; before the first block nobody does.
    if (isFiner && schoolIn(context, 'guideCoat').side === 'eye') return NO_VERDICTS;
    return k1.must(input, { code: isFiner ? 'K1.finer' : 'K1.first', facts: {} }, guideCoat(zone));
  },
});

const k2 = verdictsFor('K2');
const zonesCrossed = memoize(zonesOnLines);

const K2 = k2.rule({
  on: ['block'],
  asks: 'A flat block in an X pattern, no fingertips, never across a body line.',
  reads: 'panel',
  judge: (input) => {
    const { act, zone, context } = input;
    if (act.op !== 'block') return NO_VERDICTS;
    if (act.tool !== 'block') return k2.must(input, { code: 'K2.fingertips', facts: { tool: act.tool } });
    if (zone.zone.id !== act.zones[0]) return NO_VERDICTS;
    if (drawnLines(context.panel).length > 0) {
      const zones = act.zones.filter((id) => zonesCrossed(context.panel).has(readArea(id).zone)).join(', ');
      return zones ? k2.note(input, { code: 'K2.crossed', facts: { zones } }) : NO_VERDICTS;
    }
    const lines = countOfLines(context.panel);
    return lines > 0 ? k2.note(input, { code: 'K2.lines', facts: { lines } }) : NO_VERDICTS;
  },
});

const k3 = verdictsFor('K3');

/** Low under a build: said where something can still be done. */
const K3_HOLLOW = k3.rule({
  on: ['prime-build', 'prime-dtm'],
  asks: 'A low deeper than build levels is glazed first, a deeper one filled.',
  about: ({ surface }) => surface.lowUm > 0,
  judge: (input) => {
    const { zone, context } = input;
    const lowFineMm = zone.surface.lowUm / 1000;
    const { value: canLevelUm, source } = ruleIn(context, 'buildLowUm');
    if (zone.surface.lowUm <= canLevelUm) return NO_VERDICTS;
    const glaze = lowWayOf(zone, context) === 'glaze' ? glazeOn(zone, context) : undefined;
    return glaze
      ? k3.must(
          input,
          { code: 'K3.glaze', facts: { lowFineMm, canLevelUm }, source },
          bodyWork('glaze', zone, glaze),
        )
      : k3.must(input, { code: 'K3.low', facts: { lowFineMm, canLevelUm }, source });
  },
});

const K3 = k3.rule({
  on: ['block'],
  asks: 'Stop at the film that must stay; a deeper low gets glaze and another build.',
  reads: 'neighbour',
  about: isSandableBuild,
  judge: (input) => {
    const { zone, panel, context } = input;
    const stays = staysOn(zone, context);
    const leftUm = keptUm(zone, panel, context);
    if (leftUm >= stays.value) return NO_VERDICTS;
    return k3.must(input, {
      code: 'K3.thin',
      facts: { leftUm: Math.max(0, leftUm), staysUm: stays.value },
      source: stays.source,
    });
  },
});

const k4 = verdictsFor('K4');

/** The last scratch before a sealer or before base, judged by the telegraph model. */
const lastGrit = (input: ZoneRuleInput): readonly Verdict[] => {
  const { act, zone, context } = input;
  const layer = labelOf(topOf(zone).kind);
  const { scratch } = zone.surface;
  const final = finalGrade(zone, act, context);
  if (!final) {
    const sealedOver = act.op === 'hand-over' ? 'base' : 'this coat';
    return k4.must(input, { code: 'K4.no-grade', facts: { layer, coat: sealedOver }, source: 'model' });
  }
  const facts = {
    layer,
    grit: final.grade,
    grooveFineUm: final.verdict.grooveUm,
    limitFineUm: final.verdict.limitUm,
    plane: final.verdict.plane,
    found: scratch?.grade ?? 'shine',
  };
  const remedy = abrade(zone, final.grade, finalTool(context), context);
  const finest = rangeFor(input)?.finest;
  if (scratch && finest && isCoarser(finest, scratch.grade))
    return k4.must(
      input,
      { code: 'K4.too-fine', facts: { layer, found: scratch.grade, finest }, source: 'sheet' },
      abrade(zone, kept(finest, context, rangeFor(input)), finalTool(context), context),
    );
  if (!scratch) return k4.must(input, { code: 'K4.shine', facts, source: 'model' }, remedy);
  const now = telegraphOn(zone, scratch.depthUm, act, context);
  const isTooCoarse =
    !now.passes || (isCoat(act) && isCoarser(scratch.grade, rangeFor(input)?.coarsest ?? scratch.grade));
  if (!isTooCoarse || grainUm(scratch.grade) <= grainUm(final.grade)) return NO_VERDICTS;
  return k4.must(
    input,
    { code: 'K4.telegraph', facts: { ...facts, nowFineUm: now.grooveUm }, source: 'model' },
    remedy,
  );
};

/** Scratch that the sheet of a coat wants on what it goes over. */
const rangeFor = ({ act, zone, context }: ZoneRuleInput) =>
  isCoat(act) ? scratchUnder(sheetIn(context, act.sheetId), topOf(zone).kind) : undefined;

/** A primer over found finish or a sanded coat: dull all over, inside the sheet's range. */
const keyUnderPrimer = (input: ZoneRuleInput): readonly Verdict[] => {
  const { act, zone, context } = input;
  if (!isCoat(act)) return NO_VERDICTS;
  const top = topOf(zone);
  const range = sheetIn(context, act.sheetId).over[top.kind];
  const { scratch } = zone.surface;
  if (!range || (!scratch && top.laid)) return NO_VERDICTS;
  if (scratch && !isCoarser(scratch.grade, range.coarsest)) return NO_VERDICTS;
  if (!scratch && top.kind === 'ecoat') return NO_VERDICTS;
  const target = kept(isCoarser('P320', range.finest) ? 'P320' : range.finest, context, range);
  const facts = { layer: labelOf(top.kind), grit: target, found: scratch?.grade ?? 'shine' };
  return k4.must(input, { code: 'K4.key', facts, source: 'sheet' }, abrade(zone, target, 'machine', context));
};

const K4 = k4.rule({
  on: [...COAT_OPS, 'hand-over'],
  asks: 'The last grit is fine enough for the next coat, and no shine is left anywhere.',
  about: (zone) => {
    const { kind } = topOf(zone);
    return !isMetal(kind) && !isBody(kind) && !isRawPlastic(kind);
  },
  judge: (input) => {
    const { act, zone, context } = input;
    const top = topOf(zone);
    if (keepsGrain(zone, context) && !top.laid)
      return hasIssue(zone, 'shiny-grain')
        ? k4.must(input, { code: 'K4.grain', facts: {} }, scuff(zone))
        : NO_VERDICTS;
    if (!leadsToBase(act)) return keyUnderPrimer(input);
    // A coat inside its window takes the next one unsanded; sound e-coat may too (N1). What was sanded is judged.
    const isUnsanded = zone.surface.scratch === null;
    const bondsUnsanded =
      isUnsanded && ((top.laid && !isSandableBuild(zone)) || (top.kind === 'ecoat' && isLastCoat(act)));
    return bondsUnsanded ? NO_VERDICTS : lastGrit(input);
  },
});

const k5 = verdictsFor('K5');

/** Grade with which sound finish is ready for what comes, whether sealer or base. */
function soundGrade(zone: ZoneState, act: Act, context: Context): Grade | null {
  const handOver: Act = { op: 'hand-over', zones: act.zones, why: [] };
  const final = finalGrade(zone, handOver, contextFor(zone, context))?.grade ?? null;
  if (zone.role === 'refinish') return final;
  return final && isCoarser(blendGrade(context), final) ? final : blendGrade(context);
}

/** The grade that sound finish still has to be dulled to; null where it is. */
function dullsTo(zone: ZoneState, { act, context }: RuleInput): Grade | null {
  const grade = soundGrade(zone, act, context);
  const { scratch } = zone.surface;
  if (!grade || keepsGrain(zone, context)) return null;
  return !scratch || isCoarser(scratch.grade, grade) ? grade : null;
}

/** What is still to be done on sound finish before dust of primer flies; null where it is sanded and wiped. */
function soundRemedy(zone: ZoneState, input: RuleInput): Remedy | null {
  const { panel, context } = input;
  const grade = dullsTo(zone, input);
  if (grade) return abrade(zone, grade, finalTool(context), context);
  return zone.surface.soil === 'dusty' && !keepsGrain(zone, context) ? wipe(zone, panel, context) : null;
}

/** Sound finish that stays: neither under repair nor kept as it is. */
const isSoundGround = (zone: ZoneState): boolean =>
  !zone.patch &&
  zone.role !== 'keep' &&
  zone.edge === 'sound' &&
  isFoundFinish(zone) &&
  topOf(zone).kind === 'old-finish' &&
  !zone.isSoluble &&
  zone.openIssues.length === (hasIssue(zone, 'hidden-edges') ? 1 : 0);

const K5 = k5.rule({
  on: ['guide-coat', 'block'],
  asks: 'Sound areas are sanded, wiped and covered first, primed areas last.',
  reads: 'panel',
  about: (zone) => isSandableBuild(zone) && zone.surface.scratch === null,
  concerns: ({ act, zone }) => zone.zone.id === act.zones[0],
  judge: (input) => {
    const { panel } = input;
    return byId(panel)
      .filter(isSoundGround)
      .flatMap((sound) => {
        const remedy = soundRemedy(sound, input);
        return remedy ? k5.must(input, { code: 'K5.order', facts: {} }, remedy) : [];
      });
  },
});

/** Films that base goes on, or that stay under what is laid on them; a maker's primer is sealed as it is. */
const isDulledFilm = ({ kind }: Layer): boolean =>
  kind === 'old-finish' || kind === 'plastic-primed' || familyOf(kind) === 'primer';

/** A found film that is level and gets no build: it is dulled once, for what comes on it at the end. */
const isLevelGround = (zone: ZoneState, context: Context): boolean =>
  zone.role !== 'keep' &&
  zone.edge === 'sound' &&
  !topOf(zone).laid &&
  isDulledFilm(topOf(zone)) &&
  !zone.isSoluble &&
  zone.surface.lowUm === 0 &&
  zone.surface.wavesUm <= ledgeLimit(context).value &&
  zone.openIssues.every((issue) => issue === 'hidden-edges');

/** A film beside fresh coats is dull, its edges and grain too, and clean again. */
function dullRemedy(zone: ZoneState, input: RuleInput): Remedy | null {
  const { panel, context } = input;
  const grade = isLevelGround(zone, context) ? dullsTo(zone, input) : null;
  if (grade) return abrade(zone, grade, finalTool(context), context);
  if (zone.role === 'keep' || !isFoundFinish(zone)) return null;
  if (hasIssue(zone, 'hidden-edges') || hasIssue(zone, 'shiny-grain'))
    return scuff(zone, zone.role === 'refinish' ? 'fine' : 'ultra-fine');
  return zone.surface.soil === 'dusty' ? wipe(zone, panel, context) : null;
}

/** Body work is still to be laid on it or covered: build follows, and what is beside it is sanded with that. */
const awaitsBuild = (zone: ZoneState): boolean =>
  takesCoats(zone) &&
  (zone.surface.lowUm > 0 || zone.surface.hasPinholes || isBody(topOf(zone).kind) || hasIssue(zone, 'break'));

/** Mended plastic is promoted once its paste is shaped, and nobody sands inside that window. */
const isShapedPlastic = ({ stack, surface }: ZoneState): boolean =>
  isRawPlastic(stack[0]!.kind) && isBody(stack[stack.length - 1]!.kind) && surface.scratch !== null;

/** Coats that the next one may go on unsanded; build is blocked, and what is beside it sanded with it. */
const UNSANDED = COAT_OPS.filter((op) => op !== 'prime-build' && op !== 'prime-dtm');

const K5_DULL_FIRST = k5.rule({
  on: [...UNSANDED, 'texture-coat'],
  asks: 'All that the panel still needs of sanding, padding and cleaning is done before the coats that are not sanded.',
  reads: 'panel',
  concerns: ({ act, zone }) => zone.zone.id === act.zones[0],
  judge: (input) => {
    const { act, panel } = input;
    const isLater = (zone: ZoneState): boolean => awaitsBuild(zone) && !isShapedPlastic(zone);
    if (!isLastCoat(act) && panel.zones.some(isLater)) return NO_VERDICTS;
    return byId(panel)
      .filter(({ zone }) => !act.zones.includes(zone.id))
      .flatMap((beside) => {
        const remedy = dullRemedy(beside, input);
        return remedy ? k5.must(input, { code: 'K5.dull-first', facts: {} }, remedy) : [];
      });
  },
});

/** A coat beside which nothing is sanded yet: not to be sanded itself, or not dry where it never is. */
const isFresh = ({ surface, stack }: ZoneState, clockMin: number): boolean => {
  const { kind, laid } = stack[stack.length - 1]!;
  if (!laid || isBody(kind) || surface.scratch) return false;
  return clockMin < (laid.cure ?? laid.flash).opensAtMin - 1e-9;
};

/** Sanding makes dust, and water of wet sanding runs. */
const K5_BESIDE = k5.rule({
  on: SAND_OPS.filter((op) => op !== 'denib'),
  asks: 'Nothing is sanded beside a coat that may not be sanded yet, but nibs and runs by hand.',
  reads: 'panel',
  concerns: ({ act, zone }) => zone.zone.id === act.zones[0],
  judge: (input) => {
    const { act, panel } = input;
    return byId(panel)
      .filter((beside) => !act.zones.includes(beside.zone.id) && isFresh(beside, panel.clockMin))
      .flatMap((beside) => {
        const { kind, laid } = topOf(beside);
        const facts = { layer: labelOf(kind), zone: beside.zone.id };
        return k5.must(input, { code: 'K5.beside', facts }, laid!.cure ? cure(beside) : flash(beside));
      });
  },
});

/** Within a step that sands sound and primed areas together, and against what lies beside the panel. */
const K5_NOTES = advice(
  'K5',
  ['block', 'abrade'],
  'Blend areas are sanded, wiped and covered before the dust of primer.',
  ({ act, zone, panel, context }) => {
    if (zone.zone.id !== act.zones[0]) return null;
    const zones = act.zones.map((id) => zoneOf(panel, id));
    const idsOf = (wanted: (state: ZoneState) => boolean): string =>
      zones
        .filter(wanted)
        .map((state) => state.zone.id)
        .join(', ');
    const [first, then] = [idsOf(isFoundFinish), idsOf(isSandableBuild)];
    if (first && then) return { code: 'K5.first', facts: { first, then } };
    const borders = bordersOf(context.panel, 'blend');
    return act.op === 'block' && borders ? { code: 'K5.blend', facts: { borders } } : null;
  },
);

const k6 = verdictsFor('K6');

const K6 = k6.rule({
  on: [...LAST_OPS, 'hand-over'],
  asks: 'A sand-through to filler or plastic is primed again before sealer or base.',
  about: ({ patch }) => Boolean(patch?.spots),
  judge: (input) => {
    const { zone } = input;
    const { kind, laid } = topOf(zone);
    const spots = zone.patch?.spots;
    if (!spots || laid || !(isBody(kind) || isRawPlastic(kind))) return NO_VERDICTS;
    return k6.must(input, { code: 'K6.through', facts: { layer: labelOf(kind), count: spots.count } });
  },
});

const k7 = verdictsFor('K7');
/** Grades of a blend panel under clear, and the coarsest that may lie under solvent colour. */
const BLEND_GRADE = 'P800';
const UNDER_SOLVENT = 'P600';

const blendGrade = ({ target }: Context): Grade =>
  target.base.carrier === 'solvent' ? UNDER_SOLVENT : BLEND_GRADE;

const K7 = k7.rule({
  on: ['hand-over'],
  asks: 'A blend panel is sanded P800-P1000 all over, its edges by ultra-fine pad; no promoter and no wet bed replaces it.',
  about: ({ role, patch }) => role !== 'refinish' && role !== 'keep' && patch === null,
  judge: (input) => {
    const { zone, context } = input;
    const grade = zone.surface.scratch?.grade;
    // Grain that stays is dulled by pad only, as its open issue asks.
    const isSanded = keepsGrain(zone, context) || (grade && !isCoarser(grade, blendGrade(context)));
    if (!isSanded)
      return k7.must(
        input,
        { code: 'K7.grade', facts: { grit: blendGrade(context), found: grade ?? 'shine' } },
        abrade(zone, blendGrade(context), finalTool(context), context),
      );
    return hasIssue(zone, 'hidden-edges')
      ? k7.must(input, { code: 'K7.edges', facts: {} }, scuff(zone, 'ultra-fine'))
      : k7.note(input, { code: 'K7.no-substitute', facts: {} });
  },
});

/** Colour only fades out there: an undercoat would show. On a spot of it there may be one. */
const K7_COATS = k7.rule({
  on: COAT_OPS,
  asks: 'A blend or clear-only area gets no undercoat but on its spots; a kept area gets none at all.',
  about: (zone) => !takesCoats(zone),
  judge: (input) =>
    k7.must(input, { code: input.zone.role === 'keep' ? 'K7.kept' : 'K7.no-coat', facts: {} }),
});

const K7_INTO = advice(
  'K7',
  ['hand-over'],
  'Colour fades out in prepared panels only.',
  ({ act, zone, context }) => {
    const borders = bordersOf(context.panel, 'blend');
    return borders && zone.zone.id === act.zones[0] ? { code: 'K7.into', facts: { borders } } : null;
  },
);

export const LAST_SANDING_RULES: readonly Rule[] = [
  K3_HOLLOW,
  K1,
  K2,
  K3,
  K4,
  K5,
  K5_DULL_FIRST,
  K5_BESIDE,
  K5_NOTES,
  K6,
  K7,
  K7_COATS,
  K7_INTO,
];
