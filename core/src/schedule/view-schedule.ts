import { z } from 'zod';
import { OPS } from '../operations/act.ts';
import { placesOf } from '../planner/steps.ts';
import { SOURCES } from '../wording/reason.ts';
import { say } from '../wording/say.ts';
import type { Solved } from './make-schedule.ts';
import { partsOf, type HeldBy, type PlacedStep } from './placed.ts';
import type { DatedStart } from '../planner/work-start.ts';
import { textOfMoment } from './work-calendar.ts';

/** A schedule as it is shown, sent and printed; minutes since its start by the shop's clock, nights counted. */

const HELD_BY = [
  'nothing',
  'hours',
  'person',
  'booth',
  'oven',
  'air',
  'window',
  'pin',
  'not-before',
] as const satisfies readonly HeldBy[];

const ofPanel = { jobId: z.string(), panelId: z.string() };

export const scheduleTaskSchema = z.object({
  ...ofPanel,
  /** Step of the panel's plan; for work that was put in, the step that it goes before. */
  n: z.number().int(),
  op: z.enum(OPS),
  part: z.number().int().min(1),
  isUnattended: z.boolean(),
  startMin: z.number(),
  endMin: z.number(),
  /** `technician:ID`, `booth:1`, `oven:1`. */
  resources: z.array(z.string()),
  zones: z.array(z.string()),
  sheetId: z.string().optional(),
  sheetName: z.string().optional(),
  /** Shared by what is sprayed together in one booth cycle. */
  batch: z.string().optional(),
  isInserted: z.literal(true).optional(),
  /** Washing up of the gun at its beginning, minutes. */
  washMin: z.number().optional(),
  heldBy: z.enum(HELD_BY).optional(),
});

export const scheduleWindowSchema = z.object({
  ...ofPanel,
  kind: z.string(),
  rule: z.string(),
  /** Step that starts it, and the one that keeps it. */
  n: z.number().int(),
  usedByN: z.number().int(),
  zones: z.array(z.string()),
  opensMin: z.number(),
  closesMin: z.number(),
  usedMin: z.number(),
  thenWhat: z.string(),
});

export const insertedSchema = z.object({
  ...ofPanel,
  /** Step that it goes after; 0 before the first. */
  afterN: z.number().int(),
  op: z.enum(OPS),
  why: z.string(),
  handsOnMin: z.number(),
});

export const schedulePanelSchema = z.object({
  ...ofPanel,
  name: z.string(),
  startMin: z.number(),
  finishMin: z.number(),
  dueMin: z.number().optional(),
  /** Until when base may go on after the hand-over. */
  baseByMin: z.number().optional(),
});

export const scheduleWarningSchema = z.object({
  jobId: z.string().optional(),
  panelId: z.string().optional(),
  n: z.number().int().optional(),
  source: z.enum(SOURCES).optional(),
  text: z.string(),
});

export const scheduleSchema = z.object({
  /** By the shop's clock, like 2026-12-07T08:00. */
  start: z.string(),
  makespanMin: z.number(),
  lowerBoundMin: z.number(),
  /** What nothing can beat: the longest chain, or the load of people or booths. */
  boundBy: z.enum(['chain', 'people', 'booths']),
  people: z.array(z.object({ id: z.string(), name: z.string() })),
  nBooths: z.number().int(),
  nOvens: z.number().int(),
  panels: z.array(schedulePanelSchema),
  tasks: z.array(scheduleTaskSchema),
  windows: z.array(scheduleWindowSchema),
  inserted: z.array(insertedSchema),
  late: z.array(z.object({ ...ofPanel, byMin: z.number() })),
  /** Panels that are not in it, and what each waits for. */
  waiting: z.array(z.object({ ...ofPanel, name: z.string(), text: z.string() })),
  warnings: z.array(scheduleWarningSchema),
});

export type Schedule = z.infer<typeof scheduleSchema>;
export type ScheduledTask = z.infer<typeof scheduleTaskSchema>;
export type ScheduledWindow = z.infer<typeof scheduleWindowSchema>;

const round = (minutes: number): number => Math.round(minutes * 100) / 100;

function resourcesOfPart(
  placed: PlacedStep,
  isUnattended: boolean,
  booth: number,
  people: Solved['resources']['people'],
): string[] {
  return [
    ...(placed.person >= 0 && !isUnattended ? [`technician:${people[placed.person]!.id}`] : []),
    ...(booth >= 0 ? [`booth:${booth + 1}`] : []),
    ...(placed.oven >= 0 ? [`oven:${placed.oven + 1}`] : []),
  ];
}

/** Cycles in which more than one panel is sprayed. */
function batchesOf({ placement }: Solved): ReadonlyMap<number, string> {
  const shared = placement.board.booths
    .flat()
    .filter(({ panels, mixKey }) => panels.size > 1 && mixKey !== 'bake');
  return new Map(shared.map(({ id }, i) => [id, `batch-${i + 1}`]));
}

function tasksOf(solved: Solved): Schedule['tasks'] {
  const batches = batchesOf(solved);
  const { people } = solved.resources;
  return solved.works.flatMap(({ todo, steps, start }, nth) => {
    let booth = -1;
    let batch: string | undefined;
    return solved.placement.panels[nth]!.flatMap((placed, i) => {
      const { n, act, sheet, insertedFor } = steps[i]!;
      // A flash holds the booth that its coat was sprayed in.
      if (act.op !== 'flash') [booth, batch] = [placed.booth, batches.get(placed.cycle)];
      const { zones } = placesOf(act, start);
      return partsOf(steps[i]!, placed).map(({ fromMin, toMin, isUnattended }, k) => ({
        jobId: todo.jobId,
        panelId: todo.panelId,
        n,
        op: act.op,
        part: k + 1,
        isUnattended,
        startMin: round(fromMin),
        endMin: round(toMin),
        resources: resourcesOfPart(placed, isUnattended, booth, people),
        zones,
        ...(sheet ? { sheetId: sheet.id, sheetName: sheet.name } : {}),
        ...(batch ? { batch } : {}),
        ...(insertedFor ? { isInserted: true as const } : {}),
        ...(placed.washMin > 0 && k === 0 ? { washMin: placed.washMin } : {}),
        ...(placed.heldBy !== 'nothing' && k === 0 ? { heldBy: placed.heldBy } : {}),
      }));
    });
  });
}

const idsOf = ({ todo }: Solved['works'][number]) => ({ jobId: todo.jobId, panelId: todo.panelId });

function insertedOf({ works, placement }: Solved): Schedule['inserted'] {
  return works.flatMap((work, nth) =>
    work.steps.flatMap(({ insertedFor, act, n }, i) => {
      if (!insertedFor) return [];
      const handsOnMin = partsOf(work.steps[i]!, placement.panels[nth]![i]!).reduce(
        (sum, { fromMin, toMin, isUnattended }) => sum + (isUnattended ? 0 : toMin - fromMin),
        0,
      );
      const why = insertedFor.map((reason) => say(reason)).join(' ');
      return [{ ...idsOf(work), afterN: n - 1, op: act.op, why, handsOnMin: round(handsOnMin) }];
    }),
  );
}

/** A solved schedule in the shape in which it is shown. */
export function viewSchedule(solved: Solved, start: DatedStart): Schedule {
  const { works, placement, settled, resources, score, bound } = solved;
  const panels = works.map((work, i) => {
    const steps = placement.panels[i]!;
    const { dueMin, name } = work.todo;
    const { baseByMin } = settled[i]!;
    return {
      ...idsOf(work),
      name,
      startMin: round(steps[0]?.handsFromMin ?? 0),
      finishMin: round(steps.at(-1)?.endMin ?? 0),
      ...(dueMin === undefined ? {} : { dueMin }),
      ...(Number.isFinite(baseByMin) ? { baseByMin: round(baseByMin) } : {}),
    };
  });
  return {
    start: textOfMoment(start),
    makespanMin: round(score.makespanMin),
    lowerBoundMin: round(Math.min(bound.boundMin, score.makespanMin)),
    boundBy: bound.by,
    people: resources.people.map(({ id, name }) => ({ id, name })),
    nBooths: resources.nBooths,
    nOvens: resources.nOvens,
    panels,
    tasks: tasksOf(solved),
    windows: settled.flatMap(({ windows }, i) =>
      windows.map(({ areas, opensMin, closesMin, usedMin, ...window }) => ({
        ...idsOf(works[i]!),
        ...window,
        zones: [...areas],
        opensMin: round(opensMin),
        closesMin: round(closesMin),
        usedMin: round(usedMin),
      })),
    ),
    inserted: insertedOf(solved),
    late: panels.flatMap(({ jobId, panelId, finishMin, dueMin = Infinity }) =>
      finishMin > dueMin ? [{ jobId, panelId, byMin: round(finishMin - dueMin) }] : [],
    ),
    waiting: [],
    warnings: [
      ...works.flatMap((work) => work.problems.map((text) => ({ ...idsOf(work), text }))),
      ...settled.flatMap(({ broken }, i) =>
        broken.map(({ n, verdict }) => ({
          ...idsOf(works[i]!),
          n,
          source: verdict.reason.source,
          text: `No shift of this shop keeps it: ${say(verdict.reason)}`,
        })),
      ),
    ],
  };
}
