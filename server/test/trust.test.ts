import { readConfig } from '../src/config.ts';
import { PlanThreads } from '../src/planning/plan-threads.ts';
import { TestServer, demoJob } from './server.ts';

/** Pages of other sites in the same browser: what they ask for is not done. */

const threads = new PlanThreads('');
let server: TestServer;
beforeAll(async () => {
  server = await TestServer.withDemo();
});
afterAll(() => server.stop());

test.each(['evil.example', 'localhost.evil.example:4600', '127.0.0.1.evil.example', '169.254.1.1'])(
  'asked by the name %s it tells nothing',
  async (host) => {
    const { body } = await server.http.get('/api/jobs').set('Host', host).expect(403);
    expect(body.title).toMatch(/does not answer to the name/);
  },
);

test.each(['localhost:4600', '127.0.0.1', '[::1]:4600', 'LOCALHOST', 'shop.example'])(
  'asked by its own name %s it answers',
  (host) => server.http.get('/api/jobs').set('Host', host).expect(200),
);

test.each([
  ['of another site', { Origin: 'http://evil.example' }],
  ['of another port', { Origin: 'http://localhost:9999' }],
  ['from a sandboxed frame', { Origin: 'null' }],
  ['that a browser calls foreign', { 'Sec-Fetch-Site': 'cross-site' }],
  ['beside it', { 'Sec-Fetch-Site': 'same-site' }],
])('a page %s reads and writes nothing', async (_, headers) => {
  const ask = (method: 'get' | 'delete') =>
    server.http[method]('/api/jobs/bus-6').set({ Host: 'localhost:4600', ...headers });
  expect((await ask('get').expect(403)).body.title).toMatch(/another site/);
  await ask('delete').expect(403);
  await server.http.get('/api/jobs/bus-6').expect(200);
});

test('its own page may', () =>
  server.http
    .get('/api/jobs/bus-6')
    .set({ Host: 'localhost:4600', Origin: 'http://localhost:4600', 'Sec-Fetch-Site': 'same-origin' })
    .expect(200));

test.each(['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x'])(
  'a form of type %s writes nothing',
  async (type) => {
    const path = '/api/jobs/bus-6/panels/door/plans';
    const { body } = await server.http.post(path).set('Content-Type', type).send('{}').expect(415);
    expect(body.title).toMatch(/application\/json/);
  },
);

test('lists in lists without end are refused before they are read, brackets in a text are not', async () => {
  const deep = `${'['.repeat(5000)}${']'.repeat(5000)}`;
  const { body } = await server.http.post('/api/jobs').type('json').send(deep).expect(400);
  expect(body.title).toMatch(/more than 40 deep/);
  const job = { ...demoJob(), job: { ...demoJob().job, id: 'brackets', title: '[[['.repeat(60) } };
  await server.http
    .post('/api/jobs')
    .send(job)
    .expect(({ status }) => expect(status).not.toBe(500));
});

test('an empty port is refused with a sentence, none is the usual one', () => {
  expect(() => readConfig({ PORT: '' }, threads)).toThrow(/PORT: is empty: give a number/);
  expect(readConfig({}, threads).port).toBe(4600);
  expect(readConfig({ PORT: '0', LEDGE_HOSTS: ' Shop.example , ' }, threads)).toMatchObject({
    port: 0,
    hostNames: ['shop.example'],
  });
});
