import {
  NO_HASH,
  verifyChain,
  type Entry,
  type JobFile,
  type NewEntry,
  type OwnFiguresView,
  type PlanView,
  type RecordPage,
  type RecordView,
} from '@blue-ledge/core';
import Papa from 'papaparse';
import { Database } from '../src/database/database.ts';
import { RecordWriter } from '../src/record/record.repository.ts';
import { DOOR, TestServer } from './server.ts';

/** The record: entered once each, never changed, told in words where it cannot be, and what plans go on from. */

const MIN_MS = 60_000;
const RECORD = `${DOOR}/record`;

let server: TestServer;
beforeEach(async () => {
  server = await TestServer.withDemo();
});
afterEach(() => server.stop());

const ago = (minutes: number): string => new Date(Date.now() - minutes * MIN_MS).toISOString();
const washed = (id: string, more: object = {}, body: object = {}) => ({
  id,
  at: ago(0),
  by: 'Prep A',
  kind: 'act',
  body: { op: 'wash', zones: ['A', 'B'], minutes: 1, ...body },
  ...more,
});
const enter = (entry: object) => server.http.post(RECORD).send(entry);
const recordNow = async (): Promise<RecordView> => (await server.http.get(RECORD).expect(200)).body;
const saying = (body: { title: string; problems?: { path: string; message: string }[] }) =>
  [body.title, ...(body.problems ?? []).map(({ path, message }) => `${path} ${message}`)].join(' ');
const planned = async (ask: object = {}): Promise<PlanView> =>
  (await server.http.post(`${DOOR}/plans`).send(ask).expect(201)).body;

test('an entry is made once, however often it comes, and the chain is whole after a restart', async () => {
  const first = washed('e1');
  await enter(first).set('idempotency-key', 'entry-0001').expect(200);
  await enter(first).set('idempotency-key', 'entry-0001').expect(200);
  await enter(first).expect(200);
  await enter(washed('e2', { kind: 'note', body: { text: 'second' } })).expect(200);
  server = await server.restart();
  const { entries, verified } = await recordNow();
  expect(entries.map(({ id }) => id)).toEqual(['e1', 'e2']);
  expect(verified).toEqual({ entries: 2, head: entries[1]!.hash, intact: true });
  const { body } = await enter({ ...first, by: 'Prep B' }).expect(409);
  expect(saying(body)).toMatch(/Another entry has the id "e1"/);
});

test('what cannot be true is refused in words, and nothing is half entered', async () => {
  const refusals: [object, number, RegExp][] = [
    [washed('t', { at: ago(-24 * 60) }), 422, /at lies ahead: what is entered has happened/],
    [washed('o', { at: ago(60 * 24 * 400) }), 422, /at lies before the job was made/],
    [washed('big', {}, { extra: 'x'.repeat(50_000) }), 422, /body is larger than 40 kB/],
    [washed('n', { kind: 'note', body: {} }), 400, /body\.text needs some words/],
    [washed('z', {}, { zones: ['Q'] }), 422, /"Q" is not a zone of this panel any more/],
    [
      washed('r', { kind: 'reading', body: { zone: 'A', kind: 'film', um: 9999 } }),
      400,
      /must be at most 5000 µm/,
    ],
    [
      washed('c', { kind: 'correction', body: { corrects: 'gone', body: null } }),
      422,
      /"gone" is no entry of this/,
    ],
    [
      washed('p', {}, { step: { planId: '00000000-0000-4000-8000-000000000000', n: 1 } }),
      422,
      /belongs to a plan that is not here any more/,
    ],
  ];
  for (const [entry, status, words] of refusals) {
    const { body } = await enter(entry).expect(status);
    expect(saying(body)).toMatch(words);
  }
  expect((await recordNow()).entries).toEqual([]);
});

test('two people finish one step: the second is told who did; withdrawn, it may be done again', async () => {
  const { id: planId } = await planned();
  const step = { planId, n: 1 };
  await enter(washed('a', {}, { step })).expect(200);
  const { body } = await enter(washed('b', { by: 'Prep B' }, { step })).expect(409);
  expect(saying(body)).toMatch(/Prep A finished this step at \d\d:\d\d already/);
  await enter(washed('again', { by: 'Prep B' }, { step, again: true })).expect(200);
  for (const corrects of ['a', 'again'])
    await enter(washed(`not-${corrects}`, { kind: 'correction', body: { corrects, body: null } })).expect(
      200,
    );
  await enter(washed('b', { by: 'Prep B' }, { step })).expect(200);
  expect(verifyChain((await recordNow()).entries).intact).toBe(true);
});

test('a correction is checked as the entry that it speaks of would be', async () => {
  await enter(washed('r', { kind: 'reading', body: { zone: 'A', kind: 'film', um: 90 } })).expect(200);
  const corrected = (um: number) =>
    washed('c', { kind: 'correction', body: { corrects: 'r', body: { zone: 'A', kind: 'film', um } } });
  const { body } = await enter(corrected(9999)).expect(400);
  expect(saying(body)).toMatch(/body\.body\.um must be at most 5000 µm/);
  await enter(corrected(95)).expect(200);
});

test('a plan goes on from what was done, and the panel’s state says that work has begun', async () => {
  await planned();
  const stateOf = async (): Promise<string> =>
    (await server.http.get('/api/jobs/bus-6').expect(200)).body.panels[0].state;
  expect(await stateOf()).toBe('planned');
  await enter(washed('w', {}, { zones: ['A', 'B'] })).expect(200);
  expect(await stateOf()).toBe('begun');
  const { plan } = await planned();
  expect(plan!.inputs.done).toMatchObject([{ op: 'wash', zones: ['A', 'B'], real: { handsOnMin: 1 } }]);
});

test('the schedule goes by the record: what is done is out of it, the rest lies ahead', async () => {
  const { id: planId, plan } = await planned();
  const shops = (await server.http.get('/api/shops').expect(200)).body as [{ id: string }];
  const shopId = shops[0].id;
  const numbers = async (): Promise<number[]> => {
    const { body } = await server.http.get(`/api/shops/${shopId}/schedule`).expect(200);
    const tasks = body.schedule.tasks as { panelId: string; n: number }[];
    return [...new Set(tasks.filter(({ panelId }) => panelId === 'door').map(({ n }) => n))];
  };
  const before = await numbers();
  expect(before).toContain(1);
  const [first, second] = plan!.systems.find(({ id }) => id === plan!.chosen)!.acts;
  for (const [nth, { op, zones }] of [first!, second!].entries())
    await enter(washed(`s${nth}`, {}, { op, zones, step: { planId, n: nth + 1 } })).expect(200);
  const after = await numbers();
  expect(after).not.toContain(1);
  expect(after).not.toContain(2);
  expect(after.length).toBe(before.length - 2);
});

test('a saved file carries the record, and is taken in as it was written or not at all', async () => {
  await enter(washed('w')).expect(200);
  const file = (await server.http.get('/api/jobs/bus-6/file').expect(200)).body as JobFile;
  const copy = { ...file, job: { ...file.job, id: 'copy' } };
  await server.http.post('/api/jobs').send(copy).expect(201);
  const record: RecordView = (await server.http.get('/api/jobs/copy/panels/door/record').expect(200)).body;
  expect(record.verified).toMatchObject({ entries: 1, intact: true });
  const [door] = copy.panels as unknown as { record: Entry[] }[];
  door!.record[0] = { ...door!.record[0]!, by: 'Prep B' };
  const { body } = await server.http
    .post('/api/jobs')
    .send({ ...copy, job: { ...copy.job, id: 'forged' } })
    .expect(400);
  expect(saying(body)).toMatch(/panels\.0\.record\.0 it was changed after it was written/);
});

test('entries are found by words, product, person and kind, the newest first', async () => {
  await enter(washed('w', { at: ago(1) })).expect(200);
  await enter(
    washed(
      'e',
      { by: 'Prep B' },
      { op: 'prime-epoxy', sheetId: 'epoxy-1-1', coats: 2, values: { batch: 'E 100_7' } },
    ),
  ).expect(200);
  const found = async (query: string): Promise<string[]> => {
    const page: RecordPage = (await server.http.get(`/api/record?${query}`).expect(200)).body;
    expect(page.nEntries).toBe(page.entries.length);
    return page.entries.map(({ entry }) => entry.id);
  };
  expect(await found('')).toEqual(['e', 'w']);
  expect(await found('text=100_7')).toEqual(['e']);
  expect(await found('text=100%257')).toEqual([]);
  expect(await found('product=epoxy-1-1')).toEqual(['e']);
  expect(await found('person=Prep+A')).toEqual(['w']);
  expect(await found('kind=note')).toEqual([]);
});

test('what there is to look for: people, products by name, and panels that are there', async () => {
  expect((await server.http.get('/api/record/facets').expect(200)).body).toEqual({
    people: [],
    products: [],
    panels: [],
  });
  await enter(washed('e1', { by: 'Prep B' }, { sheetId: 'epoxy-1-1', sheetName: 'Epoxy primer 1:1' })).expect(
    200,
  );
  await enter(washed('e2')).expect(200);
  const { body } = await server.http.get('/api/record/facets').expect(200);
  expect(body).toEqual({
    people: ['Prep A', 'Prep B'],
    products: [{ sheetId: 'epoxy-1-1', name: 'Epoxy primer 1:1' }],
    panels: [{ jobId: 'bus-6', panelId: 'door', name: 'Sliding door shell', jobTitle: 'Book bus 6' }],
  });
});

test('a shop’s own figures come from its records, grow with them, and are of that shop alone', async () => {
  const figuresOf = async (shop: string): Promise<OwnFiguresView> =>
    (await server.http.get(`/api/shops/${shop}/own-figures`).expect(200)).body;
  const [{ id: shop }] = (await server.http.get('/api/shops').expect(200)).body;
  expect(await figuresOf(shop)).toEqual({ figures: [], nPanels: 0, nLeftOut: 0 });
  const wash = (id: string, minutes: number) => enter(washed(id, {}, { minutes })).expect(200);
  await wash('w1', 12);
  const [first] = (await figuresOf(shop)).figures;
  expect(first).toMatchObject({ rule: 'washMinPerM2', count: 1, isEnough: false });
  for (let n = 2; n <= 12; n++) await wash(`w${n}`, 12);
  const { figures, nPanels } = await figuresOf(shop);
  expect(nPanels).toBe(1);
  expect(figures).toMatchObject([{ rule: 'washMinPerM2', count: 12, isEnough: true }]);
  const { body: other } = await server.http.post('/api/shops').send({ name: 'Other' }).expect(201);
  expect((await figuresOf(other.id)).figures).toEqual([]);
  await server.http.get('/api/shops/nobody/own-figures').expect(404);
});

test('how far a panel is follows its record: handed over, a defect after it, worked on again, base on; base stops its clocks', async () => {
  const stateNow = async (): Promise<string> => {
    const { body } = await server.http.get('/api/jobs/bus-6').expect(200);
    const { panels } = body as { panels: { id: string; state: string }[] };
    return panels.find(({ id }) => id === 'door')!.state;
  };
  const say = (id: string, kind: string, secondsAgo: number, body: object) =>
    enter({ id, at: ago(secondsAgo / 60), by: 'Prep A', kind, body }).expect(200);
  await say('h', 'act', 60, { op: 'hand-over', zones: ['A', 'B', 'C'] });
  expect(await stateNow()).toBe('handed-over');
  await say('d', 'defect', 50, { defect: 'sag', zones: ['C'] });
  expect(await stateNow()).toBe('defect');
  await say('gone', 'correction', 45, { corrects: 'd', body: null });
  expect(await stateNow()).toBe('handed-over');
  await say('w', 'act', 40, { op: 'wash', zones: ['A'] });
  expect(await stateNow()).toBe('begun');
  const clock = {
    id: 'clock-1',
    title: 'Epoxy on C',
    startedMs: Date.now() - MIN_MS,
    work: { kind: 'minutes', minutes: 30, source: 'shop' },
  };
  const step = {
    jobId: 'bus-6',
    panelId: 'door',
    panelName: 'Door',
    planId: 'p',
    systemId: 's',
    n: 3,
    areas: ['C'],
  };
  await server.http
    .post('/api/clocks')
    .send({ ...clock, step })
    .expect(200);
  await server.http
    .post('/api/clocks')
    .send({ ...clock, id: 'clock-2', title: 'Kettle' })
    .expect(200);
  await say('b', 'base', 30, {});
  expect(await stateNow()).toBe('base-on');
  const { body } = await server.http.get('/api/clocks').expect(200);
  expect((body as { clocks: { clock: { id: string } }[] }).clocks.map(({ clock: { id } }) => id)).toEqual([
    'clock-2',
  ]);
});

test('a correction that fails takes nothing back: the entry that it spoke of holds, here and in a search', async () => {
  await enter(washed('e1')).expect(200);
  await enter(washed('e2')).expect(200);
  const database = server.app.get(Database);
  // The disk fails just where the correction itself is written.
  await database.write('test', ({ sql }) =>
    sql.write(`CREATE TRIGGER no_correction BEFORE INSERT ON entries WHEN new.kind = 'correction'
      BEGIN SELECT RAISE(ABORT, 'disk'); END`),
  );
  const taken = {
    id: 'c1',
    at: ago(0),
    by: 'Prep A',
    kind: 'correction',
    body: { corrects: 'e1', body: null },
  };
  const answers = await Promise.all([enter(taken), enter(washed('e3')), enter(washed('e4'))]);
  expect(answers.map(({ status }) => status)).toEqual([500, 200, 200]);
  await database.write('test', ({ sql }) => sql.write('DROP TRIGGER no_correction'));
  const { body } = await server.http.get('/api/record?limit=20').expect(200);
  expect(body.entries.map(({ isWithdrawn }: { isWithdrawn: boolean }) => isWithdrawn)).toEqual(
    Array(4).fill(false),
  );
  expect((await recordNow()).verified).toMatchObject({ entries: 4, intact: true });
  expect((await server.http.post('/api/integrity').expect(200)).body.faults).toEqual([]);
});

test('all that a search finds is saved page by page, as a table and as a list, with nothing twice', async () => {
  await server.app.get(Database).write('test', async (tx) => {
    const writer = new RecordWriter(tx);
    let last = { seq: 0, hash: NO_HASH };
    for (let n = 0; n < 1000; n++) {
      const entry = { id: `n${n}`, at: ago(n % 7), by: 'Prep A', kind: 'note', body: { text: `note, ${n}` } };
      const { hash } = await writer.append({ job: 'bus-6', panel: 'door' }, entry as NewEntry, last);
      last = { seq: n + 1, hash };
    }
  });
  const { body: list } = await server.http.get('/api/record/file').expect(200);
  expect(new Set(list.map(({ entry }: { entry: { id: string } }) => entry.id)).size).toBe(1000);
  expect(list).toHaveLength(1000);
  const { text } = await server.http.get('/api/record/table?text=note').expect(200);
  const { data } = Papa.parse<Record<string, string>>(text, { header: true });
  expect(data).toHaveLength(1000);
  expect(data[0]).toMatchObject({ panel: 'Sliding door shell', kind: expect.any(String) });
  expect((await server.http.get('/api/record/file?text=nothing').expect(200)).body).toEqual([]);
});
