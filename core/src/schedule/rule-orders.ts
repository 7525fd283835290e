import { firstStepOf, orderBy } from './bundles.ts';
import type { PanelWork } from './panel-work.ts';

/** Orders by rules of priority. */

const tailOf = (work: PanelWork, bundle: number): number => work.tailMin[firstStepOf(work, bundle)] ?? 0;

const totalOf = (work: PanelWork): number => work.tailMin[0] ?? 0;

/** Rules of priority that are tried; due dates count in each where there are any. */
export function ruleOrders(works: readonly PanelWork[], nPeople: number): number[][] {
  const horizon = Math.max(0, ...works.map(totalOf));
  const due = (panel: number): number => works[panel]!.todo.dueMin ?? horizon * 4;
  const rules: ((panel: number, bundle: number) => number)[] = [
    // Least slack: latest start by its due date, or by the longest chain.
    (panel, bundle) => Math.min(due(panel), horizon * 2) - tailOf(works[panel]!, bundle),
    // Whatever has most to come, first.
    (panel, bundle) => -tailOf(works[panel]!, bundle) * (due(panel) < horizon * 4 ? 2 : 1),
    // Panel by panel, the one that is due first and the longest first.
    (panel) => due(panel) * 1000 - totalOf(works[panel]!),
    (panel) => due(panel) * 1000 + totalOf(works[panel]!),
    // All side by side.
    (panel, bundle) => totalOf(works[panel]!) - tailOf(works[panel]!, bundle),
  ];
  // Panels let in one after the other, as fast as the shop gets through with them, so that few stand about half done.
  const sumMin = works.reduce(
    (sum, { steps }) => sum + steps.reduce((own, { handsMin }) => own + handsMin, 0),
    0,
  );
  const byDue = works
    .map((_, panel) => panel)
    .sort((a, b) => due(a) - due(b) || totalOf(works[b]!) - totalOf(works[a]!));
  const rank = works.map((_, panel) => byDue.indexOf(panel));
  for (const share of LET_IN) {
    const everyMin = (share * sumMin * ELAPSED_FOR_HANDS) / Math.max(1, nPeople * works.length);
    rules.push(
      (panel, bundle) => rank[panel]! * everyMin + totalOf(works[panel]!) - tailOf(works[panel]!, bundle),
    );
  }
  const nBlocks = works.reduce((sum, { blocks }) => sum + blocks.length, 0);
  const tried = nBlocks > MANY_BLOCKS ? rules.filter((_, i) => FOR_MANY.has(i)) : rules;
  return tried.map((rule) => orderBy(works, rule));
}

/** From so many blocks on only the rules that do best there are tried: least slack, and panels let in at some pace. */
const MANY_BLOCKS = 400;
const FOR_MANY: ReadonlySet<number> = new Set([0, 5, 6, 7]);

/** Intervals that are tried, in shares of the pace of the shop. */
const LET_IN = [0.4, 0.7, 1, 1.3];
/** Minutes that pass while one minute of a working day is worked. */
const ELAPSED_FOR_HANDS = 2.8;
