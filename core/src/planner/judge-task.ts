import { surveyState } from '../operations/survey-state.ts';
import { judgeSequence, type Judgement, type JudgeOptions } from './judge-sequence.ts';
import type { ActInput } from './act-input.ts';
import { benchOfTask, type PlanTask } from './bench-of-task.ts';

/** Judges a sequence of a person's own on a panel as it was found. Stopped zones take no part in it. */
export function judgeTask(task: PlanTask, own: readonly ActInput[], options: JudgeOptions): Judgement {
  const { context } = benchOfTask(task);
  return judgeSequence(surveyState(context.panel, context.shop.rules), own, context, options);
}
