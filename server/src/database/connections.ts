import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { sqlOf, type Sql } from './sql.ts';
import { Statements } from './statements.ts';
import { defineTables, type Tables } from './tables.ts';

/**
 * Connections that stay open: Sequelize opens SQLite's file anew for each of its transactions, which took longer than
 * most of what is done in one. So each connection is a Sequelize of its own, and begins and ends transactions itself.
 */

/** Durability and integrity: set where the driver opens the file, as Sequelize fires no hook for SQLite. */
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

export const openFile = (file: string): Sequelize =>
  new Sequelize({
    dialect: 'sqlite',
    storage: file,
    logging: false,
    dialectModule: { ...sqlite3, Database: PreparedDatabase },
  });

/** One connection; what is done through it in a transaction is one snapshot. */
export interface Connection {
  readonly tables: Tables;
  readonly sql: Sql;
}

interface Open extends Connection {
  readonly close: () => Promise<void>;
}

/** A few connections, each for one piece of work at a time; who comes when all are busy waits in line. */
export class Connections {
  private readonly free: Open[] = [];
  private readonly waiting: [given: (connection: Open) => void, failed: (error: unknown) => void][] = [];
  private readonly running = new Set<Promise<unknown>>();
  private nOpen = 0;
  private isClosed = false;

  /** @param begin the statement that begins a transaction: one that reads, or one that writes */
  constructor(
    private readonly file: string,
    private readonly most: number,
    private readonly begin: 'BEGIN DEFERRED' | 'BEGIN IMMEDIATE',
  ) {}

  /** Runs `work` in a transaction: all of it holds or none. */
  async transact<T>(work: (connection: Connection) => Promise<T>): Promise<T> {
    if (this.isClosed) throw new Error('the database is closed');
    const running = this.transactIn(this.take(), work);
    this.running.add(running);
    try {
      return await running;
    } finally {
      this.running.delete(running);
    }
  }

  private async transactIn<T>(
    taken: Promise<Open>,
    work: (connection: Connection) => Promise<T>,
  ): Promise<T> {
    const connection = await taken;
    const { sql } = connection;
    try {
      await sql.write(this.begin);
      const done = await work(connection);
      await sql.write('COMMIT');
      this.giveBack(connection);
      return done;
    } catch (error) {
      // One that cannot go back to where it was is not used again.
      await sql.write('ROLLBACK').then(
        () => this.giveBack(connection),
        () => this.drop(connection),
      );
      throw error;
    }
  }

  private take(): Promise<Open> {
    const free = this.free.pop();
    if (free) return Promise.resolve(free);
    return this.nOpen < this.most ? this.open() : new Promise((...turn) => this.waiting.push(turn));
  }

  private async open(): Promise<Open> {
    this.nOpen += 1;
    try {
      const sequelize = openFile(this.file);
      const driver = (await sequelize.connectionManager.getConnection({ type: 'write' })) as sqlite3.Database;
      const statements = new Statements(driver);
      const close = async (): Promise<void> => {
        await statements.close();
        await sequelize.close();
      };
      return { tables: defineTables(sequelize), sql: sqlOf(statements), close };
    } catch (error) {
      this.nOpen -= 1;
      throw error;
    }
  }

  private giveBack(connection: Open): void {
    const next = this.waiting.shift();
    if (next) next[0](connection);
    else this.free.push(connection);
  }

  private async drop(connection: Open): Promise<void> {
    this.nOpen -= 1;
    const next = this.waiting.shift();
    if (next) this.open().then(...next);
    await connection.close();
  }

  /** Closes all of them, once what was asked for before is done. */
  async close(): Promise<void> {
    this.isClosed = true;
    await Promise.allSettled(this.running);
    for (const connection of this.free.splice(0)) await connection.close();
  }
}
