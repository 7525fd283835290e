import {
  OP_LABELS,
  panelKeyOf,
  personOf,
  sessionsOf,
  standOf,
  tasksByPanel,
  type Schedule,
  type ScheduledTask,
  type ScheduledWindow,
  type Session,
} from '@blue-ledge/core';

/** What is drawn in each row of the bay. */

export interface Bar {
  readonly key: string;
  readonly fromMin: number;
  readonly toMin: number;
  /** Short words on it. */
  readonly text: string;
  readonly kind: 'hands' | 'booth' | 'alone';
  readonly session?: Session;
  readonly isInserted: boolean;
  readonly ops: string;
}

export interface PanelRow {
  readonly nth: number;
  readonly key: string;
  readonly panel: Schedule['panels'][number];
  readonly tasks: readonly ScheduledTask[];
  readonly bars: readonly Bar[];
  readonly windows: readonly ScheduledWindow[];
  readonly lastN: number;
}

/** A lane of a booth, an oven or a person: which panels hold it when. */
export interface Lane {
  readonly key: string;
  readonly name: string;
  readonly kind: 'booth' | 'oven' | 'person';
  readonly bars: readonly (Bar & { readonly panels: readonly number[] })[];
}

const stepsText = ({ fromN, toN }: Session): string => (fromN === toN ? `${fromN}` : `${fromN}-${toN}`);

const opsOf = (tasks: readonly ScheduledTask[]): string =>
  [...new Set(tasks.map(({ op }) => OP_LABELS[op].toLowerCase()))].join(', ');

const sessionBar = (session: Session, key: string): Bar => ({
  key: `${key} ${session.fromN} ${session.startMin}`,
  fromMin: session.startMin,
  toMin: session.endMin,
  text: stepsText(session),
  kind: session.isInBooth ? 'booth' : 'hands',
  session,
  isInserted: session.tasks.some((task) => task.isInserted),
  ops: opsOf(session.tasks),
});

/** Waits of wiped solvent are too short to draw, minutes. */
const LEAST_MIN = 8;

/** Waits on their own, joined where one follows on the other. */
function aloneBars(tasks: readonly ScheduledTask[], key: string): Bar[] {
  const bars: Bar[] = [];
  for (const task of tasks) {
    if (!task.isUnattended || task.endMin - task.startMin < LEAST_MIN) continue;
    const last = bars.at(-1);
    const words = OP_LABELS[task.op].toLowerCase();
    if (last && task.startMin - last.toMin < 1 && last.text === words)
      bars[bars.length - 1] = { ...last, toMin: task.endMin };
    else
      bars.push({
        key: `${key} wait ${task.n} ${task.part}`,
        fromMin: task.startMin,
        toMin: task.endMin,
        text: words,
        kind: 'alone',
        isInserted: false,
        ops: words,
      });
  }
  return bars;
}

/** A row for each panel, in the order of the schedule. */
export function panelRows(schedule: Schedule): PanelRow[] {
  const byPanel = tasksByPanel(schedule);
  return schedule.panels.map((panel, i) => {
    const key = panelKeyOf(panel);
    const tasks = byPanel.get(key) ?? [];
    const sessions = sessionsOf(tasks);
    // Coats flash while whoever sprays stays with them.
    const isInside = ({ fromMin, toMin }: Bar): boolean =>
      sessions.some(({ startMin, endMin }) => startMin <= fromMin && toMin <= endMin);
    const bars = [
      ...sessions.map((session) => sessionBar(session, key)),
      ...aloneBars(tasks, key).filter((bar) => !isInside(bar)),
    ];
    return {
      nth: i + 1,
      key,
      panel,
      tasks,
      bars: bars.sort((a, b) => a.fromMin - b.fromMin),
      windows: schedule.windows.filter((window) => panelKeyOf(window) === key),
      lastN: Math.max(0, ...tasks.map(({ n }) => n)),
    };
  });
}

const NEAR_MIN = 1;

/** What holds a resource, joined where one panel, or one mix of several, follows on itself. */
function laneBars(
  tasks: readonly ScheduledTask[],
  numberOf: ReadonlyMap<string, number>,
  kind: Bar['kind'],
): Lane['bars'] {
  const bars: (Lane['bars'][number] & { readonly batch?: string | undefined })[] = [];
  for (const task of tasks.toSorted((a, b) => a.startMin - b.startMin)) {
    const nth = numberOf.get(panelKeyOf(task)) ?? 0;
    const last = bars.at(-1);
    const goesOn =
      last &&
      task.startMin - last.toMin <= NEAR_MIN &&
      (last.panels.includes(nth) || (task.batch !== undefined && task.batch === last.batch));
    if (goesOn) {
      const panels = last.panels.includes(nth) ? last.panels : [...last.panels, nth];
      const toMin = Math.max(last.toMin, task.endMin);
      bars[bars.length - 1] = { ...last, toMin, panels, text: panels.join(' + ') };
    } else
      bars.push({
        key: `${task.panelId} ${task.n} ${task.part} ${task.startMin}`,
        fromMin: task.startMin,
        toMin: task.endMin,
        text: `${nth}`,
        kind,
        isInserted: false,
        ops: OP_LABELS[task.op].toLowerCase(),
        panels: [nth],
        batch: task.batch,
      });
  }
  return bars;
}

/** Lanes of booths, ovens and people. */
export function lanesOf(schedule: Schedule, rows: readonly PanelRow[]): Lane[] {
  const numberOf = new Map(rows.map(({ key, nth }) => [key, nth]));
  const { tasks, people, nBooths, nOvens } = schedule;
  const holding = (resource: string): ScheduledTask[] =>
    tasks.filter(({ resources }) => resources.includes(resource));
  const numbered = (kind: 'booth' | 'oven', count: number, name: string): Lane[] =>
    Array.from({ length: count }, (_, i) => ({
      key: `${kind}:${i + 1}`,
      name: count === 1 ? name : `${name} ${i + 1}`,
      kind,
      bars: laneBars(holding(`${kind}:${i + 1}`), numberOf, 'booth'),
    }));
  return [
    ...numbered('booth', nBooths, 'Booth'),
    // An oven that nothing is baked in says nothing.
    ...numbered('oven', nOvens, 'Oven or lamp').filter(({ bars }) => bars.length > 0),
    ...people.map(({ id, name }) => ({
      key: `technician:${id}`,
      name,
      kind: 'person' as const,
      bars: laneBars(
        tasks.filter((task) => personOf(task) === id),
        numberOf,
        'hands',
      ),
    })),
  ];
}

/** A window that is drawn: it presses, or its panel is the one that is looked at. */
export const isDrawn = (window: ScheduledWindow, isSelected: boolean): boolean =>
  isSelected || standOf(window) !== 'open';

/** The step that is next on a panel, by its record, and whether it runs at a minute by the schedule; undefined once all is done. */
export function stateAt(
  { tasks }: PanelRow,
  nowMin: number,
): { readonly task: ScheduledTask; readonly isRunning: boolean } | undefined {
  const [task] = tasks;
  return task && { task, isRunning: task.startMin <= nowMin };
}

/** Panels whose next step nobody can do anything about: it waits for air that will do, or for its day. */
export const heldRows = (
  rows: readonly PanelRow[],
  nowMin: number,
): { readonly row: PanelRow; readonly task: ScheduledTask }[] =>
  rows.flatMap((row) => {
    const next = stateAt(row, nowMin);
    const isHeld =
      next && !next.isRunning && (next.task.heldBy === 'air' || next.task.heldBy === 'not-before');
    return isHeld ? [{ row, task: next.task }] : [];
  });
