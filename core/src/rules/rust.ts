import { LAYING_OPS } from '../operations/act.ts';
import { labelOf } from '../materials/layer-kinds.ts';
import { has, isBare, isOpenBody, topOf } from '../operations/state.ts';
import { abrade, blast, condition, mayBlast, removeRust, repairMetal, strip } from './remedies.ts';
import { fine, speaker, type Rule, type ZoneTrial, type Verdict } from './rule.ts';
import { metalGrade } from './metal-grades.ts';

/** Rules of rust, and of metal that is bent. */

const m5 = speaker('M5');

/** Rust is ground or blasted off bare metal; under a film or filler that comes off first, until bright metal all round. */
const rusty = (trial: ZoneTrial): readonly Verdict[] => {
  const { zone, context } = trial;
  if (!isBare(zone))
    return m5.must(
      trial,
      { code: 'M5.under', facts: { layer: labelOf(topOf(zone).kind) } },
      strip([zone], context),
    );
  if (has(zone, 'pits') && mayBlast([zone], context))
    return m5.must(trial, { code: 'M5.blast', facts: {} }, blast(zone));
  return m5.must(trial, { code: 'M5.surface', facts: {} }, removeRust(zone));
};

export const M5: Rule = {
  id: 'M5',
  only: 'metal',
  on: [...LAYING_OPS, 'hand-over'],
  asks: 'Rust comes off to bright metal; pits are blasted or conditioned, and what the acid leaves is sanded off.',
  judge: (trial) => {
    const { zone, context } = trial;
    if (has(zone, 'rust')) return rusty(trial);
    if (has(zone, 'pits'))
      return m5.must(
        trial,
        { code: 'M5.pitted', facts: {} },
        mayBlast([zone], context) ? blast(zone) : condition(zone),
      );
    const grit = metalGrade(topOf(zone).kind);
    return has(zone, 'acid')
      ? m5.must(trial, { code: 'M5.acid', facts: { grit } }, abrade(zone, grit, 'machine', context))
      : fine;
  },
};

const highs = speaker('K2');

/** Something proud in metal is brought down at the metal before it is primed: no filler and no block hides it. */
export const HIGH: Rule = {
  id: 'M5',
  only: 'metal',
  on: [...LAYING_OPS, 'hand-over'],
  asks: 'What stands proud in metal is brought down before anything goes on.',
  judge: (trial) => {
    const { zone, context } = trial;
    if (!has(zone, 'high')) return fine;
    if (isOpenBody(zone))
      return highs.must(trial, { code: 'K2.high-body', facts: {} }, abrade(zone, 'P80', 'block', context));
    return isBare(zone)
      ? highs.must(trial, { code: 'K2.high', facts: {} }, repairMetal(zone))
      : highs.must(
          trial,
          { code: 'K2.high-under', facts: { layer: labelOf(topOf(zone).kind) } },
          strip([zone], context),
        );
  },
};
