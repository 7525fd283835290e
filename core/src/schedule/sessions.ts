import type { Schedule, ScheduledTask, ScheduledWindow } from './view-schedule.ts';

/** Work as a person sees it: what is done in one go on a panel, who does what next, and why that first. */

/** Hands-on work of one person on one panel, one step after the other. */
export interface Session {
  readonly jobId: string;
  readonly panelId: string;
  readonly personId: string;
  readonly fromN: number;
  readonly toN: number;
  readonly startMin: number;
  readonly endMin: number;
  /** When it could begin at the earliest: what comes before it on the panel is over. */
  readonly readyMin: number;
  readonly tasks: readonly ScheduledTask[];
  readonly isInBooth: boolean;
}

const PERSON = 'technician:';

/** Who does a task; undefined where nobody is needed. */
export const personOf = ({ resources }: Pick<ScheduledTask, 'resources'>): string | undefined =>
  resources.find((each) => each.startsWith(PERSON))?.slice(PERSON.length);

export const isInBooth = ({ resources }: Pick<ScheduledTask, 'resources'>): boolean =>
  resources.some((each) => each.startsWith('booth:'));

/** A pause so short does not end a session, minutes. */
const SHORT_MIN = 10;

/** Sessions of one panel's tasks, in their order; work in the booth is a session of its own. */
export function sessionsOf(tasks: readonly ScheduledTask[]): Session[] {
  const sessions: Session[] = [];
  let readyMin = 0;
  for (const task of tasks) {
    const personId = personOf(task);
    if (personId === undefined) {
      readyMin = Math.max(readyMin, task.endMin);
      continue;
    }
    const last = sessions.at(-1);
    const goesOn =
      last &&
      last.personId === personId &&
      last.isInBooth === isInBooth(task) &&
      (task.startMin - last.endMin <= SHORT_MIN || last.toN === task.n);
    if (goesOn)
      sessions[sessions.length - 1] = {
        ...last,
        toN: task.n,
        endMin: task.endMin,
        tasks: [...last.tasks, task],
      };
    else
      sessions.push({
        jobId: task.jobId,
        panelId: task.panelId,
        personId,
        fromN: task.n,
        toN: task.n,
        startMin: task.startMin,
        endMin: task.endMin,
        readyMin,
        tasks: [task],
        isInBooth: isInBooth(task),
      });
    readyMin = Math.max(readyMin, task.endMin);
  }
  return sessions;
}

/** Tasks by panel, in the order of the schedule. */
export function tasksByPanel({
  tasks,
}: Pick<Schedule, 'tasks'>): ReadonlyMap<string, readonly ScheduledTask[]> {
  const byPanel = new Map<string, ScheduledTask[]>();
  for (const task of tasks) {
    const key = panelKeyOf(task);
    const own = byPanel.get(key);
    if (own) own.push(task);
    else byPanel.set(key, [task]);
  }
  return byPanel;
}

export const panelKeyOf = ({
  jobId,
  panelId,
}: {
  readonly jobId: string;
  readonly panelId: string;
}): string => `${jobId}/${panelId}`;

/** Why some work comes first. */
export type Urgency =
  /** A window closes; what has to be done past it. */
  | { readonly kind: 'window'; readonly window: ScheduledWindow }
  | { readonly kind: 'late'; readonly byMin: number }
  | { readonly kind: 'due'; readonly dueMin: number }
  /** Nothing presses: it is the next in the order. */
  | { readonly kind: 'order' };

export interface NextWork {
  readonly session: Session;
  readonly isRunning: boolean;
  /** It should be done by now, and nobody entered it. */
  readonly isOver: boolean;
  readonly urgency: Urgency;
}

/** A window that leaves so little after its use is what presses, minutes. */
const PRESSING_MIN = 240;

/** Share of a window that is left when it is used: under this it is close. */
const CLOSE_SHARE = 0.25;

/** How a window stands: kept with room, kept closely, or missed. */
export function standOf({ opensMin, closesMin, usedMin }: ScheduledWindow): 'open' | 'close' | 'missed' {
  if (usedMin > closesMin) return 'missed';
  const left = closesMin - usedMin;
  return left < CLOSE_SHARE * (closesMin - opensMin) && left < PRESSING_MIN ? 'close' : 'open';
}

function urgencyOf(session: Session, { windows, late, panels }: Schedule): Urgency {
  const isOfPanel = (each: { readonly jobId: string; readonly panelId: string }): boolean =>
    panelKeyOf(each) === panelKeyOf(session);
  const kept = windows
    .filter((each) => isOfPanel(each) && session.fromN <= each.usedByN && each.usedByN <= session.toN)
    .toSorted((a, b) => a.closesMin - b.closesMin)[0];
  if (kept && kept.closesMin - session.startMin < PRESSING_MIN) return { kind: 'window', window: kept };
  const lateness = late.find(isOfPanel);
  if (lateness) return { kind: 'late', byMin: lateness.byMin };
  const dueMin = panels.find(isOfPanel)?.dueMin;
  return dueMin === undefined ? { kind: 'order' } : { kind: 'due', dueMin };
}

/** What each person does now and next, the first first; people without work are there with none. */
export function nextWork(schedule: Schedule, nowMin: number): ReadonlyMap<string, NextWork[]> {
  const sessions = [...tasksByPanel(schedule).values()].flatMap(sessionsOf);
  // What stands in a schedule is not entered: also what should be over by now is still to be done.
  const ahead = sessions.sort((a, b) => a.startMin - b.startMin || (a.panelId < b.panelId ? -1 : 1));
  return new Map(
    schedule.people.map(({ id }) => [
      id,
      ahead
        .filter(({ personId }) => personId === id)
        .map((session) => ({
          session,
          isRunning: session.startMin <= nowMin && nowMin < session.endMin,
          isOver: session.endMin <= nowMin,
          urgency: urgencyOf(session, schedule),
        })),
    ]),
  );
}
