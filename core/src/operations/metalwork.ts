import { isMetal, isRawPlastic } from '../materials/layer-kinds.ts';
import type { PlainAct } from './act.ts';
import { ruleIn } from './context.ts';
import { workedOn } from './extent.ts';
import { labourOn } from './labour.ts';
import { nothing, opReason, type Operation } from './operation.ts';
import { hasIssue, isBare, withIssue, withoutIssues, topOf } from './state.ts';
import { changed } from './changed-area.ts';

/** Work on the part itself that goes along with its undercoat: highs brought down, pits conditioned, dents warmed out. */

/** Skim of filler that hammering down a high leaves to be filled, µm (estimate). */
const LEFT_BY_HAMMER_UM = 500;
const CONDITIONER_PER_M2 = 6;

export const metalRepair: Operation<PlainAct> = {
  check: (zone) => (isBare(zone) ? [] : [opReason('op.not-bare')]),
  apply:
    (_, { endMin }) =>
    (zone) =>
      changed(withoutIssues(zone, 'high'), {
        bareSinceMin: endMin,
        surface: {
          soil: 'dusty',
          isTacked: false,
          lowUm: hasIssue(zone, 'high')
            ? Math.max(zone.surface.lowUm, LEFT_BY_HAMMER_UM)
            : zone.surface.lowUm,
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
  apply: () => (zone) =>
    changed(withIssue(withoutIssues(zone, 'pits'), 'acid'), {
      bareSinceMin: null,
      surface: { soil: 'clean', isTacked: false },
    }),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: ruleIn(context, 'conditionerMin').value,
    materialCost: CONDITIONER_PER_M2 * workedOn(act.op, zones, context),
  }),
  explain: (_, __, ___, context) => {
    const { value: dwellMin, source } = ruleIn(context, 'conditionerMin');
    return [{ rule: 'M5', code: 'M5.condition', source, facts: { dwellMin } }];
  },
};

/** A shallow dent in plastic goes back when it is warm; the finish on it stays. */
export const warmingOut: Operation<PlainAct> = {
  check: (zone) =>
    isRawPlastic(zone.stack[0]!.kind) && zone.surface.lowUm > 0 ? [] : [opReason('op.nothing-to-warm')],
  apply: () => (zone) => changed(zone, { surface: { lowUm: 0 } }),
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: ruleIn(context, 'warmedCoolsMin').value,
    materialCost: 0,
  }),
  explain: nothing,
};
