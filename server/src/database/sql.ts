import type { Statements } from './statements.ts';

/** A value that stands for `$1`, `$2`, ... in a statement. */
type SqlValue = string | number | null;

/**
 * Statements as they are, for what every request asks for: a model of Sequelize takes ten times as long, much of it to
 * ask for the table's columns again. Everything else goes through the models.
 */
export interface Sql {
  /** Rows of a SELECT; JSON columns are read with `jsonOf`. */
  readonly rows: <Row extends object>(statement: string, ...values: SqlValue[]) => Promise<Row[]>;
  readonly write: (statement: string, ...values: SqlValue[]) => Promise<void>;
}

/** SQLite takes `$1` for a name. */
const named = (values: readonly SqlValue[]): Record<string, SqlValue> =>
  Object.fromEntries(values.map((value, i) => [`$${i + 1}`, value]));

export const sqlOf = (statements: Statements): Sql => ({
  rows: async <Row extends object>(text: string, ...values: SqlValue[]) => {
    const statement = await statements.prepared(text);
    return new Promise<Row[]>((resolve, reject) =>
      statement.all<Row>(named(values), (error, rows) => (error ? reject(error) : resolve(rows))),
    );
  },
  write: async (text, ...values) => {
    const statement = await statements.prepared(text);
    return new Promise<void>((resolve, reject) =>
      statement.run(named(values), (error: Error | null) => (error ? reject(error) : resolve())),
    );
  },
});

/** A JSON column: SQLite gives its text, PostgreSQL its value. */
export const jsonOf = <T>(column: unknown): T =>
  (typeof column === 'string' ? JSON.parse(column) : column) as T;

/** Bytes of a text or JSON column; SQLite knows OCTET_LENGTH from 3.43 on, and a system's own may be older. */
export const bytesOf = (column: string): string => `LENGTH(CAST(${column} AS BLOB))`;

/** A moment as the models write it, so that rows of both sort alike. */
export const momentText = (moment: Date): string =>
  moment.toISOString().replace('T', ' ').replace('Z', ' +00:00');
