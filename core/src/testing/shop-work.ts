import { makePlan } from '../planner/make-plan.ts';
import type { PanelOfShop, ScheduleAsk } from '../schedule/shop-schedule.ts';
import { makeSchedule } from '../schedule/shop-schedule.ts';
import type { Schedule, ScheduledTask } from '../schedule/view-schedule.ts';
import { peopleOf, workingStretches } from '../schedule/work-calendar.ts';
import { isFree } from '../schedule/stretches.ts';
import { shopSchema, targetSchema, type Shop } from '../survey/shop.ts';
import { panelOf, type ZoneSketch } from './bench.ts';

/** What the tests of schedules share: panels of the usual kinds, planned once, and what every schedule has to keep. */

interface Sketch {
  readonly zones: readonly ZoneSketch[];
  readonly facts?: object;
}

const FINISH = 'steel/ecoat:20/old-finish:95';

/** A panel of each usual kind: dents, dings, waves, chips, bare metal, plastic, a new part, fiberglass, many small parts. */
const SKETCHES: Readonly<Record<string, Sketch>> = {
  dent: {
    zones: [{ stack: FINISH, areaM2: 1.4, findings: [{ kind: 'low', depthMm: 2, sizeMm: 90 }] }],
  },
  ding: {
    zones: [{ stack: FINISH, areaM2: 0.9, findings: [{ kind: 'low', depthMm: 0.08, sizeMm: 60 }] }],
  },
  waves: {
    zones: [{ stack: FINISH, areaM2: 1.2, findings: [{ kind: 'waves', um: 200, wavelengthMm: 150 }] }],
  },
  chips: { zones: [{ stack: FINISH, areaM2: 0.9, findings: [{ kind: 'chips', share: 0.05 }] }] },
  bare: {
    zones: [
      { stack: FINISH, areaM2: 0.8 },
      { stack: 'steel', areaM2: 0.4, findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
    ],
  },
  trim: {
    zones: [{ stack: 'plastic-olefin', areaM2: 0.25, tests: [{ kind: 'tape-hold', outcome: 'holds' }] }],
    facts: { shape: 'sharp', offVehicle: true },
  },
  moulding: {
    zones: [
      {
        stack: 'plastic-olefin',
        areaM2: 0.3,
        findings: [{ kind: 'release-agent' }],
        tests: [{ kind: 'tape-hold', outcome: 'holds' }],
      },
    ],
    facts: { new: true, offVehicle: true },
  },
  corner: { zones: [{ stack: 'steel/ecoat:20', areaM2: 0.7 }], facts: { new: true } },
  cap: { zones: [{ stack: 'fiberglass', areaM2: 0.6, findings: [{ kind: 'pinholes' }] }] },
  brackets: { zones: [{ stack: 'steel', areaM2: 0.05 }], facts: { count: 20, offVehicle: true } },
};

export const KINDS = Object.keys(SKETCHES);

const plans = new Map<string, ReturnType<typeof makePlan>>();

/** Plans of a kind of panel in a shop; made once for each. */
export function planOf(kind: string, shop: Shop): ReturnType<typeof makePlan> {
  const key = `${kind} ${JSON.stringify(shop)}`;
  const known = plans.get(key);
  if (known) return known;
  const { zones, facts } = SKETCHES[kind]!;
  const made = makePlan({
    panel: panelOf(zones, { id: kind, ...facts }),
    shop,
    target: targetSchema.parse({}),
  });
  plans.set(key, made);
  return made;
}

export const shopOf = (facts: object = {}): Shop =>
  shopSchema.parse({ celsius: 20, nightCelsius: 14, ...facts });

/** Panels of these kinds, each planned for a shop. */
export const panelsOf = (kinds: readonly string[], shop: Shop): PanelOfShop[] =>
  kinds.map((kind, i) => ({
    jobId: 'job',
    panelId: `${kind}-${i + 1}`,
    name: kind,
    plan: planOf(kind, shop),
  }));

export const MONDAY = { startOn: '2026-12-07', startMin: 480 } as const;

/** @throws {Error} where nothing could be scheduled */
export function scheduleOf(asked: ScheduleAsk): Schedule {
  const made = makeSchedule(asked);
  if (!made.ok) throw new Error(made.message);
  return made.schedule;
}

const overlaps = (a: ScheduledTask, b: ScheduledTask): boolean =>
  a.startMin < b.endMin - 1e-6 && b.startMin < a.endMin - 1e-6;

/** Pairs of tasks that hold one resource at once and may not. */
function clashesOf({ tasks }: Schedule): string[] {
  const clashes: string[] = [];
  const byResource = new Map<string, ScheduledTask[]>();
  for (const task of tasks)
    for (const resource of task.resources)
      byResource.set(resource, [...(byResource.get(resource) ?? []), task]);
  for (const [resource, own] of byResource) {
    own.sort((a, b) => a.startMin - b.startMin);
    own.forEach((a, i) => {
      for (let k = i + 1; k < own.length && own[k]!.startMin < a.endMin; k++) {
        const b = own[k]!;
        const isShared = resource.startsWith('booth') && a.batch !== undefined && a.batch === b.batch;
        const isSamePanel = resource.startsWith('booth') && a.panelId === b.panelId;
        if (overlaps(a, b) && !isShared && !isSamePanel)
          clashes.push(`${resource}: ${a.panelId} ${a.n} ${a.op} with ${b.panelId} ${b.n} ${b.op}`);
      }
    });
  }
  return clashes;
}

/** Hands-on work outside of the hours of whoever does it. */
function outOfHours({ tasks }: Schedule, { shop, start }: Pick<ScheduleAsk, 'shop' | 'start'>): string[] {
  const last = Math.max(0, ...tasks.map(({ endMin }) => endMin));
  const nDays = Math.ceil(last / 1440) + 2;
  const hours = new Map(
    peopleOf(shop).map((person) => [
      `technician:${person.id}`,
      workingStretches(person, shop.holidays ?? [], start, nDays),
    ]),
  );
  return tasks.flatMap(({ panelId, n, op, isUnattended, startMin, endMin, resources }) => {
    const person = resources.find((each) => each.startsWith('technician'));
    if (isUnattended) return person ? [`${panelId} ${n} waits with ${person}`] : [];
    if (!person) return [`${panelId} ${n} ${op} is done by nobody`];
    return isFree(hours.get(person)!, startMin + 1e-6, endMin - 1e-6)
      ? []
      : [`${panelId} ${n} ${op} from ${startMin} to ${endMin}`];
  });
}

/** Parts of a panel that come before the part that they follow. */
function outOfOrder({ tasks }: Schedule): string[] {
  const last = new Map<string, number>();
  return tasks.flatMap(({ jobId, panelId, n, op, startMin, endMin }) => {
    const key = `${jobId} ${panelId}`;
    const before = last.get(key) ?? 0;
    last.set(key, endMin);
    return startMin < before - 0.02 ? [`${panelId} ${n} ${op} at ${startMin}, before ${before}`] : [];
  });
}

/** Windows that are not kept and of which nothing is said. */
function brokenWindows({ windows, warnings }: Schedule): string[] {
  return windows.flatMap(({ panelId, usedByN, kind, usedMin, opensMin, closesMin }) => {
    const isSaid = warnings.some((warning) => warning.panelId === panelId && warning.n === usedByN);
    const isLate = usedMin > closesMin + 1e-6;
    const isEarly = kind !== 'exposure' && usedMin < opensMin - 1e-6;
    return (isLate || isEarly) && !isSaid
      ? [`${panelId} step ${usedByN}: ${kind} ${opensMin} to ${closesMin}, used at ${usedMin}`]
      : [];
  });
}

/** All that is wrong with a schedule; empty where it keeps everything that a schedule has to keep. */
export const faultsOf = (schedule: Schedule, asked: Pick<ScheduleAsk, 'shop' | 'start'>): string[] => [
  ...clashesOf(schedule),
  ...outOfHours(schedule, asked),
  ...outOfOrder(schedule),
  ...brokenWindows(schedule),
  ...schedule.inserted.filter(({ why }) => why === '').map(({ op }) => `${op} was put in without a reason`),
];
