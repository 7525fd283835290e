import { canonical } from '@blue-ledge/core';
import { createHash } from 'node:crypto';
import type { EventFields, Tables } from './tables.ts';
import type { Transaction } from 'sequelize';

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

/** Appends events in the transaction in which they happen. */
export async function append(
  { events }: Tables,
  happened: readonly NewEvent[],
  { actor, transaction }: { readonly actor: string; readonly transaction: Transaction },
): Promise<EventFields[]> {
  if (happened.length === 0) return [];
  const last = await events.findOne({ order: [['seq', 'DESC']], transaction });
  let [seq, prevHash] = [last?.seq ?? 0, last?.hash ?? FIRST];
  const rows = happened.map(({ subject, kind, body = {} }) => {
    seq += 1;
    const row = { seq, at: new Date().toISOString(), actor, subject, kind, body, prevHash };
    prevHash = hashOf(row);
    return { ...row, hash: prevHash };
  });
  await events.bulkCreate(rows, { transaction });
  return rows;
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
