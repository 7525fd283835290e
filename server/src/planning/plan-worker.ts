import {
  judgeTask,
  planPanel,
  planWithTests,
  type Judgement,
  type ActInput,
  type PanelPlan,
  type PlanTask,
} from '@blue-ledge/core';

/** What is computed off the event loop; the same functions serve where there are no threads. */

export type PlanWork =
  | { readonly kind: 'plan'; readonly task: PlanTask }
  /** A plan with the tests that would decide between its systems. */
  | { readonly kind: 'plan-with-tests'; readonly task: PlanTask }
  | {
      readonly kind: 'judge';
      readonly task: PlanTask;
      readonly own: readonly ActInput[];
      readonly fillsIn: boolean;
    };

export default function work(asked: PlanWork): PanelPlan | Judgement {
  switch (asked.kind) {
    case 'plan':
      return planPanel(asked.task);
    case 'plan-with-tests':
      return planWithTests(asked.task);
    case 'judge':
      return judgeTask(asked.task, asked.own, { fillsIn: asked.fillsIn });
  }
}
