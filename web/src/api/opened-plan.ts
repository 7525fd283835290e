import {
  openPlan,
  type OpenedPlan,
  type PanelView,
  type PlanView,
  type StoredPlan,
  type Zone,
} from '@blue-ledge/core';

/** A kept plan as screens use it: opened over its own inputs, once for as long as it lives. */

export interface PlanOnScreen extends Omit<PlanView, 'plan'> {
  readonly plan: StoredPlan;
  readonly opened: OpenedPlan;
}

/** A plan of another release: it is there, and cannot be opened. */
export interface PlanTooOld extends Omit<PlanView, 'plan'> {
  readonly plan: null;
}

const known = new WeakMap<StoredPlan, OpenedPlan>();

function opened(plan: StoredPlan): OpenedPlan {
  const before = known.get(plan);
  if (before) return before;
  const made = openPlan(plan);
  known.set(plan, made);
  return made;
}

export const planOnScreen = (view: PlanView | null): PlanOnScreen | PlanTooOld | null =>
  view && (view.plan ? { ...view, plan: view.plan, opened: opened(view.plan) } : { ...view, plan: null });

/** A planned zone with the film that was measured on it since. */
function withReadings(zone: Zone, today: PanelView): Zone {
  const readings = today.panel.zones.find(({ id }) => id === zone.id)?.readings;
  return readings ? { ...zone, readings } : zone;
}

/**
 * The panel as it was when the plan was made: what a plan is drawn over, whatever the survey says today. Only film that
 * was measured since is today's.
 */
export const plannedView = (today: PanelView, { plan: { inputs } }: PlanOnScreen): PanelView => ({
  ...today,
  panel: { ...inputs.panel, zones: inputs.panel.zones.map((zone) => withReadings(zone, today)) },
  shop: inputs.shop,
  target: inputs.target,
});
