import { hasIssue } from '../../operations/issues.ts';
import { isRawPlastic } from '../../materials/layer-kinds.ts';
import { topOf } from '../../operations/state.ts';
import { ofCoat, ofAnyCoat, onlyOver, noted, type Fact } from './fact.ts';

/** What was cleaned off, and what was not. */

export const CLEANING_FACTS = {
  'dressing-found': {
    is: 'dressing or silicone was found on it, or noted',
    isNot: 'the survey found no dressing',
    measure: 'Polish, tyre or trim dressing used near it this week?',
    of: (seen) =>
      seen.context.panel.zones.some(({ findings }) => findings.some(({ kind }) => kind === 'dressing')) ||
      /silicone|dressing|polish/.test(seen.notes) ||
      undefined,
  },
  'not-degreased': {
    is: 'it was not degreased since it was sanded or handled',
    isNot: 'it was degreased before the coat',
    measure: 'Water break on a piece that is still bare.',
    of: ofCoat(({ before }) => before.surface.soil !== 'clean'),
  },
  'oil-noted': {
    is: 'oil or water in the air line was noted',
    isNot: 'the air was clean',
    measure: 'Blow the gun’s air on a clean glass for a minute.',
    of: noted(/oil|water trap|air line|compressor/),
  },
  'touched-noted': {
    is: 'bare hands were noted',
    isNot: 'it was handled with gloves',
    measure: 'Do the craters lie where hands hold it?',
    of: noted(/bare hand|without glove|no glove|finger|touched/),
  },
  'not-tacked': {
    is: 'it was not tacked before the coat',
    isNot: 'it was tacked before the coat',
    measure: 'Look at the tack cloth: was it used up?',
    of: ofCoat(({ before }) => (topOf(before).kind === 'promoter' ? undefined : !before.surface.isTacked)),
  },
  static: {
    is: 'it is plastic that nobody wiped against static',
    isNot: 'static was taken off, or it loads none',
    measure: 'Does a thread swing to it?',
    of: onlyOver(
      isRawPlastic,
      ofCoat(({ before }) => hasIssue(before, 'static')),
    ),
  },
  dirty: {
    is: 'a coat went on a surface that was not clean',
    isNot: 'every coat went on a clean surface',
    measure: 'Water break beside it.',
    of: ofAnyCoat(({ before }) => before.surface.soil !== 'clean' && !topOf(before).laid),
  },
} satisfies Record<string, Fact>;
