import { hasIssue } from '../operations/issues.ts';
import type { OpenIssue } from '../survey/open-issue.ts';
import { LAYING_OPS } from '../operations/act.ts';
import { labelOf } from '../materials/layer-kinds.ts';
import { isBare, isOpenBody, topOf } from '../operations/state.ts';
import { abrade, blast, condition, mayBlast, removeRust, repairMetal, strip } from './remedies.ts';
import { advice, NO_VERDICTS, verdictsFor, type Rule, type ZoneRuleInput, type Verdict } from './rule.ts';
import { metalGrade } from './metal-grades.ts';

/** Rules of rust, and of metal that is bent. */

const m5 = verdictsFor('M5');
const OF_RUST: ReadonlySet<OpenIssue> = new Set<OpenIssue>(['rust', 'pits', 'acid']);

/** Rust is ground or blasted off bare metal; under a film or filler that comes off first, until bright metal all round. */
const rusty = (input: ZoneRuleInput): readonly Verdict[] => {
  const { zone, context } = input;
  if (!isBare(zone))
    return m5.must(
      input,
      { code: 'M5.under', facts: { layer: labelOf(topOf(zone).kind) } },
      strip([zone], context),
    );
  if (hasIssue(zone, 'pits') && mayBlast([zone], context))
    return m5.must(input, { code: 'M5.blast', facts: {} }, blast(zone));
  return m5.must(input, { code: 'M5.surface', facts: {} }, removeRust(zone, context));
};

const M5 = m5.rule({
  only: 'metal',
  on: [...LAYING_OPS, 'hand-over'],
  asks: 'Rust comes off to bright metal; pits are blasted or conditioned, and what the acid leaves is sanded off.',
  about: ({ openIssues }) => openIssues.some((issue) => OF_RUST.has(issue)),
  judge: (input) => {
    const { zone, context } = input;
    if (hasIssue(zone, 'rust')) return rusty(input);
    if (hasIssue(zone, 'pits'))
      return m5.must(
        input,
        { code: 'M5.pitted', facts: {} },
        mayBlast([zone], context) ? blast(zone) : condition(zone),
      );
    const grit = metalGrade(topOf(zone).kind);
    return hasIssue(zone, 'acid')
      ? m5.must(input, { code: 'M5.acid', facts: { grit } }, abrade(zone, grit, 'machine', context))
      : NO_VERDICTS;
  },
});

const isRust = ({ kind }: { readonly kind: string }): boolean =>
  kind === 'rust-surface' || kind === 'rust-pitted';

/** Rust on the outside has mostly come through from behind: the first coat stops it on one face only. */
const BOTH_FACES = advice(
  'M5',
  ['prime-epoxy', 'prime-dtm', 'prime-etch'],
  'Where rust was, both faces are primed as far as they can be reached.',
  ({ zone }) => {
    const wasRusty = zone.patch ? isRust(zone.patch.finding) : zone.zone.findings.some(isRust);
    return isBare(zone) && wasRusty && zone.zone.face !== 'inside'
      ? { code: 'M5.both-faces', facts: {} }
      : null;
  },
);

const highs = verdictsFor('K2');

/** Something proud in metal is brought down at the metal before it is primed: no filler and no block hides it. */
const HIGH = highs.rule({
  only: 'metal',
  on: [...LAYING_OPS, 'hand-over'],
  asks: 'What stands proud in metal is brought down before anything goes on.',
  about: (zone) => hasIssue(zone, 'high'),
  judge: (input) => {
    const { zone, context } = input;
    if (isOpenBody(zone))
      return highs.must(input, { code: 'K2.high-body', facts: {} }, abrade(zone, 'P80', 'block', context));
    return isBare(zone)
      ? highs.must(input, { code: 'K2.high', facts: {} }, repairMetal(zone))
      : highs.must(
          input,
          { code: 'K2.high-under', facts: { layer: labelOf(topOf(zone).kind) } },
          strip([zone], context),
        );
  },
});

export const RUST_RULES: readonly Rule[] = [M5, BOTH_FACES, HIGH];
