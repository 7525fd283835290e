import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { canonical } from '../units/canonical.ts';
import type { Chained } from './entry.ts';

/** The chain of a record: each entry carries the hash of the one before it, so that nothing is changed, taken out, put in or put elsewhere unseen. */

/** Stands before the first entry. */
export const NO_HASH = '0'.repeat(64);

/** SHA-256 of a text's UTF-8 bytes, in hex. */
export type Sha256 = (text: string) => string;
const ownSha256: Sha256 = (text) => bytesToHex(sha256(utf8ToBytes(text)));

/** SHA-256, in hex, of the canonical JSON (RFC 8785) of an entry without its own hash. */
export const hashOfEntry = (entry: object, hashOf = ownSha256): string =>
  hashOf(canonical({ ...entry, hash: undefined }));

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
  /** Place of the entry that is first not right, from 0; -1 where there is none left. */
  readonly index: number;
  readonly id: string;
  readonly why: string;
}

/** Where a record is broken, as a sentence without its full stop. */
export const brokenWords = ({ index, why }: Broken): string =>
  index < 0 ? why : `entry ${index + 1}: ${why}`;

/** How a record stood when it was written down elsewhere: in the shop's chain of events, in a file, on a card. */
export interface RecordHead {
  readonly entries: number;
  /** Hash of the last entry. */
  readonly head: string;
}

export interface Verified {
  readonly entries: number;
  /** Hash of the last entry: it stands for the whole record. */
  readonly head: string;
  readonly intact: boolean;
  readonly firstBroken?: Broken;
}

type Link = Chained & { readonly id: string };

const whyBroken = (
  entry: Link,
  prevHash: string,
  seen: ReadonlySet<string>,
  hashOf: Sha256,
): string | null => {
  if (seen.has(entry.id)) return 'its id was used before: an entry was put in twice';
  if (entry.prevHash !== prevHash)
    return 'it does not follow on the entry before it: one was taken out, put in or put elsewhere';
  return entry.hash === hashOfEntry(entry, hashOf) ? null : 'it was changed after it was written';
};

/** How a chain that is whole in itself is not the one that was written down elsewhere; null where it is. */
function otherThanSaid(entries: readonly Link[], said: RecordHead): Broken | null {
  const index = entries.length - 1;
  const id = entries.at(-1)?.id ?? '';
  const nMissing = said.entries - entries.length;
  if (entries.length === 0)
    return { index, id, why: `the whole record was taken out: ${said.entries} entries were written` };
  if (nMissing > 0) {
    const were = nMissing === 1 ? 'one entry was' : `${nMissing} entries were`;
    return { index, id, why: `${were} taken out behind it: ${said.entries} were written` };
  }
  if (nMissing < 0) return { index, id, why: `it was put in: ${said.entries} entries were written` };
  return { index, id, why: 'the whole record was written anew: it is not the one that was written' };
}

/**
 * Whether a record is as it was written, and where it first is not. O(n).
 * @param said how it stands elsewhere: without it a record that was cut short, or reckoned anew, is whole in itself
 * @param hashOf another way to the same hash, where one is faster
 */
export function verifyChain(entries: readonly Link[], said?: RecordHead, hashOf = ownSha256): Verified {
  let prevHash = NO_HASH;
  const seen = new Set<string>();
  const head = entries.at(-1)?.hash ?? NO_HASH;
  const broken = (firstBroken: Broken): Verified => ({
    entries: entries.length,
    head,
    intact: false,
    firstBroken,
  });
  for (const [index, entry] of entries.entries()) {
    const why = whyBroken(entry, prevHash, seen, hashOf);
    if (why !== null) return broken({ index, id: entry.id, why });
    seen.add(entry.id);
    prevHash = entry.hash;
  }
  const isOther = said && (said.entries !== entries.length || said.head !== head);
  const other = isOther ? otherThanSaid(entries, said) : null;
  return other ? broken(other) : { entries: entries.length, head, intact: true };
}

/** Letters of the last hash that a card shows: enough that nobody finds another record with them. */
const CODE_LETTERS = 12;
/** Cards of earlier releases do not say how many. */
const CODE = /^(?:(\d{1,6})-)?([0-9a-f]{8,64})$/;

/** What stands for a record on paper: how many entries it has, and the beginning of the last one's hash. */
export const cardCode = ({ entries, head }: RecordHead): string =>
  `${entries}-${head.slice(0, CODE_LETTERS)}`;

/** Of how many entries of a record a card was made, or why it was not made of this record. */
export type CardMatch = { readonly nEntries: number } | { readonly why: string };

/**
 * Whether a card was made of these entries or of the first of them: what was written later does not matter to it.
 * @returns null for what is no code of a card
 */
export function matchCard(entries: readonly Chained[], code: string): CardMatch | null {
  const [, count, letters] = CODE.exec(code.trim().toLowerCase()) ?? [];
  if (letters === undefined) return null;
  if (count === undefined) {
    const nth = entries.findIndex(({ hash }) => hash.startsWith(letters));
    return nth < 0 ? { why: 'no entry of this record has it' } : { nEntries: nth + 1 };
  }
  const nEntries = Number(count);
  if (nEntries > entries.length)
    return { why: `the card was made of ${nEntries} entries, and ${entries.length} are here` };
  const { hash } = entries[nEntries - 1] ?? { hash: NO_HASH };
  return hash.startsWith(letters) ? { nEntries } : { why: 'the entries that it was made of were changed' };
}
