import { create, type UseBoundStore, type StoreApi } from 'zustand';
import { persist } from 'zustand/middleware';

/** Edits that the server does not have yet, and what each edit replaced; both survive a reload. */

export interface Draft<Key, Value, Seen> {
  readonly key: Key;
  readonly value: Value;
  /** Version that the edit started from. */
  readonly seen: Seen;
  /** Client key of this write, the same for every try. */
  readonly writeKey: string;
}

export interface DraftRefusal<Theirs> {
  readonly lines: readonly string[];
  /** The other value of a conflict. */
  readonly theirs?: Theirs;
}

export interface DraftState<Key, Value, Seen, Theirs> {
  readonly drafts: Readonly<Record<string, Draft<Key, Value, Seen>>>;
  readonly undo: Readonly<Record<string, readonly Value[]>>;
  readonly refusals: Readonly<Record<string, DraftRefusal<Theirs>>>;
}

export interface DraftStore<Key, Value, Seen, Theirs> {
  readonly use: UseBoundStore<StoreApi<DraftState<Key, Value, Seen, Theirs>>>;
  readonly nameOf: (key: Key) => string;
  /** Keeps an edit until it is saved; `replaced` can be had back. */
  readonly keep: (draft: Draft<Key, Value, Seen>, replaced: Value | null) => void;
  /** Forgets a draft that was saved or given up, unless a newer edit has taken its place. */
  readonly drop: (draft: Draft<Key, Value, Seen>) => void;
  readonly refuse: (draft: Draft<Key, Value, Seen>, refusal: DraftRefusal<Theirs>) => void;
  /** Takes the last replaced value off the pile; null where there is none. */
  readonly takeUndo: (key: Key) => Value | null;
}

const MOST_UNDO = 30;

const without = <T>(record: Readonly<Record<string, T>>, name: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([other]) => other !== name));

/** A store of drafts of one kind, kept in the browser under `storageName`. */
export function draftStore<Key, Value, Seen, Theirs>(
  storageName: string,
  nameOf: (key: Key) => string,
): DraftStore<Key, Value, Seen, Theirs> {
  type State = DraftState<Key, Value, Seen, Theirs>;
  const use = create<State>()(
    persist<State>(() => ({ drafts: {}, undo: {}, refusals: {} }), { name: storageName }),
  );
  return {
    use,
    nameOf,
    keep: (draft, replaced) => {
      const name = nameOf(draft.key);
      use.setState(({ drafts, undo, refusals }) => ({
        drafts: { ...drafts, [name]: draft },
        undo: replaced ? { ...undo, [name]: [...(undo[name] ?? []), replaced].slice(-MOST_UNDO) } : undo,
        refusals: without(refusals, name),
      }));
    },
    drop: (draft) => {
      const name = nameOf(draft.key);
      use.setState(({ drafts, refusals }) =>
        drafts[name]?.writeKey === draft.writeKey
          ? { drafts: without(drafts, name), refusals: without(refusals, name) }
          : {},
      );
    },
    refuse: (draft, refusal) =>
      use.setState(({ refusals }) => ({ refusals: { ...refusals, [nameOf(draft.key)]: refusal } })),
    takeUndo: (key) => {
      const name = nameOf(key);
      const pile = use.getState().undo[name] ?? [];
      const last = pile[pile.length - 1] ?? null;
      if (last) use.setState(({ undo }) => ({ undo: { ...undo, [name]: pile.slice(0, -1) } }));
      return last;
    },
  };
}
