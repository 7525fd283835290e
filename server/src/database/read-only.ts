import { pathToFileURL } from 'node:url';
import sqlite3 from 'sqlite3';
import { sqlOf, type Sql } from './sql.ts';
import { Statements } from './statements.ts';

/** Somebody else's write never takes longer than this. */
const BUSY_MS = 5000;

interface Options {
  /** Reads the file as it lies there, as if no `-wal` were beside it. */
  readonly isWithoutWal?: boolean;
}

function opened(file: string, { isWithoutWal = false }: Options): Promise<sqlite3.Database> {
  const url = pathToFileURL(file);
  url.searchParams.set('mode', 'ro');
  if (isWithoutWal) url.searchParams.set('immutable', '1');
  return new Promise((resolve, reject) => {
    const database = new sqlite3.Database(
      url.href,
      sqlite3.OPEN_READONLY | sqlite3.OPEN_URI,
      (error: Error | null) => (error ? reject(error) : resolve(database)),
    );
  });
}

/** Work on a database file that changes nothing of it, nor of what lies beside it; all of it sees one moment. */
export async function readOnly<T>(
  file: string,
  work: (sql: Sql) => Promise<T>,
  options: Options = {},
): Promise<T> {
  const database = await opened(file, options);
  database.configure('busyTimeout', BUSY_MS);
  const statements = new Statements(database);
  const sql = sqlOf(statements);
  try {
    await sql.write('BEGIN DEFERRED');
    return await work(sql);
  } finally {
    await statements.close();
    await new Promise<void>((closed) => database.close(() => closed()));
  }
}

/** Copies a database into a new file as it is at one moment, also while somebody writes to it. */
export async function copyDatabase(file: string, to: string): Promise<void> {
  const database = await opened(file, {});
  database.configure('busyTimeout', BUSY_MS);
  try {
    await new Promise<void>((resolve, reject) =>
      database.run('VACUUM INTO ?', to, (error: Error | null) => (error ? reject(error) : resolve())),
    );
  } finally {
    await new Promise<void>((closed) => database.close(() => closed()));
  }
}
