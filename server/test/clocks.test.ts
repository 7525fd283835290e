import { GENERIC_SHELF, type ClocksView, type ClockView, type ShopView } from '@blue-ledge/core';
import { SteadyTime } from '../src/clocks/steady-time.ts';
import { TestServer } from './server.ts';

/** Clocks: the same on every screen, one on each step, corrected by the shop's air, and safe from what happens around them. */

const MIN_MS = 60_000;

let server: TestServer;
let shopId: string;
beforeEach(async () => {
  server = await TestServer.withDemo();
  const { body } = await server.http.get('/api/shops').expect(200);
  shopId = (body as ShopView[])[0]!.id;
});
afterEach(() => server.stop());

const STEP = {
  jobId: 'bus-6',
  panelId: 'door',
  panelName: 'Sliding door shell',
  planId: 'p',
  systemId: 's',
  areas: ['A', 'B'],
  n: 5,
};
const epoxy = GENERIC_SHELF.find(({ id }) => id === 'epoxy-1-1')!;
const clockOf = (more: object = {}) => ({
  id: 'clock-1',
  title: '5. Epoxy',
  step: STEP,
  work: { kind: 'coat', sheet: epoxy, next: 'any' },
  startedMs: Date.now() - 10 * MIN_MS,
  ...more,
});
const own = (more: object = {}) => {
  const { step: _, ...clock } = clockOf({
    work: { kind: 'minutes', minutes: 30, source: 'shop' },
    title: 'Tea',
    ...more,
  });
  return clock;
};
const start = (clock: object) => server.http.post('/api/clocks').send(clock);
const running = async (): Promise<ClocksView> => (await server.http.get('/api/clocks').expect(200)).body;
const momentsNow = async () => (await running()).clocks[0]!.moments;
const saying = (body: { title: string; problems?: { path: string; message: string }[] }) =>
  [body.title, ...(body.problems ?? []).map(({ path, message }) => `${path} ${message}`)].join(' ');

test('a clock is a time that was noted: it is the same after a restart, and after it was sent twice', async () => {
  const clock = clockOf();
  await start(clock).set('idempotency-key', 'start-0001').expect(200);
  await start(clock).expect(200);
  const before = await running();
  expect(before.clocks).toHaveLength(1);
  expect(before.clocks[0]!.moments.map(({ kind, turn }) => `${kind} ${turn}`)).toEqual(
    expect.arrayContaining(['recoat opens', 'recoat closes', 'cure opens']),
  );
  server = await server.restart();
  expect((await running()).clocks).toEqual(before.clocks);
});

test('two clocks on one step are refused in words; a pot of its mix has its own; a stopped one gives the place free', async () => {
  await start(clockOf()).expect(200);
  const { body } = await start(clockOf({ id: 'clock-2' })).expect(409);
  expect(saying(body)).toMatch(
    /A clock runs on "5. Epoxy" of Sliding door shell already, since .*\d\d:\d\d\. Stop it first/,
  );
  await start(
    clockOf({ id: 'pot-1', step: { ...STEP, pot: 0 }, work: { kind: 'mix', sheet: epoxy } }),
  ).expect(200);
  await server.http.patch('/api/clocks/clock-1').send({ endedMs: Date.now() }).expect(200);
  await start(clockOf({ id: 'clock-2' })).expect(200);
  await server.http.patch('/api/clocks/clock-1').send({ endedMs: null }).expect(409);
  expect((await running()).clocks.map(({ clock }) => clock.id).sort()).toEqual(['clock-2', 'pot-1']);
});

test('the next coat on the same areas ends the clock that waited for it; work beside it does not', async () => {
  await start(clockOf()).expect(200);
  await start(clockOf({ id: 'beside', step: { ...STEP, n: 6, areas: ['C'] } })).expect(200);
  await start(
    clockOf({ id: 'mask', step: { ...STEP, n: 7 }, work: { kind: 'minutes', minutes: 9, source: 'shop' } }),
  ).expect(200);
  expect((await running()).clocks).toHaveLength(3);
  await start(clockOf({ id: 'next', step: { ...STEP, n: 8, areas: ['B'] } })).expect(200);
  expect((await running()).clocks.map(({ clock }) => clock.id).sort()).toEqual(['beside', 'next']);
});

test('it may be said when it really began, and a stopped one runs again', async () => {
  await start(own()).expect(200);
  const startedMs = Date.now() - 20 * MIN_MS;
  const { body } = await server.http.patch('/api/clocks/clock-1').send({ startedMs }).expect(200);
  expect((body as ClockView).moments[0]!.atMs).toBe(startedMs + 30 * MIN_MS);
  await server.http.patch('/api/clocks/clock-1').send({ endedMs: Date.now() }).expect(200);
  expect((await running()).clocks).toEqual([]);
  await server.http.patch('/api/clocks/clock-1').send({ endedMs: null }).expect(200);
  expect((await running()).clocks).toHaveLength(1);
});

test('a shop that gets colder makes what runs longer from then on; other changes of the shop do not', async () => {
  await server.http
    .patch(`/api/shops/${shopId}`)
    .send({ shop: { celsius: 20, nightCelsius: 20 } })
    .expect(200);
  await start(clockOf()).expect(200);
  const warm = await momentsNow();
  await server.http
    .patch(`/api/shops/${shopId}`)
    .send({ shop: { holidays: ['2026-12-24'] } })
    .expect(200);
  expect(await momentsNow()).toEqual(warm);
  await server.http
    .patch(`/api/shops/${shopId}`)
    .send({ shop: { celsius: 16, nightCelsius: 16 } })
    .expect(200);
  const cold = await momentsNow();
  const opens = (moments: typeof warm) =>
    moments.find(({ kind, turn }) => kind === 'cure' && turn === 'opens')!;
  const factor = (opens(cold).atMs! - Date.now()) / (opens(warm).atMs! - Date.now());
  expect(factor).toBeGreaterThan(1.2);
});

test('somebody sets this machine’s clock: what has run so long has run so long', async () => {
  const time = server.app.get(SteadyTime);
  await start(own()).expect(200);
  const left = async () => {
    const { nowMs, clocks } = await running();
    return clocks[0]!.moments[0]!.atMs! - nowMs;
  };
  const before = await left();
  jest.spyOn(time, 'nowMs').mockImplementation(() => Date.now() + 60 * MIN_MS);
  expect(Math.abs((await left()) - before)).toBeLessThan(5000);
});

test.each([
  ['a beginning that lies ahead', { startedMs: Date.now() + 3_600_000 }, 400, /startedMs lies ahead/],
  ['one a month ago', { startedMs: Date.now() - 30 * 24 * 60 * MIN_MS }, 400, /more than 14 days back/],
  ['no title', { title: '  ' }, 400, /title must say what runs/],
  [
    'no time at all',
    { work: { kind: 'minutes', minutes: 0, source: 'shop' } },
    400,
    /minutes must be at least 0.1/,
  ],
  ['a year', { work: { kind: 'minutes', minutes: 525_600, source: 'shop' } }, 400, /at most 14 days/],
  ['a kind that is none', { work: { kind: 'egg' } }, 400, /work/],
  [
    'a panel that is not there',
    { step: { ...STEP, panelId: 'roof', panelName: 'Roof' } },
    404,
    /Panel "Roof"/,
  ],
])('%s is refused in words, and nothing is kept', async (_, more, status, message) => {
  const { body } = await start(clockOf(more)).expect(status);
  expect(saying(body)).toMatch(message);
  expect((await running()).clocks).toEqual([]);
});

test('a change that names nothing, or a clock that is gone, is said', async () => {
  await start(own()).expect(200);
  const { body } = await server.http.patch('/api/clocks/clock-1').send({}).expect(400);
  expect(saying(body)).toMatch(/startedMs or endedMs/);
  await server.http.patch('/api/clocks/gone').send({ endedMs: 1 }).expect(404);
});

test('a clock goes with its job into another shop, and stays when the old one is removed', async () => {
  await start(clockOf()).expect(200);
  const before = await momentsNow();
  const { body: cold } = await server.http
    .post('/api/shops')
    .send({ name: 'Cold', shop: { celsius: 16, nightCelsius: 14 } })
    .expect(201);
  await server.http.patch('/api/jobs/bus-6').send({ shopId: cold.id }).expect(200);
  const cured = (moments: typeof before) =>
    moments.find(({ kind, turn }) => kind === 'cure' && turn === 'opens')!.atMs!;
  // Ten minutes were warm; what is left is cold.
  expect(cured(await momentsNow())).toBeGreaterThan(cured(before));
  const { body: shops } = await server.http.get('/api/shops').expect(200);
  const { version } = (shops as ShopView[]).find(({ id }) => id === shopId)!;
  await server.http.delete(`/api/shops/${shopId}`).send({ version }).expect(200);
  expect((await running()).clocks.map(({ clock }) => clock.id)).toEqual(['clock-1']);
});
