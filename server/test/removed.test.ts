import type { JobsPage, RecordView, RemovedPanel } from '@blue-ledge/core';
import { Op } from 'sequelize';
import { Database } from '../src/database/database.ts';
import { DOOR, TestServer, demoJob } from './server.ts';

/** What was removed: listed for a month, never overwritten by what comes after it, never lost where it has a record. */

let server: TestServer;
beforeEach(async () => {
  server = await TestServer.withDemo();
});
afterEach(() => server.stop());

const DAY_MS = 24 * 60 * 60 * 1000;
const RECORD = `${DOOR}/record`;
const note = (id: string) =>
  server.http
    .post(RECORD)
    .send({ id, at: new Date().toISOString(), by: 'Prep A', kind: 'note', body: { text: 'drips' } })
    .expect(200);
const record = async (of = RECORD): Promise<RecordView> => (await server.http.get(of).expect(200)).body;
const removeDoor = () => server.http.delete(DOOR).send({ version: 1 }).expect(200);
const removeJob = (id = 'bus-6') => server.http.delete(`/api/jobs/${id}`).send({ version: 1 }).expect(200);
const removedJobs = async (): Promise<JobsPage['jobs']> =>
  (await server.http.get('/api/jobs?removed=true').expect(200)).body.jobs;
const removedPanels = async (): Promise<RemovedPanel[]> =>
  (await server.http.get('/api/jobs/bus-6/removed-panels').expect(200)).body;

/** As if the server had started with a clock so far ahead: all that was removed was removed so long ago. */
async function startLater(days: number): Promise<void> {
  const removedAt = new Date(Date.now() - days * DAY_MS);
  await server.app.get(Database).write('test', async ({ tables }) => {
    for (const table of [tables.jobs, tables.panels] as (typeof tables.jobs)[])
      await table.update({ removedAt }, { where: { removedAt: { [Op.ne]: null } as never } });
  });
  server = await server.restart();
}

test('a panel whose id a removed one had gets an id of its own, and both keep what is theirs', async () => {
  await note('n1');
  const { panel } = (await server.http.get(DOOR)).body;
  await removeDoor();
  const { body: added } = await server.http
    .post('/api/jobs/bus-6/panels')
    .send({ panel: { ...panel, name: 'Other door' } })
    .expect(201);
  expect(added.panel).toMatchObject({ id: 'door-2', name: 'Other door' });
  expect((await record('/api/jobs/bus-6/panels/door-2/record')).entries).toEqual([]);
  await server.http.post(`${DOOR}/put-back`).expect(201);
  expect((await record()).entries.map(({ id }) => id)).toEqual(['n1']);
  expect((await server.http.get(DOOR)).body.panel.name).toBe('Sliding door shell');
});

test('a job file with the id of a removed job is a job of its own, and both keep what is theirs', async () => {
  await note('n1');
  await removeJob();
  const { body: taken } = await server.http.post('/api/jobs').send(demoJob()).expect(201);
  expect(taken.id).toBe('bus-6-2');
  const { body: again } = await server.http.post('/api/jobs').send(demoJob()).expect(201);
  expect(again.id).toBe('bus-6-3');
  await server.http.post('/api/jobs/bus-6/put-back').expect(201);
  expect((await record()).entries.map(({ id }) => id)).toEqual(['n1']);
  expect((await record('/api/jobs/bus-6-2/panels/door/record')).entries).toEqual([]);
});

test('what was removed is listed with how long it is kept, after a restart too', async () => {
  await removeDoor();
  expect(await removedJobs()).toEqual([]);
  server = await server.restart();
  const [panel] = await removedPanels();
  expect(panel).toMatchObject({ id: 'door', name: 'Sliding door shell' });
  const { at, until } = panel!.removal;
  expect(Date.parse(until!) - Date.parse(at)).toBe(30 * DAY_MS);
  await removeJob();
  expect(await removedJobs()).toMatchObject([
    { id: 'bus-6', title: 'Book bus 6', removal: { until: expect.any(String) } },
  ]);
  expect((await server.http.get('/api/jobs')).body.jobs).toEqual([]);
  await server.http.post('/api/jobs/bus-6/put-back').expect(201);
  expect(await removedPanels()).toHaveLength(1);
});

test('after a month it is forgotten, but what has a record is put away, whatever the clock says', async () => {
  const { body: plain } = await server.http
    .post('/api/jobs')
    .send({ ...demoJob(), job: { ...demoJob().job, id: 'plain' } });
  await note('n1');
  await removeJob();
  await removeJob(plain.id);
  expect((await removedJobs()).map(({ id, removal }) => [id, removal!.until === null])).toEqual(
    expect.arrayContaining([
      ['bus-6', true],
      ['plain', false],
    ]),
  );
  await startLater(40);
  expect(await removedJobs()).toEqual([]);
  const { body: away } = await server.http.get('/api/jobs?archived=true').expect(200);
  expect(away.jobs.map(({ id }: { id: string }) => id)).toEqual(['bus-6']);
  expect((await record()).entries.map(({ id }) => id)).toEqual(['n1']);
  await server.http.post('/api/jobs/plain/put-back').expect(404);
});

test('a removed panel with a record stays among those that were removed, one without goes', async () => {
  await note('n1');
  await removeDoor();
  await server.http.delete('/api/jobs/bus-6/panels/nose').send({ version: 1 }).expect(200);
  await startLater(40);
  expect((await removedPanels()).map(({ id, removal }) => [id, removal.until])).toEqual([['door', null]]);
  await server.http.post(`${DOOR}/put-back`).expect(201);
  expect((await record()).entries).toHaveLength(1);
});
