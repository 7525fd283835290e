import type { PlainAct } from './act.ts';
import { workedOn } from './extent.ts';
import { labourMin, labourOn } from './labour.ts';
import { nothing, type Operation } from './operation.ts';
import { settle } from './state.ts';

/** Guide coat, inspection and hand-over: they show or settle something and move no material. */

const GUIDE_COST_PER_M2 = 0.6;

export const guideCoating: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => ({ ...zone, surface: { ...zone.surface, hasGuideCoat: true } }),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: 0,
    materialCost: GUIDE_COST_PER_M2 * workedOn(act.op, zones, context),
  }),
  explain: nothing,
};

/** Thinner on a cloth, tape on plastic: what it shows is for the technician to say; the plan goes on as if all were well. */
export const testing: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => settle(zone, 'rub', 'tape'),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: 0,
    materialCost: 0,
  }),
  explain: nothing,
};

export const inspecting: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => settle(zone, 'found-body', 'look'),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: 0,
    materialCost: 0,
  }),
  explain: nothing,
};

/** Parts come off, their fasteners into labelled bags; `perform` notes it for the panel. */
export const removingParts: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => zone,
  cost: (_, act, __, { panel }) => ({
    handsOnMin: labourMin(act.op, 0) * panel.parts.filter(({ plan }) => plan === 'remove').length,
    waitMin: 0,
    materialCost: 0,
  }),
  explain: nothing,
};

export const handingOver: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => zone,
  cost: (_, act) => ({ handsOnMin: labourMin(act.op, 0), waitMin: 0, materialCost: 0 }),
  explain: nothing,
};
