import {
  clockOfStep,
  clockPlace,
  stepTitle,
  type BodyOf,
  type Check,
  type EntryKind,
  type NewEntry,
  type Shop,
} from '@blue-ledge/core';
import { useClocks } from '../../api/clock-queries.ts';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { startStepClock, type ClockPanel } from '../../clocks/start.ts';
import { enter } from '../../outbox/record.ts';
import { announce } from '../../state/announce.ts';
import { beginStep, endStep, useBegunSteps } from '../../state/begun-steps.ts';
import { rememberLast } from '../../state/last-entries.ts';
import type { PanelContext } from '../panel-context.ts';
import type { Run, RunStep } from './use-run.ts';
import { useUnderName, useWho, type UnderName, type Who } from './Who.tsx';
import { doneAsPlanned, writeEntry } from './write-entry.ts';

/** What a person does at the bench, as entries of the record: kept on this device first. */

const MINUTE_MS = 60_000;

/** Kinds that say something of a step. */
type OfStep = Extract<EntryKind, 'reading' | 'check' | 'defect' | 'note' | 'photo'>;

export interface Bench {
  readonly who: Who;
  /** Somebody has to say who they are before what they did is entered. */
  readonly name: UnderName;
  /** When somebody said that they begin the step; undefined where nobody did. */
  readonly begunMs: number | undefined;
  readonly begin: (nowMs: number) => void;
  /** Enters the step as done, with what differs and how long ago it ended. */
  readonly finish: (nowMs: number, more?: object, agoMin?: number) => void;
  readonly check: (check: Check, outcome: 'passes' | 'fails') => void;
  /** Enters what was read, found or noted at the step. */
  readonly say: <K extends OfStep>(kind: K, body: BodyOf<K>, words: string, photo?: Blob) => void;
  readonly clockPanel: ClockPanel;
}

interface BenchOf {
  readonly context: PanelContext;
  readonly plan: PlanOnScreen;
  readonly run: Run;
  readonly shown: RunStep;
  readonly shop: Shop;
  readonly onDone: () => void;
}

export function useBench({ context: { key, view }, plan, run, shown, shop, onDone }: BenchOf): Bench {
  const who = useWho(shop);
  const clocks = useClocks();
  const name = useUnderName(who);
  const { as } = name;
  const { step, act } = shown;
  const place = `${plan.id}/${step.n}`;
  const begunMs = useBegunSteps((state) => state.byStep[place]);
  const ref = { planId: plan.id, systemId: run.system.id };
  const clockPanel = {
    jobId: view.job.id,
    panelId: view.panel.id,
    panelName: view.panel.name,
    ...ref,
    shop: view.shop,
  };
  const write = (entry: NewEntry, words: string, photo?: Blob): void => {
    enter(key, entry, words, photo);
    rememberLast(key, [entry], words);
    announce(`Entered: ${words}.`);
  };
  /** The clock of what was just laid or bared, where none runs for it. */
  const startClock = (agoMin: number): void => {
    const startable = clockOfStep(step.n, run.system.steps, plan.opened.sheetOf);
    if (!startable || startable.n !== step.n || startable.work.kind === 'minutes') return;
    const name = clockPlace({ ...clockPanel, n: step.n }, startable.title);
    const isRunning = clocks.some(({ clock: { step: of, title } }) => of && clockPlace(of, title) === name);
    if (!isRunning) startStepClock(startable, clockPanel, plan.opened.missedCostOf, agoMin);
  };
  const say: Bench['say'] = (kind, body, words, photo) =>
    as((by) => write(writeEntry({ by, kind, body: { ...body, step: { ...ref, n: step.n } } }), words, photo));
  return {
    who,
    name,
    begunMs,
    begin: (nowMs) => beginStep(place, nowMs),
    finish: (nowMs, more = {}, agoMin = 0) =>
      as((by) => {
        const sinceMin =
          begunMs === undefined ? undefined : Math.round((nowMs - begunMs) / MINUTE_MS) - agoMin;
        const body = {
          ...doneAsPlanned(step, act, ref),
          ...(sinceMin === undefined ? {} : { minutes: Math.max(1, sinceMin) }),
          ...more,
        };
        write(writeEntry({ by, kind: 'act', body, agoMin }), `${step.n}. ${stepTitle(step)} done`);
        endStep(place);
        startClock(agoMin);
        onDone();
      }),
    check: ({ check, title }, outcome) =>
      say('check', { check, outcome, zones: [...step.areas] }, `${title}: ${outcome}`),
    say,
    clockPanel,
  };
}
