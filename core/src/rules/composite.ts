import { hasIssue } from '../operations/issues.ts';
import { isCoarser, type Grade } from '../materials/grades.ts';
import { familyOf, labelOf } from '../materials/layer-kinds.ts';
import { COAT_OPS, LAYING_OPS, SAND_OPS, isCoat, isSanding } from '../operations/act.ts';
import { isFoundFinish, isRawComposite, topOf } from '../operations/state.ts';
import { heatVerdicts } from './heat.ts';
import { lookAgain, mendLaminate, strip, wipe } from './remedies.ts';
import { advice, NO_VERDICTS, verdictsFor, type Rule } from './rule.ts';

/** Rules of fiberglass. */

const gp1 = verdictsFor('GP1');

const GP1 = gp1.rule({
  only: 'composite',
  on: [...SAND_OPS, ...LAYING_OPS],
  asks: 'Release wax is washed and degreased off before sanding.',
  reads: 'panel',
  about: (zone) => hasIssue(zone, 'wax'),
  judge: (input) => {
    const { zone, panel, context } = input;
    return gp1.must(input, { code: 'GP1.wax', facts: {} }, wipe(zone, panel, context));
  },
});

const gp2 = verdictsFor('GP2');
/** Coarsest grade that stays out of the cloth. */
const COARSEST: Grade = 'P180';

const GP2 = gp2.rule({
  only: 'composite',
  on: [...SAND_OPS, ...COAT_OPS, 'hand-over'],
  asks: 'Fiberglass is sanded P180 to P320, never into the cloth; a broken laminate is mended first.',
  judge: (input) => {
    const { act, zone, context } = input;
    if (isCoat(act) || act.op === 'hand-over') {
      if (!hasIssue(zone, 'break')) return NO_VERDICTS;
      if (isFoundFinish(zone))
        return gp2.must(
          input,
          { code: 'GP2.bare', facts: { layer: labelOf(topOf(zone).kind) } },
          strip([zone], context),
        );
      return gp2.must(input, { code: 'GP2.mend', facts: {} }, mendLaminate(zone));
    }
    if (!isSanding(act) || act.op === 'feather' || act.op === 'scuff') return NO_VERDICTS;
    const sanded = act.op === 'strip-sand' ? zone.stack[0]! : topOf(zone);
    if (familyOf(sanded.kind) !== 'composite' || !isCoarser(act.grades[0], COARSEST)) return NO_VERDICTS;
    return gp2.must(input, { code: 'GP2.cloth', facts: { grit: act.grades[0], limit: COARSEST } });
  },
});

const gp3 = verdictsFor('GP3');

const GP3 = gp3.rule({
  only: 'composite',
  on: [...LAYING_OPS, 'guide-coat', 'hand-over'],
  asks: 'Pinholes are looked for again after the first primer coat.',
  about: (zone) => hasIssue(zone, 'look'),
  judge: (input) => gp3.must(input, { code: 'GP3.look', facts: {} }, lookAgain(input.zone)),
});

const gp4 = verdictsFor('GP4');

const GP4 = gp4.rule({
  only: 'composite',
  on: ['prime-etch', 'cure'],
  asks: 'Epoxy or two-pack build on fiberglass, no etch, heat at most 60 °C.',
  judge: (input) => {
    const { act, zone } = input;
    if (act.op === 'cure') return heatVerdicts(gp4, input, 'composite');
    return isRawComposite(zone)
      ? gp4.must(input, { code: 'GP4.etch', facts: { layer: labelOf(topOf(zone).kind) } })
      : NO_VERDICTS;
  },
});

const GP5 = advice('GP5', [...SAND_OPS], 'Extraction and skin cover where glass is sanded.', ({ zone }) =>
  isRawComposite(zone) ? { code: 'GP5.cover', facts: {} } : null,
);

export const COMPOSITE_RULES: readonly Rule[] = [GP1, GP2, GP3, GP4, GP5];
