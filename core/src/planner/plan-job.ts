import type { ProductSheet } from '../materials/sheet.ts';
import type { Panel } from '../survey/panel.ts';
import type { Shop, Target } from '../survey/shop.ts';
import type { JobPlan, Notice, PanelPlan } from './plan.ts';
import type { PlanTask } from './bench-of-task.ts';
import { planPanel } from './plan-panel.ts';

/** A notice in one line, with the zone that it is about. */
const noticeWords = ({ zoneId, text }: Notice): string => (zoneId ? `Zone ${zoneId}: ${text}` : text);

/** What a job has to say for its panels to be planned; a job file says it. */
export interface PlannableJob {
  readonly job: { readonly target: Target };
  readonly shop: Shop;
  readonly panels: readonly Panel[];
  readonly sheets: readonly ProductSheet[];
}

/** Plans every panel of a job, in the order of the file; `plan` says how one panel is planned. */
export function planJob(
  { job, shop, panels, sheets }: PlannableJob,
  plan: (task: PlanTask) => PanelPlan = planPanel,
): JobPlan {
  const plans = panels.map((panel) => plan({ panel, shop, target: job.target, sheets }));
  const warnings = plans.flatMap(({ panelId, stopped, warnings: own }) => [
    ...stopped.map(({ zoneId, text }) => `Panel ${panelId}, zone ${zoneId} is stopped: ${text}`),
    ...own.map((warning) => `Panel ${panelId}: ${noticeWords(warning)}`),
  ]);
  return { panels: plans, warnings };
}
