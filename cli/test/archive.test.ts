import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Database } from '../../server/src/database/database.ts';
import { run } from '../src/run.ts';

/** `backup`, `restore` and `doctor` on the folder of a shop. */

let shop: string;
let folder: string;
beforeAll(async () => {
  shop = mkdtempSync(join(tmpdir(), 'ledge-shop-'));
  await (await Database.open(shop)).close();
});
afterAll(() => rmSync(shop, { recursive: true }));
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'ledge-cli-'));
});
afterEach(() => rmSync(folder, { recursive: true }));

async function ledge(...args: string[]) {
  let [out, err] = ['', ''];
  const code = await run(args, { out: (text) => (out += text), err: (text) => (err += text) });
  return { code, json: out.startsWith('{') ? JSON.parse(out) : null, err };
}

test('a shop is backed up, put back into a new folder, and found well by the doctor', async () => {
  const backup = await ledge('backup', folder, '--data', shop);
  expect(backup).toMatchObject({ code: 0, json: { entries: 0, photos: 0 }, err: '' });
  expect(readdirSync(folder)).toEqual([backup.json.file.slice(folder.length + 1)]);
  const to = join(folder, 'again');
  const restored = await ledge('restore', backup.json.file, '--to', to);
  expect(restored).toMatchObject({ code: 0, json: { folder: to, entries: 0, faults: [] } });
  expect(await ledge('doctor', to)).toMatchObject({ code: 0, json: { ok: true, faults: [] } });
});

test('what cannot be is said in a sentence and ends with 2', async () => {
  const nowhere = join(folder, 'nowhere');
  expect(await ledge('backup', folder, '--data', nowhere)).toMatchObject({
    code: 2,
    err: expect.stringMatching(/^There is no shop in .*nowhere/),
  });
  expect(await ledge('restore', nowhere, '--to', folder)).toMatchObject({
    code: 2,
    err: expect.stringMatching(/cannot be read \(ENOENT\): give the path of a backup/),
  });
  const { json } = await ledge('backup', folder, '--data', shop);
  expect(await ledge('restore', json.file, '--to', shop)).toMatchObject({
    code: 2,
    err: expect.stringMatching(/holds a shop already/),
  });
  expect(existsSync(join(shop, 'blue-ledge.sqlite'))).toBe(true);
  const doctor = await ledge('doctor', nowhere);
  expect(doctor).toMatchObject({
    code: 2,
    json: { ok: false, faults: [{ remedy: 'Name the folder of a shop.' }] },
  });
  expect(doctor.err).toMatch(/is not there\. Name the folder of a shop\./);
});
