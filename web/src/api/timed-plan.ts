import {
  axisMin,
  heldOf,
  minutesOfMoment,
  panelKeyOf,
  systemAtTimes,
  timesInSchedule,
  type DatedStart,
  type ShopScheduleView,
  type StepTime,
} from '@blue-ledge/core';
import { useMemo } from 'react';
import type { PlanOnScreen } from './opened-plan.ts';
import { isOpened, usePlan, type PanelKey } from './queries.ts';
import { usePanelRecord, type PanelRecord } from './record-queries.ts';
import { useBayOfJob } from './use-bay-of-panel.ts';

/**
 * One clock for a panel: what is done stands at the times of its record, what is ahead at those of the bay. Where the bay
 * does not have it, a plan only has the times of its own, and says so.
 */

/** Whose times the steps of the chosen system stand at. */
export type TimesBy = 'bay' | 'plan' | 'on-its-way';

export interface TimedPlan extends PlanOnScreen {
  readonly timesBy: TimesBy;
}

/** When each step of the panel begins and ends in the bay, minutes from its start; null where the bay has another plan, or none. */
function timesInBay(
  { schedule, plans }: ShopScheduleView,
  { job, panel }: PanelKey,
  { id, chosen }: PlanOnScreen,
): ReturnType<typeof timesInSchedule> | null {
  const key = panelKeyOf({ jobId: job, panelId: panel });
  const worked = plans[key];
  if (!schedule || worked?.planId !== id || worked.systemId !== chosen) return null;
  const times = timesInSchedule(schedule, { jobId: job, panelId: panel });
  return times.size > 0 ? times : null;
}

const EPOCH: DatedStart = { startOn: '1970-01-01', startMin: 0 };

/** When each step of the plan was done, by its record: minutes from a moment of the shop's clock. */
const endsInRecord = (
  { entries, kept }: PanelRecord,
  planId: string,
  start: DatedStart,
): ReadonlyMap<number, number> => {
  const zeroMin = axisMin(EPOCH, start) - (kept?.utcOffsetMin ?? 0);
  return new Map(
    heldOf(entries).entries.flatMap((entry) =>
      entry.kind === 'act' && entry.body.step?.planId === planId
        ? [[entry.body.step.n, minutesOfMoment(entry.at) - zeroMin] as const]
        : [],
    ),
  );
};

function timed(
  plan: PlanOnScreen,
  key: PanelKey,
  record: PanelRecord,
  bay: ShopScheduleView | undefined,
): TimedPlan {
  const { chosen, opened } = plan;
  const { startOn, startMin, systems } = opened.view;
  const alone = { ...plan, timesBy: bay ? 'plan' : 'on-its-way' } as const;
  if (chosen === null || startOn === undefined) return alone;
  const start = { startOn, startMin };
  const times = bay ? timesInBay(bay, key, plan) : null;
  const ends = endsInRecord(record, plan.id, start);
  if (!times && ends.size === 0) return alone;
  const bayMin = bay ? axisMin(start, bay.start) : 0;
  const timeOf = (n: number): StepTime | undefined => {
    const enteredMin = ends.get(n);
    if (enteredMin !== undefined) return { enteredMin };
    const inBay = times?.get(n);
    return inBay && { startMin: bayMin + inBay.startMin, endMin: bayMin + inBay.endMin };
  };
  const system = systemAtTimes(plan.plan, chosen, timeOf);
  if (!system) return alone;
  const atTimes = systems.map((other) => (other.id === chosen ? { ...other, steps: system.steps } : other));
  // Once all is done no time is ahead that anybody could own.
  const isOver = system.steps.every(({ n, isDone }) => isDone || ends.has(n));
  return {
    ...plan,
    opened: { ...opened, view: { ...opened.view, systems: atTimes } },
    timesBy: times || isOver ? 'bay' : alone.timesBy,
  };
}

/** The newest plan of a panel with its chosen system at its real times. */
export function useTimedPlan(key: PanelKey) {
  const { data, error, isPending } = usePlan(key);
  const { record } = usePanelRecord(key);
  const bay = useBayOfJob(key.job);
  const plan = useMemo(
    () => (isOpened(data) ? timed(data, key, record, bay) : data),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a key is two words
    [data, record, bay, key.job, key.panel],
  );
  return { data: plan, error, isPending };
}

/** A plan that can be shown, with its times. */
export const isTimed = (plan: ReturnType<typeof useTimedPlan>['data']): plan is TimedPlan =>
  Boolean(plan?.plan);
