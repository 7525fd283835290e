import {
  chmodSync,
  chownSync,
  copyFileSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readFileSync,
  rmSync,
  truncateSync,
  unlinkSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { StartFailed, asNobody, startProcess } from './process.ts';
import { TestServer } from './server.ts';

/** A start that cannot be: one sentence that names what is wrong and how it is mended, and nothing touched. */

const FILE = 'blue-ledge.sqlite';
let shop: string;
let folder: string;

beforeAll(async () => {
  const server = await TestServer.withDemo();
  await server.app.close();
  shop = server.folder;
});
afterAll(() => rmSync(shop, { recursive: true }));
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'ledge-fault-'));
  cpSync(shop, folder, { recursive: true });
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const inFolder = (name = FILE): string => join(folder, name);

async function whyNot(asked: Parameters<typeof startProcess>[1] = {}): Promise<string> {
  const failed: unknown = await startProcess(folder, asked).then(
    ({ process }) => process.kill('SIGKILL'),
    (error: unknown) => error,
  );
  expect(failed).toBeInstanceOf(StartFailed);
  const { message, code } = failed as StartFailed;
  expect(code).toBe(1);
  // One sentence, or two: what, and the remedy. No stack.
  expect(message.split('\n')).toHaveLength(1);
  return message;
}

function runIn(sql: string): Promise<void> {
  const database = new sqlite3.Database(inFolder());
  return new Promise((resolve, reject) =>
    database.exec(sql, (error) => (error ? reject(error) : database.close(() => resolve()))),
  );
}

/** Zeroes pages in the middle of the file. */
function damage(): void {
  const file = openSync(inFolder(), 'r+');
  for (const page of [9, 10, 11, 12]) writeSync(file, Buffer.alloc(4096), 0, 4096, page * 4096);
}

test('pages that were zeroed', async () => {
  damage();
  const before = readFileSync(inFolder());
  expect(await whyNot()).toMatch(
    /^The database in .* is damaged \(.*\) and was left as it is\. Put a backup in its place \(npm run -s ledge -- restore FILE --to .*\), or set LEDGE_DATA to another folder\.$/,
  );
  expect(Buffer.compare(readFileSync(inFolder()), before)).toBe(0);
});

test('an empty file, or none, where a shop was; a folder that is new starts', async () => {
  truncateSync(inFolder());
  expect(await whyNot()).toMatch(/is empty, though a shop was here\. Put a backup in its place/);
  unlinkSync(inFolder());
  expect(await whyNot()).toMatch(/is missing, though a shop was here\. Put a backup in its place/);
  expect(existsSync(inFolder())).toBe(false);
  rmSync(folder, { recursive: true });
  const { process, ended } = await startProcess(folder);
  process.kill();
  await ended;
  expect(existsSync(inFolder())).toBe(true);
});

test('a -wal of another time', async () => {
  // A shop that went on after its database was copied, and was stopped by nothing but the power.
  const running = await startProcess(folder);
  for (let n = 0; n < 30; n++) {
    const response = await fetch(`${running.address}/api/jobs/new`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ job: { title: `Job ${n}` }, shopId: await shopOf(running.address) }),
    });
    expect(response.status).toBe(201);
  }
  const wal = readFileSync(inFolder(`${FILE}-wal`));
  running.process.kill();
  await running.ended;
  // The copy of before, and the log of after.
  copyFileSync(join(shop, FILE), inFolder());
  await runIn(`DELETE FROM zones; DELETE FROM panels WHERE id <> 'door'; VACUUM;`);
  writeFileSync(inFolder(`${FILE}-wal`), wal);
  const before = readFileSync(inFolder());
  const why = await whyNot();
  expect(why).toMatch(
    /blue-ledge\.sqlite-wal in .* is of another time than the database beside it, and nothing was touched\. Move blue-ledge\.sqlite-wal and blue-ledge\.sqlite-shm out of the folder, keep them/,
  );
  expect(Buffer.compare(readFileSync(inFolder()), before)).toBe(0);
  unlinkSync(inFolder(`${FILE}-wal`));
  rmSync(inFolder(`${FILE}-shm`), { force: true });
  const again = await startProcess(folder);
  again.process.kill();
  await again.ended;
});

const shopOf = async (address: string): Promise<string> =>
  ((await (await fetch(`${address}/api/shops`)).json()) as { id: string }[])[0]!.id;

test('what a kill left behind starts, with all of it', async () => {
  const running = await startProcess(folder);
  const made = await fetch(`${running.address}/api/jobs/new`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ job: { title: 'Last one' }, shopId: await shopOf(running.address) }),
  });
  expect(made.status).toBe(201);
  running.process.kill('SIGKILL');
  await running.ended;
  expect(existsSync(inFolder(`${FILE}-wal`))).toBe(true);
  const again = await startProcess(folder);
  const { jobs } = (await (await fetch(`${again.address}/api/jobs`)).json()) as { jobs: { title: string }[] };
  expect(jobs.map(({ title }) => title)).toEqual(['Last one', 'Book bus 6']);
  again.process.kill();
  await again.ended;
});

test('what somebody changed in a shop that a kill ended keeps nobody from work: it starts, and says so', async () => {
  const running = await startProcess(folder);
  const made = await fetch(`${running.address}/api/jobs/new`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ job: { title: 'One' }, shopId: await shopOf(running.address) }),
  });
  expect(made.status).toBe(201);
  await runIn(`UPDATE events SET actor = 'nobody' WHERE seq = 3`);
  running.process.kill('SIGKILL');
  await running.ended;
  const again = await startProcess(folder);
  const found = await fetch(`${again.address}/api/integrity`, { method: 'POST' });
  const { faults } = (await found.json()) as { faults: { what: string }[] };
  expect(faults[0]!.what).toMatch(/event 3 was changed after it was written/);
  again.process.kill();
  await again.ended;
});

test('a table that is missing, or a column of one', async () => {
  await runIn('DROP TABLE "canMoves"');
  expect(await whyNot()).toMatch(/is damaged \(table canMoves is missing\)/);
  await runIn('CREATE TABLE "canMoves" (id TEXT)');
  expect(await whyNot()).toMatch(/is damaged \(shopId is missing in table canMoves\)/);
});

test('a database of another program, and one of a later release', async () => {
  await runIn(`INSERT INTO "SequelizeMeta" (name) VALUES ('9999-later')`);
  expect(await whyNot()).toMatch(/was written by a later release of Blue Ledge/);
  unlinkSync(inFolder());
  await runIn('CREATE TABLE songs (name TEXT)');
  expect(await whyNot()).toMatch(/is not one of Blue Ledge\. Set LEDGE_DATA to another folder/);
});

test('a folder that may not be written to', async () => {
  chmodSync(folder, 0o500);
  expect(await whyNot({ as: asNobody })).toMatch(
    /ledge-fault-\S+ cannot be (written to|opened)\. Give this user the right/,
  );
  chmodSync(folder, 0o700);
});

test('a log that cannot be written is named, not the port', async () => {
  rmSync(inFolder('server.log'), { force: true });
  mkdirSync(inFolder('server.log'));
  expect(await whyNot()).toMatch(
    /^The log .*server\.log cannot be written to \(EISDIR\)\. Give this user the right to it, or move it away\.$/,
  );
  if (!('uid' in asNobody)) return;
  rmSync(inFolder('server.log'), { recursive: true });
  writeFileSync(inFolder('server.log'), 'of somebody else\n', { mode: 0o600 });
  for (const name of ['', FILE, 'server-lock.sqlite'])
    if (existsSync(inFolder(name))) chownSync(inFolder(name), asNobody.uid!, asNobody.gid!);
  rmSync(inFolder('photos'), { recursive: true, force: true });
  expect(await whyNot({ as: asNobody })).toMatch(/^The log .*server\.log cannot be written to \(EACCES\)/);
});

test('a port that is taken, a folder that another server has, a path that is no folder', async () => {
  const other = createServer().listen(0, '127.0.0.1');
  await new Promise((listening) => other.once('listening', listening));
  const { port } = other.address() as AddressInfo;
  expect(await whyNot({ port })).toMatch(new RegExp(`^Port ${port} is in use: stop the program that has it`));
  other.close();
  const first = await startProcess(folder);
  expect(await whyNot()).toMatch(/Another Blue Ledge server uses/);
  first.process.kill();
  await first.ended;
  rmSync(folder, { recursive: true });
  writeFileSync(folder, 'words');
  expect(await whyNot()).toMatch(/is no folder\. Set LEDGE_DATA to a folder/);
});

test('the folder goes while the server runs: health says so, and nothing is taken', async () => {
  const running = await startProcess(folder);
  const shopId = await shopOf(running.address);
  rmSync(folder, { recursive: true });
  const asked = await Promise.all([
    fetch(`${running.address}/api/health`),
    fetch(`${running.address}/api/jobs/new`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ job: { title: 'Lost' }, shopId }),
    }),
  ]);
  for (const response of asked) {
    expect(response.status).toBe(507);
    expect(((await response.json()) as { title: string }).title).toMatch(
      /data folder of this server was moved or removed while it ran\. Nothing was saved/,
    );
  }
  running.process.kill();
  await running.ended;
});
