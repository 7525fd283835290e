import type { DatedStart } from '../planner/work-start.ts';
import type { Shop } from '../survey/shop.ts';
import type { PanelToDo } from './panel-work.ts';
import type { HeldBy } from './placed.ts';

/** What a schedule is asked for with. */

/** What a schedule is made on, and how: shared by what is asked for and what is solved. */
export interface ScheduleTerms {
  readonly shop: Shop;
  readonly start: DatedStart;
  /** Work that is held to a time: what runs, what is past, what a person moved. */
  readonly pins?: readonly StepStart[];
  /** Starts of steps in the schedule before; the rest moves as little as it must. */
  readonly before?: readonly StepStart[];
  readonly seed?: number;
  /** How much is tried: `rules` for an answer at once, `keep` to change as little as possible, `search` for a good one. */
  readonly effort?: 'rules' | 'keep' | 'search';
}

export interface ScheduleTask extends ScheduleTerms {
  readonly panels: readonly PanelToDo[];
  /** Minute of the axis that it is; nothing begins before it but what is pinned there. */
  readonly nowMin?: number;
}

/** When a step begins, or began, and by whom. */
export interface StepStart {
  readonly jobId: string;
  readonly panelId: string;
  readonly n: number;
  readonly startMin: number;
  readonly personId?: string | undefined;
  /** What it waited for then, where it stays. */
  readonly heldBy?: HeldBy | undefined;
  /** What the step was then: one that is another now is not meant. */
  readonly op?: string | undefined;
}
