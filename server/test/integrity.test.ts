import type { IntegrityView, RecordView, Verification } from '@blue-ledge/core';
import { canonical } from '@blue-ledge/core';
import { createHash } from 'node:crypto';
import { readdirSync, unlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { greyPng } from './pictures.ts';
import { DOOR, TestServer } from './server.ts';

/** Twelve ways to tamper with what was written, each done to the file of a server that is stopped, and found by the next. */

const RECORD = `${DOOR}/record`;
let server: TestServer;
let photo: string;

const enter = (id: string, kind: string, body: object, of = RECORD) => server.enter(of, id, kind, body);

beforeEach(async () => {
  server = await TestServer.withDemo();
  const { body } = await server.http
    .post('/api/photos')
    .set('content-type', 'image/png')
    .send(greyPng())
    .expect(201);
  photo = body.photoId;
  for (let n = 1; n <= 4; n++) await enter(`e${n}`, 'note', { text: `note ${n}` });
  await enter('c1', 'correction', { corrects: 'e2', body: null });
  await enter('p1', 'photo', { photoId: photo, zones: ['A'] });
  await enter('other', 'note', { text: 'of the nose' }, '/api/jobs/bus-6/panels/nose/record');
});
afterEach(() => server.stop());

/** Statements on the database file itself. */
type Run = (sql: string, values?: unknown[]) => Promise<Record<string, unknown>[]>;

async function tampered(tamper: (run: Run, folder: string) => Promise<void> | void): Promise<void> {
  await server.app.close();
  const database = new sqlite3.Database(join(server.folder, 'blue-ledge.sqlite'));
  const run: Run = (sql, values = []) =>
    new Promise((resolve, reject) =>
      database.all<Record<string, unknown>>(sql, values, (error, rows) =>
        error ? reject(error) : resolve(rows),
      ),
    );
  await tamper(run, server.folder);
  await new Promise<void>((closed) => database.close(() => closed()));
  server = await TestServer.start(server.folder);
}

const verify = async (): Promise<Verification> => (await server.http.post('/api/integrity').expect(200)).body;
const faults = async (): Promise<string[]> => (await verify()).faults.map(({ what }) => what);
const recordNow = async (): Promise<RecordView> => (await server.http.get(RECORD).expect(200)).body;
const OF_DOOR = `"jobId" = 'bus-6' AND "panelId" = 'door'`;
const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

/** The record of the door written anew from an entry on, each hash as it should be for what it says then. */
async function reckonAnew(run: Run): Promise<void> {
  const rows = await run(`SELECT seq, entry FROM entries WHERE ${OF_DOOR} ORDER BY seq`);
  let prevHash = '0'.repeat(64);
  for (const { seq, entry } of rows) {
    const { hash: _hash, ...said } = JSON.parse(String(entry)) as { hash: string; by: string };
    const next = { ...said, by: 'Prep Z', prevHash };
    prevHash = sha256(canonical(next));
    const text = JSON.stringify({ ...next, hash: prevHash });
    await run(`UPDATE entries SET entry = ?, hash = ?, by = 'Prep Z' WHERE ${OF_DOOR} AND seq = ?`, [
      text,
      prevHash,
      seq,
    ]);
  }
}

test('what was written and left alone is whole, corrections and photos included', async () => {
  server = await server.restart();
  expect(await verify()).toMatchObject({
    nRecords: 2,
    nEntries: 7,
    nPhotos: 1,
    arePhotosRead: true,
    faults: [],
  });
});

const TAMPERED: [string, (run: Run, folder: string) => Promise<unknown> | void, RegExp][] = [
  [
    'an entry is changed',
    (run) => run(`UPDATE entries SET entry = REPLACE(entry, 'note 3', 'fine') WHERE ${OF_DOOR} AND seq = 3`),
    /The record of Sliding door shell, Book bus 6, is not as it was written: entry 3: it was changed after it was written/,
  ],
  [
    'an entry is taken out',
    (run) => run(`DELETE FROM entries WHERE ${OF_DOOR} AND seq = 2`),
    /entry 2: it does not follow on the entry before it/,
  ],
  [
    'two entries change places',
    async (run) => {
      await run(`UPDATE entries SET seq = 99 WHERE ${OF_DOOR} AND seq = 3`);
      await run(`UPDATE entries SET seq = 3 WHERE ${OF_DOOR} AND seq = 4`);
      await run(`UPDATE entries SET seq = 4 WHERE ${OF_DOOR} AND seq = 99`);
    },
    /entry 3: it does not follow/,
  ],
  [
    'the last entries are taken out',
    (run) => run(`DELETE FROM entries WHERE ${OF_DOOR} AND seq > 4`),
    /entry 4: 2 entries were taken out behind it: 6 were written/,
  ],
  [
    'a whole record is taken out',
    (run) => run(`DELETE FROM entries WHERE ${OF_DOOR}`),
    /Sliding door shell, .* the whole record was taken out: 6 entries were written/,
  ],
  [
    'what was taken back is shown as if it held',
    (run) => run(`UPDATE entries SET "isWithdrawn" = 0 WHERE ${OF_DOOR}`),
    /entry 2 was taken back, and is shown as if it held/,
  ],
  [
    'an event is taken out',
    (run) => run('DELETE FROM events WHERE seq = 5'),
    /chain of events is not as it was written: before event 6, 1 were taken out/,
  ],
  [
    'the last events are taken out',
    (run) => run('DELETE FROM events WHERE seq > (SELECT MAX(seq) - 2 FROM events)'),
    /the last 2 events were taken out/,
  ],
  [
    'an event is changed',
    (run) => run(`UPDATE events SET actor = 'nobody' WHERE seq = 6`),
    /event 6 was changed after it was written/,
  ],
  ['the chain of a record is reckoned anew', reckonAnew, /the whole record was written anew/],
  [
    'a photo is exchanged',
    (_, folder) => writeFileSync(join(folder, 'photos', `${photo}.png`), greyPng(3)),
    /A photo in the record of Sliding door shell, Book bus 6, is not the one that was taken/,
  ],
  [
    'a photo is taken away',
    (_, folder) => unlinkSync(join(folder, 'photos', `${photo}.png`)),
    /A photo in the record of Sliding door shell, Book bus 6, is gone/,
  ],
];

test.each(TAMPERED)('%s: it is found', async (_, tamper, words) => {
  await tampered(async (run, folder) => void (await tamper(run, folder)));
  expect((await faults()).join('\n')).toMatch(words);
});

test('the start finds by itself what it can without reading photos, and says for which panel and what to do', async () => {
  await tampered(async (run) => void (await run(`DELETE FROM entries WHERE ${OF_DOOR} AND seq > 4`)));
  let view: IntegrityView;
  do view = (await server.http.get('/api/integrity').expect(200)).body;
  while (!view.last);
  expect(view.last.faults).toMatchObject([
    { jobId: 'bus-6', panelId: 'door', remedy: expect.stringMatching(/compare it with a backup/) },
  ]);
});

test('a record says of itself that it was cut short, and a job file carries where it ended', async () => {
  const { body: file } = await server.http.get('/api/jobs/bus-6/file').expect(200);
  await tampered(async (run) => void (await run(`DELETE FROM entries WHERE ${OF_DOOR} AND seq > 4`)));
  expect((await recordNow()).verified).toMatchObject({
    intact: false,
    firstBroken: { index: 3, why: expect.stringMatching(/6 were written/) },
  });
  const [door] = file.panels;
  expect(door.recordHead).toEqual({ entries: 6, head: door.record[5].hash });
  const cut = {
    ...file,
    job: { ...file.job, id: 'cut' },
    panels: [{ ...door, record: door.record.slice(0, 4) }],
  };
  const { body: refused } = await server.http.post('/api/jobs').send(cut).expect(400);
  expect(refused.problems[0]).toMatchObject({
    path: 'panels.0.record.3',
    message: expect.stringMatching(/taken out behind it/),
  });
});

test('a photo that is not the one that was taken is not shown as if it were', async () => {
  await server.http.get(`/api/photos/${photo}`).expect(200);
  const [name] = readdirSync(join(server.folder, 'photos'));
  writeFileSync(join(server.folder, 'photos', name!), greyPng(3));
  const { body } = await server.http.get(`/api/photos/${photo}`).expect(409);
  expect(body.title).toMatch(/not the one that was taken/);
});

test('a record that was taken in with a job file is checked as one that was written here', async () => {
  const { body: file } = await server.http.get('/api/jobs/bus-6/file').expect(200);
  await server.http
    .post('/api/jobs')
    .send({ ...file, job: { ...file.job, id: 'copy' } })
    .expect(201);
  expect(await faults()).toEqual([]);
  const { body: found } = await server.http.get('/api/record?job=copy&limit=50').expect(200);
  expect(found.entries.find(({ entry }: { entry: { id: string } }) => entry.id === 'e2').isWithdrawn).toBe(
    true,
  );
  await tampered(
    async (run) => void (await run(`DELETE FROM entries WHERE "jobId" = 'copy' AND "panelId" = 'nose'`)),
  );
  expect((await faults()).join()).toMatch(
    /The record of Nose cap, Book bus 6, .* the whole record was taken out/,
  );
});
