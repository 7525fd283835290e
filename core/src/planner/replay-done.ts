import type { Context, PastAir } from '../operations/context.ts';
import type { PanelState } from '../operations/state.ts';
import type { Happening } from './happening.ts';
import { afterIdle, replay, type Replayed, type ReplayMemo } from './replay.ts';

/** The one way from what happened to the panel as it stands: for plans, the schedule and the record. */

export interface PastWork {
  readonly done?: readonly Happening[] | undefined;
  /** Air as it was measured while it was done. */
  readonly airBefore?: readonly PastAir[] | undefined;
  /** Minute of the panel's clock that is now; when the last work ended where it is left out. */
  readonly nowMin?: number | undefined;
}

/** The panel after what happened, as it stands now. */
export function replayDone(
  start: PanelState,
  { done = [], airBefore = [], nowMin = 0 }: PastWork,
  context: Context,
  memo?: ReplayMemo,
): Replayed {
  const inItsAir = airBefore.length > 0 ? { ...context, airBefore } : context;
  // What was said in one air is not remembered in another.
  const replayed = replay(start, done, inItsAir, inItsAir === context ? memo : undefined);
  const isStarted = done.length > 0;
  return {
    ...replayed,
    panel: isStarted ? afterIdle(replayed.panel, nowMin - replayed.panel.clockMin) : replayed.panel,
  };
}
