import { isMetal, isRawPlastic } from '../materials/layer-kinds.ts';
import type { PlainAct } from './act.ts';
import { changed } from './changed-area.ts';
import { ruleIn } from './context.ts';
import { reachedOn } from './extent.ts';
import { hasIssue, settledBy, withIssue } from './issues.ts';
import { labourOn } from './labour.ts';
import { nothing, opReason, type Operation, type OperationRow } from './operation.ts';
import { isBare, topOf } from './state.ts';

/** Work on the part itself that goes along with its undercoat: highs brought down, pits conditioned, dents warmed out. */

/** Skim of filler that hammering down a high leaves to be filled, µm (estimate). */
const LEFT_BY_HAMMER_UM = 500;
const CONDITIONER_PER_M2 = 6;

const METAL_REPAIR = {
  label: 'repair metal',
  title: 'Bring the metal down',
  reach: 'openM2',
  setOutMin: 20,
  rate: 'metalRepairMinPerM2',
  turn: 'straighten',
  wait: 'none',
  mayStop: true,
  cautions: ['metalwork'],
  checks: { none: 'what is left is the hollow that is filled next' },
} as const satisfies OperationRow;

const metalRepair: Operation<PlainAct> = {
  ...METAL_REPAIR,
  check: (zone) => (isBare(zone) ? [] : [opReason('op.not-bare')]),
  apply:
    ({ op }, { endMin }) =>
    (zone) =>
      changed(settledBy(zone, op), {
        bareSinceMin: endMin,
        surface: {
          soil: 'dusty',
          isTacked: false,
          lowUm: hasIssue(zone, 'high')
            ? Math.max(zone.surface.lowUm, LEFT_BY_HAMMER_UM)
            : zone.surface.lowUm,
        },
      }),
  cost: (zones, _, __, context) => ({
    handsOnMin: labourOn(METAL_REPAIR, zones, context),
    waitMin: 0,
    materialCost: 0,
  }),
  explain: nothing,
};

const CONDITION = {
  label: 'condition pitted metal',
  title: 'Condition the pits, rinse, dry',
  reach: 'openM2',
  setOutMin: 8,
  rate: 'conditionMinPerM2',
  turn: 'condition',
  wait: 'watches',
  mayStop: false,
  cautions: ['conditioner'],
  checks: ['neutral'],
} as const satisfies OperationRow;

/** Acid eats the rust in pits; it is rinsed and dried, and what it leaves is sanded off before anything goes on. */
const conditioning: Operation<PlainAct> = {
  ...CONDITION,
  check: (zone) => (isMetal(topOf(zone).kind) ? [] : [opReason('op.not-bare')]),
  apply:
    ({ op }) =>
    (zone) =>
      changed(withIssue(settledBy(zone, op), 'acid'), {
        bareSinceMin: null,
        surface: { soil: 'clean', isTacked: false },
      }),
  cost: (zones, _, __, context) => ({
    handsOnMin: labourOn(CONDITION, zones, context),
    waitMin: ruleIn(context, 'conditionerMin').value,
    materialCost: CONDITIONER_PER_M2 * reachedOn(CONDITION.reach, zones, context),
  }),
  explain: (_, __, ___, context) => {
    const { value: dwellMin, source } = ruleIn(context, 'conditionerMin');
    return [{ rule: 'M5', code: 'M5.condition', source, facts: { dwellMin } }];
  },
};

const WARM_OUT = {
  label: 'warm a dent out',
  title: 'Warm the dent out',
  inSystem: 'dent warmed out',
  reach: 'as it lies',
  setOutMin: 10,
  rate: 'warmOutMinPerM2',
  turn: 'chosen',
  wait: 'stays',
  mayStop: false,
  cautions: ['partHeat'],
  checks: { none: 'whether the dent went back shows while it cools' },
} as const satisfies OperationRow;

/** A shallow dent in plastic goes back when it is warm; the finish on it stays. */
const warmingOut: Operation<PlainAct> = {
  ...WARM_OUT,
  check: (zone) =>
    isRawPlastic(zone.stack[0]!.kind) && zone.surface.lowUm > 0 ? [] : [opReason('op.nothing-to-warm')],
  apply: () => (zone) => changed(zone, { surface: { lowUm: 0 } }),
  cost: (zones, _, __, context) => ({
    handsOnMin: labourOn(WARM_OUT, zones, context),
    waitMin: ruleIn(context, 'warmedCoolsMin').value,
    materialCost: 0,
  }),
  explain: nothing,
};

export const METALWORK = {
  'metal-repair': metalRepair,
  condition: conditioning,
  'warm-out': warmingOut,
};
