import { isBody, strataOf, type PanelPlan, type System, type Zone } from '@blue-ledge/core';
import { cutSpans } from '../../shared/panel-map/map-layout.ts';
import type { SectionInput } from '../../shared/section/section-layout.ts';

/** What the strata section draws for one system of a plan. */
export function sectionInput(
  plan: PanelPlan,
  system: System,
  zones: readonly Zone[],
  panelAreaM2: number,
): SectionInput {
  const planned = zones.filter((zone) => plan.found[zone.id]);
  return {
    spans: cutSpans(planned, panelAreaM2),
    strata: strataOf(plan.found, system.steps),
    hollowsUm: Object.fromEntries(planned.map((zone) => [zone.id, hollowUm(zone, plan, system)])),
  };
}

/** Depth of a zone's hollow: the most body work that ever fills it, or the low that the survey found. */
function hollowUm(zone: Zone, plan: PanelPlan, system: System): number {
  const stacks = [
    plan.found[zone.id] ?? [],
    ...system.steps.flatMap((step) => (step.stacks[zone.id] ? [step.stacks[zone.id]!] : [])),
  ];
  const filled = stacks.map((stack) =>
    stack.reduce((sum, layer) => (isBody(layer.kind) ? sum + layer.um : sum), 0),
  );
  const low = zone.findings.find((finding) => finding.kind === 'low');
  return Math.max(0, ...filled, low ? low.depthMm * 1000 : 0);
}
