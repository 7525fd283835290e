import {
  scheduleChanges,
  type ScheduleChanges,
  type ScheduledTask,
  type ShopScheduleView,
  type ShopView,
} from '@blue-ledge/core';
import { SteadyTime } from '../src/clocks/steady-time.ts';
import { TestServer } from './server.ts';

/** The schedule of a shop: kept, brought up to date, moved and taken back; what is sent that cannot be is refused. */

const NOW = { startOn: '2026-12-07', startMin: 450 };
const MORNING = '2026-12-07T07:30:00';

/** The shop's clock stands at a moment. */
const itIs = (moment: string) =>
  jest.spyOn(server.app.get(SteadyTime), 'nowMs').mockImplementation(() => Date.parse(moment));

let server: TestServer;
let shop: ShopView;
beforeEach(async () => {
  server = await TestServer.withDemo();
  itIs(MORNING);
  const { body } = await server.http.get('/api/shops').expect(200);
  shop = (body as ShopView[])[0]!;
});
afterEach(() => server.stop());

const path = (rest = '') => `/api/shops/${shop.id}/schedule${rest}`;
const get = async (): Promise<ShopScheduleView> => (await server.http.get(path()).expect(200)).body;
const planAll = () => server.http.post('/api/jobs/bus-6/plans').send({ now: NOW }).expect(201);

test('panels without a plan wait and say so; planned ones get their hours, once, until something changes', async () => {
  const empty = await get();
  expect(empty.schedule!.panels).toEqual([]);
  expect(empty.schedule!.waiting.map(({ text }) => text)[0]).toMatch(/not planned/);
  await planAll();
  const first = await get();
  expect(first.schedule!.panels.length).toBeGreaterThan(3);
  expect(first.version).toBe(empty.version + 1);
  expect((await get()).version).toBe(first.version);
  await server.http
    .patch(`/api/shops/${shop.id}`)
    .send({ shop: { holidays: ['2026-12-07'] } })
    .expect(200);
  const later = await get();
  expect(Math.min(...later.schedule!.tasks.map(({ startMin }) => startMin))).toBeGreaterThan(900);
});

test('a trial says what a move comes to, as the move then does, and moves nothing', async () => {
  await planAll();
  const before = await get();
  const { jobId, panelId, n } = before.schedule!.tasks.find(({ op }) => op === 'wash')!;
  const moves = [{ jobId, panelId, n, at: { startOn: '2026-12-09', startMin: 540 } }];
  const { body: told } = await server.http.post(path('/trials')).send({ moves }).expect(200);
  expect((await get()).version).toBe(before.version);
  const { body: after } = await server.http.post(path('/moves')).send({ moves }).expect(200);
  const finishOf = (view: ShopScheduleView) =>
    view.schedule!.panels.find((panel) => panel.panelId === panelId)!.finishMin;
  const own = (told as ScheduleChanges).finishes.find((each) => each.panelId === panelId)!;
  expect([own.wasMin, own.finishMin]).toEqual([finishOf(before), finishOf(after)]);
  expect(told).toEqual(scheduleChanges(before.schedule, after.schedule));
});

test('a step that is moved stays where it was put, what was sent twice moves once, and undo brings all back', async () => {
  await planAll();
  const before = await get();
  const { jobId, panelId, n } = before.schedule!.tasks.find(({ op }) => op === 'wash')!;
  const moves = [{ jobId, panelId, n, at: { startOn: '2026-12-08', startMin: 540 } }];
  const send = () =>
    server.http.post(path('/moves')).set('idempotency-key', 'move-0001').send({ moves }).expect(200);
  const { body: after } = await send();
  const begins = (view: ShopScheduleView) =>
    view.schedule!.tasks.find((task) => task.panelId === panelId && task.n === n)!.startMin;
  expect(begins(after)).toBe(24 * 60 + 540 - 450);
  expect((await send()).body.version).toBe(after.version);
  await server.http
    .post(path('/undo'))
    .send({ version: after.version - 1 })
    .expect(409);
  const { body: undone } = await server.http.post(path('/undo')).send({ version: after.version }).expect(200);
  expect(undone.schedule).toEqual(before.schedule);
  expect((await get()).moves).toEqual([]);
});

test('a search and a start anew answer with a schedule of their own', async () => {
  await planAll();
  await get();
  const { body: found } = await server.http.post(path()).send({}).expect(200);
  itIs('2026-12-07T13:20:00');
  const { body: anew } = await server.http.post(path()).send({ kind: 'anew' }).expect(200);
  expect([found.start, anew.start]).toEqual([NOW, { startOn: '2026-12-07', startMin: 800 }]);
});

test('what runs by now stays, what nobody entered comes again from now on and is asked about until it is answered', async () => {
  await planAll();
  const before = await get();
  expect(before.notEntered).toEqual([]);
  const [first] = before.schedule!.tasks.toSorted((a, b) => a.startMin - b.startMin);
  const beginsOf = (view: ShopScheduleView) =>
    view.schedule!.tasks.find(({ panelId, n }) => panelId === first!.panelId && n === first!.n)!.startMin;
  const at = (minutes: number) => new Date(Date.parse(MORNING) + minutes * 60_000).toISOString();
  // Under way: where it was, also when the rest is brought up to date.
  itIs(at(first!.startMin + 1));
  await server.http
    .patch(`/api/shops/${shop.id}`)
    .send({ shop: { vocLimitGPerL: 600 } })
    .expect(200);
  const running = await get();
  expect(running.version).toBeGreaterThan(before.version);
  expect(beginsOf(running)).toBe(first!.startMin);
  expect(running.notEntered).toEqual([]);
  // Over, and nobody entered it: not done.
  const nowMin = first!.endMin + 60;
  itIs(at(nowMin));
  const asked = await get();
  // What came to its end on another panel in the last ten minutes may still be entered, and stays.
  const placeOf = ({ panelId, n, startMin }: ScheduledTask) => `${panelId} ${n} at ${startMin}`;
  const justOver = running.schedule!.tasks.filter(({ endMin }) => endMin > nowMin - 10).map(placeOf);
  const begun = asked.schedule!.tasks.filter(({ startMin }) => startMin < nowMin).map(placeOf);
  expect(justOver).toEqual(expect.arrayContaining(begun));
  expect(begun).not.toContain(placeOf(first!));
  const mine = asked.notEntered.find(({ panelId, n }) => panelId === first!.panelId && n === first!.n)!;
  expect(mine.start).toEqual({ startOn: '2026-12-07', startMin: 450 + first!.startMin });
  // Asked once, with the time at which it stood first.
  itIs(at(nowMin + 90));
  const again = await get();
  expect(again.notEntered.filter(({ n, panelId }) => n === mine.n && panelId === mine.panelId)).toEqual([
    mine,
  ]);
  const { body: answered } = await server.http
    .post(path('/not-yet'))
    .send({ steps: again.notEntered.map(({ jobId, panelId, n }) => ({ jobId, panelId, n })) })
    .expect(200);
  expect(answered.notEntered).toEqual([]);
  expect((await get()).notEntered).toEqual([]);
});

test('a step that is entered is done for the schedule, and not asked about; base takes the panel out', async () => {
  // Entries have happened: by the real clock, whatever day that is.
  const inDays = (days: number) => itIs(new Date(Date.now() + days * 24 * 60 * 60_000).toISOString());
  inDays(0);
  await planAll();
  const before = await get();
  inDays(5);
  const asked = await get();
  const { panelId, n } = asked.notEntered[0]!;
  const record = `/api/jobs/bus-6/panels/${panelId}/record`;
  const { body } = await server.http.get(`/api/jobs/bus-6/panels/${panelId}/plans/latest`).expect(200);
  const { plan } = body as { plan: { id: string; chosen: string } };
  const entered = { id: 'e1', at: new Date().toISOString(), by: 'Prep A' };
  const step = { planId: plan.id, systemId: plan.chosen, n };
  await server.http
    .post(record)
    .send({ ...entered, kind: 'act', body: { op: 'wash', zones: ['A'], step } })
    .expect(200);
  const isOf = (each: { readonly panelId: string; readonly n: number }) =>
    each.panelId === panelId && each.n === n;
  const after = await get();
  expect(before.schedule!.tasks.some(isOf)).toBe(true);
  expect([after.notEntered.some(isOf), after.schedule!.tasks.some(isOf)]).toEqual([false, false]);
  await server.http
    .post(record)
    .send({ ...entered, id: 'e2', kind: 'base', body: {} })
    .expect(200);
  const based = await get();
  expect(based.schedule!.panels.some((panel) => panel.panelId === panelId)).toBe(false);
  expect(based.notEntered.some((each) => each.panelId === panelId)).toBe(false);
});

test.each([
  [
    'a trial of a panel that is gone',
    () =>
      server.http
        .post(path('/trials'))
        .send({ moves: [{ jobId: 'bus-6', panelId: 'nowhere', n: 1, at: null }] }),
    422,
  ],
  ['no move', () => server.http.post(path('/moves')).send({ moves: [] }), 400],
  [
    'a panel of nobody',
    () =>
      server.http
        .post(path('/moves'))
        .send({ moves: [{ jobId: 'bus-6', panelId: 'nowhere', n: 1, at: null }] }),
    422,
  ],
  ['a shop that is not here', () => server.http.get('/api/shops/nowhere/schedule'), 404],
] as const)('%s is refused', async (_, send, status) => {
  await send().expect(status);
});

test('a step that is not there is not moved', async () => {
  await planAll();
  const { schedule } = await get();
  const { jobId, panelId } = schedule!.tasks[0]!;
  const at = { startOn: '2026-12-08', startMin: 540 };
  const { body } = await server.http
    .post(path('/moves'))
    .send({ moves: [{ jobId, panelId, n: 999, at }] })
    .expect(422);
  expect(body.problems).toEqual([
    { path: 'moves.0.n', message: 'is no step of the system that this panel is worked by' },
  ]);
  expect((await get()).moves).toEqual([]);
});

test('a schedule that is asked for while its shop is removed is refused, not a fault of ours', async () => {
  const { body: other } = await server.http.post('/api/shops').send({ name: 'Other' }).expect(201);
  const answers = await Promise.all([
    server.http.get(`/api/shops/${other.id}/schedule`),
    server.http.delete(`/api/shops/${other.id}`).send({ version: 1 }),
    server.http.get(`/api/shops/${other.id}/schedule`),
    server.http.post(`/api/shops/${other.id}/schedule`).send({}),
  ]);
  for (const { status } of answers) expect(status).toBeLessThan(500);
  await server.http.get(`/api/shops/${other.id}/schedule`).expect(404);
});

test('a shop in which nobody works says so', async () => {
  await server.http
    .patch(`/api/shops/${shop.id}`)
    .send({ shop: { breaks: [{ from: '00:00', to: '24:00' }] } })
    .expect(200);
  const view = await get();
  expect(view.schedule).toBeNull();
  expect(view.problem).toMatch(/Nobody works/);
});

test('a person’s work is a calendar; before there is a schedule it says what to do', async () => {
  await server.http.get(path('/people/prep-a.ics')).expect(404);
  await planAll();
  await get();
  const { text, headers } = await server.http.get(path('/people/prep-a.ics')).buffer(true).expect(200);
  expect(headers['content-type']).toMatch(/text\/calendar/);
  expect(text).toMatch(/^BEGIN:VCALENDAR/);
  expect(text).toMatch(/DTSTART:20261207T\d{6}\r\n/);
  await server.http.get(path('/people/nobody.ics')).expect(404);
});
