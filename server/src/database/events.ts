import { chainedEvents, type EventRow, type NewEvent } from './chain-of-events.ts';
import type { Sql } from './sql.ts';

/** Writing the chain of events. */

const LAST = 'SELECT seq, hash FROM events ORDER BY seq DESC LIMIT 1';
/** Where the chain ends stands beside it, so that it is seen when its last events were taken away. */
const KEEP_END = `INSERT INTO "chainEnds" (name, n, hash) VALUES ('events', $1, $2)
  ON CONFLICT (name) DO UPDATE SET n = excluded.n, hash = excluded.hash`;

const COLUMNS = ['seq', 'at', 'actor', 'subject', 'kind', 'body', '"prevHash"', 'hash'];
/** So many at most in one statement. */
const MOST_TOGETHER = 64;

const valuesOf = (event: EventRow): (string | number)[] => [
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
): Promise<EventRow[]> {
  if (happened.length === 0) return [];
  const [last] = await rows<Pick<EventRow, 'seq' | 'hash'>>(LAST);
  const events = chainedEvents(happened, last, { actor, at: new Date().toISOString() });
  for (let from = 0; from < events.length; from += MOST_TOGETHER) {
    const together = events.slice(from, from + MOST_TOGETHER);
    await write(insertOf(together.length), ...together.flatMap(valuesOf));
  }
  const { seq, hash } = events.at(-1)!;
  await write(KEEP_END, seq, hash);
  return events;
}
