import type { ActInput } from '../planner/act-input.ts';
import type { PanelPlan, Stack, Step } from '../planner/plan.ts';
import { enteredAtMin } from '../record/catch-up.ts';
import type { NewEntry } from '../record/entry.ts';
import { minutesOfMoment, momentOfMinutes } from '../units/moment.ts';

/** Records for tests: a plan that was done exactly as it was planned, as entries. */

/** Monday, 7 December 2026, 08:00 UTC: the shop's clock is UTC in tests. */
export const MONDAY_MIN = minutesOfMoment('2026-12-07T08:00:00Z');

export const momentAt = (minute: number): string => momentOfMinutes(MONDAY_MIN + minute);

/** One entry for each step, written when hands were off it. */
export const entriesAsPlanned = (steps: readonly Step[], acts: readonly ActInput[]): NewEntry[] =>
  steps.map((step, i) => {
    const { idleMin: _idle, isSplit: _split, ...act } = acts[i]!;
    return {
      id: `entry-${step.n}`,
      at: momentAt(enteredAtMin(step)),
      by: 'Prep A',
      kind: 'act',
      body: { ...act, minutes: step.handsOnMin },
    } as NewEntry;
  });

/** Stacks of all areas after the last step, as the plan predicts them. */
export const predictedStacks = (view: PanelPlan, steps: readonly Step[]): Record<string, Stack> =>
  Object.assign({}, view.found, ...steps.map(({ stacks }) => stacks)) as Record<string, Stack>;
