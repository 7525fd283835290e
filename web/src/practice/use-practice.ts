import type { PracticePanel, Score, Outcome } from '@blue-ledge/core';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Frame, HandIn, PracticeAct } from '../workers/blocking-messages.ts';
import type { FieldView } from '../workers/paint-field.ts';
import { useBlockingWorker } from '../workers/use-blocking-worker.ts';
import { keepActs, keepBest, usePracticeLog } from './practice-store.ts';

export interface Judged {
  readonly outcome: Outcome;
  readonly score: Score;
  readonly minutes: number;
}

export interface Felt {
  readonly yMm: number;
  readonly profileUm: Float32Array;
}

/** A practice panel under the learner's hand: acts go to the worker, frames and scores come back. */
export interface Practice {
  readonly act: (act: PracticeAct) => void;
  readonly look: (view: FieldView) => void;
  readonly feel: (yMm: number) => void;
  readonly startOver: (hand: HandIn) => void;
  readonly subscribe: (draw: (frame: Frame) => void) => () => void;
  readonly judged: Judged | null;
  readonly felt: Felt | null;
}

export function usePractice(panel: PracticePanel, hand: HandIn): Practice {
  const [judged, setJudged] = useState<Judged | null>(null);
  const [felt, setFelt] = useState<Felt | null>(null);
  const draws = useRef(new Set<(frame: Frame) => void>());
  const acts = useRef<PracticeAct[]>([]);
  const tell = useBlockingWorker((message, answer) => {
    if (message.kind === 'frame') {
      draws.current.forEach((draw) => draw(message));
      answer({ kind: 'return', pixels: message.pixels }, [message.pixels]);
    } else if (message.kind === 'judged') {
      setJudged(message);
      if (message.minutes > 0) keepBest(panel.id, message.score.points);
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
    acts.current.push(done);
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
  const subscribe = useCallback((draw: (frame: Frame) => void) => {
    const all = draws.current;
    all.add(draw);
    return () => {
      all.delete(draw);
    };
  }, []);
  return {
    act,
    startOver,
    subscribe,
    judged,
    felt,
    look: (view) => tell({ kind: 'view', view }),
    feel: (yMm) => tell({ kind: 'feel', yMm }),
  };
}
