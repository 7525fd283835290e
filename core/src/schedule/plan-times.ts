import { setsAlone } from '../operations/table.ts';
import { type OpName } from '../operations/act.ts';
import { costOf } from '../operations/perform.ts';
import { surveyState } from '../operations/survey-state.ts';
import { actOf } from '../planner/act-input.ts';
import { benchOfTask } from '../planner/bench-of-task.ts';
import { actsDone } from '../planner/happening.ts';
import type { Step, System } from '../planner/plan.ts';
import { replay } from '../planner/replay.ts';
import { replayDone } from '../planner/replay-done.ts';
import type { PlannedAct, StoredPlan } from '../planner/stored-plan.ts';
import { openPlan } from '../planner/view-plan.ts';
import type { Schedule, ScheduledTask } from './view-schedule.ts';
import { momentOf } from './work-calendar.ts';

/** A plan at the times at which it is really worked: those of the schedule for what is ahead, of the record for what is done. */

/**
 * When a step stands in the schedule, with washing of the gun before it and waits after it; or when the record says that it
 * ended. Minutes from the plan's start, negative before it.
 */
export type StepTime =
  | Span
  /** As it is entered: hands are off, the wait is over; what sets alone does so from then on. */
  | { readonly enteredMin: number };

/** Minute at which an act ends, its own waits included; a flash or a cure ends when it does. */
function endOf(time: StepTime, op: OpName, waitMin: number): number {
  if ('endMin' in time) return time.endMin;
  return time.enteredMin + (setsAlone(op) ? waitMin : 0);
}

/** From when to when. */
interface Span {
  readonly startMin: number;
  readonly endMin: number;
}

/**
 * When each step of a panel's plan stands in a schedule, by its number: minutes of the schedule's axis. Work that the
 * schedule put in is no step of the plan.
 */
export function timesInSchedule(
  { tasks }: Pick<Schedule, 'tasks'>,
  { jobId, panelId }: Pick<ScheduledTask, 'jobId' | 'panelId'>,
): ReadonlyMap<number, Span> {
  const times = new Map<number, Span>();
  for (const task of tasks)
    if (task.jobId === jobId && task.panelId === panelId && !task.isInserted)
      times.set(task.n, { startMin: times.get(task.n)?.startMin ?? task.startMin, endMin: task.endMin });
  return times;
}

interface Timed {
  readonly acts: readonly PlannedAct[];
  /** By how much the work starts later than the plan, minutes; 0 where something was done before the plan was made. */
  readonly shiftMin: number;
}

/** Puts the acts of a system at their times; one without a time keeps the pause before it that the plan has. */
function actsAtTimes(
  { inputs }: StoredPlan,
  acts: readonly PlannedAct[],
  timeOf: (n: number) => StepTime | undefined,
): Timed {
  const { context } = benchOfTask(inputs);
  let { panel } = replayDone(surveyState(context.panel, context.shop.rules), inputs, context);
  const nDone = actsDone(inputs.done).length;
  let shiftMin = 0;
  const timed = acts.map((act, i): PlannedAct => {
    const read = actOf(act, context, panel);
    const time = timeOf(nDone + i + 1);
    if (!read.ok) return act;
    const { handsOnMin, waitMin } = costOf(read.act, panel, context);
    // A wait begins when the work before it ends. Other work is set by its end: a coat is laid when the last of it is on.
    const isWait = act.op === 'flash' || act.op === 'cure';
    const beginMin =
      time &&
      (isWait && 'startMin' in time ? time.startMin : endOf(time, act.op, waitMin) - handsOnMin - waitMin);
    if (i === 0 && nDone === 0 && beginMin !== undefined) shiftMin = Math.round(beginMin);
    const idleMin =
      beginMin === undefined ? (act.idleMin ?? 0) : Math.max(0, beginMin - shiftMin - panel.clockMin);
    const { isSplit: _split, ...rest } = act;
    const placed: PlannedAct = {
      ...rest,
      idleMin,
      ...(beginMin === undefined && act.isSplit ? { isSplit: true } : {}),
    };
    panel = replay(panel, [placed], context).panel;
    return placed;
  });
  return { acts: timed, shiftMin };
}

/** A clock of a step, by so many minutes later. */
const later = (clock: Step['clocks'][number], byMin: number): Step['clocks'][number] => ({
  ...clock,
  opensAtMin: clock.opensAtMin + byMin,
  ...(clock.closesAtMin === undefined ? {} : { closesAtMin: clock.closesAtMin + byMin }),
});

/**
 * A system of a plan with its steps at their real times, minutes from the plan's start as ever: cures and windows are those
 * of the hours at which the coats are really laid. Null where the system is not in the plan, or its plan has no date.
 */
export function systemAtTimes(
  stored: StoredPlan,
  systemId: string,
  timeOf: (n: number) => StepTime | undefined,
): System | null {
  const system = stored.systems.find(({ id }) => id === systemId);
  const { startOn } = stored.inputs;
  if (!system || startOn === undefined) return null;
  const { acts, shiftMin } = actsAtTimes(stored, system.acts, timeOf);
  const start = momentOf({ startOn, startMin: benchOfTask(stored.inputs).context.startMin }, shiftMin);
  const { view } = openPlan({
    ...stored,
    inputs: { ...stored.inputs, ...start },
    systems: [{ ...system, acts: [...acts] }],
  });
  const [timed] = view.systems;
  return {
    ...timed!,
    steps: timed!.steps.map((ofStart) => {
      const step = { ...ofStart, clocks: ofStart.clocks.map((clock) => later(clock, shiftMin)) };
      const time = step.isDone ? undefined : timeOf(step.n);
      if (!time) return { ...step, startMin: step.startMin + shiftMin, endMin: step.endMin + shiftMin };
      const endMin = endOf(time, step.op, step.waitMin);
      const startMin = 'startMin' in time ? time.startMin : endMin - step.handsOnMin - step.waitMin;
      return { ...step, startMin, endMin };
    }),
  };
}
