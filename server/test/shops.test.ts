import type { JobView, ShopView } from '@blue-ledge/core';
import { TestServer, demoJob } from './server.ts';

/** A shop of its own: jobs refer to it, files carry it. */

let server: TestServer;
beforeEach(async () => {
  server = await TestServer.start();
});
afterEach(() => server.stop());

const take = (job: object, query = '') => server.http.post(`/api/jobs${query}`).send(job);
const shops = async (): Promise<ShopView[]> => (await server.http.get('/api/shops').expect(200)).body;
const jobOf = async (id: string): Promise<JobView> =>
  (await server.http.get(`/api/jobs/${id}`).expect(200)).body;
const other = (id: string, more: object = {}) => {
  const job = demoJob();
  return { ...job, job: { ...job.job, id }, ...more };
};

test('two files with the same shop share it; another one makes another', async () => {
  await take(demoJob()).expect(201);
  await take(other('bus-7')).expect(201);
  expect((await shops()).map(({ name }) => name)).toEqual(['Saltmarsh Coachworks']);
  await take(other('bus-8', { shop: { profile: 'garage', celsius: 12 } })).expect(201);
  expect((await shops()).map(({ name }) => name)).toEqual(['Saltmarsh Coachworks', 'Shop 2']);
  expect((await jobOf('bus-8')).shop.shop).toMatchObject({ profile: 'garage', celsius: 12 });
});

test('a file may be planned in a shop that is here; sheets that it lacks are added, its own stay', async () => {
  await take(demoJob()).expect(201);
  const [shop] = await shops();
  const sheet = (await server.http.get('/api/shelf/sheets')).body[0];
  const own = { ...sheet, name: 'Own epoxy', potLifeMin: 90 };
  await take(other('bus-7', { shop: { celsius: 3 }, sheets: [own] }), `?shop=${shop!.id}`).expect(201);
  expect(await shops()).toHaveLength(1);
  expect((await jobOf('bus-7')).shop).toEqual(shop);
  await take(other('bus-8', { sheets: [{ ...own, potLifeMin: 7 }] }), `?shop=${shop!.id}`).expect(201);
  const { body } = await server.http.get('/api/jobs/bus-8/sheets').expect(200);
  expect(body).toMatchObject([{ name: 'Own epoxy', potLifeMin: 90 }]);
  await take(other('bus-9'), '?shop=nowhere').expect(404);
});

test('a job file embeds shop and sheets, and comes in again as it went out', async () => {
  const sheet = { ...(await server.http.get('/api/shelf/sheets')).body[0], potLifeMin: 90 };
  await take({ ...demoJob(), sheets: [sheet] }).expect(201);
  const { body: file } = await server.http.get('/api/jobs/bus-6/file').expect(200);
  expect(file.shop).toMatchObject({ name: 'Saltmarsh Coachworks', profile: 'booth' });
  expect(file.sheets).toMatchObject([{ id: sheet.id, potLifeMin: 90 }]);
  await take({ ...file, job: { ...file.job, id: 'bus-7' } }).expect(201);
  expect(await shops()).toHaveLength(1);
});

test('fields change one by one, the later writer of a field wins; a wrong one is named', async () => {
  await take(demoJob()).expect(201);
  const [{ id }] = (await shops()) as [ShopView];
  const patch = (body: object) => server.http.patch(`/api/shops/${id}`).send(body);
  await patch({ shop: { celsius: 14 } }).expect(200);
  await patch({ shop: { relativeHumidity: 70, nightCelsius: null } }).expect(200);
  const { body } = await patch({ name: 'Marsh' }).expect(200);
  expect(body).toMatchObject({ name: 'Marsh', version: 4, shop: { celsius: 14, relativeHumidity: 70 } });
  expect(body.shop).not.toHaveProperty('nightCelsius');
  const refused = await patch({ shop: { celsius: 500 } }).expect(400);
  expect(refused.body.problems[0].path).toBe('shop.celsius');
  await patch({ name: ' ' }).expect(400);
  await patch({ version: 1, shop: { celsius: 9 } }).expect(409);
});

test('a change of the shop is a change for its plans', async () => {
  await take(demoJob()).expect(201);
  const plans = '/api/jobs/bus-6/panels/nose/plans';
  await server.http.post(plans).expect(201);
  const [{ id }] = (await shops()) as [ShopView];
  await server.http
    .patch(`/api/shops/${id}`)
    .send({ shop: { celsius: 14 } })
    .expect(200);
  expect((await server.http.get(`${plans}/latest`)).body.plan.changed).toEqual(['shop']);
});

test('a shop is taken away only where no job refers to it', async () => {
  const { body: spare } = await server.http.post('/api/shops').send({ name: 'Yard' }).expect(201);
  await take(demoJob()).expect(201);
  const used = (await shops()).find(({ name }) => name !== 'Yard')!;
  const { body } = await server.http.delete(`/api/shops/${used.id}`).send({ version: 1 }).expect(409);
  expect(body.title).toMatch(/A job is planned for this shop/);
  await server.http.delete(`/api/shops/${spare.id}`).send({ version: 1 }).expect(200);
  expect(await shops()).toEqual([used]);
  await server.http.get(`/api/shops/${spare.id}`).expect(404);
});
