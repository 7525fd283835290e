import { wetFilmUm } from '../film/coverage.ts';
import { readyVolumeSolids } from '../materials/sheet.ts';
import { isCoat, isWait, type Act, type CoatAct } from './act.ts';
import { setsAlone } from './table.ts';
import { coatFilmUm, coatsOn, mostCoats } from './coating.ts';
import { sheetIn, type Context } from './context.ts';
import type { Cost } from './operation.ts';
import { applied, costOf } from './perform.ts';
import { topOf, type PanelState, type ZoneState } from './state.ts';
import { changed } from './changed-area.ts';

/** An act as it was really done: the same operations, at the times and with the figures that somebody wrote down. */

/** What is left out is taken as it was planned. */
export interface RealWork {
  /** Minute of the panel's clock at which hands were off: the last coat is on, the filler is spread, the wait is over. */
  readonly toMin: number;
  readonly handsOnMin?: number | undefined;
  /** Flash that was given between two coats. */
  readonly flashMin?: number | undefined;
  /** Wet film as the comb showed it, coat by coat; one figure stands for all. */
  readonly wetUm?: readonly number[] | undefined;
  /** Thinner besides what the sheet asks for, percent of the activated volume. */
  readonly reductionPercent?: number | undefined;
}

export interface ReallyDone {
  readonly before: PanelState;
  /** Latest minute at which it may have begun, where nobody wrote down how long it took; absent where that is known. */
  readonly latestMin?: number;
  readonly after: PanelState;
  readonly cost: Cost;
}

function waitedMin(act: Act, panel: PanelState, real: RealWork, planned: Cost): number {
  if (setsAlone(act.op)) return 0;
  // It began when the work before it ended.
  if (isWait(act)) return Math.max(0, real.toMin - panel.clockMin - (real.handsOnMin ?? planned.handsOnMin));
  if (isCoat(act) && real.flashMin !== undefined) return (mostCoats(act) - 1) * real.flashMin;
  return planned.waitMin;
}

/** Dry film that was laid on an area, µm: by the comb where somebody read it, thinner where it was reduced further. */
export function realFilmUm(act: CoatAct, zone: ZoneState, real: RealWork, context: Context): number {
  const sheet = sheetIn(context, act.sheetId);
  const { wetUm = [], reductionPercent = 0 } = real;
  const volumeSolids = readyVolumeSolids(sheet) / (1 + reductionPercent / 100);
  const wetMeanUm =
    wetUm.length > 0
      ? wetUm.reduce((sum, um) => sum + um, 0) / wetUm.length
      : wetFilmUm(sheet.film.perCoatUm, readyVolumeSolids(sheet));
  return coatsOn(act, zone) * wetMeanUm * volumeSolids;
}

/** The areas of a coat with the film that was really laid; as planned where nobody said otherwise. */
function withRealFilm(laid: PanelState, act: CoatAct, real: RealWork, context: Context): PanelState {
  if (!real.wetUm?.length && !real.reductionPercent) return laid;
  const sheet = sheetIn(context, act.sheetId);
  const zones = laid.zones.map((zone) => {
    if (!act.zones.includes(zone.zone.id)) return zone;
    const top = topOf(zone);
    const um = top.um + realFilmUm(act, zone, real, context) - coatFilmUm(act, zone, sheet);
    return changed(zone, { stack: [...zone.stack.slice(0, -1), { ...top, um: Math.max(0, um) }] });
  });
  return { ...laid, zones };
}

/** The panel before and after an act that was really done; its clock stands at the act's end afterwards. */
export function carryOutReally(panel: PanelState, act: Act, real: RealWork, context: Context): ReallyDone {
  const planned = costOf(act, panel, context);
  const handsOnMin = real.handsOnMin ?? planned.handsOnMin;
  const waitMin = waitedMin(act, panel, real, planned);
  const before = { ...panel, clockMin: real.toMin - handsOnMin - waitMin };
  const endMin = setsAlone(act.op) ? real.toMin + planned.waitMin : real.toMin;
  const laid = { ...applied(before, act, endMin, context), clockMin: real.toMin };
  const after = isCoat(act) ? withRealFilm(laid, act, real, context) : laid;
  const isTimed = real.handsOnMin !== undefined || real.flashMin !== undefined || isWait(act);
  return {
    before,
    after,
    ...(isTimed ? {} : { latestMin: real.toMin }),
    cost: { ...planned, handsOnMin, waitMin },
  };
}
