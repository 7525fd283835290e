import type { Write } from '../src/database/database.ts';
import { EntryLine } from '../src/record/entry-line.ts';

/** Entries on their way into the database: which wait for each other, and what becomes of those that fail. */

const tx = { apart: (work: (of: Write) => Promise<unknown>) => work(tx) } as Write;
const moment = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** A line whose transactions hold, and what was done in it, in order. */
function lineOf(commit: () => void = () => undefined) {
  const done: string[] = [];
  let nTransactions = 0;
  const line = new EntryLine(async (work) => {
    nTransactions += 1;
    await work(tx);
    commit();
  });
  /** Enters work that takes a few turns of the event loop. */
  const enter = (name: string): Promise<string> =>
    line.enter(async () => {
      done.push(`${name} begins`);
      await moment();
      await moment();
      done.push(`${name} ends`);
      return name;
    });
  return { line, enter, done, nTransactions: () => nTransactions };
}

test('entries are written one after the other, those that came together in one transaction', async () => {
  const { enter, done, nTransactions } = lineOf();
  const all = [enter('alone'), enter('a'), enter('b'), enter('c')];
  expect(await Promise.all(all)).toEqual(['alone', 'a', 'b', 'c']);
  expect(nTransactions()).toBe(2);
  expect(done.slice(2)).toEqual(['a', 'b', 'c'].flatMap((name) => [`${name} begins`, `${name} ends`]));
});

test('what one entry throws is its own: all others hold', async () => {
  const { line, enter } = lineOf();
  const refused = line.enter(() => Promise.reject(new Error('this step is done')));
  const others = [enter('a'), enter('b')];
  await expect(refused).rejects.toThrow('this step is done');
  expect(await Promise.all(others)).toEqual(['a', 'b']);
});

test('nobody is told of an entry that did not reach the disk', async () => {
  const { enter } = lineOf(() => {
    throw new Error('disk is full');
  });
  const told = await Promise.allSettled([enter('a'), enter('b')]);
  expect(told.map(({ status }) => status)).toEqual(['rejected', 'rejected']);
});
