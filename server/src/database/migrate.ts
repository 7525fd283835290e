import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import { Umzug, type UmzugStorage } from 'umzug';
import type { Migration, Step } from './migration.ts';
import * as jobs from './migrations/0001-jobs.ts';
import * as shops from './migrations/0002-shops-sheets-events.ts';
import * as removals from './migrations/0003-choices-removals.ts';
import * as stock from './migrations/0004-stock.ts';
import * as schedules from './migrations/0005-schedules.ts';
import * as clocks from './migrations/0006-clocks.ts';
import * as record from './migrations/0007-record.ts';
import * as kept from './migrations/0008-kept.ts';

const MIGRATIONS: readonly (Migration & { readonly name: string })[] = [
  { name: '0001-jobs', ...jobs },
  { name: '0002-shops-sheets-events', ...shops },
  { name: '0003-choices-removals', ...removals },
  { name: '0004-stock', ...stock },
  { name: '0005-schedules', ...schedules },
  { name: '0006-clocks', ...clocks },
  { name: '0007-record', ...record },
  { name: '0008-kept', ...kept },
];

/** Table of the migrations that were done. */
export const NOTED = 'SequelizeMeta';

const KNOWN = new Set(MIGRATIONS.map(({ name }) => name));
/** Whether this release knows a migration; it does not know those of later ones. */
export const isKnownMigration = (name: string): boolean => KNOWN.has(name);

function stepIn(sequelize: Sequelize, transaction: Transaction): Step {
  const isPostgres = sequelize.getDialect() === 'postgres';
  return {
    run: async (sql, replacements = {}) => {
      await sequelize.query(sql, { transaction, replacements: { ...replacements } });
    },
    rows: <Row extends object>(sql: string) =>
      sequelize.query<Row>(sql, { transaction, type: QueryTypes.SELECT }),
    moment: isPostgres ? 'TIMESTAMP WITH TIME ZONE' : 'DATETIME',
    json: 'JSON',
  };
}

/** Steps are noted in their own transactions: the storage only reads, so that a kill between leaves nothing half done. */
const storageOf = (sequelize: Sequelize): UmzugStorage => ({
  logMigration: () => Promise.resolve(),
  unlogMigration: () => Promise.resolve(),
  executed: () => namesOf(sequelize),
});

async function namesOf(sequelize: Sequelize): Promise<string[]> {
  await sequelize.query(`CREATE TABLE IF NOT EXISTS "${NOTED}" (name VARCHAR(255) PRIMARY KEY)`);
  const rows = await sequelize.query<{ name: string }>(`SELECT name FROM "${NOTED}" ORDER BY name`, {
    type: QueryTypes.SELECT,
  });
  return rows.map(({ name }) => name);
}

export const migrations = (sequelize: Sequelize): Umzug<Sequelize> =>
  new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () =>
        sequelize.transaction(async (transaction) => {
          const step = stepIn(sequelize, transaction);
          await up(step);
          await step.run(`INSERT INTO "${NOTED}" (name) VALUES (:name)`, { name });
        }),
      down: () =>
        sequelize.transaction(async (transaction) => {
          const step = stepIn(sequelize, transaction);
          await down(step);
          await step.run(`DELETE FROM "${NOTED}" WHERE name = :name`, { name });
        }),
    })),
    context: sequelize,
    storage: storageOf(sequelize),
    logger: undefined,
  });

/** Brings the tables up to date. */
export const migrate = async (sequelize: Sequelize): Promise<void> => void (await migrations(sequelize).up());
