import { isBody } from '../materials/layer-kinds.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { mustStay, ruleIn, type Context } from '../operations/context.ts';
import { lowWayOf } from '../operations/lows.ts';
import {
  gapUm,
  isFoundFinish,
  soundNeighbour,
  topOf,
  type PanelState,
  type ZoneState,
} from '../operations/state.ts';
import { coatsFor, filmBudget, type FilmBudget } from '../surface/budget.ts';

/** The film budget of a build on each of its zones, from the state before it is sprayed. */

/** A low that glaze takes out before the build goes on. */
const isGlazedFirst = (zone: ZoneState, context: Context): boolean =>
  zone.surface.lowUm > 0 && lowWayOf(zone, context) === 'glaze';

/** Low under the build once what is deeper is glazed, µm. */
const lowToCome = (zone: ZoneState, context: Context): number =>
  isGlazedFirst(zone, context) ? 0 : zone.surface.lowUm;

/** Waves under the build once filler that is still to be shaped or glazed has its shape, µm. */
const wavesToCome = (zone: ZoneState, context: Context): number => {
  const { stack, surface } = zone;
  const shapedUm = ruleIn(context, 'shapedFillerWavesUm').value;
  const isBodyTop = isBody(stack[stack.length - 1]!.kind);
  // Pinholes and deeper lows are glazed first, and the glaze is shaped by hand like any filler.
  if (surface.hasPinholes || isGlazedFirst(zone, context))
    return isBodyTop ? shapedUm : Math.max(surface.wavesUm, shapedUm);
  return isBodyTop && surface.scratch === null ? Math.min(surface.wavesUm, shapedUm) : surface.wavesUm;
};

/** Film of this product that a zone has on top already, µm. */
export const filmOfUm = (zone: ZoneState, sheet: ProductSheet): number => {
  const top = topOf(zone);
  return top.laid?.sheetId === sheet.id ? top.um : 0;
};

/** Film of a build that is to stay on an area, µm: in a shallow low of sound finish no more than fills it. */
export function staysUnder(sheet: ProductSheet, zone: ZoneState, context: Context): number {
  const { value } = mustStay(context, sheet.id);
  const lowUm = lowToCome(zone, context);
  return lowUm > 0 && isFoundFinish(zone) ? Math.min(value, lowUm) : value;
}

export interface ZoneBudget {
  readonly zone: ZoneState;
  readonly budget: FilmBudget;
}

/** Where the neighbour that an area must come level with is built up too, the area has to rise with it. */
export function budgetsOf(
  sheet: ProductSheet,
  zones: readonly ZoneState[],
  { panel, context }: { readonly panel: PanelState; readonly context: Context },
): ZoneBudget[] {
  const peelUm = ruleIn(context, 'orangePeelUm').value;
  const budgetOf = (zone: ZoneState, riseUm: number): FilmBudget =>
    filmBudget({
      mustStayUm: Math.max(0, staysUnder(sheet, zone, context) - filmOfUm(zone, sheet)),
      gapUm: gapUm(zone, panel) + lowToCome(zone, context) + riseUm,
      wavesUm: wavesToCome(zone, context),
      peelUm,
      ladderUm: panel.lastSandUm,
    });
  // Most areas must come level with the same one.
  const rises = new Map<ZoneState, number>();
  const riseOf = (zone: ZoneState): number => {
    const neighbour = soundNeighbour(zone, panel);
    if (!neighbour || !zones.includes(neighbour)) return 0;
    const riseUm =
      rises.get(neighbour) ?? coatsFor(budgetOf(neighbour, 0).neededUm, sheet.film).filmUm - peelUm;
    rises.set(neighbour, riseUm);
    return riseUm;
  };
  return zones.map((zone) => ({ zone, budget: budgetOf(zone, riseOf(zone)) }));
}
