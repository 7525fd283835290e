import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { withChange, type Decision, type RowChange } from './decision.ts';
import type { Entry } from './entry.ts';

/** Where the browser keeps what is not sent yet, for all tabs: it survives reloads, and a browser that is closed. */

interface OutboxDb extends DBSchema {
  entries: { key: string; value: Entry; indexes: { byOrder: number } };
}

const NAME = 'ledge-outbox';
const VERSION = 1;
let opened: Promise<IDBPDatabase<OutboxDb>> | null = null;

const open = (): Promise<IDBPDatabase<OutboxDb>> =>
  (opened ??= openDB<OutboxDb>(NAME, VERSION, {
    upgrade: (db) => {
      db.createObjectStore('entries', { keyPath: 'key' }).createIndex('byOrder', 'order');
    },
  }));

/** All entries, in the order in which they are sent. */
export const readEntries = async (): Promise<Entry[]> => (await open()).getAllFromIndex('entries', 'byOrder');

/** Changes the row in one transaction, all of it or nothing; no other tab writes meanwhile. */
export async function changeEntries(
  decision: Decision,
): Promise<{ readonly row: readonly Entry[]; readonly change: RowChange }> {
  const tx = (await open()).transaction('entries', 'readwrite');
  const before = await tx.store.index('byOrder').getAll();
  const change = decision(before);
  const { put = [], gone = [] } = change;
  await Promise.all([
    ...put.map((entry) => tx.store.put(entry)),
    ...gone.map((key) => tx.store.delete(key)),
    tx.done,
  ]);
  return { row: withChange(before, change), change };
}
