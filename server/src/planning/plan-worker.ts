import {
  decidingTests,
  judgeTask,
  makePlan,
  type ActInput,
  type DecidingTest,
  type Judgement,
  type PlanTask,
  type StoredPlan,
} from '@blue-ledge/core';

/** What is computed off the event loop; the same functions serve where there are no threads. */

export type PlanWork =
  | { readonly kind: 'plan'; readonly task: PlanTask }
  /** The tests that would decide between systems: a plan for each outcome of each. */
  | { readonly kind: 'tests'; readonly task: PlanTask }
  | {
      readonly kind: 'judge';
      readonly task: PlanTask;
      readonly own: readonly ActInput[];
      readonly fillsIn: boolean;
    };

export default function work(asked: PlanWork): StoredPlan | Judgement | DecidingTest[] {
  switch (asked.kind) {
    case 'plan':
      return makePlan(asked.task);
    case 'tests':
      return decidingTests(asked.task);
    case 'judge':
      return judgeTask(asked.task, asked.own, { fillsIn: asked.fillsIn });
  }
}
