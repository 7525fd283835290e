import type { Zone } from '@blue-ledge/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Zone edits that the server does not have yet, and what each edit replaced; both survive a reload. */

export interface ZoneKey {
  readonly job: string;
  readonly panel: string;
  readonly zone: string;
}

export interface Draft {
  readonly key: ZoneKey;
  readonly zone: Zone;
  /** Version of the zone that the edit started from. */
  readonly version: number;
  /** Client key of this write, the same for every try. */
  readonly writeKey: string;
}

export interface Refusal {
  readonly lines: readonly string[];
  /** The other value of a conflict. */
  readonly theirs?: { readonly value: Zone; readonly version: number };
}

interface Drafts {
  readonly drafts: Readonly<Record<string, Draft>>;
  readonly undo: Readonly<Record<string, readonly Zone[]>>;
  readonly refusals: Readonly<Record<string, Refusal>>;
}

export const nameOf = ({ job, panel, zone }: ZoneKey): string => `${job}/${panel}/${zone}`;
const MOST_UNDO = 30;

export const useDrafts = create<Drafts>()(
  persist<Drafts>(() => ({ drafts: {}, undo: {}, refusals: {} }), { name: 'ledge-drafts' }),
);

const without = <T>(record: Readonly<Record<string, T>>, name: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([other]) => other !== name));

/** Keeps an edit until it is saved; `replaced` can be had back. */
export function keepDraft(draft: Draft, replaced: Zone | null): void {
  const name = nameOf(draft.key);
  useDrafts.setState(({ drafts, undo, refusals }) => ({
    drafts: { ...drafts, [name]: draft },
    undo: replaced ? { ...undo, [name]: [...(undo[name] ?? []), replaced].slice(-MOST_UNDO) } : undo,
    refusals: without(refusals, name),
  }));
}

/** Forgets a draft that was saved or given up, unless a newer edit has taken its place. */
export function dropDraft(draft: Draft): void {
  const name = nameOf(draft.key);
  useDrafts.setState(({ drafts, refusals }) =>
    drafts[name]?.writeKey === draft.writeKey
      ? { drafts: without(drafts, name), refusals: without(refusals, name) }
      : {},
  );
}

export function refuseDraft(draft: Draft, refusal: Refusal): void {
  useDrafts.setState(({ refusals }) => ({ refusals: { ...refusals, [nameOf(draft.key)]: refusal } }));
}

/** Takes the last replaced value off the pile; null where there is none. */
export function takeUndo(key: ZoneKey): Zone | null {
  const name = nameOf(key);
  const pile = useDrafts.getState().undo[name] ?? [];
  const last = pile[pile.length - 1] ?? null;
  if (last) useDrafts.setState(({ undo }) => ({ undo: { ...undo, [name]: pile.slice(0, -1) } }));
  return last;
}
