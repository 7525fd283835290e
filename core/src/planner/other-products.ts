import { z } from 'zod';
import type { ProductSheet } from '../materials/sheet.ts';
import { workOf } from '../materials/product-work.ts';
import { productsByWork } from '../operations/products.ts';
import { surveyState } from '../operations/survey-state.ts';
import { actOf } from './act-input.ts';
import { benchOfTask } from './bench-of-task.ts';
import { walkAgain } from './choose-products.ts';
import type { Way } from './search-path.ts';
import { newMemo } from './prepare.ts';
import { refusalSchema } from './plan.ts';
import { laidFor, rankProducts } from './rank-products.ts';
import { replayDone } from './replay-done.ts';
import { totalsOf } from './score.ts';
import { withOnly } from './shelf.ts';
import { refusalOf } from './steps.ts';
import type { StoredPlan } from './stored-plan.ts';

/** Other products beside the one that a step of a plan lays: what the whole system would take with each. */

export const otherProductSchema = z.object({
  sheetId: z.string(),
  name: z.string(),
  /** What the system takes more with it, less where negative; left out where the rules refuse it. */
  more: z.object({ handsOnMin: z.number(), elapsedMin: z.number(), materialCost: z.number() }).optional(),
  refusedBy: z.array(refusalSchema),
});
export const otherProductsSchema = z.object({
  others: z.array(otherProductSchema),
  /** Products of the same work on the shelf, besides those here. */
  nMore: z.number().int(),
});
export type OtherProduct = z.infer<typeof otherProductSchema>;
export type OtherProducts = z.infer<typeof otherProductsSchema>;

/** Products that are worked out for one step. */
const MOST_OTHERS = 6;

const NONE: OtherProducts = { others: [], nMore: 0 };

/**
 * Other products for step `n` of a system, the best first: the system is prepared anew with each, without pauses.
 * @param sheets the shop's own sheets as they are now
 * @returns none for a step that lays nothing, or where the system cannot be walked again with what the shelf has now
 */
export function otherProducts(
  { inputs, systems }: StoredPlan,
  systemId: string,
  n: number,
  sheets: readonly ProductSheet[],
): OtherProducts {
  const system = systems.find(({ id }) => id === systemId);
  const { context } = benchOfTask({ ...inputs, sheets });
  const done = replayDone(surveyState(context.panel, context.shop.rules), inputs, context);
  const kept = system?.acts[n - 1 - done.steps.length];
  const used = kept?.sheetId === undefined ? undefined : context.shelf.get(kept.sheetId);
  if (!system || !used) return NONE;
  const read = system.acts.filter(({ isChoice }) => isChoice).map((act) => actOf(act, context, done.panel));
  const choices = read.flatMap((each) => (each.ok ? [each.act] : []));
  if (choices.length < read.length) return NONE;

  const walk = (sheet: ProductSheet): ReturnType<typeof walkAgain> => {
    const laid = system.acts.flatMap(({ sheetId }) => context.shelf.get(sheetId ?? '') ?? []);
    const others = laid.filter((other) => workOf(other) !== workOf(used));
    const bench = { start: done.panel, context: withOnly([sheet, ...others], context), memo: newMemo() };
    return walkAgain(choices, new Map([[workOf(used), sheet]]), context.shelf, bench);
  };
  const now = walk(used);
  if (!now.ok) return NONE;
  const acts = laidFor(workOf(used), now.way.steps, context);
  const onShelf = productsByWork(context.shelf).get(workOf(used))!;
  const ranked = rankProducts(onShelf, acts, context).products.map(({ sheet }) => sheet);
  const rest = onShelf.filter((sheet) => !ranked.includes(sheet));
  const inOrder = [...ranked, ...rest].filter((sheet) => sheet !== used);
  return {
    others: inOrder.slice(0, MOST_OTHERS).map((sheet) => {
      const other = walk(sheet);
      const { id: sheetId, name } = sheet;
      if (!other.ok) return { sheetId, name, refusedBy: other.refusals.map(refusalOf) };
      return { sheetId, name, more: moreThan(now.way, other.way), refusedBy: [] };
    }),
    nMore: Math.max(0, inOrder.length - MOST_OTHERS),
  };
}

function moreThan(now: Way, other: Way): NonNullable<OtherProduct['more']> {
  const [a, b] = [totalsOf(now.steps), totalsOf(other.steps)];
  return {
    handsOnMin: b.handsOnMin - a.handsOnMin,
    elapsedMin: b.elapsedMin - a.elapsedMin,
    materialCost: b.materialCost - a.materialCost,
  };
}
