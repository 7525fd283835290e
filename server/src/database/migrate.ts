import type { QueryInterface, Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import * as jobs from './migrations/0001-jobs.ts';

/** A step of the schema: raw SQL, because Sequelize's own helpers rebuild tables and lose their constraints. */
export interface Migration {
  readonly up: (context: { context: QueryInterface }) => Promise<void>;
  readonly down: (context: { context: QueryInterface }) => Promise<void>;
}

const MIGRATIONS: readonly (Migration & { name: string })[] = [{ name: '0001-jobs', ...jobs }];

export const migrations = (sequelize: Sequelize): Umzug<QueryInterface> =>
  new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({ name, up, down })),
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });

/** Brings the tables up to date. */
export const migrate = async (sequelize: Sequelize): Promise<void> => {
  await migrations(sequelize).up();
};
