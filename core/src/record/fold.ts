import { isWait, type Act } from '../operations/act.ts';
import type { Context } from '../operations/context.ts';
import { costOf, numbersOf } from '../operations/perform.ts';
import type { PanelState } from '../operations/state.ts';
import { surveyState } from '../operations/survey-state.ts';
import { actOf, type ActInput } from '../planner/act-input.ts';
import { benchOfTask, type PlanTask } from '../planner/bench-of-task.ts';
import { isDone } from '../planner/happening.ts';
import type { Said } from '../planner/plan.ts';
import type { Performed } from '../planner/prepare.ts';
import { replayDone } from '../planner/replay-done.ts';
import { saidOf } from '../planner/steps.ts';
import { decideAct } from '../rules/check-act.ts';
import type { Verdict } from '../rules/rule.ts';
import { minutesOfMoment } from '../units/moment.ts';
import type { NewEntry } from './entry.ts';
import { happenedOf, type ActEntry, type Happened } from './happened.ts';

/** The fold of a record over a survey: by the operations that planned it, at the times and with the figures of the entries. */

export interface FoldOptions {
  /** By how much the shop's clock is ahead of UTC. */
  readonly utcOffsetMin?: number;
  /** The moment that is now, in UTC; that of the last entry where it is left out. */
  readonly now?: string;
}

export interface Fold {
  readonly context: Context;
  readonly panel: PanelState;
  readonly steps: readonly Performed[];
  /** The entry behind each step. */
  readonly acts: readonly ActEntry[];
  readonly happened: Happened;
  readonly problems: readonly string[];
}

type Past = Pick<PlanTask, 'done' | 'airBefore' | 'nowMin' | 'startOn' | 'startMin'>;

/** What a plan goes on from: what happened, when it began, and the minute that is now. */
export const pastOf = (record: readonly NewEntry[], { utcOffsetMin = 0, now }: FoldOptions = {}): Past =>
  pastOfHappened(happenedOf(record, utcOffsetMin), now);

function pastOfHappened(
  { start, happenings, airBefore, lastMin, zeroMin }: Happened,
  now: string | undefined,
): Past {
  if (!start) return happenings.length > 0 ? { done: [...happenings] } : {};
  const nowMin = now === undefined ? 0 : Math.floor(minutesOfMoment(now) - zeroMin);
  return { ...start, done: [...happenings], airBefore, nowMin: Math.max(lastMin, nowMin) };
}

/** The entries behind the steps of a replay: an act that could not be read has none. */
function actsAt(nths: readonly number[], { happenings, acts }: Happened): ActEntry[] {
  let nActs = 0;
  const entryOf = happenings.map((happening) => (isDone(happening) ? acts[nActs++] : undefined));
  return nths.map((nth) => entryOf[nth]!);
}

/**
 * Folds a record over the survey of a task. O(entries x areas x rules).
 * @param task what the panel is planned under; its own `done` and start do not count
 */
export function foldRecord(task: PlanTask, record: readonly NewEntry[], options: FoldOptions = {}): Fold {
  const happened = happenedOf(record, options.utcOffsetMin);
  const { done: _done, airBefore: _air, nowMin: _now, ...terms } = task;
  const past = pastOfHappened(happened, options.now);
  const { context } = benchOfTask({ ...terms, ...past });
  const found = surveyState(context.panel, context.shop.rules);
  const { steps, nths, panel, problems } = replayDone(found, past, context);
  return { context, panel, steps, acts: actsAt(nths, happened), happened, problems };
}

/** Nobody enters work to the second: a limit that was missed by less than this was kept, minutes. */
const LEEWAY_MIN = 1;

/** Whether a verdict says that a rule was not kept, by more than the leeway of a clock on the wall. */
export const isBroken = ({ level, reason }: Verdict): boolean => {
  const byMin = reason.facts['leftMin'] ?? reason.facts['overMin'] ?? Infinity;
  return level === 'must' && Number(byMin) >= LEEWAY_MIN;
};

/** A wait is over once nothing on its areas needs any more of it. */
function stillToWait(act: Act, panel: PanelState, context: Context): Said[] {
  const { waitMin } = costOf(act, panel, context);
  return waitMin < LEEWAY_MIN ? [] : numbersOf(act, panel, context).slice(0, 1).map(saidOf);
}

/** Why an act may not be done on the panel as it stands now, each reason once; empty where it may. */
export function whyNotNow({ panel, context }: Fold, act: ActInput): Said[] {
  const read = actOf(act, context, panel);
  if (!read.ok) return [];
  if (isWait(read.act)) return stillToWait(read.act, panel, context);
  const said = decideAct(read.act, panel, context)
    .filter(isBroken)
    .map(({ reason }) => saidOf(reason));
  return said.filter(({ text }, i) => said.findIndex((other) => other.text === text) === i);
}
