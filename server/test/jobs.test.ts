import { openPlan, type PlanView } from '@blue-ledge/core';
import { Database } from '../src/database/database.ts';
import { DOOR, TestServer, areaEdit, demoJob } from './server.ts';

let server: TestServer;
beforeEach(async () => {
  server = await TestServer.start();
});
afterEach(() => server.stop());

const takeDemo = () => server.http.post('/api/jobs').send(demoJob()).expect(201);
const zoneB = async () => {
  const { body } = await server.http.get(DOOR).expect(200);
  return body.panel.zones.find((zone: { id: string }) => zone.id === 'B');
};

test('a job comes back as it was taken in, extra fields and all, also after a restart', async () => {
  await takeDemo();
  server = await server.restart();
  const { body } = await server.http.get('/api/jobs/bus-6/file').expect(200);
  const sent = demoJob();
  expect(body.job).toMatchObject(sent.job);
  expect(body.job.customer).toBe('County library service');
  expect(body.panels.map((panel: { zones: unknown[] }) => panel.zones.length)).toEqual([3, 2, 1, 1, 1, 2]);
  expect(body.panels[0].zones).toMatchObject(sent.panels[0]!.zones);
});

test('an edit is saved once under its key, and one that no longer fits gets both values', async () => {
  await takeDemo();
  const first = () =>
    server.http
      .patch(DOOR)
      .set('idempotency-key', 'first-write')
      .send(areaEdit('B', 0.35, 0.3))
      .expect(200);
  await first();
  expect((await first()).body).toMatchObject({ version: 2, zoneVersions: { B: 2 } });
  const { body } = await server.http
    .patch(DOOR)
    .send(areaEdit('B', 0.35, 0.2))
    .expect(409);
  expect(body.yours).toEqual(areaEdit('B', 0.35, 0.2).edit);
  expect(body.theirs.panel.zones[1].areaM2).toBe(0.3);
  expect((await zoneB()).areaM2).toBe(0.3);
});

test('of many writers of the same field exactly one wins, and nobody gets a 500', async () => {
  await takeDemo();
  const answers = await Promise.all(
    Array.from({ length: 12 }, (_, i) => server.http.patch(DOOR).send(areaEdit('B', 0.35, (20 + i) / 100))),
  );
  expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array<number>(11).fill(409)]);
});

test('zones may not grow over their panel, and then nothing is saved', async () => {
  await takeDemo();
  const { body } = await server.http
    .patch(DOOR)
    .send(areaEdit('B', 0.35, 1.9))
    .expect(400);
  expect(body.problems[0]).toMatchObject({ path: 'panel.zones' });
  expect(body.problems[0].message).toContain('make a zone smaller');
  expect((await zoneB()).areaM2).toBe(0.35);
});

describe('a plan', () => {
  const plans = `${DOOR}/plans`;

  test('is kept as a snapshot, knows when the survey has moved on, and survives a restart', async () => {
    await takeDemo();
    expect((await server.http.get(`${plans}/latest`).expect(200)).body).toEqual({ plan: null });
    const made = await server.http.post(plans).expect(201);
    expect(made.body).toMatchObject({ changed: [], version: 1 });
    await server.http
      .patch(DOOR)
      .send(areaEdit('B', 0.35, 0.2))
      .expect(200);
    server = await server.restart();
    const { body } = await server.http.get(`${plans}/latest`).expect(200);
    expect(body.plan.plan).toEqual(made.body.plan);
    expect(body.plan.changed).toEqual(['survey']);
  });

  test('may be chosen where it is ready, once for each version; a refused one says why', async () => {
    await takeDemo();
    const { body: made } = await server.http.post(plans).expect(201);
    const { systems } = openPlan((made as PlanView).plan!).view;
    const ready = systems.filter(({ verdict }) => verdict === 'ready');
    const refused = systems.find(({ verdict }) => verdict === 'refused')!;
    const choose = (systemId: string, version: number) =>
      server.http.put(`${plans}/${made.id}/choice`).send({ systemId, version });
    await choose(ready[1]!.id, 1).expect(200);
    await choose(ready[0]!.id, 1).expect(409);
    const { body } = await choose(refused.id, 2).expect(422);
    expect(body.problems[0].message).toContain(refused.refusedBy[0]!.text);
    expect((await server.http.get(`${plans}/latest`)).body.plan.chosen).toBe(ready[1]!.id);
  });

  test('is not chosen by hand either while a zone is stopped', async () => {
    const job = demoJob();
    Object.assign(job.panels[0]!.zones[1]!, { findings: [{ kind: 'hole', lengthMm: 20 }] });
    await server.http.post('/api/jobs').send(job).expect(201);
    const { body: made } = await server.http.post(plans).expect(201);
    expect(openPlan(made.plan).view.stopped).toMatchObject([{ zoneId: 'B' }]);
    const systemId = made.plan.systems[0].id;
    const { body } = await server.http
      .put(`${plans}/${made.id}/choice`)
      .send({ systemId, version: 1 })
      .expect(422);
    expect(body.problems[0].message).toContain('stopped');
  });

  test('of another release is said to be too old, and is not chosen from', async () => {
    await takeDemo();
    const { body: made } = await server.http.post(plans).expect(201);
    await server.app.get(Database).write('test', async ({ tables }) => {
      await tables.plans.update({ body: { systems: [] } }, { where: { id: made.id } });
    });
    const { body } = await server.http.get(`${plans}/latest`).expect(200);
    expect(body.plan).toMatchObject({ plan: null, changed: ['programme'] });
    const choice = { systemId: made.chosen, version: 1 };
    const refused = await server.http.put(`${plans}/${made.id}/choice`).send(choice).expect(422);
    expect(refused.body.problems[0].message).toMatch(/another release/);
  });

  test('whose survey changed since is chosen only by somebody who knows', async () => {
    await takeDemo();
    const { body: made } = await server.http.post(plans).expect(201);
    await server.http
      .patch(DOOR)
      .send(areaEdit('B', 0.35, 0.2))
      .expect(200);
    const choose = (more: object) =>
      server.http.put(`${plans}/${made.id}/choice`).send({ systemId: made.chosen, version: 1, ...more });
    expect((await choose({}).expect(422)).body.problems[0].message).toMatch(/changed since: plan again/);
    await choose({ evenIfChanged: true }).expect(200);
  });

  test('is not found under another panel or job', async () => {
    await takeDemo();
    const { body: made } = await server.http.post(plans).expect(201);
    await server.http
      .put(`/api/jobs/bus-6/panels/nose/plans/${made.id}/choice`)
      .send({ systemId: made.chosen, version: 1 })
      .expect(404);
  });

  test('answers first; the tests that would decide come after it', async () => {
    await takeDemo();
    const corner = '/api/jobs/bus-6/panels/corner/plans';
    expect((await server.http.post(corner).expect(201)).body.tests).toBeNull();
    for (let tries = 0; tries < 100; tries++) {
      const { body } = await server.http.get(`${corner}/latest`).expect(200);
      if (body.plan.tests) return expect(Array.isArray(body.plan.tests)).toBe(true);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    throw new Error('no tests came');
  });

  test('is the newest by the order in which plans were made, whatever a clock that was ahead had said', async () => {
    await takeDemo();
    const { body: first } = await server.http.post(`${DOOR}/plans`).expect(201);
    await server.app
      .get(Database)
      .write('test', ({ sql }) =>
        sql.write(`UPDATE plans SET "createdAt" = '2099-01-01 08:00:00.000 +00:00' WHERE id = $1`, first.id),
      );
    const { body: second } = await server.http.post(`${DOOR}/plans`).expect(201);
    const latest = async () => (await server.http.get(`${DOOR}/plans/latest`).expect(200)).body.plan.id;
    expect(await latest()).toBe(second.id);
    server = await server.restart();
    expect(await latest()).toBe(second.id);
  });

  test('only the newest twenty of a panel are kept, and those that somebody chose from', async () => {
    await takeDemo();
    const nose = '/api/jobs/bus-6/panels/nose/plans';
    const { body: first } = await server.http.post(nose).expect(201);
    await server.http
      .put(`${nose}/${first.id}/choice`)
      .send({ systemId: first.chosen, version: 1 })
      .expect(200);
    for (let i = 0; i < 22; i++) await server.http.post(nose).expect(201);
    const ids = await server.app
      .get(Database)
      .read(async ({ tables }) =>
        (await tables.plans.findAll({ where: { panelId: 'nose' } })).map(({ id }) => id),
      );
    expect(ids).toHaveLength(21);
    expect(ids).toContain(first.id);
  });
});

test('the shop’s school changes what is chosen', async () => {
  await takeDemo();
  const { body: job } = await server.http.get('/api/jobs/bus-6').expect(200);
  const { id, version } = job.shop;
  const shop = { schools: { ...job.shop.shop.schools, filler: 'on-metal' } };
  await server.http.patch(`/api/shops/${id}`).send({ version, shop }).expect(200);
  await server.http.patch(`/api/shops/${id}`).send({ version, shop }).expect(409);
  const { body } = await server.http.post(`${DOOR}/plans`).expect(201);
  expect(body.chosen).toMatch(/^inspect/);
});

describe('bad input gets a sentence that names the field, and nothing is taken in', () => {
  const withPanels = (panels: unknown) => ({ ...demoJob(), panels });
  const withZone = (change: object) => {
    const job = demoJob();
    Object.assign(job.panels[0]!.zones[1]!, change);
    return job;
  };
  const cases: [string, () => object, string, RegExp][] = [
    ['a missing panel list', () => withPanels(undefined), 'panels', /needs a list of panels/],
    ['no panel', () => withPanels([]), 'panels', /at least one panel/],
    ['a negative area', () => withZone({ areaM2: -1 }), 'panels.0.zones.1.areaM2', /more than 0/],
    [
      'an unknown layer',
      () => withZone({ layers: [{ kind: 'butter' }] }),
      'panels.0.zones.1.layers.0.kind',
      /must be one of: steel/,
    ],
    ['zones over the panel', () => withZone({ areaM2: 9 }), 'panels.0.zones', /make a zone smaller/],
    ['a zone id used twice', () => withZone({ id: 'A' }), 'panels.0.zones.1.id', /used twice/],
    [
      'an unknown grade',
      () => withZone({ findings: [{ kind: 'coarse-scratches', grit: '400' }] }),
      'panels.0.zones.1.findings.0.grit',
      /write P400 .* or CAMI 400/,
    ],
    ['a newer version', () => ({ ...demoJob(), version: 9 }), 'version', /Update the program/],
    ['another format', () => ({ format: 'something' }), 'format', /not a Blue Ledge job file/],
  ];

  test.each(cases)('%s', async (_, file, path, message) => {
    const { body } = await server.http.post('/api/jobs').send(file()).expect(400);
    expect(body.problems[0].path).toBe(path);
    expect(body.problems[0].message).toMatch(message);
    expect((await server.http.get('/api/jobs')).body).toEqual({ jobs: [], nJobs: 0 });
    expect((await server.http.get('/api/shops')).body).toEqual([]);
  });

  test.each([
    ['broken JSON', '{"format": ', 400, /not JSON/],
    ['a bare word', '"hello"', 400, /not taken in/],
    ['50 MB of text', JSON.stringify('x'.repeat(50 * 1024 * 1024)), 413, /8 MB/],
  ])('%s', async (_, text, status, message) => {
    const { body, type } = await server.http.post('/api/jobs').type('json').send(text).expect(status);
    expect(type).toBe('application/problem+json');
    expect(body.title).toMatch(message);
  });

  test('the same job twice, addresses that are nowhere, ids that are none', async () => {
    await takeDemo();
    await server.http.post('/api/jobs').send(demoJob()).expect(409);
    await server.http.get('/api/jobs/nobody').expect(404);
    await server.http.get('/api/jobs/bus-6/panels/nothing').expect(404);
    await server.http.get('/api/jobs/%00').expect(400);
    await server.http.put(`${DOOR}/plans/none/choice`).send({}).expect(400);
    await server.http.get('/api/nowhere').expect(404);
  });
});

test('shelf, schemas and health answer', async () => {
  expect((await server.http.get('/api/shelf/sheets').expect(200)).body.length).toBeGreaterThan(6);
  expect((await server.http.get('/api/schemas/job').expect(200)).body).toHaveProperty('properties.panels');
  await server.http.get('/api/schemas/secret').expect(400);
  expect((await server.http.get('/api/health').expect(200)).body).toEqual({ ok: true });
});

test('a server that is told to stop answers what it was asked before', async () => {
  await takeDemo();
  await server.app.listen(0, '127.0.0.1');
  const url = await server.app.getUrl();
  const nAsked = 3;
  let nArrived = 0;
  const haveArrived = new Promise<void>((resolve) =>
    server.app.getHttpServer().on('request', () => ++nArrived === nAsked && resolve()),
  );
  const asked = Array.from({ length: nAsked }, () => fetch(`${url}${DOOR}/plans`, { method: 'POST' }));
  await haveArrived;
  // A whole round trip later they are being worked on.
  await (await fetch(`${url}/api/health`)).text();
  server = await server.restart();
  for (const answer of await Promise.all(asked)) expect(answer.status).toBe(201);
});
