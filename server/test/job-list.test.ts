import type { JobsPage } from '@blue-ledge/core';
import { TestServer, demoJob } from './server.ts';

/** Jobs without a file: made, found, copied, put away, removed and put back. */

let server: TestServer;
beforeEach(async () => {
  server = await TestServer.withDemo();
});
afterEach(() => server.stop());

const page = async (query = ''): Promise<JobsPage> =>
  (await server.http.get(`/api/jobs${query}`).expect(200)).body;
const titles = async (query = ''): Promise<string[]> => (await page(query)).jobs.map(({ title }) => title);
const shopId = async (): Promise<string> => (await server.http.get('/api/shops')).body[0].id;
const make = async (title: string, panels: object[] = []) =>
  server.http.post('/api/jobs/new').send({ job: { title }, shopId: await shopId(), panels });

test('a job is made with a title and a shop, with panels or without', async () => {
  const { body } = await (await make('Ferry', [demoJob().panels[0]!])).body;
  void body;
  const [newest] = (await page()).jobs;
  expect(newest).toMatchObject({ title: 'Ferry', panels: [{ id: 'door', state: 'surveyed' }] });
  const { id } = (await make('Empty')).body;
  expect((await server.http.get(`/api/jobs/${id}`).expect(200)).body).toMatchObject({
    job: { title: 'Empty', target: { quality: 'standard' } },
    panels: [],
  });
  await server.http.get(`/api/jobs/${id}/file`).expect(409);
  expect((await make(' ')).status).toBe(400);
});

test('the list says how far each panel is', async () => {
  const states = async () =>
    Object.fromEntries((await page()).jobs[0]!.panels.map((panel) => [panel.id, panel.state]));
  expect(new Set(Object.values(await states()))).toEqual(new Set(['surveyed']));
  await server.http.post('/api/jobs/bus-6/panels/nose/plans').expect(201);
  expect(await states()).toMatchObject({ nose: 'planned', door: 'surveyed' });
});

test('it is found by a part of its title or id, in pages, newest first; signs of a search stand for themselves', async () => {
  for (const title of ['Van 1', 'Van 2', '100% van', 'a_b']) await make(title);
  expect(await titles()).toEqual(['a_b', '100% van', 'Van 2', 'Van 1', 'Book bus 6']);
  expect(await titles('?text=van')).toEqual(['100% van', 'Van 2', 'Van 1']);
  expect(await titles('?text=%25')).toEqual(['100% van']);
  expect(await titles('?text=_')).toEqual(['a_b']);
  expect(await titles('?text=bus-6')).toEqual(['Book bus 6']);
  expect(await titles('?limit=2&offset=2')).toEqual(['Van 2', 'Van 1']);
  expect((await page('?limit=2')).nJobs).toBe(5);
});

test('it is put away and taken out again, with what was agreed on it', async () => {
  const patch = (body: object) => server.http.patch('/api/jobs/bus-6').send(body).expect(200);
  await patch({ customerWords: 'Make it blue.', dueOn: '2026-12-09' });
  await patch({ isArchived: true });
  expect(await titles()).toEqual([]);
  expect((await page('?archived=true')).jobs).toMatchObject([{ isArchived: true, dueOn: '2026-12-09' }]);
  await patch({ isArchived: false, dueOn: null });
  const { body } = await server.http.get('/api/jobs/bus-6').expect(200);
  expect(body).toMatchObject({ isArchived: false, job: { customerWords: 'Make it blue.' } });
  expect(body.job).not.toHaveProperty('dueOn');
  await server.http.patch('/api/jobs/bus-6').send({ dueOn: 'soon' }).expect(400);
});

test('a copy has the panels, not the plans', async () => {
  await server.http.post('/api/jobs/bus-6/panels/nose/plans').expect(201);
  const { body } = await server.http.post('/api/jobs/bus-6/copies').expect(201);
  const copy = (await page()).jobs.find(({ id }) => id === body.id)!;
  expect(copy.title).toBe('Book bus 6 (copy)');
  expect(new Set(copy.panels.map(({ state }) => state))).toEqual(new Set(['surveyed']));
  expect(copy.panels).toHaveLength(6);
});

test('it is removed, not twice and not over a change, and put back as it was', async () => {
  const before = (await server.http.get('/api/jobs/bus-6')).body;
  await server.http.delete('/api/jobs/bus-6').send({ version: 9 }).expect(409);
  await server.http.post('/api/jobs/bus-6/put-back').expect(404);
  await server.http.delete('/api/jobs/bus-6').send({ version: 1 }).expect(200);
  await server.http.delete('/api/jobs/bus-6').send({ version: 1 }).expect(404);
  expect((await page()).jobs).toEqual([]);
  await server.http.post('/api/jobs/bus-6/put-back').expect(201);
  expect((await server.http.get('/api/jobs/bus-6')).body).toEqual(before);
});

test('a job holds two hundred panels and no more', async () => {
  const [door] = demoJob().panels;
  const panels = Array.from({ length: 200 }, (_, i) => ({
    ...door,
    id: `door-${i}`,
    zones: [door!.zones[0]],
  }));
  const { body } = await make('Fleet', panels);
  const add = await server.http
    .post(`/api/jobs/${body.id}/panels`)
    .send({ panel: { ...door, id: 'one-more' } });
  expect([add.status, add.body.title]).toEqual([422, expect.stringMatching(/at most 200 panels/)]);
  const { body: file } = await server.http.get(`/api/jobs/${body.id}/file`).expect(200);
  await server.http
    .post('/api/jobs')
    .send({ ...file, job: { ...file.job, id: 'fleet-2' } })
    .expect(201);
});
