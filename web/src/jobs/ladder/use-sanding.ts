import {
  sandingFiguresOf,
  sandingOfPlan,
  type PlanView,
  type SandingFigures,
  type SandingOfPlan,
} from '@blue-ledge/core';
import { useMemo } from 'react';
import { useSheets } from '../../api/queries.ts';
import type { PanelContext } from '../panel-context.ts';

export interface Sanding extends SandingOfPlan {
  readonly systemTitle: string;
  readonly figures: SandingFigures;
}

/** The sanding of the chosen system; null until the shelf is here, or where no system is ready. */
export function useSanding({ key, view }: PanelContext, stored: PlanView | null | undefined): Sanding | null {
  const { data: sheets } = useSheets(key.job);
  return useMemo(() => {
    if (!stored || !sheets) return null;
    const { plan } = stored;
    const wanted = stored.chosen ?? plan.chosen;
    const system = plan.systems.find(({ id, verdict }) => id === wanted && verdict === 'ready');
    if (!system) return null;
    const { panel, shop, target } = view;
    const schools = plan.schools ?? {};
    const sanding = sandingOfPlan({ panel, shop, target, sheets, schools }, system.steps);
    return { ...sanding, systemTitle: system.title, figures: sandingFiguresOf(shop.rules) };
  }, [stored, sheets, view]);
}
