import fc from 'fast-check';
import { DOOR, TestServer } from './server.ts';

/** Whatever is sent, the answer is a sentence with a status under 500, and the job is as it was. */

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.withDemo();
});
afterAll(() => server.stop());

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
