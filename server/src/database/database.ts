import { join } from 'node:path';
import { Connections, openFile, type Connection } from './connections.ts';
import { lockDataFolder, openDataFolder, type FolderLock } from './data-folder.ts';
import { append, type NewEvent } from './events.ts';
import { migrate } from './migrate.ts';
import { startErrorOf } from './start-error.ts';
import type { EventFields } from './tables.ts';

/** One snapshot: whatever is read through it belongs together. */
export type Read = Connection;

/** A snapshot that may be written to, and what is to be said of it once all of it holds. */
export interface Write extends Read {
  readonly actor: string;
  readonly note: (event: NewEvent) => void;
}

const FILE = 'blue-ledge.sqlite';
const MOST_READERS = 4;
/** A write that worked so lately is believed. */
const TRY_AGAIN_MS = 5000;

type Listener = (events: readonly EventFields[]) => void;

/** The database of a data folder: one SQLite file. */
export class Database {
  private readonly readers: Connections;
  /** SQLite takes one writer at a time, and waiting inside it blocks the driver's threads: writes wait in line here. */
  private readonly writer: Connections;
  private readonly listeners = new Set<Listener>();
  private triedAtMs = -Infinity;

  private constructor(
    file: string,
    private readonly lock: FolderLock,
  ) {
    this.readers = new Connections(file, MOST_READERS, 'BEGIN DEFERRED');
    this.writer = new Connections(file, 1, 'BEGIN IMMEDIATE');
  }

  /**
   * Opens (and where needed makes) the database of a data folder and brings its tables up to date.
   * @throws {StartError} in words where folder or file cannot be used
   */
  static async open(folder: string): Promise<Database> {
    let lock: FolderLock | null = null;
    try {
      openDataFolder(folder);
      lock = await lockDataFolder(folder);
      const file = join(folder, FILE);
      const sequelize = openFile(file);
      await sequelize.query('PRAGMA quick_check(1)');
      await migrate(sequelize, folder);
      await sequelize.close();
      return new Database(file, lock);
    } catch (error) {
      await lock?.release();
      throw startErrorOf(error, folder);
    }
  }

  /** Reads from one snapshot, however many queries it takes. */
  read<T>(work: (tx: Read) => Promise<T>): Promise<T> {
    return this.readers.transact(work);
  }

  /** Runs `work` in a transaction, after every write that was asked for before it; all of it holds or none. */
  async write<T>(actor: string, work: (tx: Write) => Promise<T>): Promise<T> {
    let events: readonly EventFields[] = [];
    const answer = await this.writer.transact(async (connection) => {
      const happened: NewEvent[] = [];
      const done = await work({ ...connection, actor, note: (event) => happened.push(event) });
      events = await append(connection.sql, happened, actor);
      return done;
    });
    if (events.length > 0) for (const listener of this.listeners) listener(events);
    return answer;
  }

  /** Writes a row: the disk has room, and the file may be written to. */
  async tryWrite(): Promise<void> {
    const now = Date.now();
    if (now - this.triedAtMs < TRY_AGAIN_MS) return;
    await this.write('health', async ({ tables }) => {
      const clientKey = 'health-check';
      await tables.writes.upsert({ clientKey, request: '', answer: {} });
    });
    this.triedAtMs = now;
  }

  /** Tells of events once they hold; returns how to stop. */
  onEvents(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  async close(): Promise<void> {
    await this.writer.close();
    await this.readers.close();
    await this.lock.release();
  }
}
