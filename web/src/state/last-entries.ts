import type { NewEntry } from '@blue-ledge/core';
import { create } from 'zustand';
import { nameOfPanel, type PanelKey } from '../outbox/entry.ts';
import { serverNow } from './server-time.ts';

/** What was entered last on a panel, for as long as it can be taken back by one press. */

/** So long an entry is offered to be taken back; later the record corrects it. */
export const TAKE_BACK_MS = 10_000;

export interface LastEntries {
  readonly panel: string;
  /** What one press entered: one entry, or several together. */
  readonly entries: readonly NewEntry[];
  readonly words: string;
  readonly enteredMs: number;
}

const useLast = create<{ readonly last: LastEntries | null }>(() => ({ last: null }));

export const rememberLast = (at: PanelKey, entries: readonly NewEntry[], words: string): void =>
  useLast.setState({ last: { panel: nameOfPanel(at), entries, words, enteredMs: serverNow() } });

export const forgetLast = (): void => useLast.setState({ last: null });

/** What can be taken back on a panel now; null once its time is over. @param nowMs by the server's clock */
export function useLastEntries(at: PanelKey, nowMs: number): LastEntries | null {
  const last = useLast((state) => state.last);
  return last?.panel === nameOfPanel(at) && nowMs - last.enteredMs < TAKE_BACK_MS ? last : null;
}
