import type { NewEntry } from './entry.ts';

/** What holds of a record: entries with their corrections taken in. Nothing is ever changed; later entries say better. */

/** An entry as it holds now. */
export type Holding = NewEntry & {
  /** The corrections that made it so, oldest first. */
  readonly correctedBy?: readonly string[];
};

export interface Held {
  /** What holds, in the order in which it happened. */
  readonly entries: readonly Holding[];
  /** Entries that a correction says did not happen. */
  readonly withdrawn: readonly Holding[];
  /** Corrections that name no entry of this record. */
  readonly lost: readonly NewEntry[];
}

type Correction = Extract<NewEntry, { kind: 'correction' }>;

const isCorrection = (entry: NewEntry): entry is Correction => entry.kind === 'correction';

/** The entry with what a correction says of it; without a body it is withdrawn, but its own body stays to be read. */
function corrected(entry: Holding, { id, body }: Correction): Holding {
  const said = body.body === null ? {} : { body: body.body };
  return {
    ...entry,
    ...said,
    ...(body.at === undefined ? {} : { at: body.at }),
    correctedBy: [...(entry.correctedBy ?? []), id],
  } as Holding;
}

const byTime = (a: { readonly at: string }, b: { readonly at: string }): number =>
  a.at < b.at ? -1 : a.at > b.at ? 1 : 0;

/**
 * Takes the corrections in. One of a correction speaks of the entry that the first one corrected, and the last word
 * holds. Entries of the same moment stay in the order in which they were entered.
 */
export function heldOf(entries: readonly NewEntry[]): Held {
  const holding = new Map<string, Holding>();
  /** Entry that a correction came to speak of. */
  const rootOf = new Map<string, string>();
  const withdrawn = new Set<string>();
  const lost: NewEntry[] = [];
  for (const entry of entries) {
    if (!isCorrection(entry)) {
      holding.set(entry.id, entry);
      rootOf.set(entry.id, entry.id);
      continue;
    }
    const root = rootOf.get(entry.body.corrects);
    if (root === undefined) {
      lost.push(entry);
      continue;
    }
    rootOf.set(entry.id, root);
    holding.set(root, corrected(holding.get(root)!, entry));
    if (entry.body.body === null) withdrawn.add(root);
    else withdrawn.delete(root);
  }
  const all = [...holding.values()];
  return {
    entries: all.filter(({ id }) => !withdrawn.has(id)).toSorted(byTime),
    withdrawn: all.filter(({ id }) => withdrawn.has(id)),
    lost,
  };
}

/** Whether base was laid on a panel. */
export const isBaseOn = (record: readonly NewEntry[]): boolean =>
  record.some(({ kind }) => kind === 'base') && heldOf(record).entries.some(({ kind }) => kind === 'base');
