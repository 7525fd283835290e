import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { Sequelize, type Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { migrate } from './migrate.ts';
import { defineRows } from './rows.ts';

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

/** Opens (and where needed makes) the database of a data folder and brings its tables up to date. */
export class Database {
  private readonly sequelize: Sequelize;
  /** Writes queue here: SQLite takes one writer at a time, and waiting inside it blocks the driver's threads. */
  private lastWrite: Promise<unknown> = Promise.resolve();

  private constructor(file: string) {
    this.sequelize = new Sequelize({
      dialect: 'sqlite',
      storage: file,
      logging: false,
      dialectModule: { ...sqlite3, Database: PreparedDatabase },
    });
    defineRows(this.sequelize);
  }

  static async open(dataFolder: string): Promise<Database> {
    mkdirSync(dataFolder, { recursive: true });
    const database = new Database(join(dataFolder, 'blue-ledge.sqlite'));
    await migrate(database.sequelize);
    return database;
  }

  /** Runs `work` in a transaction, after every write that was asked for before it; all of it holds or none. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    const turn = this.lastWrite.then(() =>
      this.sequelize.transaction({ type: 'IMMEDIATE' as Transaction.TYPES }, (transaction) =>
        work(transaction),
      ),
    );
    this.lastWrite = turn.catch(() => undefined);
    return turn;
  }

  /** Answers when the file can be read. */
  async ping(): Promise<void> {
    await this.sequelize.query('SELECT 1');
  }

  async close(): Promise<void> {
    await this.lastWrite;
    await this.sequelize.close();
  }
}
