import { sandingFiguresOf, type SandingFigures, type SandingOfPlan } from '@blue-ledge/core';
import { useMemo } from 'react';
import type { PlanOnScreen } from '../../api/opened-plan.ts';

export interface Sanding extends SandingOfPlan {
  readonly systemTitle: string;
  readonly figures: SandingFigures;
}

/** The sanding of the chosen system, over the plan's own inputs; null where no system is ready. */
export function useSanding(plan: PlanOnScreen | null): Sanding | null {
  return useMemo(() => {
    if (!plan) return null;
    const { view, sandingOf } = plan.opened;
    const wanted = plan.chosen ?? view.chosen;
    const system = view.systems.find(({ id, verdict }) => id === wanted && verdict === 'ready');
    if (!system) return null;
    const figures = sandingFiguresOf(plan.plan.inputs.shop.rules);
    return { ...sandingOf(system.id), systemTitle: system.title, figures };
  }, [plan]);
}
