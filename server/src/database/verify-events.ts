import { NO_HASH, type RecordHead, type StoreFault } from '@blue-ledge/core';
import { hashOfEvent, type EventRow } from './chain-of-events.ts';
import { jsonOf, type Sql } from './sql.ts';
import { changedFault } from './fault.ts';
import { paged } from './paged.ts';

/** The chain of events: whole, as long as it was, and what it says of every record. */
export interface EventsVerified {
  readonly nEvents: number;
  readonly faults: readonly StoreFault[];
  /** All links hold: what is wrong was changed where it stands. */
  readonly isLinked: boolean;
  /** How each record stands by what was said when it was written, by subject of its events. */
  readonly heads: ReadonlyMap<string, RecordHead>;
}

const PAGE = `SELECT seq, at, actor, subject, kind, body, "prevHash", hash FROM events
  WHERE seq > $1 ORDER BY seq LIMIT $2`;
const WHERE = 'chain of events';

type Link = Pick<EventRow, 'seq' | 'hash'>;

/** Why an event is not the next one of the chain; null where it is. */
function whyNotLinked(event: EventRow, { seq, hash }: Link): string | null {
  const nMissing = event.seq - seq - 1;
  if (nMissing > 0) return `before event ${event.seq}, ${nMissing} were taken out`;
  return event.prevHash === hash ? null : `event ${event.seq} does not follow on the one before it`;
}

const whyChanged = (event: EventRow): string | null =>
  event.hash === hashOfEvent(event) ? null : `event ${event.seq} was changed after it was written`;

async function whyEndIsOther(sql: Sql, last: Link): Promise<string | null> {
  const [end] = await sql.rows<{ readonly n: number; readonly hash: string }>(
    `SELECT n, hash FROM "chainEnds" WHERE name = 'events'`,
  );
  if (!end) return last.seq === 0 ? null : 'what was written of its end is gone';
  if (end.n > last.seq) return `the last ${end.n - last.seq} events were taken out`;
  return end.n === last.seq && end.hash === last.hash ? null : 'its end is not the one that was written';
}

/** Walks the whole chain. O(n) in time, flat in memory but for one head a record. */
export async function verifyEvents(sql: Sql): Promise<EventsVerified> {
  const heads = new Map<string, RecordHead>();
  let last: Link = { seq: 0, hash: NO_HASH };
  let why: string | null = null;
  let isLinked = true;
  let nEvents = 0;
  const pages = paged((limit) => sql.rows<EventRow>(PAGE, last.seq, limit));
  for await (const page of pages)
    for (const row of page) {
      const event = { ...row, body: jsonOf<object>(row.body) };
      const whyNot = whyNotLinked(event, last);
      isLinked &&= whyNot === null;
      why ??= whyNot ?? whyChanged(event);
      last = event;
      nEvents += 1;
      // What was said before heads were counted was said without them.
      if (event.kind === 'record.counted') heads.clear();
      const { n, hash } = event.body as { readonly n?: number; readonly hash?: string };
      if (event.kind.startsWith('record.') && n !== undefined && hash !== undefined)
        heads.set(event.subject, { entries: n, head: hash });
    }
  const whyEnd = await whyEndIsOther(sql, last);
  isLinked &&= whyEnd === null;
  why ??= whyEnd;
  const what = `The shop’s chain of events is not as it was written: ${why}.`;
  return { nEvents, heads, isLinked, faults: why === null ? [] : [changedFault(what, WHERE)] };
}
