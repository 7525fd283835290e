import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes, Sequelize } from 'sequelize';
import { Database } from '../src/database/database.ts';
import { migrations } from '../src/database/migrate.ts';
import { StartError } from '../src/database/start-error.ts';
import { TestServer, demoJob } from './server.ts';

/** A data folder that cannot be used is one sentence, and is left as it is; one of the release before keeps all it held. */

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'ledge-start-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const FILE = 'blue-ledge.sqlite';
const whyNot = async (where = folder): Promise<string> => {
  try {
    await (await Database.open(where)).close();
  } catch (error) {
    expect(error).toBeInstanceOf(StartError);
    return (error as Error).message;
  }
  throw new Error('it started');
};

test('a file that is no database is named and not touched', async () => {
  writeFileSync(join(folder, FILE), 'this was a database once '.repeat(200));
  expect(await whyNot()).toMatch(/is damaged and was left as it is. Put a backup in its place/);
  expect(readFileSync(join(folder, FILE), 'utf8')).toMatch(/^this was a database/);
});

test('a database of a later release is named and not touched', async () => {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: join(folder, FILE), logging: false });
  await migrations(sequelize).up();
  await sequelize.query(`INSERT INTO "SequelizeMeta" (name) VALUES ('9999-later')`);
  await sequelize.close();
  expect(await whyNot()).toMatch(/was written by a later release/);
});

test('a second server on the same folder is refused, and may start once the first has stopped', async () => {
  const first = await Database.open(folder);
  expect(await whyNot()).toMatch(/Another Blue Ledge server uses/);
  await first.close();
  await (await Database.open(folder)).close();
});

test('a path that is no folder is named', async () => {
  writeFileSync(join(folder, 'file'), '');
  expect(await whyNot(join(folder, 'file'))).toMatch(/is no folder. Set LEDGE_DATA/);
});

test('folder and files are this user’s only', async () => {
  const open = join(folder, 'data');
  mkdirSync(open, { mode: 0o755 });
  writeFileSync(join(open, FILE), '');
  chmodSync(join(open, FILE), 0o644);
  await (await Database.open(open)).close();
  expect(statSync(open).mode & 0o777).toBe(0o700);
  expect(statSync(join(open, FILE)).mode & 0o777).toBe(0o600);
});

describe('a database of the release before', () => {
  const plan = { chosen: 'seal', systems: [], stopped: [], found: {}, warnings: [] };
  const at = '2026-11-01 08:00:00.000 +00:00';
  const { panels, ...body } = demoJob();
  const [door] = panels;
  const { zones, ...facts } = door!;

  beforeEach(async () => {
    const sequelize = new Sequelize({ dialect: 'sqlite', storage: join(folder, FILE), logging: false });
    await migrations(sequelize).up({ to: '0001-jobs' });
    const insert = (table: string, row: Record<string, unknown>) =>
      sequelize.query(
        `INSERT INTO ${table} (${Object.keys(row)
          .map((name) => `"${name}"`)
          .join()})
         VALUES (${Object.keys(row)
           .map((name) => `:${name}`)
           .join()})`,
        { replacements: row, type: QueryTypes.INSERT },
      );
    const timed = { createdAt: at, updatedAt: at };
    for (const id of ['bus-6', 'bus-7'])
      await insert('jobs', {
        id,
        title: body.job.id,
        body: JSON.stringify({ ...body, job: { ...body.job, id } }),
        version: 3,
        ...timed,
      });
    const inDoor = { jobId: 'bus-6', ...timed };
    await insert('panels', { ...inDoor, id: 'door', place: 0, body: JSON.stringify(facts), version: 2 });
    for (const [place, zone] of zones.entries())
      await insert('zones', {
        ...inDoor,
        panelId: 'door',
        id: zone['id'],
        place,
        body: JSON.stringify(zone),
        version: 5,
      });
    await insert('plans', {
      ...inDoor,
      id: '00000000-0000-4000-8000-000000000001',
      panelId: 'door',
      chosen: 'seal',
      survey: 'x',
      body: JSON.stringify(plan),
    });
    await sequelize.close();
  });

  test('opens with its jobs, surveys and versions; both jobs share the shop that they carried', async () => {
    const server = await TestServer.start(folder);
    const { body: job } = await server.http.get('/api/jobs/bus-6').expect(200);
    expect(job).toMatchObject({
      version: 3,
      shop: { name: 'Shop', shop: { profile: 'booth', nightCelsius: 14 } },
    });
    expect((await server.http.get('/api/jobs/bus-7')).body.shop.id).toBe(job.shop.id);
    const { body: panel } = await server.http.get('/api/jobs/bus-6/panels/door').expect(200);
    expect(panel).toMatchObject({ version: 2, zoneVersions: { A: 5, B: 5, C: 5 } });
    expect(panel.panel.zones).toMatchObject(zones);
    const { body: latest } = await server.http.get('/api/jobs/bus-6/panels/door/plans/latest').expect(200);
    expect(latest.plan).toMatchObject({ chosen: 'seal', plan: null });
    await server.stop();
    mkdirSync(folder);
  });
});
