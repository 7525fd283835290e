import {
  decidingTests,
  judgeTask,
  makeSchedule,
  makePlan,
  needsOf,
  otherProducts,
  ownSamples,
  type ActInput,
  type DecidingTest,
  type Judgement,
  type Need,
  type NewEntry,
  type OpenPlan,
  type OtherProducts,
  type OwnSample,
  type PlanTask,
  type ProductSheet,
  type ScheduleAnswer,
  type ScheduleAsk,
  type ScheduleProgress,
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
    }
  /** Other products of the shelf for one step of a plan. */
  | {
      readonly kind: 'products';
      readonly plan: StoredPlan;
      readonly system: string;
      readonly step: number;
      readonly sheets: readonly ProductSheet[];
    }
  /** What plans that are worked by need of each product. */
  | { readonly kind: 'needs'; readonly plans: readonly OpenPlan[] }
  /** What one panel's record says of the figures of its shop. */
  | {
      readonly kind: 'samples';
      readonly task: PlanTask;
      readonly record: readonly NewEntry[];
      readonly utcOffsetMin: number;
    }
  /** A shop's schedule; `port` is told how far it is. */
  | { readonly kind: 'schedule'; readonly ask: ScheduleAsk; readonly port?: Port };

/** Where progress is told. */
export interface Port {
  postMessage(progress: ScheduleProgress): void;
}

export default function work(
  asked: PlanWork,
): StoredPlan | Judgement | DecidingTest[] | OtherProducts | Need[] | OwnSample[] | ScheduleAnswer {
  switch (asked.kind) {
    case 'plan':
      return makePlan(asked.task);
    case 'tests':
      return decidingTests(asked.task);
    case 'judge':
      return judgeTask(asked.task, asked.own, { fillsIn: asked.fillsIn });
    case 'products':
      return otherProducts(asked.plan, asked.system, asked.step, asked.sheets);
    case 'needs':
      return needsOf(asked.plans);
    case 'samples':
      return ownSamples(asked.task, asked.record, { utcOffsetMin: asked.utcOffsetMin });
    case 'schedule':
      return makeSchedule(asked.ask, {
        onProgress: (share, makespanMin) => asked.port?.postMessage({ share, makespanMin }),
      });
  }
}
