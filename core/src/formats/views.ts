import type { PanelPlan } from '../planner/plan.ts';
import type { Panel, PanelFacts } from '../survey/panel.ts';
import type { Shop, Target } from '../survey/shop.ts';
import type { Problem } from './job-file.ts';

/** What the server answers and the web reads; dates are ISO text on the wire. */

export interface JobSummary {
  readonly id: string;
  readonly title: string;
  readonly version: number;
  /** Names of its panels. */
  readonly panels: readonly string[];
}

export interface JobView {
  readonly version: number;
  readonly job: { readonly id: string; readonly title: string; readonly target: Target };
  readonly shop: Shop;
  readonly panels: readonly (Omit<PanelFacts, 'zones'> & {
    readonly id: string;
    readonly name: string;
    readonly areaM2: number;
    /** Top layer of each zone, for the swatches of a list. */
    readonly tops: readonly string[];
  })[];
}

/** A panel with its zones and what it is planned under, each with its version. */
export interface PanelView {
  readonly job: { readonly id: string; readonly title: string; readonly version: number };
  readonly shop: Shop;
  readonly target: Target;
  readonly panel: Panel;
  readonly version: number;
  readonly zoneVersions: Readonly<Record<string, number>>;
}

/** A stored plan and whether the survey is still the one it was made from. */
export interface PlanView {
  readonly id: string;
  readonly version: number;
  readonly chosen: string | null;
  readonly createdAt: string;
  readonly isCurrent: boolean;
  readonly plan: PanelPlan;
}

/** Problem details (RFC 9457) as this server gives them. */
export interface ProblemDetails {
  readonly status: number;
  readonly title: string;
  readonly problems?: readonly Problem[];
  readonly yours?: unknown;
  readonly theirs?: unknown;
}
