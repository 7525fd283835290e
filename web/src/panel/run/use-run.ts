import {
  foldRecord,
  heldOf,
  stateOfFold,
  whyNotNow,
  type ActEntry,
  type ActInput,
  type BodyOf,
  type Fold,
  type NewEntry,
  type Said,
  type Step,
  type System,
  type TrueState,
} from '@blue-ledge/core';
import { useMemo } from 'react';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import type { PanelRecord } from '../../api/record-queries.ts';

/** The work on a panel as it stands: its plan's steps, which of them are done, and the panel as the record leaves it. */

export interface RunStep {
  readonly step: Step;
  readonly act: ActInput;
  /** The entry that says that it is done; null for one that was done before this plan was made. */
  readonly entry: ActEntry | null;
  readonly isDone: boolean;
  /** What its checks came to, the last word of each. */
  readonly checks: ReadonlyMap<string, BodyOf<'check'>['outcome']>;
}

export interface Run {
  readonly system: System;
  readonly steps: readonly RunStep[];
  /** First step that is not done; null once all are. */
  readonly next: RunStep | null;
  readonly fold: Fold;
  readonly state: TrueState;
  /** What holds of the record, corrections taken in. */
  readonly held: readonly NewEntry[];
  /** Something went wrong since this plan was made: the rest is to be planned anew. */
  readonly mishaps: readonly Extract<NewEntry, { kind: 'defect' }>[];
}

const isAct = (entry: NewEntry): entry is ActEntry => entry.kind === 'act';

/** What the checks of a step came to: what was taken back does not count. */
const checksOn = (held: readonly NewEntry[], planId: string, n: number): RunStep['checks'] =>
  new Map(
    held.flatMap((entry) =>
      entry.kind === 'check' && entry.body.step?.planId === planId && entry.body.step.n === n
        ? [[entry.body.check, entry.body.outcome] as const]
        : [],
    ),
  );

export function useRun(plan: PlanOnScreen | null, record: PanelRecord): Run | null {
  const { entries, kept } = record;
  const utcOffsetMin = kept?.utcOffsetMin ?? -new Date().getTimezoneOffset();
  return useMemo(() => {
    const system = plan?.opened.view.systems.find(({ id }) => id === plan.chosen);
    if (!plan || !system) return null;
    const held = heldOf(entries).entries;
    const doneBy = new Map(
      held
        .filter(isAct)
        .flatMap((entry) =>
          entry.body.step?.planId === plan.id ? [[entry.body.step.n, entry] as const] : [],
        ),
    );
    const acts = plan.opened.actsOf(system.id);
    const steps = system.steps.map((step, i): RunStep => {
      const entry = doneBy.get(step.n) ?? null;
      const isDone = step.isDone === true || entry !== null;
      return { step, act: acts[i]!, entry, isDone, checks: checksOn(held, plan.id, step.n) };
    });
    const fold = foldRecord(plan.plan.inputs, entries, { utcOffsetMin });
    return {
      system,
      steps,
      next: steps.find(({ isDone }) => !isDone) ?? null,
      fold,
      state: stateOfFold(fold),
      held,
      mishaps: held.filter(
        (entry): entry is Extract<NewEntry, { kind: 'defect' }> =>
          entry.kind === 'defect' && entry.at > plan.createdAt,
      ),
    };
  }, [plan, entries, utcOffsetMin]);
}

/** Why a step may not be done now, by the rules and the panel as it really is; asked anew as time goes on. */
export function useWhyNot(
  plan: PlanOnScreen,
  record: PanelRecord,
  asked: RunStep,
  nowMs: number,
): readonly Said[] {
  const { entries, kept } = record;
  // To the half minute: rules speak of minutes.
  const nowIso = new Date(Math.floor(nowMs / 30_000) * 30_000).toISOString();
  const utcOffsetMin = kept?.utcOffsetMin ?? -new Date(nowMs).getTimezoneOffset();
  return useMemo(
    () =>
      asked.isDone
        ? []
        : whyNotNow(foldRecord(plan.plan.inputs, entries, { utcOffsetMin, now: nowIso }), asked.act),
    [plan, entries, utcOffsetMin, nowIso, asked],
  );
}
