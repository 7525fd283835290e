import { join } from 'node:path';
import { Sequelize, Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { lockDataFolder, openDataFolder, type FolderLock } from './data-folder.ts';
import { append, type NewEvent } from './events.ts';
import { migrate } from './migrate.ts';
import { startErrorOf } from './start-error.ts';
import { defineTables, type EventFields, type Tables } from './tables.ts';

/**
 * The one SQLite file. Durability and integrity settings go on every connection: Sequelize opens one for each
 * transaction and fires no hook for SQLite, so they are set where the driver opens the file.
 */
const PRAGMAS = [
  'PRAGMA busy_timeout=5000;',
  'PRAGMA journal_mode=WAL;',
  'PRAGMA synchronous=FULL;',
  'PRAGMA foreign_keys=ON;',
].join(' ');

class PreparedDatabase extends sqlite3.Database {
  constructor(file: string, mode: number, opened: (error: Error | null) => void) {
    super(file, mode, (error) => {
      if (error) opened(error);
      else this.exec(PRAGMAS, opened);
    });
  }
}

/** One snapshot: whatever is read through it belongs together. */
export interface Read {
  readonly tables: Tables;
  readonly transaction: Transaction;
}

/** A snapshot that may be written to, and what is to be said of it once all of it holds. */
export interface Write extends Read {
  readonly actor: string;
  readonly note: (event: NewEvent) => void;
}

/** A write that worked so lately is believed. */
const TRY_AGAIN_MS = 5000;

type Listener = (events: readonly EventFields[]) => void;

/** The database of a data folder. */
export class Database {
  private readonly tables: Tables;
  /** Writes queue here: SQLite takes one writer at a time, and waiting inside it blocks the driver's threads. */
  private lastWrite: Promise<unknown> = Promise.resolve();
  private readonly listeners = new Set<Listener>();
  private triedAtMs = -Infinity;

  private constructor(
    private readonly sequelize: Sequelize,
    private readonly lock: FolderLock,
  ) {
    this.tables = defineTables(sequelize);
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
      const sequelize = new Sequelize({
        dialect: 'sqlite',
        storage: join(folder, 'blue-ledge.sqlite'),
        logging: false,
        dialectModule: { ...sqlite3, Database: PreparedDatabase },
      });
      await sequelize.query('PRAGMA quick_check(1)');
      await migrate(sequelize, folder);
      return new Database(sequelize, lock);
    } catch (error) {
      await lock?.release();
      throw startErrorOf(error, folder);
    }
  }

  /** Reads from one snapshot, however many queries it takes. */
  read<T>(work: (tx: Read) => Promise<T>): Promise<T> {
    return this.sequelize.transaction({ type: Transaction.TYPES.DEFERRED }, (transaction) =>
      work({ tables: this.tables, transaction }),
    );
  }

  /** Runs `work` in a transaction, after every write that was asked for before it; all of it holds or none. */
  write<T>(actor: string, work: (tx: Write) => Promise<T>): Promise<T> {
    const turn = this.lastWrite.then(() => this.writeNow(actor, work));
    this.lastWrite = turn.catch(() => undefined);
    return turn;
  }

  private async writeNow<T>(actor: string, work: (tx: Write) => Promise<T>): Promise<T> {
    const { tables } = this;
    const happened: NewEvent[] = [];
    let events: readonly EventFields[] = [];
    const answer = await this.sequelize.transaction(
      { type: Transaction.TYPES.IMMEDIATE },
      async (transaction) => {
        const done = await work({ tables, transaction, actor, note: (event) => happened.push(event) });
        events = await append(tables, happened, { actor, transaction });
        return done;
      },
    );
    if (events.length > 0) for (const listener of this.listeners) listener(events);
    return answer;
  }

  /** Writes a row: the disk has room, and the file may be written to. */
  async tryWrite(): Promise<void> {
    const now = Date.now();
    if (now - this.triedAtMs < TRY_AGAIN_MS) return;
    await this.write('health', async ({ tables, transaction }) => {
      const clientKey = 'health-check';
      await tables.writes.upsert({ clientKey, request: '', answer: {} }, { transaction });
    });
    this.triedAtMs = now;
  }

  /** Tells of events once they hold; returns how to stop. */
  onEvents(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  async close(): Promise<void> {
    await this.lastWrite;
    await this.sequelize.close();
    await this.lock.release();
  }
}
