import { isMetal, isRawPlastic } from '../materials/layer-kinds.ts';
import type { PlainAct } from './act.ts';
import { workedOn } from './extent.ts';
import { labourOn } from './labour.ts';
import { nothing, opReason, type Operation } from './operation.ts';
import { hasIssue, isBare, withIssue, withoutIssues, topOf } from './state.ts';

/** Work on the part itself that goes along with its undercoat: highs brought down, pits conditioned, dents warmed out. */

/** Skim of filler that hammering down a high leaves to be filled, µm (estimate). */
const LEFT_BY_HAMMER_UM = 500;
/** Minutes for which the conditioner stands wet, and for rinse and drying. */
const CONDITION_MIN = 20;
const CONDITIONER_PER_M2 = 6;
/** Minutes until warmed plastic has cooled in its shape. */
const COOL_MIN = 15;

export const metalRepair: Operation<PlainAct> = {
  check: (zone) => (isBare(zone) ? [] : [opReason('op.not-bare')]),
  apply: (zone, _, { endMin }) => ({
    ...withoutIssues(zone, 'high'),
    bareSinceMin: endMin,
    surface: {
      ...zone.surface,
      soil: 'dusty',
      isTacked: false,
      lowUm: hasIssue(zone, 'high') ? Math.max(zone.surface.lowUm, LEFT_BY_HAMMER_UM) : zone.surface.lowUm,
    },
  }),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: 0,
    materialCost: 0,
  }),
  explain: nothing,
};

/** Acid eats the rust in pits; it is rinsed and dried, and what it leaves is sanded off before anything goes on. */
export const conditioning: Operation<PlainAct> = {
  check: (zone) => (isMetal(topOf(zone).kind) ? [] : [opReason('op.not-bare')]),
  apply: (zone) => ({
    ...withIssue(withoutIssues(zone, 'pits'), 'acid'),
    bareSinceMin: null,
    surface: { ...zone.surface, soil: 'clean', isTacked: false },
  }),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: CONDITION_MIN,
    materialCost: CONDITIONER_PER_M2 * workedOn(act.op, zones, context),
  }),
  explain: () => [
    { rule: 'M5', code: 'M5.condition', source: 'default', facts: { dwellMin: CONDITION_MIN } },
  ],
};

/** A shallow dent in plastic goes back when it is warm; the finish on it stays. */
export const warmingOut: Operation<PlainAct> = {
  check: (zone) =>
    isRawPlastic(zone.stack[0]!.kind) && zone.surface.lowUm > 0 ? [] : [opReason('op.nothing-to-warm')],
  apply: (zone) => ({ ...zone, surface: { ...zone.surface, lowUm: 0 } }),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: COOL_MIN,
    materialCost: 0,
  }),
  explain: nothing,
};
