import { inModes } from '../materials/modes.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import type { Panel } from '../survey/panel.ts';
import type { Shop, Target } from '../survey/shop.ts';
import { canonical } from '../units/canonical.ts';
import { workOf } from '../materials/product-work.ts';
import type { ShopRuleName } from '../survey/shop-rules.ts';
import { isBesideWork, shelfMarks } from './kept-shelf.ts';
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

/**
 * What of a shop a plan is made from. Who works when, prices, and what lies at the bench (cups, blocks, set-ups) are not:
 * the bay, the quote and the pour look at those as they are.
 */
export const SHOP_IN_PLAN = [
  'profile',
  'celsius',
  'relativeHumidity',
  'nightCelsius',
  'usualDay',
  'rules',
  'schools',
  'stock',
  'tools',
  'guns',
  'heaters',
  'noneOf',
] as const satisfies readonly (keyof Shop)[];
export type ShopInPlan = (typeof SHOP_IN_PLAN)[number];

/** Figures of a shop that are prices: they change what work costs, not how it is done. */
const PRICES: ReadonlySet<string> = new Set(['labourPerHour', 'discPrice'] satisfies ShopRuleName[]);

/** Figures of a shop that a plan is made from. */
export const rulesInPlan = ({ rules }: Shop): Shop['rules'] =>
  Object.fromEntries(Object.entries(rules).filter(([name]) => !PRICES.has(name)));

const planned = (shop: Shop): object =>
  Object.fromEntries(
    SHOP_IN_PLAN.map((field) => [field, field === 'rules' ? rulesInPlan(shop) : shop[field]]),
  );

const isSame = (a: unknown, b: unknown): boolean => canonical(a, isLater) === canonical(b, isLater);

/** Whether anything of a shop that a plan is made from differs. */
export const isShopChanged = (before: Shop, now: Shop): boolean => !isSame(planned(before), planned(now));

/** Those of the sheets that the plan uses. */
function usedSheets(plan: StoredPlan, sheets: readonly ProductSheet[]): ProductSheet[] {
  const used = usedSheetIds(plan);
  return sheets.filter((sheet) => inModes(sheet).some(({ id }) => used.has(id)));
}

/** Whether a product came, went or changed among those that do the same work as what the plan lays. */
function isShelfChanged(plan: StoredPlan, now: readonly ProductSheet[]): boolean {
  const before = usedSheets(plan, plan.inputs.sheets);
  if (canonical(before, isBesideWork) !== canonical(usedSheets(plan, now), isBesideWork)) return true;
  const marks = plan.inputs.shelf;
  if (!marks) return false;
  const used = usedSheetIds(plan);
  const works = new Set(
    [...shelfOf(plan.inputs.sheets, plan.inputs.shop.noneOf).values()].flatMap((s) =>
      used.has(s.id) ? workOf(s) : [],
    ),
  );
  const marksNow = shelfMarks(now.filter((sheet) => inModes(sheet).some((way) => works.has(workOf(way)))));
  return [...works].some((work) => marks[work] !== marksNow[work]);
}

/** Which of its inputs changed since the plan was made; empty where it still holds. */
export function changesSince(plan: StoredPlan, now: InputsNow): PlanInput[] {
  const { inputs, plannerVersion } = plan;
  const changed: readonly (readonly [PlanInput, boolean])[] = [
    ['survey', !isSame(inputs.panel, now.panel)],
    ['shop', isShopChanged(inputs.shop, now.shop)],
    ['target', !isSame(inputs.target, now.target)],
    ['sheets', isShelfChanged(plan, now.sheets)],
    ['programme', plannerVersion !== PLANNER_VERSION],
  ];
  return changed.flatMap(([input, isChanged]) => (isChanged ? [input] : []));
}
