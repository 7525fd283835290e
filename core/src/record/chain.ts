import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonical } from '../units/canonical.ts';
import type { Chained } from './entry.ts';

/** The chain of a record: each entry carries the hash of the one before it, so that nothing is changed, taken out, put in or put elsewhere unseen. */

/** Stands before the first entry. */
export const NO_HASH = '0'.repeat(64);

/** SHA-256, in hex, of the canonical JSON (RFC 8785) of an entry without its own hash. */
export const hashOfEntry = (entry: object): string =>
  bytesToHex(sha256(utf8ToBytes(canonical({ ...entry, hash: undefined }))));

/** An entry as the next of a chain. */
export function chained<T extends object>(entry: T, prevHash: string): T & Chained {
  const linked = { ...entry, prevHash };
  return { ...linked, hash: hashOfEntry(linked) };
}

/** Entries as one chain, from nothing. */
export function chainOf<T extends object>(entries: readonly T[]): (T & Chained)[] {
  let prevHash = NO_HASH;
  return entries.map((entry) => {
    const next = chained(entry, prevHash);
    prevHash = next.hash;
    return next;
  });
}

export interface Broken {
  readonly index: number;
  readonly id: string;
  readonly why: string;
}

export interface Verified {
  readonly entries: number;
  /** Hash of the last entry: it stands for the whole record. */
  readonly head: string;
  readonly intact: boolean;
  readonly firstBroken?: Broken;
}

const whyBroken = (
  entry: Chained & { readonly id: string },
  prevHash: string,
  seen: ReadonlySet<string>,
): string | null => {
  if (seen.has(entry.id)) return 'its id was used before: an entry was put in twice';
  if (entry.prevHash !== prevHash)
    return 'it does not follow on the entry before it: one was taken out, put in or put elsewhere';
  return entry.hash === hashOfEntry(entry) ? null : 'it was changed after it was written';
};

/** Whether a record is as it was written, and where it first is not. O(n). */
export function verifyChain(entries: readonly (Chained & { readonly id: string })[]): Verified {
  let prevHash = NO_HASH;
  const seen = new Set<string>();
  const head = entries.at(-1)?.hash ?? NO_HASH;
  for (const [index, entry] of entries.entries()) {
    const why = whyBroken(entry, prevHash, seen);
    if (why !== null)
      return { entries: entries.length, head, intact: false, firstBroken: { index, id: entry.id, why } };
    seen.add(entry.id);
    prevHash = entry.hash;
  }
  return { entries: entries.length, head, intact: true };
}
