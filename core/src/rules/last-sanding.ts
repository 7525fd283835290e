import { hasIssue } from '../operations/issues.ts';
import { grainUm, isCoarser } from '../materials/grades.ts';
import { isBody, isMetal, isRawPlastic, labelOf } from '../materials/layer-kinds.ts';
import { COAT_OPS, LAST_OPS, isCoat, isLastCoat, isLaying, leadsToBase } from '../operations/act.ts';
import { ruleIn, schoolIn, sheetIn } from '../operations/context.ts';
import { glazeOn, lowWayOf } from '../operations/lows.ts';
import { keptUm, staysOn } from '../operations/sanded-area.ts';
import { keepsGrain, memoize, takesCoats, topOf } from '../operations/state.ts';
import { scratchUnder } from '../materials/sheet.ts';
import { countOfLines, drawnLines, zonesOnLines } from '../survey/body-lines.ts';
import { bordersOf } from '../survey/panel.ts';
import { readArea } from '../survey/patches.ts';
import { isSandableBuild } from './build.ts';
import { DULL_FIRST_RULES } from './dull-first.ts';
import { blendGrade, finalGrade, finalTool, telegraphOn } from './final-grade.ts';
import { abrade, bodyWork, guideCoat, kept, padEdges, scuff } from './remedies.ts';
import { advice, NO_VERDICTS, verdictsFor, type Rule, type ZoneRuleInput, type Verdict } from './rule.ts';

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

/** A primer or a rough coat over found finish or a sanded coat: dull all over, inside the sheet's range. */
const keyUnderCoat = (input: ZoneRuleInput): readonly Verdict[] => {
  const { act, zone, context } = input;
  if (!isLaying(act)) return NO_VERDICTS;
  const top = topOf(zone);
  const range = sheetIn(context, act.sheetId).over[top.kind];
  const { scratch } = zone.surface;
  if (!range || (!scratch && top.laid)) return NO_VERDICTS;
  const isTooFine = scratch !== null && isCoarser(range.finest, scratch.grade);
  if (scratch && !isTooFine && !isCoarser(scratch.grade, range.coarsest)) return NO_VERDICTS;
  if (!scratch && top.kind === 'ecoat') return NO_VERDICTS;
  const target = kept(isCoarser('P320', range.finest) ? 'P320' : range.finest, context, range);
  const layer = labelOf(top.kind);
  if (isTooFine) {
    const facts = { layer, found: scratch.grade, finest: range.finest };
    return k4.must(
      input,
      { code: 'K4.too-fine', facts, source: 'sheet' },
      abrade(zone, target, 'machine', context),
    );
  }
  const facts = { layer, grit: target, found: scratch?.grade ?? 'shine' };
  return k4.must(input, { code: 'K4.key', facts, source: 'sheet' }, abrade(zone, target, 'machine', context));
};

const K4 = k4.rule({
  on: [...COAT_OPS, 'texture-coat', 'hand-over'],
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
    if (!leadsToBase(act)) return keyUnderCoat(input);
    // A coat inside its window takes the next one unsanded; sound e-coat may too (N1). What was sanded is judged.
    const isUnsanded = zone.surface.scratch === null;
    const bondsUnsanded =
      isUnsanded && ((top.laid && !isSandableBuild(zone)) || (top.kind === 'ecoat' && isLastCoat(act)));
    return bondsUnsanded ? NO_VERDICTS : lastGrit(input);
  },
});

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
      ? k7.must(input, { code: 'K7.edges', facts: {} }, padEdges(zone))
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
  ...DULL_FIRST_RULES,
  K6,
  K7,
  K7_COATS,
  K7_INTO,
];
