import { benchOfTask, waitingStops } from '../planner/bench-of-task.ts';
import { isSeen } from '../planner/happening.ts';
import { areaTitle } from '../planner/places.ts';
import { openPlan } from '../planner/view-plan.ts';
import type { StoredPlan } from '../planner/stored-plan.ts';
import type { DatedStart } from '../planner/work-start.ts';
import type { Shop } from '../survey/shop.ts';
import { dayAndMonth, dateAfter } from '../units/calendar.ts';
import { solveSchedule, type Watch } from './make-schedule.ts';
import type { ScheduleTerms } from './schedule-task.ts';
import { actsOfPlan, type PanelPast, type PanelToDo } from './panel-work.ts';
import { resourcesOf } from './resources.ts';
import { viewSchedule, type Schedule } from './view-schedule.ts';
import { axisMin, peopleOf } from './work-calendar.ts';

/** From the panels of a shop and their plans to its schedule; what cannot be scheduled is said, never left out in silence. */

/** A panel of an open job. */
export interface PanelOfShop {
  readonly jobId: string;
  readonly panelId: string;
  readonly name: string;
  /** The plan that it is worked by; null where it is not planned, or by a release that is too old. */
  readonly plan: StoredPlan | null;
  /** The system that was chosen; the planner's own where nobody chose. */
  readonly systemId?: string | null | undefined;
  readonly due?: DatedStart | undefined;
  readonly notBefore?: DatedStart | undefined;
  /** What its record says was done so far. */
  readonly past?: PanelPast | undefined;
}

export interface ScheduleAsk extends ScheduleTerms {
  readonly panels: readonly PanelOfShop[];
  /** Moment that it is; nothing begins before it but what is pinned there. */
  readonly now?: DatedStart;
}

export type ScheduleAnswer =
  | { readonly ok: true; readonly schedule: Schedule }
  /** Nothing can be scheduled: what is wrong, and the remedy. */
  | { readonly ok: false; readonly message: string };

type Waiting = Schedule['waiting'][number];

/** What a panel waits for that is not in the schedule; null where nothing does. */
function waitsFor({ plan, systemId }: PanelOfShop): string | null {
  if (!plan) return 'It is not planned yet: open it and plan its system.';
  const { stopped } = benchOfTask(plan.inputs);
  const stops = waitingStops(stopped, plan.inputs.panel);
  const id = systemId ?? plan.chosen;
  if (stops.length > 0 && id === null)
    return stops.map(({ zoneId, text }) => `Zone ${zoneId}: ${text}`).join(' ');
  const system = plan.systems.find((each) => each.id === id);
  if (system?.verdict.kind === 'ready') return null;
  const isAnyReady = plan.systems.some(({ verdict }) => verdict.kind === 'ready');
  if (isAnyReady || plan.systems.length === 0)
    return 'No system is chosen for it, or none is ready: open it and choose one.';
  const { warnings } = openPlan(plan).view;
  return warnings
    .map(({ zoneId, text: said }) => (zoneId ? `${areaTitle(zoneId)}: ${said}` : said))
    .join(' ');
}

/**
 * A panel that is through is nobody's work any more: nothing is left, or the hand-over alone, which its record has already
 * as the last that happened (a plan that goes on from it asks for it once more).
 */
function isThrough(todo: PanelToDo): boolean {
  const left = actsOfPlan(todo);
  const happened = todo.past?.done ?? [];
  const last = happened.findLast((each) => isSeen(each) || (each.op !== 'flash' && each.op !== 'cure'));
  const handed = last && !isSeen(last) && last.op === 'hand-over' ? last.zones : [];
  return left.every(
    ({ kept }) => kept.op === 'hand-over' && kept.zones.every((area) => handed.includes(area)),
  );
}

const minOf = (start: DatedStart, at: DatedStart | undefined): number | undefined =>
  at === undefined ? undefined : axisMin(start, at);

const LOOKED_DAYS = 60;

/** Why nobody ever works in this shop; null where somebody does. */
export function calendarProblem(shop: Shop, start: DatedStart): string | null {
  const { anybody } = resourcesOf(shop, start, LOOKED_DAYS);
  if (anybody.length > 0) return null;
  const people = peopleOf(shop);
  const until = dayAndMonth(dateAfter(start.startOn, LOOKED_DAYS));
  const noHours = people.find(({ fromMin, toMin }) => toMin <= fromMin);
  return noHours
    ? `${noHours.name} has no working hours: the day ends before it begins. Set them under Shop, People and hours.`
    : `Nobody works in this shop until ${until}. Check hours, breaks, working days, holidays and days off under Shop, People and hours.`;
}

/**
 * The schedule of a shop. Deterministic for what is asked; bounded in time (see searchOrder).
 * @param watch told of progress, and asked whether to stop with the best so far
 */
export function makeSchedule(asked: ScheduleAsk, watch?: Watch): ScheduleAnswer {
  const { shop, start } = asked;
  const problem = calendarProblem(shop, start);
  if (problem) return { ok: false, message: problem };
  const waiting: Waiting[] = [];
  const panels: PanelToDo[] = [];
  for (const panel of asked.panels) {
    const { jobId, panelId, name, plan, systemId, due, notBefore, past } = panel;
    const text = waitsFor(panel);
    if (text !== null || !plan) {
      waiting.push({ jobId, panelId, name, text: text ?? '' });
      continue;
    }
    const todo: PanelToDo = {
      jobId,
      panelId,
      name,
      plan,
      systemId: systemId ?? plan.chosen!,
      dueMin: minOf(start, due),
      notBeforeMin: minOf(start, notBefore),
      ...(past ? { past } : {}),
    };
    if (!isThrough(todo)) panels.push(todo);
  }
  const { now, panels: _panels, ...terms } = asked;
  const solved = solveSchedule(
    { ...terms, panels, ...(now ? { nowMin: Math.max(0, axisMin(start, now)) } : {}) },
    watch,
  );
  if (!solved)
    return {
      ok: false,
      message:
        'Some of this work finds no time within two years. Check the hours and days of people, and steps longer than any shift.',
    };
  return { ok: true, schedule: { ...viewSchedule(solved, start), waiting } };
}
