import { hasIssue } from '../operations/issues.ts';
import { isCoarser } from '../materials/grades.ts';
import { LAYING_OPS, SAND_OPS, isSanding } from '../operations/act.ts';
import { sheetIn } from '../operations/context.ts';
import { isBare, isUnprimedPlastic, topOf } from '../operations/state.ts';
import { abrade, isLargeFlat, kept, mask, wash, ZINC_GRADE } from './remedies.ts';
import { advice, NO_VERDICTS, verdictsFor, type Rule, type ZoneRuleInput } from './rule.ts';
import { STEEL_GRADE } from './metal-grades.ts';

/** Rules of stripping: what a metal bears. */

const m7 = verdictsFor('M7');

const M7 = m7.rule({
  on: ['strip-blast', 'strip-sand'],
  asks: 'No blasting and no coarse power sanding on large flat thin panels: they warp.',
  reads: 'panel',
  concerns: ({ act, zone }) => act.zones[0] === zone.zone.id,
  judge: (input) => {
    const { act, panel, context } = input;
    const zones = panel.zones.filter(({ zone }) => act.zones.includes(zone.id));
    if (!isLargeFlat(zones, context)) return NO_VERDICTS;
    if (act.op === 'strip-blast') return m7.should(input, { code: 'M7.blast', facts: {} });
    const isCoarse = isSanding(act) && isCoarser(act.grades[0], STEEL_GRADE);
    return isCoarse ? m7.should(input, { code: 'M7.sand', facts: { grit: act.grades[0] } }) : NO_VERDICTS;
  },
});

const m8 = verdictsFor('M8');
/** Scratch that lets stripper in. */
const SCORED = { coarsest: 'P40', finest: 'P80' } as const;

const M8 = m8.rule({
  on: ['strip-chemical', 'degrease', ...SAND_OPS, ...LAYING_OPS],
  asks: 'Stripper goes on scored finish, away from edges, and is neutralised before anything else.',
  reads: 'panel',
  concerns: ({ act, zone }) => act.op === 'strip-chemical' || hasIssue(zone, 'stripper'),
  judge: (input) => {
    const { act, zone, panel, context } = input;
    if (act.op !== 'strip-chemical') return m8.must(input, { code: 'M8.neutralise', facts: {} }, wash(panel));
    const grade = zone.surface.scratch?.grade;
    const isScored = grade && !isCoarser(grade, SCORED.coarsest) && !isCoarser(SCORED.finest, grade);
    // What never cures takes the stripper as it is.
    if (!isScored && !hasIssue(zone, 'uncured'))
      return m8.must(
        input,
        { code: 'M8.score', facts: { grit: SCORED.finest } },
        abrade(zone, kept(SCORED.finest, context, SCORED), 'machine', context),
      );
    return panel.isMasked
      ? m8.note(input, { code: 'M8.how', facts: { marginMm: 25 } })
      : m8.must(input, { code: 'M8.mask', facts: { marginMm: 25 } }, mask(panel));
  },
});

const M9 = advice('M9', ['degrease', 'antistatic-wipe'], 'Gloves from the last clean on.', ({ zone }) =>
  isBare(zone) || isUnprimedPlastic(zone) ? { code: 'M9.gloves', facts: {} } : null,
);

const m10 = verdictsFor('M10');

/** The zinc that an act would sand: the bare top, or what stripping comes down to. */
const sandsZinc = ({ act, zone }: ZoneRuleInput): boolean =>
  (act.op === 'strip-sand' ? zone.stack[0]! : topOf(zone)).kind === 'zinc-steel';

const M10 = m10.rule({
  only: 'metal',
  on: [...SAND_OPS, 'strip-blast', 'fill', 'inspect'],
  asks: 'Zinc is not cut through, and filler lies on it only where its sheet says so.',
  judge: (input) => {
    const { act, zone, context } = input;
    if (isSanding(act)) {
      if (act.op === 'scuff' || !sandsZinc(input) || !isCoarser(act.grades[0], ZINC_GRADE))
        return NO_VERDICTS;
      return m10.must(input, { code: 'M10.cut', facts: { grit: act.grades[0], limit: ZINC_GRADE } });
    }
    if (act.op === 'strip-blast')
      return zone.stack[0]!.kind === 'zinc-steel'
        ? m10.must(input, { code: 'M10.blast', facts: {} })
        : NO_VERDICTS;
    if (act.op === 'inspect')
      return hasIssue(zone, 'found-body') && zone.stack[0]!.kind === 'zinc-steel'
        ? m10.should(input, { code: 'M10.kept', facts: {} })
        : NO_VERDICTS;
    if (act.op !== 'fill' || topOf(zone).kind !== 'zinc-steel') return NO_VERDICTS;
    const sheet = sheetIn(context, act.sheetId);
    return sheet.over['zinc-steel']
      ? NO_VERDICTS
      : m10.must(input, { code: 'M10.filler', facts: { sheet: sheet.name }, source: 'sheet' });
  },
});

export const STRIPPING_RULES: readonly Rule[] = [M7, M8, M9, M10];
