import { surveyState } from '../operations/survey-state.ts';
import type { Scratch, Surface, ZoneState } from '../operations/state.ts';
import { WHEN_MISSED } from '../operations/time-window.ts';
import { windowsOf } from '../operations/windows.ts';
import type { Context } from '../operations/context.ts';
import { benchOfTask, type PlanTask } from '../planner/bench-of-task.ts';
import type { Said, Stack, Step } from '../planner/plan.ts';
import { isDone } from '../planner/happening.ts';
import { replayDone } from '../planner/replay-done.ts';
import { refusalOf, stackOf, stepOf } from '../planner/steps.ts';
import type { Verdict } from '../rules/rule.ts';
import type { NewEntry } from './entry.ts';
import { minutesOfMoment } from '../units/moment.ts';
import { happenedOf, type ActEntry, type Happened } from './happened.ts';

/** The true state of a panel: the record folded over its survey, by the operations that planned it. */

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
export interface Broken extends Said {
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
  /** Rules that were not kept on the way. */
  readonly broken: readonly Broken[];
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

interface FoldOptions {
  /** By how much the shop's clock is ahead of UTC. */
  readonly utcOffsetMin?: number;
  /** The moment that is now, in UTC; that of the last entry where it is left out. */
  readonly now?: string;
}

/** What a plan goes on from: what happened, when it began, and the minute that is now. */
export const pastOf = (
  record: readonly NewEntry[],
  { utcOffsetMin = 0, now }: FoldOptions = {},
): Pick<PlanTask, 'done' | 'airBefore' | 'nowMin' | 'startOn' | 'startMin'> => {
  const { start, happenings, airBefore, lastMin, zeroMin } = happenedOf(record, utcOffsetMin);
  if (!start) return happenings.length > 0 ? { done: [...happenings] } : {};
  const nowMin = now === undefined ? 0 : Math.floor(minutesOfMoment(now) - zeroMin);
  return { ...start, done: [...happenings], airBefore, nowMin: Math.max(lastMin, nowMin) };
};

/** The entries behind the steps of a replay: an act that could not be read has none. */
function actsAt(nths: readonly number[], { happenings, acts }: Happened): ActEntry[] {
  let nActs = 0;
  const entryOf = happenings.map((happening) => (isDone(happening) ? acts[nActs++] : undefined));
  return nths.map((nth) => entryOf[nth]!);
}

/** Nobody enters work to the second: a limit that was missed by less than this was kept, minutes. */
const LEEWAY_MIN = 1;

const isBroken = ({ level, reason }: Verdict): boolean => {
  const byMin = reason.facts['leftMin'] ?? reason.facts['overMin'] ?? Infinity;
  return level === 'must' && Number(byMin) >= LEEWAY_MIN;
};

/** Steps of a plan that a record says are done. */
export const stepsDone = (record: readonly NewEntry[], planId: string): number[] =>
  happenedOf(record).acts.flatMap(({ body: { step } }) => (step?.planId === planId ? [step.n] : []));

/**
 * Folds a record over the survey of a task. O(entries x areas x rules); 2,000 entries are more than a panel collects.
 * @param task what the panel is planned under; its own `done` and start do not count
 */
export function trueState(task: PlanTask, record: readonly NewEntry[], options: FoldOptions = {}): TrueState {
  const happened = happenedOf(record, options.utcOffsetMin);
  const past = pastOf(record, options);
  const { context } = benchOfTask({ ...task, ...past });
  const found = surveyState(context.panel, context.shop.rules);
  const { steps, nths, panel, problems } = replayDone(found, past, context);
  const acts = actsAt(nths, happened);
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
