import type { PlanTask } from '../planner/bench-of-task.ts';
import type { PanelPlan, System } from '../planner/plan.ts';
import { planPanel } from '../planner/plan-panel.ts';
import type { Panel } from '../survey/panel.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf, type ZoneSketch } from './bench.ts';

/** Plans of sketched panels in a usual shop. */

export interface Given {
  readonly shop?: object;
  readonly target?: object;
  readonly panel?: object;
}

export const taskOf = (panel: Panel, { shop, target }: Given = {}): PlanTask => ({
  panel,
  shop: shopSchema.parse({ celsius: 20, nightCelsius: 14, ...shop }),
  target: targetSchema.parse(target ?? { base: { color: '#1b7f86' } }),
});
export const plan = (zones: readonly ZoneSketch[], given: Given = {}): PanelPlan =>
  planPanel(taskOf(panelOf(zones, given.panel), given));

/** The system that is chosen. */
export const best = (of: PanelPlan): System => of.systems.find(({ id }) => id === of.chosen)!;
