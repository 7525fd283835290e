/**
 * Servers of the built program, one after the other, each on a data folder of its own: the program is loaded once for all
 * tests of a worker, and its planner keeps its threads. Told by messages what to do.
 */
import { join } from 'node:path';
import { itIsMorning } from './server-morning.mjs';

const ROOT = join(import.meta.dirname, '..');
const { createApp } = await import(join(ROOT, 'server/dist/app.js'));
const { PlanThreads } = await import(join(ROOT, 'server/dist/planning/plan-threads.js'));

/** They outlive each server. */
class KeptThreads extends PlanThreads {
  async close() {}
}
const planThreads = new KeptThreads(join(ROOT, 'server/dist/planning/plan-worker.js'));

let app = null;

async function open({ folder, port, minutesToGo }) {
  itIsMorning(minutesToGo);
  app = await createApp({
    port,
    hostNames: [],
    dataFolder: folder,
    webFolder: join(ROOT, 'web/dist'),
    planThreads,
  });
  await app.listen(port, '127.0.0.1');
}

async function close() {
  await app?.close();
  app = null;
}

const ACTS = { open, close };
process.on('message', async ({ id, act, of }) => {
  try {
    await ACTS[act](of);
    process.send({ id });
  } catch (error) {
    process.send({ id, error: String(error?.stack ?? error) });
  }
});
process.on('disconnect', () => process.exit());
