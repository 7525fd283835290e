import { isCoat, isSanding, type CoatAct, type SandAct } from '../operations/act.ts';
import { sheetIn, type Context } from '../operations/context.ts';
import { zoneIdOf, zoneOf, type ZoneState } from '../operations/state.ts';
import type { Defect } from '../operations/mishaps.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { isStepOf, type Performed, type StepOf } from '../planner/prepare.ts';
import type { CoatValues, NewEntry } from '../record/entry.ts';
import { foldRecord, type Fold, type FoldOptions } from '../record/fold.ts';
import { heldOf } from '../record/corrections.ts';
import type { PlanTask } from '../planner/bench-of-task.ts';

/** A defect with what the record knows around it: the coats and the sanding on that area before it was seen. */

/** A coat on the area, as it was really sprayed. */
export interface CoatStep {
  readonly step: StepOf<CoatAct>;
  readonly values: CoatValues;
  readonly sheet: ProductSheet;
  /** The area before and after it. */
  readonly before: ZoneState;
  readonly after: ZoneState;
  /** Number of the step in the record, from 1. */
  readonly n: number;
}

export interface SandStep {
  readonly step: StepOf<SandAct>;
  readonly before: ZoneState;
  readonly n: number;
}

export interface Case {
  readonly defect: Defect;
  readonly area: string;
  readonly context: Context;
  readonly fold: Fold;
  /** In the order in which they were laid. */
  readonly coats: readonly CoatStep[];
  readonly sandings: readonly SandStep[];
  /** Place on the panel, mm, where it was marked. */
  readonly atMm: readonly [number, number] | undefined;
  /** Seconds that a flow cup took last. */
  readonly cupSeconds: number | undefined;
  /** All that was noted, in small letters. */
  readonly notes: string;
}

type DefectEntry = Extract<NewEntry, { kind: 'defect' }>;

/** The area of a state, or the ground that it was a part of before it became one. */
export const areaIn = (panel: Performed['before'], area: string): ZoneState | undefined =>
  panel.zones.find(({ zone }) => zone.id === area) ??
  panel.zones.find(({ zone }) => zone.id === area.split('/')[0]);

function coatsOn(area: string, steps: readonly Performed[], { acts }: Fold, context: Context): CoatStep[] {
  return steps.flatMap((step, i) => {
    const before = areaIn(step.before, area);
    if (!isStepOf(step, isCoat) || !before || !step.act.zones.includes(before.zone.id)) return [];
    const after = zoneOf(step.after, before.zone.id);
    const values = acts[i]?.body.values ?? {};
    return [{ step, values, sheet: sheetIn(context, step.act.sheetId), before, after, n: i + 1 }];
  });
}

function sandingsOn(area: string, steps: readonly Performed[]): SandStep[] {
  return steps.flatMap((step, i) => {
    const before = areaIn(step.before, area);
    return isStepOf(step, isSanding) && before && step.act.zones.includes(before.zone.id)
      ? [{ step, before, n: i + 1 }]
      : [];
  });
}

const textsOf = (entries: readonly NewEntry[]): string =>
  entries
    .flatMap(({ body }) => ('text' in body && typeof body.text === 'string' ? [body.text.toLowerCase()] : []))
    .join('; ');

/** The area that a coat went on last: where a defect is looked for that nobody has placed. */
function lastArea({ steps, panel }: Fold): string {
  const last = steps.findLast(({ act }) => isCoat(act));
  return last?.act.zones[0] ?? zoneIdOf(panel.zones[0]!);
}

/**
 * The case of a defect: of its last entry, or of one that is only asked about.
 * @param asked word of the defect; that of the last defect entry where it is left out
 * @returns null where the record tells of no defect and none is asked about
 */
export function caseOf(
  task: PlanTask,
  record: readonly NewEntry[],
  asked?: Defect,
  options: FoldOptions = {},
): Case | null {
  const { entries } = heldOf(record);
  const seen = entries.findLast(
    (entry): entry is DefectEntry =>
      entry.kind === 'defect' && (asked === undefined || entry.body.defect === asked),
  );
  const defect = asked ?? seen?.body.defect;
  if (!defect) return null;
  // What came after it is no cause of it.
  const before = seen ? entries.slice(0, entries.indexOf(seen)) : entries;
  const fold = foldRecord(task, before as readonly NewEntry[], options);
  const area = seen?.body.zones[0] ?? lastArea(fold);
  const { context, steps } = fold;
  return {
    defect,
    area,
    context,
    fold,
    coats: coatsOn(area, steps, fold, context),
    sandings: sandingsOn(area, steps),
    atMm: seen?.body.atMm,
    cupSeconds: before
      .flatMap((entry) => (entry.kind === 'reading' ? (entry.body.seconds ?? []) : []))
      .at(-1),
    notes: textsOf(entries as readonly NewEntry[]),
  };
}
