import type { Context } from '../operations/context.ts';
import type { Act } from '../operations/act.ts';
import type { Cost } from '../operations/operation.ts';
import { carryOut } from '../operations/perform.ts';
import { carryOutReally, type RealWork, type ReallyDone } from '../operations/real-work.ts';
import type { PanelState } from '../operations/state.ts';
import { decideAct } from '../rules/check-act.ts';
import { newSearchMemory, type SearchMemory } from '../rules/search-memory.ts';
import type { Verdict } from '../rules/rule.ts';
import { actOf, type ActInput } from './act-input.ts';
import { isSeen, withSeen, type Seen } from './happening.ts';
import type { Performed } from './prepare.ts';
import type { PlannedAct } from './stored-plan.ts';

/** The one way from acts to what they did: for plans on screen and in print, the command line, ladders and records. */

export interface Replayed {
  readonly steps: readonly Performed[];
  /** Which of what happened each step was, by its number from 0. */
  readonly nths: readonly number[];
  readonly panel: PanelState;
  /** Acts that cannot be read, by their number; the others were done all the same. */
  readonly problems: readonly string[];
}

export type ReplayAct = ActInput &
  Partial<Pick<PlannedAct, 'why' | 'unmet'>> & { readonly real?: RealWork | undefined };

/** Acts that were replayed before, by the state they were done in: systems that begin alike share their first steps. */
export interface ReplayMemo extends SearchMemory {
  readonly steps: Map<PanelState, Map<string, Performed>>;
}
export const newReplayMemo = (): ReplayMemo => ({ steps: new Map(), ...newSearchMemory(false) });

/** The panel as it stands when nobody has touched it for so long. */
export const afterIdle = (panel: PanelState, idleMin: number): PanelState =>
  idleMin > 0 ? { ...panel, clockMin: panel.clockMin + idleMin } : panel;

/** The act as it was really done where somebody wrote that down, else as it is planned. */
function doneAs(act: Act, panel: PanelState, real: RealWork | undefined, context: Context): ReallyDone {
  if (real) return carryOutReally(panel, act, real, context);
  const { panel: after, cost } = carryOut(panel, act, context);
  return { before: panel, after, cost };
}

const isSameVerdict = (a: Verdict, b: Verdict): boolean =>
  a.level === b.level && a.zoneId === b.zoneId && a.reason.code === b.reason.code;

/** By how much a time limit was missed; Infinity for a rule about something else. */
const byMinutes = ({ reason: { facts } }: Verdict): number =>
  Number(facts['leftMin'] ?? facts['overMin'] ?? Infinity);

/** A step that was replayed. The rules are asked once somebody wants to know: a fold of a long record does not. */
class ReplayedStep implements Performed {
  readonly before: PanelState;
  readonly after: PanelState;
  readonly cost: Cost;
  readonly splitMin: number | undefined;
  readonly unmet: readonly Verdict[];
  private readonly latestMin: number | undefined;
  private asked: readonly Verdict[] | undefined;

  constructor(
    readonly act: Act,
    { before, after, cost, latestMin }: ReallyDone,
    { idleMin, isSplit, unmet = [] }: ReplayAct,
    private readonly asking: { readonly context: Context; readonly memory: SearchMemory },
  ) {
    this.before = before;
    this.after = after;
    this.cost = cost;
    this.splitMin = isSplit ? idleMin : undefined;
    this.unmet = unmet as readonly Verdict[];
    this.latestMin = latestMin;
  }

  get remarks(): readonly Verdict[] {
    return (this.asked ??= [...this.judged(), ...this.unmet]);
  }

  /** What the rules say of it as it began; where nobody knows when that was, only what holds at any time that it may have. */
  private judged(): readonly Verdict[] {
    const { act, before, latestMin } = this;
    const { context, memory } = this.asking;
    const atFirst = decideAct(act, before, context, memory);
    if (latestMin === undefined || latestMin <= before.clockMin) return atFirst;
    const atLast = decideAct(act, { ...before, clockMin: latestMin }, context, memory);
    return atFirst.flatMap((verdict) => {
      if (verdict.level !== 'must') return verdict;
      const same = atLast.find((other) => isSameVerdict(verdict, other));
      return same ? (byMinutes(same) < byMinutes(verdict) ? same : verdict) : [];
    });
  }
}

function performedAgain(
  kept: ReplayAct,
  stood: PanelState,
  context: Context,
  memo: ReplayMemo,
): Performed | string {
  const panel = afterIdle(stood, kept.idleMin ?? 0);
  const read = actOf(kept, context, panel);
  if (!read.ok) return read.message;
  return new ReplayedStep(read.act, doneAs(read.act, panel, kept.real, context), kept, {
    context,
    memory: memo,
  });
}

/** The act, done again where nobody did it in this state before; what was really done is never the same twice. */
function performedOnce(
  kept: ReplayAct,
  panel: PanelState,
  context: Context,
  memo: ReplayMemo,
): Performed | string {
  if (kept.real) return performedAgain(kept, panel, context, memo);
  const known = memo.steps.get(panel) ?? new Map<string, Performed>();
  memo.steps.set(panel, known);
  const name = JSON.stringify(kept);
  const step = known.get(name) ?? performedAgain(kept, panel, context, memo);
  if (typeof step !== 'string') known.set(name, step);
  return step;
}

/**
 * Does acts one after the other, each in the state that the ones before it left, waits and what was seen included.
 * O(acts x areas x rules); deterministic: the same acts over the same state give the same steps.
 */
export function replay(
  start: PanelState,
  happened: readonly (ReplayAct | Seen)[],
  context: Context,
  memo: ReplayMemo = newReplayMemo(),
): Replayed {
  const steps: Performed[] = [];
  const nths: number[] = [];
  const problems: string[] = [];
  let panel = start;
  happened.forEach((kept, i) => {
    if (isSeen(kept)) {
      const seen = withSeen(panel, kept, context);
      if (typeof seen === 'string') problems.push(`entry ${i + 1}, ${seen}`);
      else panel = seen;
      return;
    }
    const step = performedOnce(kept, panel, context, memo);
    if (typeof step === 'string') {
      problems.push(`step ${i + 1}, ${step}`);
      return;
    }
    steps.push(step);
    nths.push(i);
    panel = afterIdle(step.after, kept.thenMin ?? 0);
  });
  return { steps, nths, panel, problems };
}
