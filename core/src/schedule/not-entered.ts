import { setsAlone } from '../operations/table.ts';
import { type OpName } from '../operations/act.ts';
import type { DatedStart } from '../planner/work-start.ts';
import { personOf, tasksByPanel } from './sessions.ts';
import type { StepStart } from './schedule-task.ts';
import type { Schedule, ScheduledTask } from './view-schedule.ts';
import { axisMin, momentOf } from './work-calendar.ts';

/**
 * Steps whose time in a schedule has come, or passed, and that nobody entered. The record is the only truth: what is not
 * entered is not done, so it is asked about, and comes again from now on.
 */

/** A step that should be done by now, by the schedule, with the times at which it stood there. */
export interface NotEntered {
  readonly jobId: string;
  readonly panelId: string;
  readonly n: number;
  readonly op: OpName;
  readonly start: DatedStart;
  /** When hands are off it; when a wait is over. */
  readonly end: DatedStart;
  readonly personId?: string;
}

/** Whoever finishes a step does not enter it in the same minute. */
export const LEEWAY_MIN = 10;

interface PlacedStep extends Omit<NotEntered, 'start' | 'end'> {
  readonly startMin: number;
  readonly endMin: number;
  readonly heldBy: ScheduledTask['heldBy'];
}

/** The steps of one panel from their parts, in their order; work that the schedule put in is no step of the plan. */
function stepsOf(tasks: readonly ScheduledTask[]): PlacedStep[] {
  const steps: PlacedStep[] = [];
  for (const task of tasks) {
    if (task.isInserted) continue;
    const last = steps.at(-1);
    const isTail = last?.n === task.n && task.isUnattended && setsAlone(task.op);
    if (isTail) continue;
    if (last?.n === task.n) steps[steps.length - 1] = { ...last, endMin: task.endMin };
    else {
      const { jobId, panelId, n, op, startMin, endMin, heldBy } = task;
      const personId = personOf(task);
      steps.push({
        jobId,
        panelId,
        n,
        op,
        startMin,
        endMin,
        heldBy,
        ...(personId === undefined ? {} : { personId }),
      });
    }
  }
  return steps;
}

export interface StepsByNow {
  /** Begun by the schedule, and not yet over for long: they stay where they are. */
  readonly underWay: readonly StepStart[];
  /** Over by the schedule for longer than the leeway. */
  readonly passed: readonly NotEntered[];
}

/**
 * How the steps of a schedule stand at a moment.
 * @param start moment from which its minutes count
 * @param isDone whether a step is in the record by now
 */
export function standingAt(
  schedule: Pick<Schedule, 'tasks'>,
  start: DatedStart,
  now: DatedStart,
  isDone: (step: Pick<NotEntered, 'jobId' | 'panelId' | 'n'>) => boolean = () => false,
): StepsByNow {
  const nowMin = axisMin(start, now);
  const underWay: StepStart[] = [];
  const passed: NotEntered[] = [];
  for (const tasks of tasksByPanel(schedule).values()) {
    const begun = stepsOf(tasks).filter((step) => step.startMin < nowMin && !isDone(step));
    const late = begun.filter(({ endMin }) => endMin + LEEWAY_MIN < nowMin);
    passed.push(
      ...late.map(({ startMin, endMin, heldBy: _heldBy, ...step }) => ({
        ...step,
        start: momentOf(start, startMin),
        end: momentOf(start, endMin),
      })),
    );
    // Behind a step that nobody entered nothing runs.
    if (late.length === 0) underWay.push(...begun.map(({ endMin: _endMin, ...step }) => step));
  }
  return { underWay, passed };
}
