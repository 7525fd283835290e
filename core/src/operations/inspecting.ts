import type { PlainAct } from './act.ts';
import { labourMin } from './labour.ts';
import { areaOf, nothing, type Operation } from './operation.ts';

/** Guide coat, inspection and hand-over: they show or settle something and move no material. */

const GUIDE_COST_PER_M2 = 0.6;

export const guideCoating: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => ({ ...zone, surface: { ...zone.surface, hasGuideCoat: true } }),
  cost: (zones, act) => ({
    handsOnMin: labourMin(act.op, areaOf(zones)),
    waitMin: 0,
    materialCost: GUIDE_COST_PER_M2 * areaOf(zones),
  }),
  explain: nothing,
};

/** Thinner on a cloth, held half a minute: what it shows is for the technician to say; the plan goes on as if nothing came. */
export const testing: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => ({ ...zone, needsRub: false }),
  cost: (zones, act) => ({ handsOnMin: labourMin(act.op, areaOf(zones)), waitMin: 0, materialCost: 0 }),
  explain: nothing,
};

export const inspecting: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => ({ ...zone, hasUncheckedBody: false, needsLook: false }),
  cost: (zones, act) => ({ handsOnMin: labourMin(act.op, areaOf(zones)), waitMin: 0, materialCost: 0 }),
  explain: nothing,
};

export const handingOver: Operation<PlainAct> = {
  check: nothing,
  apply: (zone) => zone,
  cost: (_, act) => ({ handsOnMin: labourMin(act.op, 0), waitMin: 0, materialCost: 0 }),
  explain: nothing,
};
