import { connection } from '../state/connection.ts';
import type { Draft, DraftStore, DraftRefusal } from '../state/draft-store.ts';
import { RequestRefused, Unreachable, ask, newKey } from './http.ts';

/** Sends drafts one after the other, a moment after the last edit, and again when the server is back. */

const REST_MS = 400;

interface SaverOf<Key, Value, Seen, Theirs, Saved> {
  readonly store: DraftStore<Key, Value, Seen, Theirs>;
  readonly path: (key: Key) => string;
  readonly body: (draft: Draft<Key, Value, Seen>) => object;
  /** Makes what was saved the screen's truth; a newer edit of it has to start from there. */
  readonly onSaved: (draft: Draft<Key, Value, Seen>, saved: Saved) => void;
  readonly refusalOf: (refused: RequestRefused) => DraftRefusal<Theirs>;
  /** Whether a draft has to wait for another one. */
  readonly mustWait?: (key: Key) => boolean;
}

export interface Saver<Key, Value, Seen> {
  /** Keeps an edit and saves it soon. `replaced` is null for an undo, which is not itself undone. */
  readonly edit: (key: Key, value: Value, seen: Seen, replaced: Value | null) => void;
  /** Tries everything that is not saved yet: at start, and when the server is back. */
  readonly saveAll: () => void;
}

export function draftSaver<Key, Value, Seen, Theirs, Saved>({
  store,
  path,
  body,
  onSaved,
  refusalOf,
  mustWait = () => false,
}: SaverOf<Key, Value, Seen, Theirs, Saved>): Saver<Key, Value, Seen> {
  const timers = new Map<string, ReturnType<typeof setTimeout>>();
  const saving = new Set<string>();

  const saveLater = (name: string): void => {
    clearTimeout(timers.get(name));
    timers.set(
      name,
      setTimeout(() => void save(name), REST_MS),
    );
  };

  async function save(name: string): Promise<void> {
    const draft = store.use.getState().drafts[name];
    if (!draft || saving.has(name)) return;
    if (mustWait(draft.key)) return saveLater(name);
    saving.add(name);
    try {
      const saved = await ask<Saved>(path(draft.key), {
        method: 'PUT',
        body: body(draft),
        key: draft.writeKey,
      });
      onSaved(draft, saved);
    } catch (error) {
      if (error instanceof RequestRefused) store.refuse(draft, refusalOf(error));
      else if (!(error instanceof Unreachable)) throw error;
    } finally {
      saving.delete(name);
    }
    const newer = store.use.getState().drafts[name];
    if (newer && newer.writeKey !== draft.writeKey) await save(name);
  }

  const saveAll = (): void => {
    for (const name of Object.keys(store.use.getState().drafts)) void save(name);
  };
  connection.onBack(saveAll);

  return {
    edit: (key, value, seen, replaced) => {
      store.keep({ key, value, seen, writeKey: newKey() }, replaced);
      saveLater(store.nameOf(key));
    },
    saveAll,
  };
}

/** What was saved takes the draft's place; where a newer edit came meanwhile, that one starts from `seen`. */
export function settleDraft<Key, Value, Seen, Theirs>(
  store: DraftStore<Key, Value, Seen, Theirs>,
  draft: Draft<Key, Value, Seen>,
  seen: Seen,
): void {
  const newer = store.use.getState().drafts[store.nameOf(draft.key)];
  if (newer && newer.writeKey !== draft.writeKey) store.keep({ ...newer, seen }, null);
  else store.drop(draft);
}
