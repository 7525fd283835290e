import { isSolid, type LayerKind } from '../materials/layer-kinds.ts';
import type { Defect } from '../operations/mishaps.ts';
import type { PlanTask } from '../planner/bench-of-task.ts';
import { makePlan } from '../planner/make-plan.ts';
import type { Notice, Step } from '../planner/plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import type { NewEntry } from '../record/entry.ts';
import type { StoredPlan } from '../planner/stored-plan.ts';
import { foldRecord, pastOf, type Fold, type FoldOptions } from '../record/fold.ts';

/** How a defect is put right: a plan from the panel as it is, by the same rules as any other. */

export interface Rework {
  /** Number of the step of what was done at which the work is entered again; 0 where it begins anew. */
  readonly backToN: number;
  /** Layers that come off, area by area. */
  readonly removes: readonly { readonly area: string; readonly kinds: readonly LayerKind[] }[];
  readonly steps: readonly Step[];
  /** Zones that become something else by it, and what. */
  readonly becomes: readonly Notice[];
  /** Why there is no plan for it; empty where there is one. */
  readonly problems: readonly string[];
}

const kindsOf = (stack: readonly { readonly kind: LayerKind }[]): LayerKind[] =>
  stack.map(({ kind }) => kind);

/** Layers of an area that the steps take off before they lay anything on it. */
function removedOn(before: readonly LayerKind[], area: string, steps: readonly Step[]): LayerKind[] {
  let nLeft = before.length;
  for (const { stacks } of steps) {
    const nNow = stacks[area]?.length ?? nLeft;
    if (nNow > nLeft) break;
    nLeft = nNow;
  }
  return before.slice(nLeft).filter((kind) => !isSolid(kind));
}

const isAlike = (a: Pick<Step, 'op' | 'areas'>, b: Step): boolean =>
  a.op === b.op && a.areas.some((area) => b.areas.includes(area));

/**
 * Plans the rework of a defect.
 * @param found the defect as an entry; one that the record has already may be left out
 */
export function reworkOf(
  task: PlanTask,
  record: readonly NewEntry[],
  found: Extract<NewEntry, { kind: 'defect' }> | null,
  options: FoldOptions = {},
): Rework {
  const entries = found ? [...record, found] : record;
  const past = pastOf(entries, options);
  const { done: _done, airBefore: _air, nowMin: _now, ...terms } = task;
  return reworkIn(makePlan({ ...terms, ...past }), foldRecord(task, entries, options));
}

/** The rework that a plan comes to which goes on from a panel as it is. */
export function reworkIn(plan: StoredPlan, { panel }: Pick<Fold, 'panel'>): Rework {
  const { view } = openPlan(plan);
  const chosen = view.systems.find(({ id }) => id === view.chosen);
  const steps = chosen?.steps.filter(({ isDone }) => !isDone) ?? [];
  const done = chosen?.steps.filter(({ isDone }) => isDone) ?? [];
  const first = steps.find(({ op }) => op !== 'flash' && op !== 'cure');
  const again = first && done.findLast((step) => isAlike(first, step));
  return {
    backToN: again?.n ?? done.length,
    removes: panel.zones.flatMap(({ zone, stack }) => {
      const kinds = removedOn(kindsOf(stack), zone.id, steps);
      return kinds.length > 0 ? [{ area: zone.id, kinds }] : [];
    }),
    steps,
    becomes: view.warnings.filter(({ code }) => code === 'plan.blend-undone'),
    problems: chosen ? [] : [...view.stopped, ...view.warnings].map(({ text }) => text),
  };
}

/** A defect on an area as an entry, for what is only asked about. */
export const supposed = (
  defect: Defect,
  area: string,
  at: string,
): Extract<NewEntry, { kind: 'defect' }> => ({
  id: 'supposed',
  at,
  by: 'supposed',
  kind: 'defect',
  body: { defect, zones: [area] },
});
