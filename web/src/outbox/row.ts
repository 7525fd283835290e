import type { PanelView } from '@blue-ledge/core';
import { create } from 'zustand';
import { isChange, withChange, type Decision } from './decision.ts';
import type { Entry } from './entry.ts';
import { leftBehind, noteJustMade, waitingAgain } from './just-made.ts';
import { changeEntries, readEntries } from './outbox-db.ts';

/** All writes of this browser, in one row, the same in every tab. Screens show them over what the server has. */

interface Outbox {
  readonly entries: readonly Entry[];
  /** The browser could not keep the row: then leaving the page loses it. */
  readonly isUnkept: boolean;
}

export const useOutbox = create<Outbox>()(() => ({ entries: [], isUnkept: false }));

const CHANNEL = 'ledge-outbox';
/** The row is another one; anything else that is said is a panel as the server has it. */
const CHANGED = 'changed';
// Outside of a page there is no other tab.
const channel = typeof document === 'undefined' ? null : new BroadcastChannel(CHANNEL);

/** The row as the browser keeps it, and what was decided here since, in its order. */
let kept: readonly Entry[] = [];
let decided: readonly Decision[] = [];
let turn: Promise<unknown> = Promise.resolve();

/** One after the other: nothing that is read is older than what was decided before it. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = turn.then(work);
  turn = mine;
  return mine;
}

const after = (row: readonly Entry[], decision: Decision): readonly Entry[] => withChange(row, decision(row));

function show(): void {
  const entries = decided.reduce(after, kept);
  const keptKeys = new Set(kept.map(({ key }) => key));
  noteJustMade(entries.filter(({ key }) => !keptKeys.has(key)));
  useOutbox.setState({ entries });
}

/** Changes the row where the browser keeps it; in memory alone once it could not: what it keeps then is an older row. */
async function keep(decision: Decision): Promise<void> {
  if (useOutbox.getState().isUnkept) {
    kept = after(kept, decision);
    return;
  }
  try {
    const { row, change } = await changeEntries(decision);
    kept = row;
    if (isChange(change)) channel?.postMessage(CHANGED);
  } catch {
    kept = after(kept, decision);
    useOutbox.setState({ isUnkept: true });
  }
}

/** Changes the row: shown at once, resolved with the row as it is kept then; what is decided later is not in it. */
export function decide(decision: Decision): Promise<readonly Entry[]> {
  decided = [...decided, decision];
  show();
  return inTurn(async () => {
    await keep(decision);
    decided = decided.slice(1);
    show();
    return kept;
  });
}

/**
 * Tells other tabs how the server has a panel now. Told before the row says that an edit is sent, so that no tab shows the
 * panel without it in between, or builds the next edit on that.
 */
export const tell = (saved: PanelView): void => channel?.postMessage(saved);

/** Place of a new entry, behind all that are there. */
export const nextOrder = (row: readonly Entry[]): number =>
  Math.max(Date.now(), (row.at(-1)?.order ?? 0) + 1);

/** Takes up what the browser keeps. */
export const load = (): Promise<void> =>
  inTurn(async () => {
    // What lives in memory alone is newer than what the browser keeps.
    if (useOutbox.getState().isUnkept) return;
    try {
      kept = await readEntries();
      await takeUp();
    } catch {
      useOutbox.setState({ isUnkept: true });
    }
    show();
  });

/** Takes what pages that were left had made into the row, where it is not in it. */
async function takeUp(): Promise<void> {
  const { entries, forget } = await leftBehind();
  if (entries.length === 0) return forget();
  const { row, change } = await changeEntries((before) => {
    const known = new Set(before.map(({ key }) => key));
    return { put: entries.filter(({ key }) => !known.has(key)).map(waitingAgain) };
  });
  kept = row;
  forget();
  if (isChange(change)) channel?.postMessage(CHANGED);
}

/** Follows what other tabs do. */
export function follow(onSaved: (saved: PanelView) => void): void {
  if (!channel) return;
  channel.onmessage = ({ data }: MessageEvent<PanelView | typeof CHANGED>) => {
    if (data === CHANGED) void load();
    else onSaved(data);
  };
}
