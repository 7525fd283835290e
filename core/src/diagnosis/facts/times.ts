import { isBody, isRawPlastic } from '../../materials/layer-kinds.ts';
import { isBare, topOf } from '../../operations/state.ts';
import { exposureLimit, flashMin } from '../../operations/windows.ts';
import type { Case, CoatStep } from '../case.ts';
import { type Known, type Fact, lastOf, ofCoat, ofAnyCoat, onlyOver, known, under, isKeyed } from './fact.ts';

/** Times that were given, and times that ran out. */

/** A flash shorter than this share of what it takes in this air is short (default). */
const SHORT_SHARE = 0.85;

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

export const TIME_FACTS = {
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
    of: onlyOver(
      isRawPlastic,
      ofAnyCoat((coat) => {
        const laid = under(coat);
        return laid?.recoat.kind === 'promoter' && coat.step.before.clockMin > laid.recoat.closesAtMin + 1;
      }),
    ),
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
} satisfies Record<string, Fact>;
