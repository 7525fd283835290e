import { hasIssue } from '../operations/issues.ts';
import { isCoarser } from '../materials/grades.ts';
import { isBody, isRawPlastic, labelOf } from '../materials/layer-kinds.ts';
import { isTwoPack, type ProductSheet } from '../materials/sheet.ts';
import { COAT_OPS, LAYING_OPS, SAND_OPS, isCoat, isLaying, isSanding } from '../operations/act.ts';
import { schoolIn, sheetIn, type Context } from '../operations/context.ts';
import {
  isFoundFinish,
  isOpenBody,
  isUnprimedPlastic,
  keepsGrain,
  topOf,
  zoneOf,
  type ZoneState,
} from '../operations/state.ts';
import { lowWayOf } from '../operations/lows.ts';
import { costOf } from '../operations/perform.ts';
import { plasticPaste, sheetFor } from '../operations/products.ts';
import { recoatWindow } from '../operations/windows.ts';
import { findingOf } from '../survey/finding.ts';
import { readArea } from '../survey/patches.ts';
import { isFlexible, isLowEnergy, testOf } from '../survey/zone-facts.ts';
import { heatVerdicts } from './heat.ts';
import {
  abrade,
  bodyWork,
  keepsPads,
  kept,
  padded,
  promote,
  rub,
  scuff,
  stocked,
  strip,
  temper,
  washAgain,
  wipe,
  type Remedy,
} from './remedies.ts';
import {
  NO_VERDICTS,
  verdictsFor,
  type Rule,
  type RuleInput,
  type ZoneRuleInput,
  type Verdict,
} from './rule.ts';

/** Rules of plastic: what lies bare, what it bends like and what it lets go of. */

const isBarePlastic = (zone: ZoneState): boolean => isRawPlastic(topOf(zone).kind);

const p1 = verdictsFor('P1');

const P1 = p1.rule({
  on: ['degrease', 'antistatic-wipe', ...LAYING_OPS],
  asks: 'Soap wash first, twice where dressing was used, then the antistatic plastic cleaner.',
  reads: 'panel',
  about: (zone) => hasIssue(zone, 'dressing') || isUnprimedPlastic(zone),
  judge: (input) => {
    const { act, zone, panel, context } = input;
    // Nothing is washed on open filler: there the wipe itself takes it off.
    if (hasIssue(zone, 'dressing') && (isLaying(act) || !isOpenBody(zone)))
      return p1.must(
        input,
        { code: 'P1.dressing', facts: {} },
        isOpenBody(zone) ? wipe(zone, panel, context) : washAgain(zone, panel),
      );
    if (!isUnprimedPlastic(zone)) return NO_VERDICTS;
    if (act.op === 'degrease')
      return schoolIn(context, 'rawPlasticSolvent').side === 'yes'
        ? NO_VERDICTS
        : p1.school(input, { code: 'school.plastic-solvent', facts: {} });
    if (!isLaying(act) || !hasIssue(zone, 'static')) return NO_VERDICTS;
    return p1.must(input, { code: 'P1.static', facts: {} }, wipe(zone, panel, context));
  },
});

const p2 = verdictsFor('P2');

const P2 = p2.rule({
  only: 'plastic',
  on: [...SAND_OPS, ...LAYING_OPS],
  asks: 'Raw new mouldings are tempered to sweat out release agent, and wiped.',
  reads: 'panel',
  about: (zone) => hasIssue(zone, 'wax') && isUnprimedPlastic(zone),
  judge: (input) => {
    const { panel } = input;
    return p2.should(input, { code: 'P2.temper', facts: {} }, temper(panel));
  },
});

const p3 = verdictsFor('P3');
/** Scratch of a smooth finish on plastic: P320, then P500. */
const SMOOTH = ['P320', 'P500'] as const;
const FILLS_TEXTURE = new Set(['prime-build', 'prime-dtm']);
/** Work by which a texture that is to stay would be lost. */
const FLATTENS = new Set(['abrade', 'block', 'feather']);

/** A coat that is thin enough to leave grain as it is: what is laid on it, or the film that was found on it. */
const keptTexture = (input: ZoneRuleInput): readonly Verdict[] => {
  const { act, zone } = input;
  // A repair takes its texture along; the rest of the zone keeps it.
  const isRepaired = zone.patch !== null || hasIssue(zone, 'break') || topOf(zone).kind === 'texture';
  if (FLATTENS.has(act.op) && !isRepaired && !topOf(zone).laid && zone.edge !== 'raw')
    return p3.must(input, { code: 'P3.keep', facts: {} });
  return FILLS_TEXTURE.has(act.op) && !isRepaired
    ? p3.must(input, { code: 'P3.no-build', facts: {} })
    : NO_VERDICTS;
};

/** A face that nobody has sanded yet is padded with cleaner, where the shop keeps pads. */
const isPadded = ({ surface }: ZoneState, context: Context): boolean =>
  keepsPads(context) && !surface.scratch;

/** What keys smooth plastic that no coat would hold on yet; null for all else. */
export function smoothKey(zone: ZoneState, context: Context): Remedy | null {
  if (!isBarePlastic(zone) || hasIssue(zone, 'break') || keepsGrain(zone, context)) return null;
  const { scratch } = zone.surface;
  if (scratch && (scratch.tool === 'pad-fine' || !isCoarser(scratch.grade, SMOOTH[1]))) return null;
  if (isPadded(zone, context)) return padded(zone);
  const grades = stocked(SMOOTH, context);
  return (why) => ({ op: 'abrade', zones: [zone.zone.id], grades, tool: 'hand', why });
}

const P3 = p3.rule({
  on: [...SAND_OPS, ...COAT_OPS],
  asks: 'Smooth plastic is keyed P320 then P500; texture that stays is not sanded; texture that goes is built over.',
  about: (zone, context) => isRawPlastic(zone.stack[0]!.kind) || keepsGrain(zone, context),
  judge: (input) => {
    const { act, zone, context } = input;
    if (keepsGrain(zone, context)) return keptTexture(input);
    // The tooth under paste is coarse and stays.
    const isUnderPaste = act.op === 'promote' && zone.surface.lowUm > 0 && lowWayOf(zone, context) === 'fill';
    const key = isSanding(act) || isUnderPaste ? null : smoothKey(zone, context);
    if (!key) return NO_VERDICTS;
    if (isPadded(zone, context)) return p3.must(input, { code: 'P3.pad', facts: {} }, key);
    const found = zone.surface.scratch?.grade ?? 'not sanded yet';
    const facts = { from: SMOOTH[0], grit: SMOOTH[1], found };
    return p3.must(input, { code: 'P3.smooth', facts }, key);
  },
});

const p4 = verdictsFor('P4');

/** Plastic of low energy that a coat or a paste would touch. */
const touchesLowEnergy = (zone: ZoneState): boolean => isLowEnergy(zone.zone) && isUnprimedPlastic(zone);

/** Minute until which promoter on an area takes a coat. */
const openUntilMin = (zone: ZoneState): number => {
  const { kind, laid } = topOf(zone);
  return kind === 'promoter' && laid ? laid.recoat.closesAtMin : -Infinity;
};

/** Minute at which a coat may go on all areas of an act, once those that need it are promoted; now where none does. */
function promotedAtMin({ act, panel, context }: RuleInput, sheet: ProductSheet): number {
  const lacking = act.zones.filter((id) => {
    const zone = zoneOf(panel, id);
    return touchesLowEnergy(zone) && openUntilMin(zone) < panel.clockMin;
  });
  if (lacking.length === 0) return panel.clockMin;
  const coats = Object.fromEntries(lacking.map((id) => [id, sheet.film.coats]));
  const { handsOnMin, waitMin } = costOf(
    { op: 'promote', zones: lacking, sheetId: sheet.id, coats, why: [] },
    panel,
    context,
  );
  return recoatWindow(sheet, panel.clockMin + handsOnMin + waitMin, context).opensAtMin;
}

const P4 = p4.rule({
  only: 'plastic',
  on: [...COAT_OPS, 'plastic-repair', 'fill'],
  asks: 'Low-energy plastic gets an adhesion promoter and is overcoated inside its window.',
  reads: 'panel',
  about: touchesLowEnergy,
  concerns: ({ act }) => act.op !== 'promote',
  judge: (input) => {
    const { act, zone, panel, context } = input;
    if (!isLaying(act)) return NO_VERDICTS;
    const top = topOf(zone);
    if (isCoat(act) && 'plastic-olefin' in sheetIn(context, act.sheetId).over) return NO_VERDICTS;
    const isOpen = panel.clockMin <= openUntilMin(zone);
    const sheet = sheetFor(context, 'promoter', [zone.stack[0]!.kind]);
    if (isOpen && (!sheet || promotedAtMin(input, sheet) <= openUntilMin(zone))) return NO_VERDICTS;
    if (!sheet)
      return p4.must(input, { code: 'P4.no-promoter', facts: { layer: labelOf(zone.stack[0]!.kind) } });
    const code = isOpen ? 'P4.closes' : top.kind === 'promoter' ? 'P4.closed' : 'P4.promote';
    const facts = {
      layer: labelOf(zone.stack[0]!.kind),
      closesMin: recoatWindow(sheet, 0, context).closesAtMin,
    };
    return p4.must(input, { code, facts, source: 'sheet' }, promote(zone, sheet));
  },
});

const p5 = verdictsFor('P5');

const P5 = p5.rule({
  only: 'plastic',
  on: COAT_OPS,
  asks: 'Flexible parts get the flexible additive in every two-pack coat; soft strip no rigid system at all.',
  about: ({ zone }) => isFlexible(zone),
  judge: (input) => {
    const { act, zone, context } = input;
    if (!isCoat(act)) return NO_VERDICTS;
    const sheet = sheetIn(context, act.sheetId);
    if (!isTwoPack(sheet)) return NO_VERDICTS;
    const facts = { sheet: sheet.name, layer: labelOf(zone.stack[0]!.kind) };
    if (zone.stack[0]!.kind === 'plastic-soft' && !('plastic-soft' in sheet.over))
      return p5.must(input, { code: 'P5.soft', facts });
    return sheet.flexPercent === undefined
      ? p5.must(input, { code: 'P5.no-additive', facts, source: 'sheet' })
      : p5.note(input, { code: 'P5.additive', facts: { flexPercent: sheet.flexPercent }, source: 'sheet' });
  },
});

const p6 = verdictsFor('P6');

const P6 = p6.rule({
  only: 'plastic',
  on: ['cure'],
  asks: 'Plastic gets 65 °C at most, and is supported under heat.',
  judge: (input) => heatVerdicts(p6, input, 'plastic'),
});

const p7 = verdictsFor('P7');

const P7 = p7.rule({
  only: 'plastic',
  on: [...SAND_OPS, ...COAT_OPS],
  asks: 'Plastic that tape slides off is not painted; unknown plastic is tried with tape first.',
  reads: 'panel',
  about: (zone) => hasIssue(zone, 'tape') || testOf(zone.zone, 'tape-hold')?.outcome === 'slides-off',
  judge: (input) => {
    const { zone } = input;
    if (testOf(zone.zone, 'tape-hold')?.outcome === 'slides-off' && isUnprimedPlastic(zone))
      return p7.must(input, { code: 'P7.slides', facts: {} });
    // Tape says something on a cleaned part only.
    return hasIssue(zone, 'tape') && zone.surface.soil === 'clean'
      ? p7.must(input, { code: 'P7.tape', facts: {} }, rub(zone))
      : NO_VERDICTS;
  },
});

const p8 = verdictsFor('P8');

const P8 = p8.rule({
  only: 'plastic',
  on: COAT_OPS,
  asks: 'Hidden edges and backs that catch paint are prepared too, and sprayed first.',
  about: isUnprimedPlastic,
  judge: (input) => {
    const { zone } = input;
    if (hasIssue(zone, 'hidden-edges')) return p8.must(input, { code: 'P8.edges', facts: {} }, scuff(zone));
    return p8.note(input, { code: 'P8.spray', facts: {} });
  },
});

const p9 = verdictsFor('P9');
/** Grind of a broken place: slow, so that nothing melts. */
const GRIND = { coarsest: 'P60', finest: 'P80' } as const;

const damageFacts = (zone: ZoneState) => {
  const found = findingOf(zone.zone.findings, 'crack') ?? findingOf(zone.zone.findings, 'hole');
  return { damage: found?.kind ?? 'crack', lengthMm: found?.lengthMm ?? 0 };
};

/** A break is ground before anything of its repair lies on it. */
const grind = (input: ZoneRuleInput): readonly Verdict[] =>
  p9.must(
    input,
    { code: 'P9.grind', facts: { grit: GRIND.finest } },
    abrade(input.zone, kept(GRIND.finest, input.context, GRIND), 'machine', input.context),
  );

/** A break is bared on both sides, ground, and filled before anything else is sprayed there. */
const mend = (input: ZoneRuleInput): readonly Verdict[] => {
  const { act, zone, context } = input;
  const facts = damageFacts(zone);
  if (isFoundFinish(zone))
    return p9.must(
      input,
      { code: 'P9.bare', facts: { layer: labelOf(topOf(zone).kind) } },
      strip([zone], context),
    );
  // On patches alone it is part of their repair; over the whole part, repairs come first.
  const isForRepair = act.op === 'promote' && act.zones.every((id) => readArea(id).patch !== undefined);
  if (act.op === 'promote' && isGround(zone)) return NO_VERDICTS;
  if (isForRepair) return grind(input);
  const sheet = plasticPaste(context, zone.stack[0]!.kind);
  return sheet
    ? p9.must(input, { code: 'P9.mend', facts }, bodyWork('plastic-repair', zone, sheet))
    : p9.must(input, { code: 'P9.no-paste', facts });
};

/** Promoter on a ground place is part of the repair. */
const isGround = ({ surface }: ZoneState): boolean => {
  const grade = surface.scratch?.grade;
  return grade !== undefined && !isCoarser(grade, GRIND.coarsest) && !isCoarser(GRIND.finest, grade);
};

const P9 = p9.rule({
  only: 'plastic',
  on: [...COAT_OPS, 'plastic-repair', 'hand-over'],
  asks: 'A crack or hole is cleaned and ground on both sides, promoted, backed, filled in one wet session, shaped, promoted again.',
  reads: 'panel',
  about: (zone) => hasIssue(zone, 'break') && isRawPlastic(zone.stack[0]!.kind),
  judge: (input) => {
    const { act, zone } = input;
    if (act.op !== 'plastic-repair' || isFoundFinish(zone)) return mend(input);
    if (topOf(zone).kind === 'promoter') return p9.note(input, { code: 'P9.how', facts: {} });
    return isGround(zone) ? p9.note(input, { code: 'P9.how', facts: {} }) : grind(input);
  },
});

const p10 = verdictsFor('P10');
const SYSTEM_OF = { 'prime-plastic': 'promoter', 'prime-wet-on-wet': 'plastic-mode' } as const;

const P10 = p10.rule({
  only: 'plastic',
  on: ['prime-plastic', 'prime-wet-on-wet'],
  asks: 'Promoter and two-pack primer, or wet-on-wet in its plastic mode: the shop chooses.',
  about: (zone) => isUnprimedPlastic(zone) && !isBody(topOf(zone).kind),
  judge: (input) => {
    const { act, context } = input;
    const done = SYSTEM_OF[act.op as keyof typeof SYSTEM_OF];
    const { side } = schoolIn(context, 'plasticSystem');
    const mode = done === 'plastic-mode' ? p10.note(input, { code: 'P10.mode', facts: {} }) : NO_VERDICTS;
    if (done === side) return mode;
    return [...mode, ...p10.school(input, { code: 'school.plastic-system', facts: { side } })];
  },
});

export const PLASTIC_RULES: readonly Rule[] = [P1, P2, P3, P4, P5, P6, P7, P8, P9, P10];
