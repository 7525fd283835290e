import type { Notice, PanelPlan } from '@blue-ledge/core';

interface Places {
  readonly zones: string[];
  readonly areas?: string[];
}

/** Plans kept before patches were areas name whole zones only. */
const withAreas = <T extends Places>(places: T) => ({ ...places, areas: places.areas ?? places.zones });

/** Warnings were words only. */
const asNotice = (warning: Notice | string): Notice =>
  typeof warning === 'string' ? { code: '', facts: {}, text: warning } : warning;
/** Stops too, beside their rule. */
const withCode = (stop: PanelPlan['stopped'][number]) => ({
  ...stop,
  code: stop.code ?? '',
  facts: stop.facts ?? {},
});

/** A plan as it was kept by this or an earlier release, in today's shape; what it says is not changed. */
export function planOfBody(body: object): PanelPlan {
  const plan = body as PanelPlan;
  const systems = plan.systems.map((system) => ({
    ...system,
    ...(system.refusedStep && { refusedStep: withAreas(system.refusedStep) }),
    steps: system.steps.map(withAreas),
  }));
  return { ...plan, systems, stopped: plan.stopped.map(withCode), warnings: plan.warnings.map(asNotice) };
}
