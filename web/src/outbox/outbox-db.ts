import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
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

/** Writes and takes away entries, all of it or nothing. */
export async function writeEntries(put: readonly Entry[], gone: readonly string[]): Promise<void> {
  const tx = (await open()).transaction('entries', 'readwrite');
  await Promise.all([
    ...put.map((entry) => tx.store.put(entry)),
    ...gone.map((key) => tx.store.delete(key)),
    tx.done,
  ]);
}
