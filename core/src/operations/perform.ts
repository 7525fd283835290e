import type { Reason } from '../wording/reason.ts';
import { isStripping, type Act } from './act.ts';
import type { Context } from './context.ts';
import type { Cost } from './operation.ts';
import { zoneOf, type PanelState, type ZoneState } from './state.ts';
import { operationOf } from './table.ts';

/** What is done with the rows of operations: asked, carried out, explained. */

const zonesOf = (act: Act, panel: PanelState): ZoneState[] => act.zones.map((id) => zoneOf(panel, id));

/** Why the act cannot physically be done on this zone; empty when it can. */
export const physicalReasons = (zone: ZoneState, act: Act, context: Context): Reason[] =>
  operationOf(act).check(zone, act, context);

/** Hands-on and waiting minutes and material of an act in this state. */
export const costOf = (act: Act, panel: PanelState, context: Context): Cost =>
  operationOf(act).cost(zonesOf(act, panel), act, panel, context);

/** Where the numbers of an act come from. */
export const numbersOf = (act: Act, panel: PanelState, context: Context): Reason[] =>
  operationOf(act).explain(zonesOf(act, panel), act, panel, context);

/** Masking does not survive water or stripping, and is opened where a build is blocked; `mask` itself lays it. */
function maskedAfter(
  { isMasked, hasMaskLeft }: PanelState,
  act: Act,
): Pick<PanelState, 'isMasked' | 'hasMaskLeft'> {
  if (act.op === 'mask') return { isMasked: true, hasMaskLeft: true };
  const isOff = act.op === 'wash' || isStripping(act);
  return {
    isMasked: isMasked && !isOff && act.op !== 'block',
    hasMaskLeft: hasMaskLeft && !isOff,
  };
}

export interface Outcome {
  readonly panel: PanelState;
  readonly cost: Cost;
}

/**
 * The panel after an act, and what it took: the one `apply` that plans, replays and records share.
 * Times move on by hands-on and waiting minutes.
 */
export function carryOut(panel: PanelState, act: Act, context: Context): Outcome {
  const cost = costOf(act, panel, context);
  return { panel: applied(panel, act, panel.clockMin + cost.handsOnMin + cost.waitMin, context), cost };
}

/** The panel after an act that ends at a minute of its clock; zones that the act does not name keep their state. */
export function applied(panel: PanelState, act: Act, endMin: number, context: Context): PanelState {
  const moment = { panel, endMin, context };
  const after = operationOf(act).apply(act, moment);
  const zones = panel.zones.map((zone) => (act.zones.includes(zone.zone.id) ? after(zone) : zone));
  return {
    clockMin: endMin,
    ...maskedAfter(panel, act),
    arePartsOff: panel.arePartsOff || act.op === 'remove-part',
    lastSandUm: panel.lastSandUm,
    zones,
  };
}

/** The panel after an act. */
export const perform = (panel: PanelState, act: Act, context: Context): PanelState =>
  carryOut(panel, act, context).panel;
