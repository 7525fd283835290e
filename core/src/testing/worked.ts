import type { PlanTask } from '../planner/bench-of-task.ts';
import { makePlan } from '../planner/make-plan.ts';
import { planPanel } from '../planner/plan-panel.ts';
import type { PanelPlan, Step } from '../planner/plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import { trueState } from '../record/true-state.ts';
import { shopSchema, targetSchema } from '../survey/shop.ts';
import { panelOf, type ZoneSketch } from './bench.ts';
import { entriesAsPlanned, predictedStacks } from './record.ts';

/**
 * Worked panels: what a technician would bring to the bench, what must and must not be in the best plan, and why.
 * A line of a plan reads "op zones [grit]"; `has` and `hasNot` are looked for in those lines, in order for `has`.
 */
export interface Worked {
  readonly panel: string;
  readonly zones: readonly ZoneSketch[];
  readonly facts?: object;
  readonly shop?: object;
  readonly target?: object;
  readonly has: readonly string[];
  readonly hasNot?: readonly string[];
  readonly why: string;
}

const line = ({ op, areas, grit }: Step): string => [op, ...areas, grit ?? ''].join(' ').trim();

const taskOf = ({ zones, facts, shop, target }: Worked): PlanTask => ({
  panel: panelOf(zones, facts),
  shop: shopSchema.parse({ celsius: 20, nightCelsius: 14, ...shop }),
  target: targetSchema.parse(target ?? {}),
  startOn: '2026-12-07',
});

export const planned = (worked: Worked): PanelPlan => planPanel(taskOf(worked));

/** Done as planned, entry by entry, the record gives the stacks that the plan predicts. */
function foldsAsPlanned(worked: Worked): void {
  const task = taskOf(worked);
  const { view, actsOf } = openPlan(makePlan(task));
  const { steps } = view.systems.find(({ id }) => id === view.chosen)!;
  const { zones, problems, broken } = trueState(task, entriesAsPlanned(steps, actsOf(view.chosen!)));
  const stacks = Object.fromEntries(Object.entries(zones).map(([id, { stack }]) => [id, stack]));
  expect({ problems, stacks }).toEqual({
    problems: [],
    stacks: { ...stacks, ...predictedStacks(view, steps) },
  });
  expect(broken.map(({ n, text }) => `${n}: ${text}`)).toEqual([]);
}

/** The first of `wanted` that does not come, in order, in the lines; undefined when all do. */
function missing(lines: readonly string[], wanted: readonly string[]): string | undefined {
  let from = 0;
  return wanted.find((text) => {
    const at = lines.findIndex(
      (candidate, i) => i >= from && (candidate === text || candidate.startsWith(text)),
    );
    from = at + 1;
    return at === -1;
  });
}

/** Says of each panel whether its best plan is what a foreman would sign. */
export const testWorked = (panels: readonly Worked[]): void =>
  test.each(panels.map((worked) => [worked.panel, worked.why, worked] as const))(
    '%s (%s)',
    (_, __, worked) => {
      foldsAsPlanned(worked);
      const plan = planned(worked);
      const best = plan.systems.find(({ id }) => id === plan.chosen)!;
      const lines = best.steps.map(line);
      expect({ lines, missing: missing(lines, worked.has) }).toEqual({ lines, missing: undefined });
      for (const unwanted of worked.hasNot ?? [])
        expect(
          lines.filter(
            (text) =>
              text === unwanted ||
              text.startsWith(`${unwanted} `) ||
              (unwanted.endsWith('-') && text.startsWith(unwanted)),
          ),
        ).toEqual([]);
    },
  );
