import { statSync } from 'node:fs';
import { join } from 'node:path';
import { Connections, openFile, type Connection } from './connections.ts';
import { FILE, lockDataFolder, openDataFolder, type FolderLock } from './data-folder.ts';
import type { EventRow, NewEvent } from './chain-of-events.ts';
import { append } from './events.ts';
import { migrate } from './migrate.ts';
import { mustBeSound } from './soundness.ts';
import { startErrorOf } from './start-error.ts';

/** One snapshot: whatever is read through it belongs together. */
export type Read = Connection;

/** A snapshot that may be written to, and what is to be said of it once all of it holds. */
export interface Write extends Read {
  readonly actor: string;
  readonly note: (event: NewEvent) => void;
  /** Does work that may fail by itself: then nothing of it holds, and the rest of the transaction goes on. */
  readonly apart: <T>(work: (tx: Write) => Promise<T>) => Promise<T>;
}

const MOST_READERS = 4;
/** A write that worked so lately is believed. */
const TRY_AGAIN_MS = 5000;

/** The folder was moved or removed under a server that runs: what it writes would be lost with it. */
class FolderGone extends Error {
  readonly code = 'LEDGE_GONE';
}

/** Which file a path names; null where there is none. */
function inodeOf(path: string): number | null {
  try {
    return statSync(path).ino;
  } catch {
    return null;
  }
}

/** What may be written in a connection's transaction; events wait in `happened` until all of it holds. */
function writeIn(connection: Connection, actor: string, happened: NewEvent[]): Write {
  const { sql } = connection;
  return {
    ...connection,
    actor,
    note: (event) => void happened.push(event),
    apart: async (work) => {
      const own: NewEvent[] = [];
      await sql.write('SAVEPOINT apart');
      try {
        const done = await work(writeIn(connection, actor, own));
        await sql.write('RELEASE apart');
        happened.push(...own);
        return done;
      } catch (error) {
        await sql.write('ROLLBACK TO apart');
        await sql.write('RELEASE apart');
        throw error;
      }
    },
  };
}

type Listener = (events: readonly EventRow[]) => void;

/** The database of a data folder: one SQLite file. */
export class Database {
  private readonly readers: Connections;
  /** SQLite takes one writer at a time, and waiting inside it blocks the driver's threads: writes wait in line here. */
  private readonly writer: Connections;
  private readonly listeners = new Set<Listener>();
  private triedAtMs = -Infinity;

  private readonly inode: number | null;

  private constructor(
    private readonly file: string,
    private readonly lock: FolderLock,
  ) {
    this.inode = inodeOf(file);
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
      await mustBeSound(folder);
      const file = join(folder, FILE);
      const sequelize = openFile(file);
      await migrate(sequelize);
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
    this.mustBeHere();
    let events: readonly EventRow[] = [];
    const answer = await this.writer.transact(async (connection) => {
      const happened: NewEvent[] = [];
      const done = await work(writeIn(connection, actor, happened));
      events = await append(connection.sql, happened, actor);
      return done;
    });
    if (events.length > 0) for (const listener of this.listeners) listener(events);
    return answer;
  }

  /** @throws {FolderGone} where the file that is open is not the one that lies there */
  private mustBeHere(): void {
    if (inodeOf(this.file) !== this.inode) throw new FolderGone(`${this.file} is gone`);
  }

  /** Writes a row: the disk has room, the file is there and may be written to. */
  async tryWrite(): Promise<void> {
    this.mustBeHere();
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
