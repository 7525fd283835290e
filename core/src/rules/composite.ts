import { isCoarser, type Grade } from '../materials/grades.ts';
import { familyOf, labelOf } from '../materials/layer-kinds.ts';
import { LAYING_OPS, SAND_OPS, isSanding } from '../operations/act.ts';
import { isRawComposite, topOf } from '../operations/state.ts';
import { degrease, lookAgain } from './remedies.ts';
import { fine, speaker, type Rule } from './rule.ts';

/** Rules of fiberglass. Extraction and skin cover (GP5) are cautions of its sanding. */

const gp1 = speaker('GP1');

export const GP1: Rule = {
  id: 'GP1',
  on: [...SAND_OPS, ...LAYING_OPS],
  asks: 'Release wax is washed and degreased off before sanding.',
  judge: (trial) => {
    const { zone, panel } = trial;
    return zone.hasWax ? gp1.must(trial, { code: 'GP1.wax', facts: {} }, degrease(zone, panel)) : fine;
  },
};

const gp2 = speaker('GP2');
/** Coarsest grade that stays out of the cloth. */
const COARSEST: Grade = 'P180';

export const GP2: Rule = {
  id: 'GP2',
  on: SAND_OPS,
  asks: 'Fiberglass is sanded P180 to P320, never into the cloth.',
  judge: (trial) => {
    const { act, zone } = trial;
    if (!isSanding(act) || act.op === 'feather') return fine;
    const sanded = act.op === 'strip-sand' ? zone.stack[0]! : topOf(zone);
    if (familyOf(sanded.kind) !== 'composite' || !isCoarser(act.grades[0], COARSEST)) return fine;
    return gp2.must(trial, { code: 'GP2.cloth', facts: { grit: act.grades[0], limit: COARSEST } });
  },
};

const gp3 = speaker('GP3');

export const GP3: Rule = {
  id: 'GP3',
  on: [...LAYING_OPS, 'guide-coat', 'hand-over'],
  asks: 'Pinholes are looked for again after the first primer coat.',
  judge: (trial) =>
    trial.zone.needsLook ? gp3.must(trial, { code: 'GP3.look', facts: {} }, lookAgain(trial.zone)) : fine,
};

const gp4 = speaker('GP4');

export const GP4: Rule = {
  id: 'GP4',
  on: ['prime-etch'],
  asks: 'Epoxy or two-pack build on fiberglass, no etch, heat at most 60 °C.',
  judge: (trial) =>
    isRawComposite(trial.zone)
      ? gp4.must(trial, { code: 'GP4.etch', facts: { layer: labelOf(topOf(trial.zone).kind) } })
      : fine,
};

export const COMPOSITE_RULES: readonly Rule[] = [GP1, GP2, GP3, GP4];
