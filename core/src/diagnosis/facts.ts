import { dewMarginKelvin } from '../climate/dew.ts';
import { wetFilmUm } from '../film/coverage.ts';
import { paceMPerS } from '../film/gun.ts';
import { grainUm } from '../materials/grades.ts';
import { isBody, isMetal, isRawPlastic } from '../materials/layer-kinds.ts';
import { readyVolumeSolids } from '../materials/sheet.ts';
import { sagOf } from '../operations/coating.ts';
import { mustStay, ruleIn } from '../operations/context.ts';
import { workAirAt } from '../operations/day.ts';
import { hasIssue, isBare, isFoundFinish, topOf } from '../operations/state.ts';
import { exposureLimit, flashMin } from '../operations/windows.ts';
import { transferIn } from '../operations/spraying.ts';
import { isBodywork, isLastCoat } from '../operations/act.ts';
import type { Case, CoatStep } from './case.ts';

/** Facts of a record that speak for or against a cause: there, not there, or not known. */

export type Known = boolean | undefined;

export interface Fact {
  /** What is so when it is there, and when it is not. */
  readonly is: string;
  readonly isNot: string;
  /** How it is found out, where the record does not say. */
  readonly measure: string;
  readonly of: (seen: Case) => Known;
}

/** How much warmer or colder than its sheet's own temperature a coat is sprayed before it matters, °C (defaults). */
const COLD_KELVIN = 6;
const HOT_KELVIN = 8;
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
/** A flash shorter than this share of what it takes in this air is short (default). */
const SHORT_SHARE = 0.85;
/** Seconds of a flow cup from which a mix is thick (default). */
const THICK_SECONDS = 27;
const DRY_AIR_PERCENT = 35;
const HARDENER_SHARE = 1.4;
const EDGE_MM = 40;

const lastOf = ({ coats }: Case): CoatStep | undefined => coats.at(-1);

/** A fact of the last coat. */
const ofCoat =
  (fact: (coat: CoatStep, seen: Case) => Known) =>
  (seen: Case): Known => {
    const coat = lastOf(seen);
    return coat && fact(coat, seen);
  };

/** A fact of any coat on the area: there in one of them, absent where it is in none. */
const ofAnyCoat =
  (fact: (coat: CoatStep, seen: Case) => Known) =>
  (seen: Case): Known => {
    const each = seen.coats.map((coat) => fact(coat, seen));
    if (each.includes(true)) return true;
    return each.length > 0 && each.every((known) => known === false) ? false : undefined;
  };

const known = (value: number | undefined, test: (value: number) => boolean): Known =>
  value === undefined ? undefined : test(value);

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

/** The air that a coat was sprayed in: as it was written down, else as the shop says it was. */
function celsiusOf({ values, step }: CoatStep, { context }: Case): number {
  return values.celsius ?? values.surfaceCelsius ?? workAirAt(step.before.clockMin, context).celsius;
}
const isAirKnown = ({ values }: CoatStep, { fold }: Case): boolean =>
  values.celsius !== undefined || values.surfaceCelsius !== undefined || fold.happened.airBefore.length > 0;

const noted =
  (words: RegExp) =>
  ({ notes }: Case): Known =>
    words.test(notes) ? true : undefined;

const expectedPace = ({ sheet }: CoatStep, { context }: Case): number =>
  paceMPerS({
    ...USUAL_GUN,
    transfer: transferIn(sheet, context).value,
    volumeSolids: readyVolumeSolids(sheet),
    filmUm: sheet.film.perCoatUm,
  });

/** The coat under a coat, with its clocks. */
const under = ({ before }: CoatStep) => topOf(before).laid;

const isKeyed = ({ before }: CoatStep): boolean => before.surface.scratch !== null;

const waitedFor = ({ step, before }: CoatStep, opensAtMin: number | undefined): Known =>
  opensAtMin === undefined || before.surface.scratch ? undefined : step.before.clockMin < opensAtMin - 1;

/** The flash that a coat needed between its passes, in its air. */
function neededFlashMin({ sheet, step }: CoatStep, { context }: Case): number {
  return flashMin(sheet.flash.betweenCoatsMin, sheet, context, step.before.clockMin);
}

const isTooEarly = ofCoat((coat, seen) => {
  const given = coat.values.flashMin;
  const between = known(given, (min) => min < SHORT_SHARE * neededFlashMin(coat, seen));
  const beforeIt = waitedFor(coat, under(coat)?.flash.opensAtMin);
  return between || beforeIt ? true : (between ?? beforeIt);
});

const bodyActs = ({ fold, area }: Case) =>
  fold.steps.flatMap((step, i) =>
    isBodywork(step.act) &&
    step.act.zones.some((id) => id === area || id.split('/')[0] === area.split('/')[0])
      ? [{ act: step.act, entry: fold.acts[i], before: step.before }]
      : [],
  );

/** The last sanding of filler on the area before anything went over it. */
const fillerGrade = ({ sandings }: Case) =>
  sandings
    .findLast(({ before, step }) => isBody(topOf(before).kind) && step.act.op === 'abrade')
    ?.step.act.grades.at(-1);

export const FACTS = {
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
  cold: {
    is: 'it was colder than the sheet is made for',
    isNot: 'it was warm enough',
    measure: 'Temperature of panel and material where they stood.',
    of: ofCoat((coat, seen) => {
      const celsius = celsiusOf(coat, seen);
      const isCold = celsius <= Math.max(coat.sheet.refCelsius - COLD_KELVIN, coat.sheet.climate.minCelsius);
      return isAirKnown(coat, seen) ? isCold : isCold || undefined;
    }),
  },
  hot: {
    is: 'it was hotter than the sheet is made for',
    isNot: 'it was not hot',
    measure: 'Temperature of panel and material where they stood.',
    of: ofCoat((coat, seen) => {
      const isHot = celsiusOf(coat, seen) >= coat.sheet.refCelsius + HOT_KELVIN;
      return isAirKnown(coat, seen) ? isHot : isHot || undefined;
    }),
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
    of: ofCoat(({ before }) => hasIssue(before, 'static')),
  },
  'dry-air': {
    is: 'the air was dry, or the floor was noted as dry',
    isNot: 'the air was damp enough to hold dust down',
    measure: 'Humidity by the booth’s own gauge; was the floor wetted?',
    of: (seen) => {
      if (/dry floor|floor (was )?dry|dust/.test(seen.notes)) return true;
      const coat = lastOf(seen);
      return coat && known(coat.values.relativeHumidity, (percent) => percent < DRY_AIR_PERCENT);
    },
  },
  'doors-noted': {
    is: 'open doors were noted',
    isNot: 'the doors stayed shut',
    measure: 'Who went in or out while it was wet?',
    of: noted(/door/),
  },
  'flash-short': {
    is: 'the flash was shorter than it takes in this air',
    isNot: 'the flash was long enough',
    measure: 'What was the time between the coats?',
    of: isTooEarly,
  },
  'heat-early': {
    is: 'heat came before the coat had flashed',
    isNot: 'heat came after the flash, or not at all',
    measure: 'When was the lamp or the oven switched on?',
    of: (seen) => {
      const coat = lastOf(seen);
      if (!coat) return undefined;
      const baked = seen.fold.steps
        .slice(coat.n)
        .find(({ act }) => act.op === 'cure' && act.method === 'bake');
      const flashed = topOf(coat.after).laid?.flash.opensAtMin ?? 0;
      if (baked) return baked.before.clockMin < flashed - 1;
      return /(lamp|oven|heat).{0,20}(early|at once|too soon)/.test(seen.notes) || undefined;
    },
  },
  'coarse-last-grit': {
    is: 'the last grade was too coarse for the coat over it',
    isNot: 'the last grade was fine enough',
    measure: 'Do the marks run the way it was sanded? Which paper is on the block?',
    of: ofCoat((coat, seen) => {
      const { scratch } = coat.before.surface;
      if (!scratch) return coat.before.surface.peelUm > 0 ? undefined : false;
      const most = coat.step.act.op === 'seal' ? 'P320' : 'P180';
      const said = coat.step.remarks.some(
        ({ level, reason }) =>
          level !== 'note' && level !== 'school' && /^(K2|K3|K4|B6|F6)$/.test(reason.rule),
      );
      return (
        said || grainUm(scratch.grade) > grainUm(most) * 1.02 || (seen.coats.length === 0 ? undefined : false)
      );
    }),
  },
  'not-cured': {
    is: 'what lies under it had not cured when it was sanded or covered',
    isNot: 'what lies under it had cured',
    measure: 'Thumbnail in a hidden place of the coat under it.',
    of: (seen) => {
      const sandedSoft = seen.sandings.some(
        ({ before, step }) => step.before.clockMin < (topOf(before).laid?.cure?.opensAtMin ?? -Infinity) - 1,
      );
      if (sandedSoft) return true;
      return seen.sandings.length > 0 || seen.coats.length > 0 ? false : undefined;
    },
  },
  'soft-film': {
    is: 'the film was sanded before it had cured',
    isNot: 'the film had cured before it was sanded',
    measure: 'When was it sprayed, and how cold was the night?',
    of: (seen) => {
      const last = seen.sandings.at(-1);
      const now = topOf(
        seen.fold.panel.zones.find(({ zone }) => zone.id === seen.area) ?? seen.fold.panel.zones[0]!,
      );
      const opens = last ? topOf(last.before).laid?.cure?.opensAtMin : now.laid?.cure?.opensAtMin;
      const at = last ? last.step.before.clockMin : seen.fold.panel.clockMin;
      return known(opens, (min) => at < min - 1);
    },
  },
  'early-epoxy': {
    is: 'epoxy was sanded before its time',
    isNot: 'no epoxy was sanded early',
    measure: 'Is it the epoxy that clogs?',
    of: (seen) => {
      const on = seen.sandings.filter(({ before }) => topOf(before).kind === 'epoxy');
      if (on.length === 0) return false;
      return on.some(
        ({ before, step }) => step.before.clockMin < (topOf(before).laid?.cure?.opensAtMin ?? 0) - 1,
      );
    },
  },
  'coarse-filler': {
    is: 'filler was left coarser than P180',
    isNot: 'filler was finished P180 or finer, or there is none',
    measure: 'Do straight marks show inside the repair?',
    of: (seen) => {
      const grade = fillerGrade(seen);
      return grade === undefined ? undefined : grainUm(grade) > grainUm('P180') * 1.02;
    },
  },
  'edge-raw': {
    is: 'the edge around it was not feathered',
    isNot: 'the edge was feathered, or there is none',
    measure: 'Feel the edge with the flat of the hand.',
    of: ofAnyCoat(({ before }) => before.edge === 'raw'),
  },
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
  'forbidden-time': {
    is: 'the next coat went on in the part of the window that its sheet forbids',
    isNot: 'no coat went on at a forbidden time',
    measure: 'Times of the two coats against the sheet’s window.',
    of: ofAnyCoat((coat) => {
      const forbidden = under(coat)?.recoat.forbidden;
      const at = coat.step.before.clockMin;
      return forbidden ? at > forbidden.fromAtMin && at < forbidden.toAtMin : false;
    }),
  },
  'no-key': {
    is: 'it was not sanded or scuffed under the coat',
    isNot: 'it was keyed under the coat',
    measure: 'Does the back of the flake shine?',
    of: ofAnyCoat((coat) => {
      const laid = under(coat);
      if (laid && !isBody(topOf(coat.before).kind)) return false;
      return !isKeyed(coat) && topOf(coat.before).kind !== 'ecoat' && !isBare(coat.before);
    }),
  },
  'window-missed': {
    is: 'the next coat went on after the window of the one under it had closed, without scuffing',
    isNot: 'every coat went on inside the window, or was scuffed',
    measure: 'Times of the two coats against the sheet’s window.',
    of: ofAnyCoat((coat) => {
      const laid = under(coat);
      if (!laid || laid.recoat.kind !== 'recoat' || isBody(topOf(coat.before).kind)) return false;
      return !isKeyed(coat) && coat.step.before.clockMin > laid.recoat.closesAtMin + 1;
    }),
  },
  'promoter-missed': {
    is: 'the promoter’s window had closed',
    isNot: 'the promoter’s window was kept, or there is none',
    measure: 'Time of the promoter and of the coat on it.',
    of: ofAnyCoat((coat) => {
      const laid = under(coat);
      return laid?.recoat.kind === 'promoter' && coat.step.before.clockMin > laid.recoat.closesAtMin + 1;
    }),
  },
  dirty: {
    is: 'a coat went on a surface that was not clean',
    isNot: 'every coat went on a clean surface',
    measure: 'Water break beside it.',
    of: ofAnyCoat(({ before }) => before.surface.soil !== 'clean' && !topOf(before).laid),
  },
  'exposure-over': {
    is: 'bare metal waited longer than its limit',
    isNot: 'bare metal was covered in time',
    measure: 'When was it sanded bare, and when sprayed?',
    of: (seen) => {
      const first = seen.coats.find(({ before }) => isBare(before));
      const now = seen.fold.panel.zones.find(({ zone }) => zone.id === seen.area);
      const sinceMin = first ? first.before.bareSinceMin : now?.bareSinceMin;
      const atMin = first ? first.step.before.clockMin : seen.fold.panel.clockMin;
      if (sinceMin === null || sinceMin === undefined)
        return first ? first.before.surface.scratch === null : undefined;
      return atMin - sinceMin > exposureLimit(seen.context, sinceMin).value + 1;
    },
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
  damp: {
    is: 'the surface was too near the dew point',
    isNot: 'the surface was well above the dew point',
    measure: 'Surface temperature, air temperature and humidity, together.',
    of: ofAnyCoat((coat, seen) => {
      const { celsius, relativeHumidity, surfaceCelsius } = coat.values;
      const room = workAirAt(coat.step.before.clockMin, seen.context);
      const air = {
        celsius: celsius ?? room.celsius,
        relativeHumidity: relativeHumidity ?? room.relativeHumidity,
      };
      const margin = dewMarginKelvin(surfaceCelsius ?? air.celsius, air);
      const isDamp = margin < ruleIn(seen.context, 'dewMarginKelvin').value;
      return relativeHumidity === undefined && !isAirKnown(coat, seen) ? isDamp || undefined : isDamp;
    }),
  },
  'much-hardener': {
    is: 'there was more hardener in it than the sheet’s most',
    isNot: 'the hardener was within its range',
    measure: 'Colour and smell of what is left on the board; how fast it set.',
    of: (seen) => {
      const shares = bodyActs(seen).flatMap(({ act, entry }) => {
        const percent = entry?.body.values?.hardenerPercent;
        const usual = seen.context.shelf.get(act.sheetId)?.hardenerPercent?.usual;
        return percent === undefined || usual === undefined ? [] : [percent / usual];
      });
      if (/(too much|more|double) (hardener|peroxide)/.test(seen.notes)) return true;
      return shares.length === 0 ? undefined : shares.some((share) => share > HARDENER_SHARE);
    },
  },
  'filler-open': {
    is: 'filler lies right under a sealer or base',
    isNot: 'primer lies over the filler, or there is none',
    measure: 'Look at the repair’s edge in section.',
    of: (seen) => {
      const coat = lastOf(seen);
      return coat && isBody(topOf(coat.before).kind) && isLastCoat(coat.step.act);
    },
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
      const needed = mustStay(seen.context, top.laid.sheetId).value + wavesUm + peelUm;
      return top.um < needed;
    },
  },
  crowned: {
    is: 'the panel is crowned, and a block rides on its crown',
    isNot: 'the panel is flat',
    measure: 'Does the block rock? Which block was it?',
    of: (seen) =>
      /(long|hard|stiff) (block|board)/.test(seen.notes) ||
      (seen.context.panel.shape === 'flat' ? false : undefined),
  },
  'at-edge': {
    is: 'it lies at an edge or a body line',
    isNot: 'it lies in the open',
    measure: 'Mark it on the map: is it an edge?',
    of: ({ atMm, context, notes }) => {
      if (/edge|body line|corner/.test(notes)) return true;
      const { outline } = context.panel;
      if (!atMm || !outline) return undefined;
      return outline.some(([x, y], i) => {
        const [x1, y1] = outline[(i + 1) % outline.length]!;
        return distanceMm(atMm, [x, y], [x1, y1]) < EDGE_MM;
      });
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

export type FactName = keyof typeof FACTS;

type Point = readonly [number, number];

/** From a point to a stretch of straight edge, mm. */
function distanceMm([x, y]: Point, [x0, y0]: Point, [x1, y1]: Point): number {
  const [dx, dy] = [x1 - x0, y1 - y0];
  const length2 = dx * dx + dy * dy || 1;
  const t = Math.min(1, Math.max(0, ((x - x0) * dx + (y - y0) * dy) / length2));
  return Math.hypot(x - x0 - t * dx, y - y0 - t * dy);
}
