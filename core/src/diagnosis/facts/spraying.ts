import { wetFilmUm } from '../../film/coverage.ts';
import { isBody } from '../../materials/layer-kinds.ts';
import { paceMPerS } from '../../film/gun.ts';
import { readyVolumeSolids } from '../../materials/sheet.ts';
import { sagOf } from '../../operations/coating.ts';
import { topOf } from '../../operations/state.ts';
import { transferIn } from '../../operations/spraying.ts';
import { isBodywork } from '../../operations/act.ts';
import type { Case, CoatStep } from '../case.ts';
import { ofCoat, onlyOver, known, noted, type Fact } from './fact.ts';

/** How a coat was mixed and sprayed: its wet film, the gun, what was in the cup. */

/** Thinner past this is too much, percent (default; rule B4 allows 20 for a tip that is too small). */
const REDUCED_PERCENT = 10;

/** A pace under this share of what the film asks for is slow (default). */
const SLOW_SHARE = 0.75;

/** A fan of a usual gun (defaults: gun.ts). */
const USUAL_GUN = { flowMlPerMin: 200, fanMm: 250, overlap: 0.5 } as const;
const FAR_MM = 230;
const HIGH_BAR = 2.6;
const LOW_BAR = 1.3;

/** A coat thinner or thicker than this share of the sheet's is thin or thick (defaults). */
const THIN_SHARE = 0.75;
const THICK_SHARE = 1.25;

/** Seconds of a flow cup from which a mix is thick (default). */
const THICK_SECONDS = 27;
const HARDENER_SHARE = 1.4;

const listed = (um: number | readonly number[] | undefined): readonly number[] =>
  um === undefined ? [] : typeof um === 'number' ? [um] : um;

/** The thickest wet coat that was measured, µm. */
const wettestUm = ({ values }: CoatStep): number | undefined => {
  const all = listed(values.wetUm);
  return all.length > 0 ? Math.max(...all) : undefined;
};

const meanWetUm = ({ values }: CoatStep): number | undefined => {
  const all = listed(values.wetUm);
  return all.length > 0 ? all.reduce((sum, um) => sum + um, 0) / all.length : undefined;
};

const sheetWetUm = ({ sheet }: CoatStep): number => wetFilmUm(sheet.film.perCoatUm, readyVolumeSolids(sheet));

const expectedPace = ({ sheet }: CoatStep, { context }: Case): number =>
  paceMPerS({
    ...USUAL_GUN,
    transfer: transferIn(sheet, context).value,
    volumeSolids: readyVolumeSolids(sheet),
    filmUm: sheet.film.perCoatUm,
  });

const bodyActs = ({ fold, area }: Case) =>
  fold.steps.flatMap((step, i) =>
    isBodywork(step.act) &&
    step.act.zones.some((id) => id === area || id.split('/')[0] === area.split('/')[0])
      ? [{ act: step.act, entry: fold.acts[i], before: step.before }]
      : [],
  );

export const SPRAYING_FACTS = {
  'wet-over-limit': {
    is: 'the wet film was over what stays on this surface',
    isNot: 'the wet film stayed under what runs',
    measure: 'Wet film by the comb, next time; dry film by the gauge now, beside the run.',
    of: ofCoat((coat, { context }) => {
      const { limitUm } = sagOf(coat.step.act, context);
      const most = Number.isFinite(limitUm) ? limitUm : THICK_SHARE * sheetWetUm(coat);
      return known(wettestUm(coat), (um) => um > most);
    }),
  },
  'wet-thick': {
    is: 'a coat was thicker than its sheet says',
    isNot: 'each coat was as thick as its sheet says',
    measure: 'Dry film by the gauge: divide it by the coats.',
    of: ofCoat((coat) => {
      const byComb = known(wettestUm(coat), (um) => um > THICK_SHARE * sheetWetUm(coat));
      return topOf(coat.after).um > coat.sheet.film.maxUm + 1 ? true : byComb;
    }),
  },
  'wet-thin': {
    is: 'a coat was thinner than its sheet says',
    isNot: 'no coat was thin',
    measure: 'Dry film by the gauge: divide it by the coats.',
    of: ofCoat((coat) => known(meanWetUm(coat), (um) => um < THIN_SHARE * sheetWetUm(coat))),
  },
  reduced: {
    is: 'it was reduced further than a tip asks for',
    isNot: 'it was not over-reduced',
    measure: 'What was put in: mix entry, can and cup; flow cup of what is left.',
    of: ofCoat(({ values }) => known(values.reductionPercent, (percent) => percent > REDUCED_PERCENT)),
  },
  slow: {
    is: 'the gun was led slower than the film asks for',
    isNot: 'the gun was led fast enough',
    measure: 'Practise the pace in Pour, over a metre, with a watch.',
    of: ofCoat((coat, seen) =>
      known(coat.values.speedMPerS, (speed) => speed < SLOW_SHARE * expectedPace(coat, seen)),
    ),
  },
  'one-heavy-coat': {
    is: 'fewer coats than the sheet’s were laid on a shape with curves or edges',
    isNot: 'the coats were split, or the panel is flat',
    measure: 'Look whether it hangs from a curve or an edge.',
    of: ofCoat((coat, { context }) => {
      const { shape } = context.panel;
      if (shape === 'flat') return false;
      const coats = Math.max(...Object.values(coat.step.act.coats));
      return coats < coat.sheet.film.coats || undefined;
    }),
  },
  far: {
    is: 'the gun was held too far away',
    isNot: 'the gun was held near enough',
    measure: 'A hand span from thumb to little finger is about right: try it on a card.',
    of: ofCoat(({ values }) => known(values.distanceMm, (mm) => mm > FAR_MM)),
  },
  'pressure-high': {
    is: 'the pressure was high',
    isNot: 'the pressure was not high',
    measure: 'Pressure at the gun with the trigger pulled.',
    of: ofCoat(({ values }) => known(values.bar, (bar) => bar > HIGH_BAR)),
  },
  'pressure-low': {
    is: 'the pressure was low',
    isNot: 'the pressure was not low',
    measure: 'Pressure at the gun with the trigger pulled.',
    of: ofCoat(({ values }) => known(values.bar, (bar) => bar < LOW_BAR)),
  },
  'tip-small': {
    is: 'the tip was smaller than the sheet says',
    isNot: 'the tip is one of the sheet’s',
    measure: 'The number on the tip; how far the fluid needle is open.',
    of: ofCoat(({ values, sheet }) =>
      sheet.tipMm ? known(values.tipMm, (mm) => mm < sheet.tipMm!.from - 1e-9) : undefined,
    ),
  },
  'wrong-reducer-noted': {
    is: 'another reducer was noted',
    isNot: 'the reducer was the right one',
    measure: 'The label of the reducer: its temperature against that of the day.',
    of: noted(/(wrong|other|fast|slow|unknown) (reducer|thinner)/),
  },
  'thick-mix': {
    is: 'the flow cup said that the mix was thick',
    isNot: 'the flow cup said that the mix flows',
    measure: 'Flow cup of what is left.',
    of: ({ cupSeconds }) => known(cupSeconds, (seconds) => seconds > THICK_SECONDS),
  },
  'much-hardener': {
    is: 'there was more hardener in it than the sheet’s most',
    isNot: 'the hardener was within its range',
    measure: 'Colour and smell of what is left on the board; how fast it set.',
    of: onlyOver(isBody, (seen) => {
      const shares = bodyActs(seen).flatMap(({ act, entry }) => {
        const percent = entry?.body.values?.hardenerPercent;
        const usual = seen.context.shelf.get(act.sheetId)?.hardenerPercent?.usual;
        return percent === undefined || usual === undefined ? [] : [percent / usual];
      });
      if (/(too much|more|double) (hardener|peroxide)/.test(seen.notes)) return true;
      return shares.length === 0 ? undefined : shares.some((share) => share > HARDENER_SHARE);
    }),
  },
} satisfies Record<string, Fact>;
