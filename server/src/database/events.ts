import { canonical } from '@blue-ledge/core';
import { createHash } from 'node:crypto';
import type { Sql } from './sql.ts';
import type { EventFields } from './tables.ts';

/**
 * What happened, append-only: each event carries the hash of the one before it, so that nothing can be taken out or
 * changed unseen. One chain for the database; a single writer at a time keeps it whole.
 */

export interface NewEvent {
  /** What it is about, as in its address: `jobs/bus-6/panels/door`. */
  readonly subject: string;
  /** What happened to it: `zone.changed`. */
  readonly kind: string;
  readonly body?: object;
}

const FIRST = '0'.repeat(64);
const LAST = 'SELECT seq, hash FROM events ORDER BY seq DESC LIMIT 1';

/** SHA-256 of an event without its own hash. */
export const hashOf = ({
  seq,
  at,
  actor,
  subject,
  kind,
  body,
  prevHash,
}: Omit<EventFields, 'hash'>): string =>
  createHash('sha256').update(canonical({ seq, at, actor, subject, kind, body, prevHash })).digest('hex');

const COLUMNS = ['seq', 'at', 'actor', 'subject', 'kind', 'body', '"prevHash"', 'hash'];
/** So many at most in one statement. */
const MOST_TOGETHER = 64;

const valuesOf = (event: EventFields): (string | number)[] => [
  event.seq,
  event.at,
  event.actor,
  event.subject,
  event.kind,
  JSON.stringify(event.body),
  event.prevHash,
  event.hash,
];

function insertOf(nEvents: number): string {
  const row = (_: unknown, nth: number): string =>
    `(${COLUMNS.map((_column, i) => `$${nth * COLUMNS.length + i + 1}`).join(', ')})`;
  return `INSERT INTO events (${COLUMNS.join(', ')}) VALUES ${Array.from({ length: nEvents }, row).join(', ')}`;
}

/** Appends events in the transaction in which they happen. */
export async function append(
  { rows, write }: Sql,
  happened: readonly NewEvent[],
  actor: string,
): Promise<EventFields[]> {
  if (happened.length === 0) return [];
  const [last] = await rows<Pick<EventFields, 'seq' | 'hash'>>(LAST);
  let [seq, prevHash] = [last?.seq ?? 0, last?.hash ?? FIRST];
  const events = happened.map(({ subject, kind, body = {} }) => {
    seq += 1;
    const event = { seq, at: new Date().toISOString(), actor, subject, kind, body, prevHash };
    prevHash = hashOf(event);
    return { ...event, hash: prevHash };
  });
  for (let from = 0; from < events.length; from += MOST_TOGETHER) {
    const together = events.slice(from, from + MOST_TOGETHER);
    await write(insertOf(together.length), ...together.flatMap(valuesOf));
  }
  return events;
}

/** The first event whose hash or link is not what it should be; null where the chain is whole. */
export function brokenAt(events: readonly EventFields[]): number | null {
  let prevHash = FIRST;
  for (const event of events) {
    if (event.prevHash !== prevHash || event.hash !== hashOf(event)) return event.seq;
    prevHash = event.hash;
  }
  return null;
}
