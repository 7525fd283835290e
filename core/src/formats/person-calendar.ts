import type { DateTime, EventAttributes } from 'ics';
import { OP_LABELS } from '../operations/table.ts';
import type { DatedStart } from '../planner/work-start.ts';
import { sessionsOf, tasksByPanel, panelKeyOf } from '../schedule/sessions.ts';
import type { Schedule } from '../schedule/view-schedule.ts';
import { momentOf } from '../schedule/work-calendar.ts';

/** A person's work as a calendar (iCalendar, RFC 5545), in times of the shop's own clock. */

const MINUTES_AN_HOUR = 60;

function dateTimeOf(start: DatedStart, atMin: number): DateTime {
  const { startOn, startMin } = momentOf(start, Math.round(atMin));
  const [year = 0, month = 1, day = 1] = startOn.split('-').map(Number);
  return [year, month, day, Math.floor(startMin / MINUTES_AN_HOUR), startMin % MINUTES_AN_HOUR];
}

interface Asked {
  readonly schedule: Schedule;
  readonly start: DatedStart;
  readonly personId: string;
  readonly jobs: Readonly<Record<string, string>>;
  readonly shopName: string;
}

/** One entry for each session of a person; the same session keeps its entry from one export to the next. */
export async function personCalendar({ schedule, start, personId, jobs, shopName }: Asked): Promise<string> {
  const { createEvents } = await import('ics');
  const nameOf = new Map(schedule.panels.map((panel) => [panelKeyOf(panel), panel.name]));
  const person = schedule.people.find(({ id }) => id === personId)?.name ?? personId;
  const sessions = [...tasksByPanel(schedule).values()]
    .flatMap(sessionsOf)
    .filter((session) => session.personId === personId);
  const events = sessions.map((session): EventAttributes => {
    const { jobId, panelId, fromN, toN, tasks, startMin, endMin, isInBooth } = session;
    const ops = [...new Set(tasks.map(({ op }) => OP_LABELS[op]))];
    const steps = fromN === toN ? `step ${fromN}` : `steps ${fromN} to ${toN}`;
    return {
      uid: `${jobId}.${panelId}.${fromN}@blue-ledge`,
      title: `${nameOf.get(panelKeyOf(session)) ?? panelId}: ${ops[0]!.toLowerCase()}`,
      description: `${jobs[jobId] ?? jobId}, ${steps}: ${ops.join(', ').toLowerCase()}.`,
      location: isInBooth ? 'booth' : 'bench',
      start: dateTimeOf(start, startMin),
      end: dateTimeOf(start, endMin),
      startInputType: 'local',
      startOutputType: 'local',
      endInputType: 'local',
      endOutputType: 'local',
    };
  });
  const { value, error } = createEvents(events, {
    calName: `${person}, ${shopName}`,
    productId: 'blue-ledge',
  });
  if (error || !value) throw error ?? new Error('no calendar was made');
  return value;
}
