import type { PanelPlan, System } from '@blue-ledge/core';
import { useSearchPut } from '../../shared/use-search-put.ts';

export interface Selection {
  readonly system: System;
  /** Step that is shown; 0 is the panel as found. */
  readonly n: number;
  /** Zone that the core goes through. */
  readonly core: string;
  readonly showSystem: (id: string) => void;
  readonly showStep: (n: number) => void;
  readonly showCore: (zoneId: string) => void;
}

/** What is looked at, kept in the address: system, step and core. */
export function useSelection(plan: PanelPlan, chosen: string | null): Selection | null {
  const [search, put] = useSearchPut();
  const wanted = search.get('system') ?? chosen ?? plan.chosen;
  const system =
    plan.systems.find(({ id }) => id === wanted) ??
    plan.systems.find(({ id }) => id === chosen) ??
    plan.systems[0];
  if (!system) return null;
  const last = system.steps.length;
  const asked = Number.parseInt(search.get('step') ?? '', 10);
  const zones = Object.keys(plan.found);
  return {
    system,
    n: Number.isNaN(asked) ? firstOf(system) : Math.min(Math.max(0, asked), last),
    core: zones.find((id) => id === search.get('zone')) ?? busiestZone(plan, system),
    // The step of one system is not that of another: the first that is due is shown.
    showSystem: (id) => put({ system: id, step: null }),
    showStep: (n) => put({ step: String(Math.min(Math.max(0, n), last)) }),
    showCore: (zone) => put({ zone }),
  };
}

/** What is looked at first: the next step to do; of a refused system the one where it stops. */
const firstOf = ({ steps, verdict }: System): number =>
  verdict === 'refused' ? steps.length : (steps.find(({ isDone }) => !isDone)?.n ?? steps.length);

/** The zone whose layers change most often tells most about the system. */
function busiestZone(plan: PanelPlan, system: System): string {
  const changes = (id: string): number => system.steps.filter((step) => step.stacks[id]).length;
  return Object.keys(plan.found).reduce((best, id) => (changes(id) > changes(best) ? id : best));
}
