import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes, Sequelize } from 'sequelize';
import { BACKUPS, FILE, LOG_FILE, PHOTOS } from './data-folder.ts';
import { NOTED, isKnownMigration, migrations } from './migrate.ts';
import { readOnly } from './read-only.ts';
import type { Sql } from './sql.ts';
import { StartError, errorCode, startErrorOf } from './start-error.ts';
import { verifyEvents } from './verify-events.ts';

/** Whether a data folder holds a database that can be worked with; looked at before anything is written to it. */

/** What only a shop leaves in its folder: where one of these lies, there was a database. */
const TRACES = [LOG_FILE, PHOTOS, BACKUPS, `${FILE}-wal`];

const sizeOf = (path: string): number => (existsSync(path) ? statSync(path).size : 0);

/** A shop was in this folder before. */
const hasTraces = (folder: string): boolean =>
  TRACES.some((name) => {
    const path = join(folder, name);
    if (!existsSync(path)) return false;
    const stat = statSync(path);
    return stat.isDirectory() ? readdirSync(path).length > 0 : stat.size > 0;
  });

const putBack = (folder: string): string =>
  `Put a backup in its place (npm run -s ledge -- restore FILE --to ${folder}), or set LEDGE_DATA to another folder.`;

/**
 * @returns false where there is no database yet, and no shop was here
 * @throws {StartError} naming what is wrong and how it is mended
 */
export async function mustBeSound(folder: string): Promise<boolean> {
  const file = join(folder, FILE);
  if (sizeOf(file) === 0) {
    if (!hasTraces(folder)) return false;
    throw new StartError(
      existsSync(file)
        ? `The database in ${folder} is empty, though a shop was here. ${putBack(folder)}`
        : `The database in ${folder} is missing, though a shop was here. ${putBack(folder)}`,
    );
  }
  const hasWal = sizeOf(`${file}-wal`) > 0;
  try {
    await readOnly(file, (sql) => mustHold(sql, folder, hasWal));
    return true;
  } catch (error) {
    if (hasWal && isDamage(error) && (await isSoundWithoutWal(file, folder)))
      throw new StartError(
        `${FILE}-wal in ${folder} is of another time than the database beside it, and nothing was touched. Move ${FILE}-wal and ${FILE}-shm out of the folder, keep them, and start again: what the database itself holds is whole.`,
      );
    if (error instanceof ChainBroken) return true;
    throw startErrorOf(error, folder);
  }
}

/** Said of a database that is damaged in itself. */
class DamagedError extends StartError {}

/** Its pages are whole, but its chain of events has a gap. */
class ChainBroken extends DamagedError {}

const damaged = (folder: string, what: string): DamagedError =>
  new DamagedError(
    `The database in ${folder} is damaged (${what}) and was left as it is. ${putBack(folder)}`,
  );

const isDamage = (error: unknown): boolean =>
  error instanceof DamagedError || ['SQLITE_CORRUPT', 'SQLITE_NOTADB'].includes(errorCode(error));

async function isSoundWithoutWal(file: string, folder: string): Promise<boolean> {
  try {
    await readOnly(file, (sql) => mustHold(sql, folder, true), { isWithoutWal: true });
    return true;
  } catch {
    return false;
  }
}

/** @param isWhole looks at every index and the whole chain of events as well: after a stop that was none */
async function mustHold(sql: Sql, folder: string, isWhole: boolean): Promise<void> {
  const [checked] = await sql.rows<Record<string, string>>(
    isWhole ? 'PRAGMA integrity_check(1)' : 'PRAGMA quick_check(1)',
  );
  const found = Object.values(checked ?? {})[0] ?? '';
  if (found !== 'ok') throw damaged(folder, firstLine(found));
  const tables = await tablesIn(sql);
  if (tables.size === 0) return;
  if (!tables.has(NOTED))
    throw new StartError(
      `The database in ${folder} is not one of Blue Ledge. Set LEDGE_DATA to another folder.`,
    );
  const done = (await sql.rows<{ name: string }>(`SELECT name FROM "${NOTED}" ORDER BY name`)).map(
    ({ name }) => name,
  );
  if (!done.every(isKnownMigration))
    throw new StartError(
      `The data in ${folder} was written by a later release of Blue Ledge. Start that one, or set LEDGE_DATA to another folder.`,
    );
  for (const [table, columns] of await tablesAfter(done.at(-1))) {
    const missing = [...columns].find((column) => !tables.get(table)?.has(column));
    if (missing !== undefined)
      throw damaged(
        folder,
        tables.has(table) ? `${missing} is missing in table ${table}` : `table ${table} is missing`,
      );
  }
  if (isWhole && tables.has('chainEnds')) {
    // What was changed where it stands is told when all of it is looked through, and keeps nobody from work.
    const { faults, isLinked } = await verifyEvents(sql);
    if (!isLinked) throw new ChainBroken(faults[0]!.what);
  }
}

/** Every table with its columns. */
const TABLES = `SELECT tables.name AS "table", columns.name AS "column"
  FROM sqlite_master AS tables JOIN pragma_table_info(tables.name) AS columns
  WHERE tables.type = 'table' AND tables.name NOT LIKE 'sqlite_%'`;

const firstLine = (text: string): string => text.split('\n').at(-1)!.replace(/\.$/, '');

type Tables = ReadonlyMap<string, ReadonlySet<string>>;

interface ColumnRow {
  readonly table: string;
  readonly column: string;
}

const tablesIn = async (sql: Sql): Promise<Tables> => byTable(await sql.rows<ColumnRow>(TABLES));

function byTable(rows: readonly ColumnRow[]): Tables {
  const tables = new Map<string, Set<string>>();
  for (const { table, column } of rows) tables.set(table, (tables.get(table) ?? new Set()).add(column));
  return tables;
}

/** The tables that there are after a migration, by doing them all on nothing. */
async function tablesAfter(last: string | undefined): Promise<Tables> {
  if (last === undefined) return new Map();
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
  try {
    await migrations(sequelize).up({ to: last });
    return byTable(await sequelize.query<ColumnRow>(TABLES, { type: QueryTypes.SELECT }));
  } finally {
    await sequelize.close();
  }
}
