import type { PlanTask } from './bench-of-task.ts';
import { makePlan } from './make-plan.ts';
import type { PanelPlan } from './plan.ts';
import { openPlan } from './view-plan.ts';

/** Plans one panel and shows the plan: what the command line prints. */
export const planPanel = (task: PlanTask): PanelPlan => openPlan(makePlan(task)).view;
