/** Planning: the demo door, panels of mixed substrates with more and more zones, and whole jobs in worker threads. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { panelSchema, planPanel, readJobText } from '@blue-ledge/core';
import { Piscina } from 'piscina';
import { percentile, report, timed } from './lib.mjs';

const layersOf = (stack) =>
  stack.split('/').map((text) => {
    const [kind, um] = text.split(':');
    return um === undefined ? { kind } : { kind, um: Number(um) };
  });

/** One zone of each kind that comes through the door. */
const MIXED = [
  { stack: 'steel/ecoat:20/old-finish:95', areaM2: 1.2 },
  { stack: 'steel', areaM2: 0.3, findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  { stack: 'steel/filler:900', areaM2: 0.2, findings: [{ kind: 'pinholes' }] },
  { stack: 'aluminium', areaM2: 0.25 },
  { stack: 'zinc-steel', areaM2: 0.3, findings: [{ kind: 'low', depthMm: 1 }] },
  { stack: 'steel/part-primer:30', areaM2: 0.4 },
  { stack: 'fiberglass', areaM2: 0.2, findings: [{ kind: 'release-agent' }] },
  { stack: 'steel/old-finish-soluble:120', areaM2: 0.3 },
];

/** The same with the damage of daily work in them: dents, chips, rust, peeling corners, a crack. */
const DAMAGED = [
  {
    stack: 'steel/ecoat:20/old-finish:95',
    areaM2: 1.2,
    findings: [
      { kind: 'low', depthMm: 1.5, sizeMm: 80 },
      { kind: 'chips', count: 30, sizeMm: 4 },
    ],
  },
  { stack: 'steel/old-finish:110', areaM2: 0.8, findings: [{ kind: 'rust-pitted', sizeMm: 60 }] },
  { stack: 'steel/filler:900/old-finish:110', areaM2: 0.4, findings: [{ kind: 'pinholes', sizeMm: 60 }] },
  { stack: 'steel', areaM2: 0.3, findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  { stack: 'zinc-steel', areaM2: 0.5, findings: [{ kind: 'low', depthMm: 1, sizeMm: 60 }] },
  { stack: 'steel/ecoat:20', areaM2: 0.4, findings: [{ kind: 'rub-through', spotMm: 12, count: 3 }] },
  { stack: 'fiberglass/old-finish:110', areaM2: 0.4, findings: [{ kind: 'crack', lengthMm: 80 }] },
  { stack: 'steel/ecoat:20/old-finish:95', areaM2: 0.9, findings: [{ kind: 'peeling', share: 0.05 }] },
];

/** A panel of `nZones` zones of mixed substrates; `seed` makes panels of a job differ. */
function mixedPanel(nZones, seed = 0, kinds = MIXED) {
  const zones = Array.from({ length: nZones }, (_, i) => {
    const { stack, areaM2, findings = [] } = kinds[(i + seed) % kinds.length];
    const layers = layersOf(stack);
    return {
      id: `Z${i}`,
      name: stack,
      areaM2: areaM2 + seed / 100,
      substrate: layers.at(-1).kind,
      layers,
      findings,
    };
  });
  const areaM2 = zones.reduce((sum, zone) => sum + zone.areaM2, 0);
  return panelSchema.parse({ id: `panel-${seed}`, name: `panel ${seed}`, areaM2, zones });
}

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
  const resourceLimits = { maxOldGenerationSizeMb: 96, maxYoungGenerationSizeMb: 16 };
  const pool = new Piscina({ filename: worker, minThreads: 2, maxThreads: 2, resourceLimits });
  const panels = Array.from({ length: 40 }, (_, i) => mixedPanel(8, i));
  const planAll = () =>
    Promise.all(panels.map((panel) => pool.run({ kind: 'plan', task: { ...task, panel } })));
  await planAll();
  const start = performance.now();
  const wait = await longestWaitWhile(planAll);
  report('plan a job of 40 panels of 8 mixed zones, 2 threads', performance.now() - start, 'ms', 3000);
  report('longest wait of the event loop meanwhile', wait, 'ms', 50);
  report('memory of the process with its threads', process.memoryUsage().rss / 1e6, 'MB', 300);
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
  for (const nZones of [1, 2, 4, 8, 12, 16]) {
    const panel = mixedPanel(nZones);
    const grown = await timed(() => planPanel({ ...task, panel }), 9);
    report(`plan ${nZones} mixed zones, median`, percentile(grown, 0.5), 'ms');
  }
}
