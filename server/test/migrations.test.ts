import { Sequelize } from 'sequelize';
import { migrations } from '../src/database/migrate.ts';

const tablesOf = async (sequelize: Sequelize): Promise<string[]> => {
  const [rows] = await sequelize.query("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name");
  return (rows as { name: string }[]).map(({ name }) => name);
};

test('every migration goes up, down and up again', async () => {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: ':memory:', logging: false });
  await migrations(sequelize).up();
  const tables = await tablesOf(sequelize);
  expect(tables).toEqual(
    expect.arrayContaining(['events', 'jobs', 'panels', 'plans', 'sheets', 'shops', 'writes', 'zones']),
  );
  await migrations(sequelize).down({ to: 0 });
  expect(await tablesOf(sequelize)).toEqual(['SequelizeMeta']);
  await migrations(sequelize).up();
  expect(await tablesOf(sequelize)).toEqual(tables);
  await sequelize.close();
});
