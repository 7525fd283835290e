import { isBody, isMetal, isRawPlastic } from '../../materials/layer-kinds.ts';
import { staysOn } from '../../operations/sanded-area.ts';
import { isFoundFinish, topOf } from '../../operations/state.ts';
import { isLastCoat } from '../../operations/act.ts';
import { ofCoat, ofAnyCoat, onlyOver, type Fact } from './fact.ts';

/** What lies on what, how thick, and in which tone. */

export const LAYER_FACTS = {
  'film-over-sheet': {
    is: 'there is more film than the sheet allows',
    isNot: 'the film is within the sheet’s most',
    measure: 'Dry film by the gauge.',
    of: ofAnyCoat((coat) => topOf(coat.after).um > coat.sheet.film.maxUm + 1),
  },
  'soluble-open': {
    is: 'soluble finish lies under it that was not isolated',
    isNot: 'nothing soluble lies under it',
    measure: 'Rub old finish beside it with thinner: does it soften?',
    of: ofAnyCoat(
      ({ before, step }) =>
        before.isSoluble &&
        isFoundFinish(before) &&
        !['prime-epoxy', 'prime-wet-on-wet'].includes(step.act.op),
    ),
  },
  'no-protection': {
    is: 'the first coat on the metal does not protect it',
    isNot: 'the first coat on the metal protects it',
    measure: 'The sheet of the first coat: is it corrosion resisting?',
    of: (seen) => {
      const first = seen.coats.find(({ before }) => isMetal(topOf(before).kind));
      return first && !first.sheet.resistsCorrosion;
    },
  },
  'filler-open': {
    is: 'filler lies right under a sealer or base',
    isNot: 'primer lies over the filler, or there is none',
    measure: 'Look at the repair’s edge in section.',
    of: onlyOver(
      isBody,
      ofCoat(({ before, step }) => isBody(topOf(before).kind) && isLastCoat(step.act)),
    ),
  },
  'tones-differ': {
    is: 'undercoats of different tones lie side by side',
    isNot: 'one tone lies under it all',
    measure: 'Where does the lighter patch end?',
    of: ({ fold }) => {
      const tones = new Set(fold.panel.zones.flatMap((zone) => topOf(zone).laid?.toneL ?? []));
      const kinds = new Set(
        fold.panel.zones.filter((zone) => zone.role === 'refinish').map((zone) => topOf(zone).kind),
      );
      return tones.size > 1 || kinds.size > 1;
    },
  },
  'few-coats': {
    is: 'fewer coats were laid than the sheet asks for',
    isNot: 'the coats of the sheet were laid',
    measure: 'Can the layer under it be seen through it?',
    of: ofCoat(({ step, sheet }) => Math.max(...Object.values(step.act.coats)) < sheet.film.coats),
  },
  'film-short': {
    is: 'there was less build than blocking it takes',
    isNot: 'there was build enough to block',
    measure: 'Dry film by the gauge before the next block.',
    of: (seen) => {
      const blocked = seen.sandings.findLast(
        ({ step }) => step.act.op === 'block' || step.act.op === 'abrade',
      );
      if (!blocked) return undefined;
      const top = topOf(blocked.before);
      if (!top.laid || isBody(top.kind)) return undefined;
      const { wavesUm, peelUm } = blocked.before.surface;
      const needed = staysOn(blocked.before, seen.context).value + wavesUm + peelUm;
      return top.um < needed;
    },
  },
  'no-additive': {
    is: 'the coat names no flexible additive, and the part bends',
    isNot: 'the coats bend with the part',
    measure: 'Was the additive in the cup?',
    of: (seen) =>
      isRawPlastic(seen.fold.panel.zones[0]!.stack[0]!.kind)
        ? seen.coats.some(({ sheet }) => sheet.kind !== 'promoter' && sheet.flexPercent === undefined) ||
          /(no|without) (additive|flex)/.test(seen.notes) ||
          undefined
        : false,
  },
  'soft-plastic': {
    is: 'it is soft plastic under a coat for rigid parts',
    isNot: 'it is no soft plastic',
    measure: 'Bend an edge of it: how far does it go?',
    of: ({ fold, coats }) => {
      const kind = fold.panel.zones[0]!.stack[0]!.kind;
      return (
        (kind === 'plastic-soft' || kind === 'plastic-olefin') &&
        coats.some(({ sheet }) => sheet.flexPercent === undefined)
      );
    },
  },
} satisfies Record<string, Fact>;
