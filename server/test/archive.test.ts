import type { BackupsView, Entry, RecordView } from '@blue-ledge/core';
import {
  appendFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  unlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { diagnose } from '../src/archive/doctor.ts';
import { makeArchive } from '../src/archive/make-archive.ts';
import { restoreArchive } from '../src/archive/restore-archive.ts';
import { checkArchive } from '../src/archive/zip.ts';
import { BACKUPS } from '../src/database/data-folder.ts';
import { BackupsService } from '../src/backups/backups.service.ts';
import { lastNightMs } from '../src/backups/nights.ts';
import { greyPng } from './pictures.ts';
import { DOOR, TestServer } from './server.ts';

/** Backups: made while people write, whole or not at all, and a shop that was lost put back from one. */

const RECORD = `${DOOR}/record`;
let server: TestServer;
let target: string;
let photo: string;
beforeEach(async () => {
  server = await TestServer.withDemo();
  target = mkdtempSync(join(tmpdir(), 'ledge-backup-'));
  const { body } = await server.http
    .post('/api/photos')
    .set('content-type', 'image/png')
    .send(greyPng())
    .expect(201);
  photo = body.photoId;
  await enter('e1', 'note', { text: 'before the backup' });
  await enter('p1', 'photo', { photoId: photo, zones: ['A'] });
});
afterEach(async () => {
  await server.stop();
  rmSync(target, { recursive: true, force: true });
});

const enter = (id: string, kind: string, body: object) => server.enter(RECORD, id, kind, body);
const entries = async (of = server): Promise<readonly Entry[]> =>
  ((await of.http.get(RECORD).expect(200)).body as RecordView).entries;
const restored = () => join(target, 'restored');

test('a shop that was lost is put back with its photos from a backup that was made while people wrote', async () => {
  const writing = Array.from({ length: 40 }, (_, n) =>
    enter(`w${n}`, 'note', { text: `while it was made ${n}` }),
  );
  const { file, manifest } = await makeArchive(server.folder, target);
  await Promise.all(writing);
  expect(manifest).toMatchObject({ photos: 1, missing: [] });
  expect(readdirSync(target)).toEqual([file.slice(target.length + 1)]);
  expect(statSync(file).mode & 0o777).toBe(0o600);
  const all = await entries();
  const answer = await restoreArchive(file, restored());
  expect(answer).toMatchObject({ entries: manifest.entries, photos: 1, faults: [] });
  const again = await TestServer.start(restored());
  const back = await entries(again);
  expect(back.length).toBe(manifest.entries);
  expect(back).toEqual(all.slice(0, back.length));
  await again.http.get(`/api/photos/${photo}`).expect(200);
  expect((await again.http.post('/api/integrity').expect(200)).body.faults).toEqual([]);
  await again.app.close();
});

test.each<[string, (file: string) => void, RegExp]>([
  [
    'cut off',
    (file) => truncateSync(file, Math.floor(statSync(file).size / 2)),
    /is no whole backup: .*\. Take another one\./,
  ],
  [
    'changed in the middle',
    (file) => {
      const bytes = readFileSync(file);
      bytes.fill(0x55, 2000, 2064);
      writeFileSync(file, bytes);
    },
    /is no whole backup: .*(cannot be read|is not as it was put in|Take another one)/,
  ],
  ['no archive', (file) => writeFileSync(file, 'words '.repeat(100)), /is no whole backup/],
  ['away', (file) => unlinkSync(file), /cannot be read \(ENOENT\): give the path of a backup/],
])('a backup that is %s is refused in a sentence, and nothing is put back', async (_, spoil, words) => {
  const { file } = await makeArchive(server.folder, target);
  spoil(file);
  await expect(restoreArchive(file, restored())).rejects.toThrow(words);
  expect(existsSync(join(restored(), 'blue-ledge.sqlite'))).toBe(false);
});

test('a restore overwrites nothing; what an earlier one left half done is no obstacle', async () => {
  const { file } = await makeArchive(server.folder, target);
  await expect(restoreArchive(file, server.folder)).rejects.toThrow(
    /holds a shop already: restore to a folder that is new or empty/,
  );
  mkdirSync(join(restored(), 'restoring.part', 'photos'), { recursive: true });
  writeFileSync(join(restored(), 'restoring.part', 'blue-ledge.sqlite'), 'half');
  await restoreArchive(file, restored());
  expect(readdirSync(restored()).sort()).toEqual(['blue-ledge.sqlite', 'photos']);
});

test('where there is no shop, or no room for it, the sentence says so', async () => {
  await expect(makeArchive(join(target, 'nowhere'), target)).rejects.toThrow(/There is no shop in .*nowhere/);
  writeFileSync(join(target, 'file'), '');
  await expect(makeArchive(server.folder, join(target, 'file'))).rejects.toThrow(
    /is no folder: name a folder/,
  );
});

test('a photo that is gone or another one does not keep the rest from being saved, and is named', async () => {
  writeFileSync(join(server.folder, 'photos', `${photo}.png`), greyPng(3));
  expect((await makeArchive(server.folder, target)).manifest.missing).toEqual([photo]);
  unlinkSync(join(server.folder, 'photos', `${photo}.png`));
  const { file, manifest } = await makeArchive(server.folder, target);
  expect(manifest).toMatchObject({ photos: 0, missing: [photo] });
  const { faults } = await restoreArchive(file, restored());
  expect(faults).toMatchObject([
    { what: expect.stringMatching(/A photo in the record of Sliding door shell, Book bus 6, is gone/) },
  ]);
});

test('the doctor finds what is wrong with a shop, each with its remedy, and nothing where nothing is', async () => {
  const before = await diagnose(server.folder);
  expect(before.faults).toMatchObject([{ what: 'There is no backup of this shop in its folder.' }]);
  await server.http.post('/api/backups').expect(200);
  expect(await diagnose(server.folder)).toEqual({ ok: true, faults: [] });
  unlinkSync(join(server.folder, 'photos', `${photo}.png`));
  const [backup] = readdirSync(join(server.folder, BACKUPS));
  truncateSync(join(server.folder, BACKUPS, backup!), 1000);
  expect((await diagnose(server.folder)).faults.map(({ what }) => what)).toEqual([
    expect.stringMatching(/A photo in the record/),
    expect.stringMatching(/is no whole backup/),
  ]);
  expect((await diagnose(join(target, 'nowhere'))).faults).toMatchObject([
    { what: expect.stringMatching(/is not there/) },
  ]);
  await server.app.close();
  truncateSync(join(server.folder, 'blue-ledge.sqlite'));
  expect((await diagnose(server.folder)).faults).toMatchObject([
    {
      what: expect.stringMatching(/is empty, though a shop was here\.$/),
      remedy: expect.stringMatching(/^Put a backup in its place/),
    },
  ]);
  server = await TestServer.withDemo();
});

describe('a server', () => {
  const view = async (): Promise<BackupsView> => (await server.http.get('/api/backups').expect(200)).body;
  const make = () => server.http.post('/api/backups');
  const setSecond = (folder: string | null, from: number) =>
    server.http.put('/api/backups/second-folder').send({ folder, from });

  test('makes one where it is asked, keeps fourteen, and copies each to a second folder', async () => {
    expect(await view()).toMatchObject({ backups: [], second: null, version: 0 });
    const second = join(target, 'disk');
    await setSecond(second, 0).expect(422);
    mkdirSync(second);
    const { body: set } = await setSecond(second, 0).expect(200);
    expect(set.second).toEqual({ folder: second, isSameDisk: true, newest: null });
    await setSecond(second, 0).expect(200);
    await setSecond(null, 0).expect(409);
    const folder = join(server.folder, BACKUPS);
    mkdirSync(folder, { recursive: true });
    for (let day = 10; day < 25; day++)
      writeFileSync(join(folder, `blue-ledge-2026-01-${day}-020000.zip`), '');
    writeFileSync(join(folder, 'left-by-a-kill.part'), 'half');
    utimesSync(join(folder, 'left-by-a-kill.part'), 0, 0);
    const { body: made } = (await make().expect(200)) as { body: BackupsView };
    expect(made.backups).toHaveLength(14);
    expect(readdirSync(folder)).toHaveLength(14);
    expect(made.backups[0]).toMatchObject({ entries: 2, photos: 1, nMissing: 0 });
    expect(made.backups[1]!.problem).toMatch(/is no whole backup/);
    expect(made.second!.newest).toBe(made.backups[0]!.file);
    await checkArchive(join(second, made.backups[0]!.file));
    rmSync(second, { recursive: true });
    const { body: gone } = await make().expect(507);
    expect(gone.title).toMatch(/was made, but not copied to the second folder: .* is not there \(ENOENT\)/);
    expect((await view()).problem).toBe(gone.title);
  });

  test('asked for by several at once it is one', async () => {
    await Promise.all([make().expect(200), make().expect(200), make().expect(200)]);
    expect((await view()).backups).toHaveLength(1);
  });

  test('makes one each night, and makes up for a night on which it was off', async () => {
    const backups = server.app.get(BackupsService);
    const at = (text: string): number => new Date(text).getTime();
    expect(lastNightMs(at('2026-12-07T01:59:00'))).toBe(at('2026-12-06T02:00:00'));
    expect(lastNightMs(at('2026-12-07T02:00:00'))).toBe(at('2026-12-07T02:00:00'));
    await backups.nightly();
    await backups.nightly();
    expect((await view()).backups).toHaveLength(1);
    const DAY_MS = 24 * 60 * 60 * 1000;
    await backups.nightly(Date.now() + DAY_MS);
    // A clock that was ahead made one that lies in the future: tonight’s is made all the same.
    await backups.nightly(Date.now() - 3 * DAY_MS);
    expect((await view()).backups).toHaveLength(3);
  });

  test('with nothing in it makes none by itself', async () => {
    const empty = await TestServer.start();
    await empty.app.get(BackupsService).nightly();
    expect((await empty.http.get('/api/backups')).body.backups).toEqual([]);
    await empty.stop();
  });
});

test('bytes behind an archive that is whole do not matter, those in front do', async () => {
  const { file } = await makeArchive(server.folder, target);
  const bytes = readFileSync(file);
  writeFileSync(file, Buffer.concat([Buffer.from('x'.repeat(50)), bytes]));
  await expect(checkArchive(file)).rejects.toThrow(/is no whole backup/);
  writeFileSync(file, bytes);
  appendFileSync(file, '');
  expect((await checkArchive(file)).entries).toBe(2);
});
