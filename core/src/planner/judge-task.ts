import { surveyState } from '../operations/survey-state.ts';
import { replayDone } from './replay-done.ts';
import { judgeSequence, type Judgement, type JudgeOptions } from './judge-sequence.ts';
import type { ActInput } from './act-input.ts';
import { benchOfTask, type PlanTask } from './bench-of-task.ts';

/** Judges a sequence of a person's own on a panel after what was done on it. Stopped zones take no part in it. */
export function judgeTask(task: PlanTask, own: readonly ActInput[], options: JudgeOptions): Judgement {
  const { context } = benchOfTask(task);
  const { panel } = replayDone(surveyState(context.panel, context.shop.rules), task, context);
  return judgeSequence(panel, own, context, options);
}
