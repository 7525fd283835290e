import { NO_HASH, canonical } from '@blue-ledge/core';
import { sha256 } from './sha256.ts';

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

export interface EventRow {
  readonly seq: number;
  readonly at: string;
  readonly actor: string;
  readonly subject: string;
  readonly kind: string;
  readonly body: object;
  readonly prevHash: string;
  readonly hash: string;
}

/** SHA-256 of an event without its own hash. */
export const hashOfEvent = ({
  seq,
  at,
  actor,
  subject,
  kind,
  body,
  prevHash,
}: Omit<EventRow, 'hash'>): string => sha256(canonical({ seq, at, actor, subject, kind, body, prevHash }));

/** Events as the next ones of the chain. @param last the one before them, where there is one */
export function chainedEvents(
  happened: readonly NewEvent[],
  last: Pick<EventRow, 'seq' | 'hash'> | undefined,
  said: Pick<EventRow, 'actor' | 'at'>,
): EventRow[] {
  let [seq, prevHash] = [last?.seq ?? 0, last?.hash ?? NO_HASH];
  return happened.map(({ subject, kind, body = {} }) => {
    seq += 1;
    const event = { seq, ...said, subject, kind, body, prevHash };
    prevHash = hashOfEvent(event);
    return { ...event, hash: prevHash };
  });
}
