import { isAt, isPending, type Entry, type PanelKey } from './entry.ts';
import { useOutbox } from './row.ts';

/** What screens ask of the row of writes. */

export interface Unsent {
  readonly nWaiting: number;
  readonly nRefused: number;
  /** The server could not do them for now. */
  readonly nPutOff: number;
}

const countOf = (entries: readonly Entry[]): Unsent => ({
  nWaiting: entries.filter(isPending).length,
  nRefused: entries.filter(({ state }) => state === 'refused').length,
  nPutOff: entries.filter(({ state, putOff }) => state === 'waiting' && putOff !== undefined).length,
});

/** How many writes are not on the server, and how many of them were refused. */
export const useUnsent = (): Unsent => countOf(useOutbox(({ entries }) => entries));

/** The same for one panel. */
export function useUnsentAt(at: PanelKey): Unsent {
  const entries = useOutbox((state) => state.entries);
  return countOf(entries.filter((entry) => isAt(entry, at)));
}

/** Changes of jobs and shops that are not on the server yet, and why the last one of `id` was refused. */
export function useFieldChanges(id: string) {
  const entries = useOutbox((state) => state.entries);
  const fields = entries.flatMap((entry) => (entry.kind === 'fields' ? [entry] : []));
  const refused = fields.findLast(({ state, change }) => state === 'refused' && change.id === id);
  return {
    changes: fields.filter(({ state }) => state !== 'refused').map(({ change }) => change),
    refusal: refused?.lines ?? [],
  };
}
