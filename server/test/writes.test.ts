import { editOf, type Panel } from '@blue-ledge/core';
import { get } from 'node:http';
import { Database } from '../src/database/database.ts';
import { IdempotentWrites } from '../src/database/idempotent-writes.ts';
import { GivenUp } from '../src/http/problem.ts';
import type { EventRow } from '../src/database/chain-of-events.ts';
import { verifyEvents } from '../src/database/verify-events.ts';
import { DOOR, TestServer, areaEdit, demoJob } from './server.ts';

/** Keys of writes, the chain of events, and the stream that tells open screens of them. */

let server: TestServer;
beforeEach(async () => {
  server = await TestServer.withDemo();
});
afterEach(() => server.stop());

const zone = async (id: string) =>
  (await server.http.get(DOOR)).body.panel.zones.find((each: { id: string }) => each.id === id);

describe('a key stands for one request', () => {
  const KEY = 'one-key-only';
  const write = (zone: string, from: number, to: number) =>
    server.http
      .patch(DOOR)
      .set('idempotency-key', KEY)
      .send(areaEdit(zone, from, to));

  test('sent again it gets the first answer; for another body, path or method it is refused', async () => {
    const first = await write('B', 0.35, 0.3).expect(200);
    expect((await write('B', 0.35, 0.3).expect(200)).body).toEqual(first.body);
    for (const refused of [
      await write('B', 0.35, 0.2),
      await write('C', 0.25, 0.2),
      await server.http
        .post('/api/jobs')
        .set('idempotency-key', KEY)
        .send({ ...demoJob() }),
      await server.http.post(`${DOOR}/plans`).set('idempotency-key', KEY),
    ]) {
      expect(refused.status).toBe(422);
      expect(refused.body.title).toMatch(/used for another request. Nothing was done/);
    }
    expect((await zone('C')).areaM2).toBe(0.25);
  });

  test('sent again after a further change it is not done again, and gets the panel as it is now', async () => {
    await write('B', 0.35, 0.3).expect(200);
    await server.http
      .patch(DOOR)
      .send(areaEdit('B', 0.3, 0.2))
      .expect(200);
    const { body } = await write('B', 0.35, 0.3).expect(200);
    expect(body).toMatchObject({ version: 3, panel: { zones: [{}, { areaM2: 0.2 }, {}] } });
  });

  test('of an edit and of a plan little is kept, and a plan that is asked for again is the same one', async () => {
    const plan = () => server.http.post(`${DOOR}/plans`).set('idempotency-key', 'one-plan-only').expect(201);
    await write('B', 0.35, 0.3).expect(200);
    const first = await plan();
    const again = await plan();
    expect(again.body).toEqual({ ...first.body, tests: again.body.tests });
    const kept = await server.app
      .get(Database)
      .read(({ sql }) => sql.rows<{ bytes: number }>('SELECT LENGTH(answer) AS bytes FROM writes'));
    expect(kept.map(({ bytes }) => bytes < 100)).toEqual([true, true]);
  });

  test('what failed under it may be tried again', async () => {
    await write('B', 0.35, 9).expect(400);
    await write('B', 0.35, 0.3).expect(200);
  });
});

test('what the first to ask gave up is done for the one who still waits under the same key', async () => {
  const writes = server.app.get(IdempotentWrites);
  const asked = { actor: 'test', clientKey: 'asked-twice', request: 'plan' };
  let giveUp!: (error: Error) => void;
  const first = writes.around(asked, () => new Promise<object>((_, reject) => (giveUp = reject)));
  const second = writes.around(asked, () => Promise.resolve({ done: true }));
  await new Promise((resolve) => setTimeout(resolve, 50));
  giveUp(new GivenUp());
  await expect(first).rejects.toThrow('given up');
  expect(await second).toEqual({ done: true });
});

describe('events', () => {
  const events = () =>
    server.app.get(Database).read(async ({ tables }) => {
      const rows = await tables.events.findAll({ order: [['seq', 'ASC']] });
      return rows.map((row) => (row as unknown as { toJSON: () => EventRow }).toJSON());
    });

  test('every write is one link of a chain that is whole', async () => {
    const all = await events();
    expect(all.map(({ kind }) => kind)).toEqual([
      'record.counted',
      'shop.made',
      'job.made',
      ...Array<string>(6).fill('panel.added'),
    ]);
    const verified = await server.app.get(Database).read(({ sql }) => verifyEvents(sql));
    expect(verified).toMatchObject({ nEvents: all.length, faults: [] });
  });

  test('what was refused left none', async () => {
    const before = (await events()).length;
    await server.http
      .patch(DOOR)
      .send(areaEdit('B', 0.35, 9))
      .expect(400);
    expect(await events()).toHaveLength(before);
  });

  test('are streamed as they happen, and from where a browser left off', async () => {
    await server.app.listen(0, '127.0.0.1');
    const url = await server.app.getUrl();
    const listen = (seen: string, wanted: RegExp) =>
      new Promise<string>((resolve) => {
        let text = '';
        const request = get(`${url}/api/events`, { headers: { 'last-event-id': seen } }, (response) =>
          response.on('data', (part: Buffer) => {
            text += part.toString();
            if (!wanted.test(text)) return;
            request.destroy();
            resolve(text);
          }),
        );
      });
    const live = listen('', /panel\.changed/);
    const nLast = (await events()).length;
    await new Promise((resolve) => setTimeout(resolve, 50));
    await server.http
      .patch(DOOR)
      .send(areaEdit('B', 0.35, 0.3))
      .expect(200);
    expect(await live).toContain(`id: ${nLast + 1}\n`);
    expect(await live).toContain('"subject":"jobs/bus-6/panels/door"');
    const missed = await listen(String(nLast - 1), /panel\.changed/);
    expect(missed).toContain(`id: ${nLast}\n`);
    expect(missed).not.toContain(`id: ${nLast - 1}\n`);
  });
});

test('a reader sees one moment: no read mixes two saves of a panel', async () => {
  const { body: seen } = await server.http.get(DOOR);
  const saves = (async () => {
    let panel = seen.panel as Panel;
    for (let i = 1; i <= 20; i++) {
      const zones = panel.zones.map((each) => ({ ...each, name: `save ${i}` }));
      const edit = editOf(panel, { ...panel, name: `save ${i}`, zones });
      ({ panel } = (await server.http.patch(DOOR).send({ edit }).expect(200)).body);
    }
  })();
  for (let i = 0; i < 30; i++) {
    const { panel } = (await server.http.get(DOOR)).body;
    const names = new Set([panel.name, ...panel.zones.map(({ name }: { name: string }) => name)]);
    expect([...names].filter((name) => String(name).startsWith('save')).length).toBeLessThanOrEqual(1);
    const { body: file } = await server.http.get('/api/jobs/bus-6/file');
    const [door] = file.panels;
    if (door.name.startsWith('save'))
      expect(door.zones.map(({ name }: { name: string }) => name)).toEqual(door.zones.map(() => door.name));
  }
  await saves;
});
