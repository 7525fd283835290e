import type { PracticePanel, Score, Outcome, ToolUsed } from '@blue-ledge/core';
import { useEffect, useRef, useState } from 'react';
import type { HandIn, PracticeAct } from '../workers/blocking-messages.ts';
import type { FieldView } from '../workers/paint-field.ts';
import { useBlockingWorker } from '../workers/use-blocking-worker.ts';
import { useFrames, type Subscribe } from '../workers/use-frames.ts';
import { keepActs, keepBest, usePracticeLog } from './practice-store.ts';

export interface Judged {
  readonly outcome: Outcome;
  readonly score: Score;
  readonly minutes: number;
  readonly used: readonly ToolUsed[];
  /** What the hand did, in a few sentences. */
  readonly story: readonly string[];
}

/** What is to be seen while the work goes on. */
export interface Seen {
  readonly minutes: number;
  readonly guideLeftShare: number;
}

export interface Felt {
  readonly yMm: number;
  readonly profileUm: Float32Array;
}

/** Adds an act to the log; one stroke is one entry however often the hand was asked where it is. */
function log(acts: PracticeAct[], done: PracticeAct): void {
  const last = acts.at(-1);
  const goesOn = last?.kind === 'slide' && done.kind === 'slide' && last.forceN === done.forceN;
  if (goesOn) acts[acts.length - 1] = { ...last, wayMm: last.wayMm.concat(done.wayMm) };
  else acts.push(done);
}

/** A practice panel under the learner's hand: acts go to the worker, frames and scores come back. */
export interface Practice {
  readonly act: (act: PracticeAct) => void;
  readonly look: (view: FieldView) => void;
  readonly feel: (yMm: number) => void;
  readonly startOver: (hand: HandIn) => void;
  readonly subscribe: Subscribe;
  readonly seen: Seen | null;
  /** The verdict, once the learner said done; none while work goes on after it. */
  readonly judged: Judged | null;
  readonly judge: () => void;
  readonly felt: Felt | null;
}

export function usePractice(panel: PracticePanel, hand: HandIn): Practice {
  const [judged, setJudged] = useState<Judged | null>(null);
  const [seen, setSeen] = useState<Seen | null>(null);
  const [felt, setFelt] = useState<Felt | null>(null);
  const frames = useFrames();
  const acts = useRef<PracticeAct[]>([]);
  const tell = useBlockingWorker((message, answer) => {
    if (message.kind === 'frame') frames.show(message, answer);
    else if (message.kind === 'judged') {
      setJudged(message);
      if (message.minutes > 0) keepBest(panel.id, message.score.points);
    } else if (message.kind === 'seen') {
      setSeen(message);
      setJudged(null);
    } else if (message.kind === 'felt') setFelt(message);
  });
  const first = useRef(hand);
  useEffect(() => {
    first.current = hand;
  });

  useEffect(() => {
    acts.current = [...(usePracticeLog.getState().acts[panel.id] ?? [])];
    tell({ kind: 'open', panelId: panel.id, acts: acts.current });
    tell({ kind: 'act', act: { kind: 'take', ...first.current } });
  }, [panel.id, tell]);

  const act = (done: PracticeAct): void => {
    log(acts.current, done);
    tell({ kind: 'act', act: done });
    // A stroke is kept whole, when the block is lifted.
    if (done.kind === 'up' || done.kind === 'dust') keepActs(panel.id, acts.current);
  };
  const startOver = (with_: HandIn): void => {
    acts.current = [];
    keepActs(panel.id, []);
    setFelt(null);
    tell({ kind: 'open', panelId: panel.id, acts: [] });
    tell({ kind: 'act', act: { kind: 'take', ...with_ } });
  };
  return {
    act,
    startOver,
    subscribe: frames.subscribe,
    seen,
    judged,
    judge: () => tell({ kind: 'judge' }),
    felt,
    look: (view) => tell({ kind: 'view', view }),
    feel: (yMm) => tell({ kind: 'feel', yMm }),
  };
}
