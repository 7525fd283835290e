/** What the server answers while many ask at once, and what planning a large job costs it. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { amount, percentile, report } from './lib.mjs';
import { mixedPanel } from './panels.mjs';
import { withServer } from './running.mjs';

const N_CLIENTS = amount(20, 2);

const sorted = (times) => times.sort((a, b) => a - b);

async function took(work) {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

async function timesOf(work, n) {
  const times = [];
  for (let i = 0; i < n; i++) times.push(await took(() => work(i)));
  return sorted(times);
}

/** `N_CLIENTS` at once, each `n` requests one after the other. */
async function timesOfMany(work, n) {
  const all = await Promise.all(Array.from({ length: N_CLIENTS }, (_, c) => timesOf((i) => work(c, i), n)));
  return sorted(all.flat());
}

const p95 = (what, times, aim) => report(`${what}, p95`, percentile(times, 0.95), 'ms', aim);

/** Takes a job in whose panels are named p0, p1, ... */
async function takeJob(root, ask, id, panels) {
  const demo = JSON.parse(readFileSync(join(root, 'demo/book-bus-6.ledge.json'), 'utf8'));
  const named = panels(demo.panels).map((panel, i) => ({ ...panel, id: `p${i}`, name: `Panel ${i}` }));
  await ask('POST', '/jobs', { ...demo, job: { ...demo.job, id }, panels: named });
}

/** The nth change of a panel's name, after those before it. */
const renamed = (panel, nth) => ({
  path: ['name'],
  from: nth === 0 ? `Panel ${panel}` : `Name ${nth - 1}`,
  to: `Name ${nth}`,
});

async function benchRequests(root, ask) {
  await takeJob(root, ask, 'forty', (own) => Array.from({ length: 40 }, (_, i) => own[i % own.length]));
  const plan = () => ask('GET', '/jobs/forty/panels/p0/plans/latest');
  const job = () => ask('GET', '/jobs/forty');
  const edit = (c, i) =>
    ask('PATCH', `/jobs/forty/panels/p${10 + c}`, {
      edit: { changes: [renamed(10 + c, i)] },
    });
  await ask('POST', '/jobs/forty/panels/p0/plans', {});
  report('newest plan of the door, gzip', gzipSync(JSON.stringify(await plan())).length / 1000, 'kB', 60);
  await timesOf(plan, amount(60));
  p95('newest plan', await timesOf(plan, amount(100)), 30);
  p95('job of 40 panels', await timesOf(job, amount(100)), 60);
  await timesOfMany((c, i) => edit(c, i), 20);
  p95(`edit of a panel, ${N_CLIENTS} writers`, await timesOfMany((c, i) => edit(c, 20 + i), 20), 60);
  const reads = [];
  const mixed = [
    async () => reads.push(await took(job)),
    (c, i) => edit(c, 40 + Math.floor(i / 4)),
    plan,
    () => ask('GET', '/jobs'),
  ];
  await timesOfMany((c, i) => mixed[i % mixed.length](c, i), 16);
  p95(`job of 40 panels, ${N_CLIENTS} clients of all kinds`, sorted(reads), 150);
}

/** Plans all panels of a job, and asks for health and writes meanwhile. */
async function benchPlanAll(root, { ask, mostMb }, nPanels, nZones) {
  const id = `all-${nPanels}`;
  await takeJob(root, ask, id, () => Array.from({ length: nPanels }, (_, i) => mixedPanel(nZones, i)));
  const [answers, writes] = [[], []];
  let isOver = false;
  const meanwhile = (async () => {
    for (let i = 0; !isOver; i++) {
      answers.push(await took(() => ask('GET', '/health')));
      const changes = [renamed(0, i)];
      writes.push(await took(() => ask('PATCH', '/jobs/forty/panels/p0', { edit: { changes } })));
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
  })();
  const ms = await took(() => ask('POST', `/jobs/${id}/plans`));
  isOver = true;
  await meanwhile;
  const what = `plan all of ${nPanels} panels of ${nZones} zones`;
  report(what, ms / 1000, 's');
  report(`${what}: longest answer meanwhile`, Math.max(...answers), 'ms', 60);
  report(`${what}: longest write meanwhile`, Math.max(...writes), 'ms', 200);
  report(`${what}: most memory`, mostMb(), 'MB', 400);
}

export async function benchServer(root) {
  await withServer(root, async (server) => {
    await benchRequests(root, server.ask);
    await benchPlanAll(root, server, amount(40, 2), 3);
  });
  await withServer(root, async (server) => {
    await takeJob(root, server.ask, 'forty', (own) => own);
    await benchPlanAll(root, server, amount(100, 1), amount(20, 3));
  });
}
