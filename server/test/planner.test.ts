import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PlanThreads } from '../src/planning/plan-threads.ts';
import { PlannerService } from '../src/planning/planner.service.ts';

/** A worker that is busy for ever with what is to hold it up, and answers all else at once. */
const WORKER = `
const busy = new Int32Array(new SharedArrayBuffer(4));
module.exports = ({ kind, ask, plans }) => {
  if (ask?.holds || plans?.[0] === 'holds') Atomics.wait(busy, 0, 0);
  return { kind };
};`;

const folder = mkdtempSync(join(tmpdir(), 'planner-'));
const file = join(folder, 'worker.cjs');
writeFileSync(file, WORKER);
const planner = new PlannerService(new PlanThreads(file));

afterAll(async () => {
  await planner.onApplicationShutdown();
  rmSync(folder, { recursive: true });
});

const never = new AbortController().signal;
const onProgress = (): void => undefined;

test('a trial that is given up lets the move behind it be answered', async () => {
  const leaves = new AbortController();
  const trial = planner.schedule({ holds: true } as never, { gone: leaves.signal, onProgress });
  const move = planner.schedule({} as never, { gone: never, onProgress });
  setTimeout(() => leaves.abort(), 300);
  await expect(trial).rejects.toThrow();
  await expect(move).resolves.toEqual({ kind: 'schedule' });
});

test('plans that are given up on every thread let those behind them be answered', async () => {
  const leaves = new AbortController();
  const given = Array.from({ length: 2 }, () => planner.needs(['holds' as never], leaves.signal));
  const waiting = Array.from({ length: 3 }, () => planner.needs([], never));
  setTimeout(() => leaves.abort(), 300);
  for (const one of await Promise.allSettled(given)) expect(one.status).toBe('rejected');
  expect(await Promise.all(waiting)).toHaveLength(3);
});
