/** Planning: the demo door, panels of mixed substrates with more and more zones, and whole jobs in worker threads. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { planPanel, readJobText } from '@blue-ledge/core';
import { Piscina } from 'piscina';
import { amount, percentile, report, sizes, timed } from './lib.mjs';
import { DAMAGED, mixedPanel } from './panels.mjs';

/** Longest wait of a timer that should fire every few ms: what another request would feel. */
async function longestWaitWhile(work) {
  let [longest, last, isOver] = [0, performance.now(), false];
  const tick = () => {
    longest = Math.max(longest, performance.now() - last);
    last = performance.now();
    if (!isOver) setTimeout(tick, 2);
  };
  tick();
  await work();
  isOver = true;
  return longest;
}

async function benchJob(root, task) {
  const worker = pathToFileURL(join(root, 'server/dist/planning/plan-worker.js')).href;
  // As the server runs it.
  const resourceLimits = { maxOldGenerationSizeMb: 96, maxYoungGenerationSizeMb: 64 };
  const pool = new Piscina({ filename: worker, minThreads: 2, maxThreads: 2, resourceLimits });
  const panels = Array.from({ length: amount(40) }, (_, i) => mixedPanel(8, i));
  const planAll = () =>
    Promise.all(panels.map((panel) => pool.run({ kind: 'plan', task: { ...task, panel } })));
  await planAll();
  const start = performance.now();
  const wait = await longestWaitWhile(planAll);
  report('plan a job of 40 panels of 8 mixed zones, 2 threads', performance.now() - start, 'ms', 3000);
  report('longest wait of the event loop meanwhile', wait, 'ms', 50);
  report('memory of the process with its threads', process.memoryUsage().rss / 1e6, 'MB', 400);
  await pool.destroy();
}

export async function benchPlan(root) {
  const { value } = readJobText(readFileSync(`${root}/demo/book-bus-6.ledge.json`, 'utf8'));
  const [door] = value.panels;
  const task = { shop: value.shop, target: value.job.target, sheets: [] };
  // First, so that the memory it reports is that of a job and not of what was measured before.
  await benchJob(root, task);
  const times = await timed(() => planPanel({ ...task, panel: door }), 60, 10);
  report('plan the door, median', percentile(times, 0.5), 'ms', 50);
  report('plan the door, p95', percentile(times, 0.95), 'ms', 50);
  const mixed = mixedPanel(8);
  const eight = await timed(() => planPanel({ ...task, panel: mixed }), 40, 10);
  report('plan 8 mixed zones, median', percentile(eight, 0.5), 'ms', 60);
  report('plan 8 mixed zones, p95', percentile(eight, 0.95), 'ms', 150);
  const damaged = mixedPanel(8, 0, DAMAGED);
  const patched = await timed(() => planPanel({ ...task, panel: damaged }), 40, 10);
  report('plan 8 mixed zones with patches, median', percentile(patched, 0.5), 'ms', 60);
  report('plan 8 mixed zones with patches, p95', percentile(patched, 0.95), 'ms', 150);
  for (const nZones of sizes([1, 2, 4, 8, 12, 16])) {
    const panel = mixedPanel(nZones);
    const grown = await timed(() => planPanel({ ...task, panel }), 9);
    report(`plan ${nZones} mixed zones, median`, percentile(grown, 0.5), 'ms');
  }
}
