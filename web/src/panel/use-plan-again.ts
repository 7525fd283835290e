import { actsDone, startAgain } from '@blue-ledge/core';
import { useMakePlan, type PlanAsk } from '../api/queries.ts';
import { nowHere } from '../state/now.ts';
import type { PlanOnScreen, PlanTooOld } from '../api/opened-plan.ts';
import type { PanelContext } from './panel-context.ts';

/** Planning on the terms of the plan that is there, or on the usual ones. */
export interface PlanAgain {
  /** What a plan like this one is asked for with. */
  readonly terms: PlanAsk;
  readonly make: ReturnType<typeof useMakePlan>;
  /** Plans with some of the terms changed. */
  readonly planWith: (changed: PlanAsk) => void;
}

/** How a panel is planned again: schools, products, work done and the person's own sequence stay; a start that passed is put off. */
export function usePlanAgain(
  { key, view }: PanelContext,
  plan: PlanOnScreen | PlanTooOld | null | undefined,
): PlanAgain {
  const make = useMakePlan(key);
  const {
    schools = {},
    products = [],
    done: happened,
    own,
    startMin,
    startOn,
    isStartFixed,
  } = plan?.plan?.inputs ?? {};
  const done = actsDone(happened);
  const terms: PlanAsk = {
    schools,
    ...(products.length > 0 ? { products } : {}),
    ...startAgain({ startMin, startOn, isStartFixed, done }, nowHere(), view.shop),
    ...(done.length > 0 ? { done } : {}),
    ...(own ? { own } : {}),
  };
  return { terms, make, planWith: (changed) => make.mutate({ ...terms, ...changed }) };
}
