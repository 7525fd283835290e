import type { CanMoveView, CanView, Need, PlanPreview, PlanView, ShopView } from '@blue-ledge/core';
import { TestServer } from './server.ts';

/** Cans of a shop, what is taken from them, what its plans need; guns and cups one by one; planning again on trial. */

let server: TestServer;
let shop: string;
beforeEach(async () => {
  server = await TestServer.withDemo();
  const { body } = await server.http.get('/api/shops').expect(200);
  shop = (body as ShopView[])[0]!.id;
});
afterEach(() => server.stop());

const can = (changes: object = {}) => ({
  id: 'can-1',
  sheetId: 'build-4-1-1',
  component: 'hardener',
  sizeMl: 1000,
  ...changes,
});
const put = (body: object, from: number, id = 'can-1') =>
  server.http.put(`/api/shops/${shop}/stock/${id}`).send({ can: body, from });
const move = (...moves: object[]) => server.http.post(`/api/shops/${shop}/stock/moves`).send({ moves });
const pour = (ml: number, id = 'pour-0001') => ({ kind: 'pour', id, canId: 'can-1', ml, reason: 'door' });
const cans = async (): Promise<CanView[]> =>
  (await server.http.get(`/api/shops/${shop}/stock`).expect(200)).body;

test('a can comes in full, is opened by the first pour, and keeps what became of it', async () => {
  await put(can({ batch: 'B7' }), 0).expect(200);
  await move(pour(120)).expect(200);
  const correction = { kind: 'correction', id: 'look-0001', canId: 'can-1', leftMl: 700, reason: 'spilt' };
  await move(correction).expect(200);
  expect(await cans()).toMatchObject([
    { leftMl: 700, version: 3, can: { batch: 'B7', openedOn: expect.stringMatching(/^\d{4}-/) } },
  ]);
  const { body } = await server.http.get(`/api/shops/${shop}/stock/can-1/moves`).expect(200);
  const moves = body as CanMoveView[];
  expect(moves.map(({ leftMl }) => leftMl).sort()).toEqual([700, 880]);
});

test('the same move asked for again is booked once; a can is never less than empty', async () => {
  await put(can(), 0).expect(200);
  await move(pour(600)).expect(200);
  await move(pour(600)).expect(200);
  expect((await cans())[0]!.leftMl).toBe(400);
  await move(pour(600, 'pour-0002')).expect(200);
  expect((await cans())[0]!.leftMl).toBe(0);
});

test('moves are booked all or none, and what cannot be is refused by field', async () => {
  await put(can(), 0).expect(200);
  await move(pour(100), { ...pour(100, 'pour-0002'), canId: 'nowhere' }).expect(404);
  await move({ ...pour(-5) }).expect(400);
  const silent = { kind: 'correction', id: 'look-0001', canId: 'can-1', leftMl: 5, reason: '' };
  expect((await move(silent).expect(400)).body.problems[0].message).toMatch(/reason/);
  expect((await cans())[0]!.leftMl).toBe(1000);
  await put(can({ sizeMl: 0 }), 1).expect(400);
  await put(can({ expiresOn: 'soon' }), 1).expect(400);
  await put(can({ id: 'other' }), 1).expect(400);
  await put(can({ batch: 'x' }), 7).expect(409);
  await server.http.get('/api/shops/nowhere/stock').expect(404);
  await server.http.get(`/api/shops/${shop}/stock/none/moves`).expect(404);
});

test('a shop that goes takes its cans with it', async () => {
  const { body: made } = await server.http.post('/api/shops').send({ name: 'Other' }).expect(201);
  await server.http.put(`/api/shops/${made.id}/stock/can-1`).send({ can: can(), from: 0 }).expect(200);
  await server.http
    .post(`/api/shops/${made.id}/stock/moves`)
    .send({ moves: [pour(5)] })
    .expect(200);
  await server.http.delete(`/api/shops/${made.id}?version=1`).send({ version: 1 });
  await server.http.get(`/api/shops/${made.id}/stock`).expect(404);
});

test('needs are those of the chosen systems of open jobs', async () => {
  const needs = async (): Promise<Need[]> =>
    (await server.http.get(`/api/shops/${shop}/stock/needs`).expect(200)).body;
  expect(await needs()).toEqual([]);
  await server.http
    .post('/api/jobs/bus-6/panels/door/plans')
    .send({ startOn: '2026-12-07', startMin: 480 })
    .expect(201);
  const [first] = await needs();
  expect(first!.panels).toEqual([{ job: 'Book bus 6', panel: 'door', ml: first!.ml }]);
});

test('guns and cups are changed one by one: two people never undo each other’s', async () => {
  const patch = (things: object) => server.http.patch(`/api/shops/${shop}`).send({ things });
  const cup = (id: string) => ({ id, name: id, bottomMm: 70, topMm: 90, heightMm: 120 });
  const before = (await server.http.get(`/api/shops/${shop}`).expect(200)).body as ShopView;
  const nCups = before.shop.cups?.length ?? 0;
  await Promise.all(['a', 'b', 'c'].map((id) => patch({ cups: { [id]: cup(id) } }).expect(200)));
  await patch({ cups: { b: null } }).expect(200);
  const { shop: now } = (await server.http.get(`/api/shops/${shop}`).expect(200)).body as ShopView;
  expect(
    now
      .cups!.slice(nCups)
      .map(({ id }) => id)
      .sort(),
  ).toEqual(['a', 'c']);
  await patch({ cups: { d: { ...cup('d'), topMm: 0 } } }).expect(400);
  await patch({
    compressors: { x: { id: 'x', name: 'x', deliveryLPerMin: 1, tankLitres: 1, fromBar: 5, toBar: 8 } },
  }).expect(400);
});

test('planning again on trial keeps nothing', async () => {
  const door = '/api/jobs/bus-6/panels/door/plans';
  const start = { startOn: '2026-12-07', startMin: 480 };
  const { body: made } = await server.http.post(door).send(start).expect(201);
  const { body } = await server.http.post(`${door}/preview`).send(start).expect(200);
  expect((body as PlanPreview).chosen).toBe((made as PlanView).chosen);
  const { body: latest } = await server.http.get(`${door}/latest`).expect(200);
  expect(latest.plan.id).toBe((made as PlanView).id);
  await server.http.post(`${door}/preview`).send({ startMin: 'noon' }).expect(400);
});
