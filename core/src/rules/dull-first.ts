import { isCoarser, type Grade } from '../materials/grades.ts';
import { familyOf, isBody, isRawPlastic, labelOf } from '../materials/layer-kinds.ts';
import { COAT_OPS, SAND_OPS, isLastCoat, type Act } from '../operations/act.ts';
import { contextFor, ledgeLimit, type Context } from '../operations/context.ts';
import { hasIssue } from '../operations/issues.ts';
import {
  byId,
  isFoundFinish,
  isOpenBody,
  keepsGrain,
  takesCoats,
  topOf,
  zoneOf,
  type Layer,
  type ZoneState,
} from '../operations/state.ts';
import { bordersOf } from '../survey/panel.ts';
import { isSandableBuild } from './build.ts';
import { blendGrade, finalGrade, finalTool } from './final-grade.ts';
import { smoothKey } from './plastic.ts';
import { abrade, cure, flash, padEdges, wipe, type Remedy } from './remedies.ts';
import { NO_VERDICTS, advice, verdictsFor, type Rule, type RuleInput } from './rule.ts';

/** Rule K5: what stays is dulled and cleaned first, and nothing is sanded beside a fresh coat. */

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
  if (hasIssue(zone, 'hidden-edges')) return padEdges(zone);
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

/** Body work is still to be laid on it or covered: build follows, and what is beside it is sanded with that. */
const awaitsBuild = (zone: ZoneState): boolean =>
  takesCoats(zone) &&
  (zone.surface.lowUm > 0 || zone.surface.hasPinholes || isOpenBody(zone) || hasIssue(zone, 'break'));

/** What lies beside fresh coats is dull, its edges and grain too, and clean again; smooth plastic is keyed. */
function dullRemedy(zone: ZoneState, input: RuleInput): Remedy | null {
  const { panel, context } = input;
  const grade = isLevelGround(zone, context) ? dullsTo(zone, input) : null;
  if (grade) return abrade(zone, grade, finalTool(context), context);
  const key = takesCoats(zone) && !awaitsBuild(zone) ? smoothKey(zone, context) : null;
  if (key) return hasIssue(zone, 'hidden-edges') ? padEdges(zone) : key;
  if (zone.role === 'keep' || !isFoundFinish(zone)) return null;
  if (hasIssue(zone, 'hidden-edges') || hasIssue(zone, 'shiny-grain')) return padEdges(zone);
  return zone.surface.soil === 'dusty' ? wipe(zone, panel, context) : null;
}

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

export const DULL_FIRST_RULES: readonly Rule[] = [K5, K5_DULL_FIRST, K5_BESIDE, K5_NOTES];
