import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Connections, openFile } from '../src/database/connections.ts';

/** Connections that stay open: what they do one after the other, side by side, and after a fault. */

let folder: string;
let readers: Connections;
let writer: Connections;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'ledge-'));
  const file = join(folder, 'test.sqlite');
  const sequelize = openFile(file);
  await sequelize.query('CREATE TABLE cups (id INTEGER PRIMARY KEY, ml INTEGER NOT NULL)');
  await sequelize.close();
  readers = new Connections(file, 2, 'BEGIN DEFERRED');
  writer = new Connections(file, 1, 'BEGIN IMMEDIATE');
});
afterEach(async () => {
  await Promise.all([readers.close(), writer.close()]);
  rmSync(folder, { recursive: true });
});

const pour = (ml: number): Promise<void> =>
  writer.transact(({ sql }) => sql.write('INSERT INTO cups (ml) VALUES ($1)', ml));
const inCups = (): Promise<number[]> =>
  readers.transact(async ({ sql }) =>
    (await sql.rows<{ ml: number }>('SELECT ml FROM cups ORDER BY id')).map(({ ml }) => ml),
  );

test('what fails in between leaves nothing, and the next one works', async () => {
  await expect(
    writer.transact(async ({ sql }) => {
      await sql.write('INSERT INTO cups (ml) VALUES ($1)', 50);
      await sql.write('INSERT INTO cups (ml) VALUES ($1)', null);
    }),
  ).rejects.toMatchObject({ code: 'SQLITE_CONSTRAINT' });
  await pour(30);
  expect(await inCups()).toEqual([30]);
});

test('writes keep their order; a reader sees one moment, whatever is written meanwhile', async () => {
  await pour(1);
  const [first, second] = await readers.transact(async ({ sql }) => {
    const before = await sql.rows('SELECT ml FROM cups');
    await Promise.all([2, 3, 4, 5].map(pour));
    return [before, await sql.rows('SELECT ml FROM cups')];
  });
  expect(second).toEqual(first);
  expect(await inCups()).toEqual([1, 2, 3, 4, 5]);
});

test('more readers than connections wait their turn', async () => {
  await pour(7);
  const all = await Promise.all(Array.from({ length: 12 }, inCups));
  expect(all).toEqual(Array<number[]>(12).fill([7]));
});

test('a statement that cannot be prepared says why, and is prepared once it can be', async () => {
  const count = () => readers.transact(({ sql }) => sql.rows('SELECT COUNT(*) AS n FROM mixes'));
  await expect(count()).rejects.toThrow('no such table: mixes');
  await writer.transact(({ sql }) => sql.write('CREATE TABLE mixes (id INTEGER PRIMARY KEY)'));
  expect(await count()).toEqual([{ n: 0 }]);
});

test('more statements than are kept, at once and again, give what each asks for', async () => {
  const numbers = Array.from({ length: 250 }, (_, i) => i);
  const asked = (): Promise<number[]> =>
    readers.transact(({ sql }) =>
      Promise.all(numbers.map(async (i) => (await sql.rows<{ n: number }>(`SELECT ${i} AS n`))[0]!.n)),
    );
  expect(await asked()).toEqual(numbers);
  expect(await asked()).toEqual(numbers);
});

test('a connection that cannot go back is given up, and a fresh one takes its place', async () => {
  const ended = writer.transact(async ({ sql }) => {
    await sql.write('INSERT INTO cups (ml) VALUES ($1)', 50);
    await sql.write('ROLLBACK');
    throw new Error('halfway');
  });
  const next = pour(30);
  await expect(ended).rejects.toThrow('halfway');
  await next;
  expect(await inCups()).toEqual([30]);
});

test('closing waits for what was asked before, and takes nothing more', async () => {
  const last = pour(9);
  await writer.close();
  await last;
  expect(await inCups()).toEqual([9]);
  await expect(pour(1)).rejects.toThrow('closed');
});
