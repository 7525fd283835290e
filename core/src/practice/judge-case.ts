import { areasForBase } from '../operations/state.ts';
import { surveyState } from '../operations/survey-state.ts';
import type { ActInput } from '../planner/act-input.ts';
import { benchOfTask, type PlanTask } from '../planner/bench-of-task.ts';
import type { Judgement } from '../planner/judge-sequence.ts';
import { judgeTask } from '../planner/judge-task.ts';
import { makePlan } from '../planner/make-plan.ts';
import type { System } from '../planner/plan.ts';
import { systemMinutes } from '../planner/score.ts';
import { OWN } from '../planner/stored-plan.ts';
import { openPlan } from '../planner/view-plan.ts';

/** What the planner says of a learner's system: each step by its rule, and the whole beside its own best. */

export interface CaseVerdict {
  readonly judgement: Judgement;
  /** The learner's system in working hours; null where it does not get the panel ready. */
  readonly own: System | null;
  /** The planner's best. */
  readonly best: System;
  /** 0 to 100: what the best takes, as a share of what the learner's takes; null where that is not ready. */
  readonly points: number | null;
}

/** From so many points on a case is solved. */
export const SOLVED_POINTS = 80;

/** Where something can be done on the panel of a case: grounds of its zones, and patches. */
export const caseAreas = ({ panel, shop }: PlanTask): readonly string[] =>
  surveyState(panel, shop.rules).zones.map(({ zone }) => zone.id);

/** The hand-over ends every system: a learner need not say so. */
export function withHandOver(acts: readonly ActInput[], { panel, shop }: PlanTask): readonly ActInput[] {
  if (acts.some(({ op }) => op === 'hand-over')) return acts;
  return [...acts, { op: 'hand-over', zones: areasForBase(surveyState(panel, shop.rules)) }];
}

/** Judges a system that a learner put together; the work that rules ask for in between is added. */
export function judgeCase(task: PlanTask, acts: readonly ActInput[]): CaseVerdict {
  const typed = withHandOver(acts, task);
  const judgement = judgeTask(task, typed, { fillsIn: true });
  const own = judgement.isReady ? { acts: [...typed], fillsIn: true } : undefined;
  const { view } = openPlan(makePlan({ ...task, own }));
  const { context } = benchOfTask(task);
  const minutesOf = (system: System): number => systemMinutes(system.totals, system.remarks, context);
  const ready = view.systems.filter(({ verdict }) => verdict === 'ready');
  const mine = ready.find(({ id }) => id === OWN) ?? null;
  // The one that the planner would choose: it knows of schools, too.
  const best = ready.find(({ id }) => id !== OWN)!;
  return {
    judgement,
    own: mine,
    best,
    points: mine && Math.round(100 * Math.min(1, minutesOf(best) / minutesOf(mine))),
  };
}
