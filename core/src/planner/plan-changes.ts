import { inModes } from '../materials/modes.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Panel } from '../survey/panel.ts';
import type { Shop, Target } from '../survey/shop.ts';
import { canonical } from '../units/canonical.ts';
import { workOf } from '../operations/products.ts';
import { shelfMarks } from './kept-shelf.ts';
import { shelfOf } from './shelf.ts';
import { PLANNER_VERSION, usedSheetIds, type StoredPlan } from './stored-plan.ts';

/** What a plan was made from and is different now: it is kept as it was, and offered to be made again. */

export const PLAN_INPUTS = ['survey', 'shop', 'target', 'sheets', 'programme'] as const;
export type PlanInput = (typeof PLAN_INPUTS)[number];

/** What a plan made now would be made from. */
export interface InputsNow {
  readonly panel: Panel;
  readonly shop: Shop;
  readonly target: Target;
  readonly sheets: readonly ProductSheet[];
}

/** Readings of film that a plan laid are taken after it was made, and change nothing in it. */
const isLater = (name: string): boolean => name === 'readings';

/** What a shop has besides, which no plan is made from: it is used at the bench. */
const planned = ({
  cups: _c,
  blocks: _b,
  setups: _s,
  compressors: _p,
  currency: _m,
  vocLimitGPerL: _v,
  ...shop
}: Shop): object => shop;

const isSame = (a: unknown, b: unknown): boolean => canonical(a, isLater) === canonical(b, isLater);

/** Those of the sheets that the plan uses. */
function usedSheets(plan: StoredPlan, sheets: readonly ProductSheet[]): ProductSheet[] {
  const used = usedSheetIds(plan);
  return sheets.filter((sheet) => inModes(sheet).some(({ id }) => used.has(id)));
}

/** Whether a product came, went or changed among those that do the same work as what the plan lays. */
function isShelfChanged(plan: StoredPlan, now: readonly ProductSheet[]): boolean {
  const before = usedSheets(plan, plan.inputs.sheets);
  if (!isSame(before, usedSheets(plan, now))) return true;
  const marks = plan.inputs.shelf;
  if (!marks) return false;
  const used = usedSheetIds(plan);
  const works = new Set(
    [...shelfOf(plan.inputs.sheets).values()].flatMap((s) => (used.has(s.id) ? workOf(s) : [])),
  );
  const marksNow = shelfMarks(now.filter((sheet) => inModes(sheet).some((way) => works.has(workOf(way)))));
  return [...works].some((work) => marks[work] !== marksNow[work]);
}

/** Which of its inputs changed since the plan was made; empty where it still holds. */
export function changesSince(plan: StoredPlan, now: InputsNow): PlanInput[] {
  const { inputs, plannerVersion } = plan;
  const changed: readonly (readonly [PlanInput, boolean])[] = [
    ['survey', !isSame(inputs.panel, now.panel)],
    ['shop', !isSame(planned(inputs.shop), planned(now.shop))],
    ['target', !isSame(inputs.target, now.target)],
    ['sheets', isShelfChanged(plan, now.sheets)],
    ['programme', plannerVersion !== PLANNER_VERSION],
  ];
  return changed.flatMap(([input, isChanged]) => (isChanged ? [input] : []));
}
