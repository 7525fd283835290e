import { momentOf, type DatedStart, type ScheduleChanges } from '@blue-ledge/core';
import { useEffect, useRef, useState } from 'react';
import { tryMove } from '../api/schedule-queries.ts';

/** A step at a time where it is not yet. */
export interface Wished {
  readonly jobId: string;
  readonly panelId: string;
  readonly n: number;
  readonly toMin: number;
  readonly personId: string;
}

export interface Trial {
  /** What the move comes to for the whole shop; null while that is not known. */
  readonly changes: ScheduleChanges | null;
  /** It was asked and could not be told. */
  readonly isUnknown: boolean;
}

const NONE: Trial = { changes: null, isUnknown: false };

/**
 * What a move would come to while it is still being chosen: one question at a time, always about the latest wish.
 * @param wished null where nothing is being moved
 */
export function useTrial(shopId: string, start: DatedStart, wished: Wished | null): Trial {
  const name = wished && `${wished.jobId} ${wished.panelId} ${wished.n} ${wished.toMin} ${wished.personId}`;
  const [told, setTold] = useState<Trial & { readonly name: string | null }>({ ...NONE, name: null });
  const isAsking = useRef(false);
  const latest = useRef<{ readonly name: string; readonly wished: Wished } | null>(null);
  const ended = useRef(new AbortController());
  useEffect(() => {
    const stop = new AbortController();
    ended.current = stop;
    return () => stop.abort();
  }, []);
  useEffect(() => {
    latest.current = wished && name !== null ? { name, wished } : null;
    if (isAsking.current || !latest.current) return;
    const askOn = async (): Promise<void> => {
      isAsking.current = true;
      const { signal } = ended.current;
      for (let asked = latest.current; asked && !signal.aborted;) {
        const { jobId, panelId, n, toMin, personId } = asked.wished;
        const move = { jobId, panelId, n, at: momentOf(start, Math.round(toMin)), personId };
        const told = await tryMove(shopId, move, signal).then(
          (changes) => ({ changes, isUnknown: false }),
          () => ({ changes: null, isUnknown: true }),
        );
        if (!signal.aborted) setTold({ ...told, name: asked.name });
        const next = latest.current;
        asked = next && next.name !== asked.name ? next : null;
      }
      isAsking.current = false;
    };
    void askOn();
  }, [name, shopId, start, wished]);
  return told.name === name ? told : NONE;
}
