import type { Context } from '../operations/context.ts';
import type { Scratch, Surface, ZoneState } from '../operations/state.ts';
import { WHEN_MISSED } from '../operations/time-window.ts';
import { windowsOf } from '../operations/windows.ts';
import type { PlanTask } from '../planner/bench-of-task.ts';
import type { Said, Stack, Step } from '../planner/plan.ts';
import { refusalOf, stackOf, stepOf } from '../planner/steps.ts';
import type { NewEntry } from './entry.ts';
import { foldRecord, isBroken, type Fold, type FoldOptions } from './fold.ts';
import { happenedOf, type ActEntry, type Happened } from './happened.ts';

/** The true state of a panel as it is shown: what lies where, which limits run, and what was not done by the rules. */

export interface TrueZone {
  readonly stack: Stack;
  readonly surface: Surface;
  readonly scratch: Scratch | null;
  readonly openIssues: readonly string[];
}

/** A time limit that runs now; minutes of the panel's clock. */
export interface RunningWindow {
  readonly zone: string;
  readonly kind: string;
  readonly rule: string;
  readonly opensMin: number;
  /** Left out where it never closes. */
  readonly closesMin?: number;
  readonly source: string;
  readonly thenWhat: string;
}

/** A rule that was not kept when an act was done. */
export interface BrokenRule extends Said {
  readonly zoneId: string;
  /** Number of the step, and the entry that tells of it. */
  readonly n: number;
  readonly entryId: string;
}

export interface TrueState {
  /** Areas by their ids: grounds of zones, and patches as `zone/patch`. */
  readonly zones: Readonly<Record<string, TrueZone>>;
  readonly clockMin: number;
  readonly start: Happened['start'];
  readonly windows: readonly RunningWindow[];
  /** What was done, as steps with their figures. */
  readonly steps: readonly Step[];
  readonly acts: readonly ActEntry[];
  readonly broken: readonly BrokenRule[];
  /** Entries that cannot be read, and why. */
  readonly problems: readonly string[];
}

const zoneOf = ({ stack, surface, openIssues }: ZoneState): TrueZone => ({
  stack: stackOf(stack),
  surface,
  scratch: surface.scratch,
  openIssues,
});

const round = (minutes: number): number => Math.round(minutes * 10) / 10;

const windowsOn = (zone: ZoneState, context: Context): RunningWindow[] =>
  windowsOf(zone, context).map(({ kind, rule, opensAtMin, closesAtMin, source, whenMissed }) => ({
    zone: zone.zone.id,
    kind,
    rule,
    opensMin: round(opensAtMin),
    ...(Number.isFinite(closesAtMin) ? { closesMin: round(closesAtMin) } : {}),
    source,
    thenWhat: WHEN_MISSED[whenMissed],
  }));

/** Steps of a plan that a record says are done. */
export const stepsDone = (record: readonly NewEntry[], planId: string): number[] =>
  happenedOf(record).acts.flatMap(({ body: { step } }) => (step?.planId === planId ? [step.n] : []));

/** A fold as screens, the command line and hand-over cards show it. */
export function stateOfFold({ context, panel, steps, acts, happened, problems }: Fold): TrueState {
  const broken = steps.flatMap(({ remarks }, i) =>
    remarks.filter(isBroken).map((verdict) => ({
      ...refusalOf(verdict),
      n: i + 1,
      entryId: acts[i]?.id ?? '',
    })),
  );
  return {
    zones: Object.fromEntries(panel.zones.map((zone) => [zone.zone.id, zoneOf(zone)])),
    clockMin: round(Math.max(panel.clockMin, happened.lastMin)),
    start: happened.start,
    windows: panel.zones.flatMap((zone) => windowsOn(zone, context)),
    steps: steps.map((step, i) => stepOf(step, i + 1, context)),
    acts,
    broken,
    problems,
  };
}

/** The true state of a panel by its record. */
export const trueState = (
  task: PlanTask,
  record: readonly NewEntry[],
  options: FoldOptions = {},
): TrueState => stateOfFold(foldRecord(task, record, options));
