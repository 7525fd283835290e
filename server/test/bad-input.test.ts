import fc from 'fast-check';
import { DOOR, TestServer } from './server.ts';

/** Whatever is sent, the answer is a sentence with a status under 500, and the job is as it was. */

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.withDemo();
});
afterAll(() => server.stop());

const GUN = {
  id: 'g',
  name: 'Gun',
  kind: 'hvlp',
  tipsMm: [1.3],
  flowMlPerMin: 200,
  fanMm: 250,
  airLPerMin: 300,
  cupMl: 600,
};

const door = async () => (await server.http.get(DOOR).expect(200)).body;

const anything = fc.oneof(fc.jsonValue(), fc.object({ maxDepth: 3 })) as fc.Arbitrary<object>;
const RUNS = { numRuns: 40, seed: 4 };

const expectSentence = ({ status, body }: { status: number; body: { title?: string } }) => {
  expect(status).toBeGreaterThanOrEqual(400);
  expect(status).toBeLessThan(500);
  expect(body.title?.length).toBeGreaterThan(10);
};

test.each([
  ['a job', 'post', '/api/jobs'],
  ['a change of a job', 'patch', '/api/jobs/bus-6'],
  ['an edit of a panel', 'patch', DOOR],
] as const)('any JSON in place of %s', async (_, method, path) => {
  const before = await door();
  await fc.assert(
    fc.asyncProperty(anything, async (body) =>
      expectSentence(await server.http[method](path).type('json').send(JSON.stringify(body))),
    ),
    RUNS,
  );
  expect(await door()).toEqual(before);
});

test('a good zone with one field spoilt in any way', async () => {
  const before = await door();
  const zone = before.panel.zones.find(({ id }: { id: string }) => id === 'B');
  const spoilt = fc.tuple(
    fc.constantFrom('areaM2', 'name', 'layers', 'findings', 'substrate', 'id'),
    fc.oneof(
      fc.constant(null),
      fc.constant(-1),
      fc.constant(1e308),
      fc.constant(''),
      fc.constant([{}]),
      fc.constant({ a: 1 }),
      fc.constant('\u0000'),
    ),
  );
  await fc.assert(
    fc.asyncProperty(spoilt, async ([field, value]) =>
      expectSentence(
        await server.http
          .patch(DOOR)
          .send({ edit: { changes: [{ path: ['zones', 'B', field], from: zone[field], to: value }] } }),
      ),
    ),
    RUNS,
  );
  expect(await door()).toEqual(before);
});

test.each([
  ['get', '/api/jobs/..%2f..%2fetc'],
  ['get', '/api/jobs/bus-6/panels/%F0%9F%9A%8C'],
  ['get', `${DOOR}/plans/none`],
  ['post', '/api/jobs/nobody/panels/door/plans'],
  ['put', `${DOOR}/plans/00000000-0000-4000-8000-000000000000/choice`],
  ['delete', '/api/jobs/bus-7'],
  ['get', '/api/jobs?limit=1000'],
  ['get', '/api/jobs?offset=-1'],
  ['get', '/api/jobs/__proto__'],
] as const)('%s %s', async (method, path) =>
  expectSentence(await server.http[method](path).send({ systemId: 'x', version: 1 })),
);

test('a key of a write that is too short is named', async () => {
  const { body } = await server.http.post(`${DOOR}/plans`).set('idempotency-key', 'x').expect(400);
  expect(JSON.stringify(body)).toContain('Idempotency-Key needs at least 8 characters');
});

test('asking for a plan twice with one key makes one plan', async () => {
  const ask = () => server.http.post(`${DOOR}/plans`).set('idempotency-key', 'ask-once-only').expect(201);
  const [first, second] = await Promise.all([ask(), ask()]);
  expect(second.body.id).toBe(first.body.id);
});

test('shop settings are checked field by field, and then nothing is saved', async () => {
  const { body: job } = await server.http.get('/api/jobs/bus-6').expect(200);
  const { id, version } = job.shop;
  const { body } = await server.http
    .patch(`/api/shops/${id}`)
    .send({ version, shop: { celsius: 500 } })
    .expect(400);
  expect(body.problems[0].path).toBe('shop.celsius');
  expect((await server.http.get('/api/jobs/bus-6')).body).toEqual(job);
});

test('signs that no keyboard has are no search', async () => {
  for (const path of ['/api/jobs?text=%00', '/api/record?text=a%00b', '/api/record?product=%07']) {
    const { body } = await server.http.get(path).expect(400);
    expect(body.problems[0].message).toMatch(/holds a sign that cannot be typed/);
  }
});

test('what came with the shop of a file is no obstacle to its clocks, its guns and its sheets', async () => {
  const { body: file } = await server.http.get('/api/jobs/bus-6/file').expect(200);
  const [sheet] = (await server.http.get('/api/shelf/sheets')).body;
  const own = { ...sheet, remark: 'of another program' };
  await server.http
    .post('/api/jobs')
    .send({
      ...file,
      job: { ...file.job, id: 'odd-shop' },
      shop: {
        ...file.shop,
        name: 'Odd',
        guns: [
          { ...GUN, id: 'first' },
          { ...GUN, colour: 'red' },
        ],
      },
      sheets: [own],
    })
    .expect(201);
  const shops = (await server.http.get('/api/shops')).body as { id: string; name: string }[];
  const { id } = shops.find(({ name }) => name === 'Odd')!;
  await server.http
    .patch(`/api/shops/${id}`)
    .send({ things: { guns: { first: null } } })
    .expect(200);
  await server.http
    .patch(`/api/shops/${id}`)
    .send({ things: { guns: { g: { ...GUN, colour: 'red', cupMl: 500 } } } })
    .expect(200);
  await server.http
    .put(`/api/shops/${id}/sheets/${encodeURIComponent(own.id)}`)
    .send({ sheet: { ...own, potLifeMin: 33 }, from: 1 })
    .expect(200);
  const step = {
    jobId: 'odd-shop',
    panelId: 'door',
    panelName: 'Door',
    planId: 'p',
    systemId: 's',
    areas: ['A'],
    n: 1,
  };
  const clock = {
    id: 'odd-clock',
    title: 'Epoxy',
    step,
    work: { kind: 'mix', sheet: own },
    startedMs: Date.now(),
  };
  await server.http.post('/api/clocks').send(clock).expect(200);
  const { body } = await server.http
    .post('/api/clocks')
    .send({
      ...clock,
      id: 'odder',
      step: { ...step, n: 2 },
      work: { kind: 'mix', sheet: { ...own, shade: 1 } },
    })
    .expect(400);
  expect(body.problems[0].path).toBe('work.sheet.shade');
});

describe('fields that nobody knows are refused by their names, and nothing of them is kept', () => {
  const LARGE = 'x'.repeat(100_000);
  const shop = async () => (await server.http.get('/api/shops').expect(200)).body[0];
  const sheet = async () => (await server.http.get('/api/shelf/sheets').expect(200)).body[0];
  const clock = {
    id: 'odd',
    title: 'Tea',
    work: { kind: 'minutes', minutes: 3, source: 'shop' },
    startedMs: Date.now(),
  };
  const can = { id: 'can-1', sheetId: 'epoxy-1-1', component: 'base', sizeMl: 1000 };
  const panel = async () => ({ ...(await door()).panel, id: 'odd' });

  test.each<[string, string, () => Promise<{ status: number; body: { problems: { path: string }[] } }>]>([
    [
      'a new shop',
      'shop.colour',
      async () => server.http.post('/api/shops').send({ name: 'Odd', shop: { colour: LARGE } }),
    ],
    [
      'a shop',
      'shop.colour',
      async () => server.http.patch(`/api/shops/${(await shop()).id}`).send({ shop: { colour: LARGE } }),
    ],
    [
      'a gun of a shop',
      'shop.guns.0.colour',
      async () =>
        server.http.patch(`/api/shops/${(await shop()).id}`).send({
          shop: {
            guns: [{ ...GUN, colour: LARGE }],
          },
        }),
    ],
    [
      'a sheet',
      'sheet.colour',
      async () =>
        server.http
          .put(`/api/shops/${(await shop()).id}/sheets/odd`)
          .send({ sheet: { ...(await sheet()), id: 'odd', colour: LARGE }, from: 0 }),
    ],
    [
      'sheets',
      'sheets.0.colour',
      async () =>
        server.http
          .post(`/api/shops/${(await shop()).id}/sheets`)
          .send({ sheets: [{ ...(await sheet()), id: 'odd', colour: LARGE }] }),
    ],
    [
      'a can',
      'can.colour',
      async () =>
        server.http
          .put(`/api/shops/${(await shop()).id}/stock/can-1`)
          .send({ can: { ...can, colour: LARGE }, from: 0 }),
    ],
    ['a clock', 'colour', async () => server.http.post('/api/clocks').send({ ...clock, colour: LARGE })],
    [
      'a panel',
      'panel.colour',
      async () =>
        server.http.post('/api/jobs/bus-6/panels').send({ panel: { ...(await panel()), colour: LARGE } }),
    ],
    [
      'a zone that is edited',
      'panel.zones.1.colour',
      async () =>
        server.http.patch(DOOR).send({ edit: { changes: [{ path: ['zones', 'B', 'colour'], to: LARGE }] } }),
    ],
    [
      'a job',
      'job.colour',
      async () =>
        server.http
          .post('/api/jobs/new')
          .send({ job: { title: 'Odd', colour: LARGE }, shopId: (await shop()).id }),
    ],
    ['a request', 'more', async () => server.http.patch('/api/jobs/bus-6').send({ title: 'Odd', more: 1 })],
  ])('%s: %s', async (_, path, send) => {
    const { status, body } = await send();
    expect([status, body.problems?.map((problem) => problem.path)]).toEqual([400, [path]]);
  });

  test('a job file keeps those of the program that wrote it, says which, and gives them back; too much is refused', async () => {
    const { body: file } = await server.http.get('/api/jobs/bus-6/file').expect(200);
    const [first] = file.panels;
    const odd = (colour: unknown) => ({
      ...file,
      job: { ...file.job, id: 'odd-file' },
      panels: [{ ...first, zones: [{ ...first.zones[0], colour }] }],
    });
    const { body: refused } = await server.http.post('/api/jobs').send(odd(LARGE)).expect(400);
    expect(refused.problems).toEqual([
      {
        path: 'panels.0',
        message: expect.stringMatching(
          /^has 98 kB of fields that this program does not know \(panels\.0\.zones\.0\.colour\); at most 64 kB are kept/,
        ),
      },
    ]);
    const { body: taken } = await server.http
      .post('/api/jobs')
      .send(odd({ of: 'another program' }))
      .expect(201);
    expect(taken.unknownFields).toEqual(['panels.0.zones.0.colour']);
    const { body: again } = await server.http.get('/api/jobs/odd-file/file').expect(200);
    expect(again.panels[0].zones[0].colour).toEqual({ of: 'another program' });
    // It does not stand in the way of what a person changes, also where places in lists move.
    const { areaM2, id } = first.zones[0];
    const path = `/api/jobs/odd-file/panels/${first.id}`;
    await server.http
      .patch(path)
      .send({ edit: { changes: [{ path: ['zones', id, 'areaM2'], from: areaM2, to: areaM2 / 2 }] } })
      .expect(200);
    const added = { ...first.zones[1], id: 'before', areaM2: 0.01 };
    await server.http
      .patch(path)
      .send({
        edit: {
          changes: [{ path: ['zones', 'before'], to: added }],
          order: { from: [id], to: ['before', id] },
        },
      })
      .expect(200);
  });
});
