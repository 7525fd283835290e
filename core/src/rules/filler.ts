import { hasIssue } from '../operations/issues.ts';
import { isCoarser, type Grade } from '../materials/grades.ts';
import { isBody, isMetal, isRawPlastic, labelOf } from '../materials/layer-kinds.ts';
import {
  BODY_OPS,
  COAT_OPS,
  SAND_OPS,
  isBodywork,
  isCoat,
  isSanding,
  leadsToBase,
  type BodyAct,
} from '../operations/act.ts';
import { bodyFilmUm, liftsOf } from '../operations/bodywork.ts';
import { contextFor, figuresIn, ruleIn, schoolIn, sheetIn, type Context } from '../operations/context.ts';
import { glazeForPinholes } from '../operations/lows.ts';
import { deepestFillUm, glazeFor, sheetFor } from '../operations/products.ts';
import { sandableConversion } from '../operations/curing.ts';
import { byId, isBare, isFoundFinish, isOpenBody, topOf, type ZoneState } from '../operations/state.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import { sinkBackUm } from '../surface/sink-back.ts';
import { glossLimitUm } from '../surface/telegraph.ts';
import type { Source } from '../wording/reason.ts';
import { abrade, bodyWork, cure, grindOut, kept, shape, strip } from './remedies.ts';
import {
  advice,
  NO_VERDICTS,
  verdictsFor,
  type Rule,
  type RuleInput,
  type Verdict,
  type ZoneRuleInput,
} from './rule.ts';

/** Rules of filler and glaze. */

const f1 = verdictsFor('F1');

/** The scratch and the cure that filler wants under it, whichever school is followed. */
const keyForFiller = (input: RuleInput, act: BodyAct): readonly Verdict[] => {
  const { zone, panel, context } = input;
  const top = topOf(zone);
  const range = sheetIn(context, act.sheetId).over[top.kind];
  // Paste goes on fresh promoter as it is; the plastic under it was ground before.
  if (!range || top.kind === 'promoter') return NO_VERDICTS;
  if (top.laid?.cure && panel.clockMin < top.laid.cure.opensAtMin)
    return f1.must(input, { code: 'F1.uncured', facts: { layer: labelOf(top.kind) } }, cure(zone));
  const grade = zone.surface.scratch?.grade;
  if (grade && !isCoarser(grade, range.coarsest) && !isCoarser(range.finest, grade)) return NO_VERDICTS;
  const target = kept(range.finest, context, range);
  return f1.must(
    input,
    {
      code: act.op === 'glaze' ? 'F1.glaze-key' : 'F1.key',
      facts: { layer: labelOf(top.kind), grit: target, found: grade ?? 'not sanded yet' },
      source: 'sheet',
    },
    abrade(zone, target, 'machine', context),
  );
};

/** Glaze on finish that is only dulled: its tooth is what its sheet asks for. */
const F1_GLAZE = f1.rule({
  on: ['glaze'],
  asks: 'Glaze on sound finish goes over the scratch that its sheet asks for.',
  reads: 'panel',
  about: isFoundFinish,
  judge: (input) => (input.act.op === 'glaze' ? keyForFiller(input, input.act) : NO_VERDICTS),
});

const F1 = f1.rule({
  on: ['fill'],
  asks: 'Filler goes over cured, abraded epoxy or on metal abraded P40-P80: the shop chooses.',
  reads: 'panel',
  judge: (input) => {
    const { act, zone, context } = input;
    // A school is about new work: filler that is there and sound stays whatever it lies on.
    if (act.op !== 'fill' || !isMetal(zone.stack[0]!.kind))
      return act.op === 'fill' ? keyForFiller(input, act) : NO_VERDICTS;
    const { side } = schoolIn(context, 'filler');
    const done = isBare(zone) ? 'on-metal' : 'over-epoxy';
    const deviates =
      done === side || isOpenBody(zone)
        ? NO_VERDICTS
        : f1.school(input, { code: 'school.filler', facts: { side, done } });
    return [...keyForFiller(input, act), ...deviates];
  },
});

const f2 = verdictsFor('F2');

const F2 = f2.rule({
  on: ['fill', 'glaze', 'inspect', ...COAT_OPS],
  asks: 'Filler never over etch, one-pack primer or a finish; its edge ends on metal or epoxy.',
  about: (zone) => hasIssue(zone, 'bad-ground') || isFoundFinish(zone),
  judge: (input) => {
    const { act, zone, context } = input;
    if (hasIssue(zone, 'bad-ground'))
      return f2.must(input, { code: 'F2.found', facts: {} }, grindOut([zone], context));
    const { kind } = topOf(zone);
    if (act.op === 'glaze' && zone.isSoluble)
      return f2.must(input, { code: 'F2.soluble', facts: { layer: labelOf(kind) } }, strip([zone], context));
    if (act.op !== 'fill') return NO_VERDICTS;
    if (kind in sheetIn(context, act.sheetId).over) return NO_VERDICTS;
    return f2.must(input, { code: 'F2.over', facts: { layer: labelOf(kind) } }, strip([zone], context));
  },
});

const f3 = verdictsFor('F3');
const bodyUm = (zone: ZoneState): number =>
  zone.stack.reduce((sum, layer) => (layer.kind === 'filler' ? sum + layer.um : sum), 0);

/** Thickest that a filler may be: the one that is spread, or the thickest on the shelf. */
const fillerMost = (
  context: Context,
  sheetId?: string,
): { value: number; source: 'sheet' | 'shop' | 'default' | 'model' } => {
  const value = sheetId === undefined ? deepestFillUm(context) : sheetIn(context, sheetId).film.maxUm;
  return value === undefined ? ruleIn(context, 'fillerMaxUm') : { value, source: 'sheet' };
};

const F3 = f3.rule({
  on: ['fill', 'inspect'],
  asks: 'Filler stays inside its sheet’s thickness; deeper is metalwork first.',
  judge: (input) => {
    const { act, zone, context } = input;
    if (act.op !== 'fill' && !(act.op === 'inspect' && hasIssue(zone, 'found-body'))) return NO_VERDICTS;
    const most = fillerMost(context, isBodywork(act) ? act.sheetId : undefined);
    const depthUm = bodyUm(zone) + (act.op === 'fill' ? bodyFilmUm(zone, act, context) : 0);
    if (depthUm <= most.value) return NO_VERDICTS;
    return f3.must(input, {
      code: 'F3.deep',
      facts: { depthMm: depthUm / 1000, maxMm: most.value / 1000 },
      source: most.source,
    });
  },
});

const F4 = advice(
  'F4',
  [...BODY_OPS],
  'Hardener share by the sheet: too little never cures, too much leaves pinholes and stains.',
  ({ act, context }) => {
    const hardener = isBodywork(act) ? sheetIn(context, act.sheetId).hardenerPercent : undefined;
    if (!hardener) return null;
    const facts = { usualPercent: hardener.usual, fromPercent: hardener.from, toPercent: hardener.to };
    return { code: 'F4.hardener', facts, source: 'sheet' };
  },
);

const f5 = verdictsFor('F5');

const F5 = f5.rule({
  on: [...SAND_OPS, 'wash'],
  asks: 'Filler is sanded dry, and no water touches it while it is open.',
  judge: (input) => {
    const { act, zone } = input;
    if (act.op === 'wash')
      return isOpenBody(zone) ? f5.must(input, { code: 'F5.water', facts: {} }) : NO_VERDICTS;
    if (!isSanding(act) || !isBody(topOf(zone).kind)) return NO_VERDICTS;
    return act.tool === 'wet-hand' ? f5.must(input, { code: 'F5.wet', facts: {} }) : NO_VERDICTS;
  },
});

const f6 = verdictsFor('F6');

const FINEST_FILLER_GRADE: Grade = 'P320';

interface FillerFinish {
  readonly grade: Grade;
  readonly source: Source;
  /** What comes back of its scratch under the topcoat, µm, and what the quality allows. */
  readonly sinkFineUm: number;
  readonly limitFineUm: number;
}

/** The shop's grade where the sink-back model lets it pass at this quality; else the finest that filler is given. */
function fillerFinish(context: Context): FillerFinish {
  const { quality } = context.target;
  const school = schoolIn(context, 'fillerFinish');
  const figures = figuresIn(context);
  // Cure of the build when the topcoat goes on that may be counted on: what rule B3 asks for.
  const cured = sandableConversion(context);
  const sinkUm = (grade: Grade): number =>
    sinkBackUm(scratchDepthUm(grade, 'block', 'filler', figures), cured, figures);
  const limitFineUm = glossLimitUm(quality, figures);
  const passes = sinkUm(school.side) <= limitFineUm;
  const grade = passes ? school.side : FINEST_FILLER_GRADE;
  const source = passes && school.source === 'shop' ? 'shop' : 'model';
  return { grade, source, sinkFineUm: sinkUm(grade), limitFineUm };
}

const F6 = f6.rule({
  on: COAT_OPS,
  asks: 'The last filler grit must not sink back; never P80 under primer.',
  about: isOpenBody,
  judge: (input) => {
    const { act, zone, context } = input;
    if (!isCoat(act)) return NO_VERDICTS;
    const { grade: target, source, ...sink } = fillerFinish(context);
    const grade = zone.surface.scratch?.grade;
    if (grade && !isCoarser(grade, target)) return NO_VERDICTS;
    const facts = { body: labelOf(topOf(zone).kind), grit: target, found: grade ?? 'unsanded', ...sink };
    return f6.must(input, { code: 'F6.grade', facts, source }, shape(zone, target, context));
  },
});

/** Open filler that still makes dust or takes glaze: pinholes, or a scratch coarser than its last grade. */
const isUnfinished = (zone: ZoneState, target: Grade): boolean => {
  const grade = zone.surface.scratch?.grade;
  return zone.surface.hasPinholes || !grade || isCoarser(grade, target);
};

/** Filler beside it is glazed, shaped and finished before primer stands there fresh to catch its dust. */
const FILLER_FIRST = f6.rule({
  on: COAT_OPS,
  asks: 'Filler dust is over before fresh primer stands beside it.',
  reads: 'panel',
  concerns: ({ act, zone }) => act.op !== 'promote' && zone.zone.id === act.zones[0],
  judge: (input) => {
    const { act, panel, context } = input;
    const open = byId(panel).filter((other) => isOpenBody(other) && !act.zones.includes(other.zone.id));
    return open.flatMap((other) => {
      const { grade } = fillerFinish(contextFor(other, context));
      if (!isUnfinished(other, grade)) return [];
      const glaze = other.surface.hasPinholes ? sheetFor(context, 'glaze', [topOf(other).kind]) : undefined;
      const remedy = glaze ? bodyWork('glaze', other, glaze) : shape(other, grade, context);
      return f6.must(input, { code: 'F6.first', facts: { grit: grade } }, remedy);
    });
  },
});

const f7 = verdictsFor('F7');

const leftOpen = (input: ZoneRuleInput): readonly Verdict[] =>
  f7.must(input, { code: 'F7.pinholes', facts: {} });

/** Pinholes in a joint: sealer over sealer. */
const sealedAgain = (input: ZoneRuleInput): readonly Verdict[] => {
  const sheet = sheetFor(input.context, 'seam', ['seam']);
  return sheet
    ? f7.must(input, { code: 'F7.joint', facts: {} }, bodyWork('seam-seal', input.zone, sheet))
    : leftOpen(input);
};

const F7_THICK = f7.rule({
  on: ['glaze'],
  asks: 'Glaze closes pinholes: it is laid no thicker than the shop allows.',
  judge: (input) => {
    const { act, zone, context } = input;
    if (act.op !== 'glaze') return NO_VERDICTS;
    const glazeUm = bodyFilmUm(zone, act, context) * liftsOf(zone, act, context);
    const most = ruleIn(context, 'glazeMaxUm');
    if (glazeUm <= most.value) return NO_VERDICTS;
    return f7.must(input, { code: 'F7.thick', facts: { glazeUm, maxUm: most.value }, source: most.source });
  },
});

const F7 = f7.rule({
  on: [...COAT_OPS, 'hand-over'],
  asks: 'Pinholes are opened, blown out, glazed and levelled before primer.',
  about: ({ surface }) => surface.hasPinholes,
  judge: (input) => {
    const { act, zone, context } = input;
    const { kind: topKind } = topOf(zone);
    if (isMetal(topKind) || act.op === 'promote') return NO_VERDICTS;
    // Glaze holds on primed plastic, not on raw: primer first.
    if (isRawPlastic(topKind) || topKind === 'promoter')
      return leadsToBase(act) ? leftOpen(input) : NO_VERDICTS;
    if (topKind === 'seam') return sealedAgain(input);
    const sheet = glazeFor(context, topKind);
    if (isFoundFinish(zone) && sheet && !glazeForPinholes(zone, context))
      return f7.must(
        input,
        { code: 'F7.under', facts: { layer: labelOf(topOf(zone).kind) } },
        strip([zone], context),
      );
    if (!sheet) return f7.must(input, { code: 'F7.no-glaze', facts: {} });
    return f7.must(input, { code: 'F7.pinholes', facts: {} }, bodyWork('glaze', zone, sheet));
  },
});

export const FILLER_RULES: readonly Rule[] = [F1, F1_GLAZE, F2, F3, F4, F5, F6, FILLER_FIRST, F7_THICK, F7];
