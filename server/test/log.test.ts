import fs, { mkdtempSync, readFileSync, rmSync, statSync, symlinkSync, unlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LogFile } from '../src/http/log-file.ts';
import { startProcess } from './process.ts';

/** The log stops nothing: not a full disk, not its own size. */

let folder: string;
let path: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'ledge-log-'));
  path = join(folder, 'server.log');
});
afterEach(() => {
  jest.restoreAllMocks();
  rmSync(folder, { recursive: true, force: true });
});

test('over its size it is put aside while it is written to', () => {
  const log = new LogFile(path, 1000);
  for (let n = 0; n < 50; n++) log.write(`${'x'.repeat(98)}\n`);
  expect(statSync(path).size).toBeLessThanOrEqual(1100);
  expect(statSync(`${path}.1`).size).toBeLessThanOrEqual(1100);
  const again = new LogFile(path, 1000);
  again.write('last\n');
  expect(readFileSync(path, 'utf8')).toMatch(/last\n$/);
});

test('lines that found no room are counted, and the number is said once there is some', () => {
  const log = new LogFile(path, 1000);
  const full = jest.spyOn(fs, 'writeSync').mockImplementation(() => {
    throw Object.assign(new Error('no space left'), { code: 'ENOSPC' });
  });
  for (let n = 0; n < 3; n++) log.write('lost\n');
  full.mockRestore();
  log.write('first again\n');
  log.write('second\n');
  const lines = readFileSync(path, 'utf8').trim().split('\n');
  expect(JSON.parse(lines[0]!)).toMatchObject({ msg: 'lines were dropped', nDropped: 3 });
  expect(lines.slice(1)).toEqual(['first again', 'second']);
});

test('a server whose log finds no room goes on answering', async () => {
  const first = await startProcess(folder);
  first.process.kill();
  await first.ended;
  unlinkSync(path);
  symlinkSync('/dev/full', path);
  const { address, process, ended } = await startProcess(folder);
  for (let n = 0; n < 20; n++) expect((await fetch(`${address}/api/jobs`)).status).toBe(200);
  process.kill();
  await ended;
});
