import type { Need } from '../materials/stock.ts';
import { shoppingOf } from './pours.ts';
import type { StoredPlan } from './stored-plan.ts';
import { openPlan } from './view-plan.ts';

/** A plan that is worked by, and where it belongs. */
export interface OpenPlan {
  readonly job: string;
  readonly panel: string;
  readonly chosen: string;
  readonly plan: StoredPlan;
}

/** What plans that are worked by need, by product and component, the most panels first. */
export function needsOf(plans: readonly OpenPlan[]): Need[] {
  const needs = new Map<string, Need>();
  for (const { job, panel, chosen, plan } of plans) {
    const opened = openPlan(plan);
    for (const { sheetId, component, ml } of shoppingOf(opened.poursOf(chosen))) {
      const key = `${sheetId} ${component}`;
      const known = needs.get(key);
      needs.set(key, {
        sheetId,
        component,
        name: known?.name ?? opened.sheetOf(sheetId)?.name ?? sheetId,
        ml: Math.round(((known?.ml ?? 0) + ml) * 10) / 10,
        panels: [...(known?.panels ?? []), { job, panel, ml }],
      });
    }
  }
  return [...needs.values()].sort((a, b) => a.name.localeCompare(b.name) || b.ml - a.ml);
}
