/** Planning from shelves of 1 to 200 products of each kind: time and memory beside one of each, and what is lost. */
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makePlan, readJobText } from '@blue-ledge/core';
import { benchOfTask } from '../core/dist/planner/bench-of-task.js';
import { searchSystems, searchWith } from '../core/dist/planner/search-systems.js';
import { surveyState } from '../core/dist/operations/survey-state.js';
import { amount, percentile, report, sizes } from './lib.mjs';
import { DAMAGED, mixedPanel } from './panels.mjs';
import { shelfOfEach } from './shelves.mjs';

const SIZES = sizes([3, 10, 50, 200]);
const N_RUNS = amount(9);
/** States after which trying every product everywhere is given up. */
const MOST_STATES = amount(3000, 30);

const taskFrom = (root) => {
  const { value } = readJobText(readFileSync(join(root, 'demo/book-bus-6.ledge.json'), 'utf8'));
  return { panels: value.panels, task: { shop: value.shop, target: value.job.target } };
};

const timeOf = (task) => {
  const start = performance.now();
  makePlan(task);
  return performance.now() - start;
};

/** Median of how many times as long as with one product of each kind, measured by turns. */
function timesAsLong(task, sheets, one) {
  const ratios = Array.from(
    { length: N_RUNS },
    () => timeOf({ ...task, sheets }) / timeOf({ ...task, sheets: one }),
  );
  return percentile(
    ratios.sort((a, b) => a - b),
    0.5,
  );
}

/** Largest memory of a process of its own that plans with so many of each kind, MB. */
function memoryMb(root, nEach) {
  const { stdout } = spawnSync(process.execPath, [fileURLToPath(import.meta.url), root, String(nEach)], {
    encoding: 'utf8',
  });
  return Number(stdout);
}

export function benchShelf(root) {
  const { panels, task } = taskFrom(root);
  const one = shelfOfEach(1);
  const named = [
    ['the door', panels[0]],
    ['8 mixed zones', mixedPanel(8)],
    ['8 with patches', mixedPanel(8, 0, DAMAGED)],
  ];
  const oneMb = memoryMb(root, 1);
  for (const nEach of SIZES) {
    const sheets = shelfOfEach(nEach);
    for (const [name, panel] of named)
      report(`${nEach} of each kind, ${name}: time`, timesAsLong({ ...task, panel }, sheets, one), 'x', 1.5);
    report(`${nEach} of each kind: memory`, memoryMb(root, nEach) / oneMb, 'x', 1.3);
  }
  for (const panel of sizes(panels)) {
    const { context } = benchOfTask({ ...task, panel, sheets: shelfOfEach(3) });
    const start = surveyState(context.panel, context.shop.rules);
    const best = ({ ready }) => Math.min(...ready.map(({ cost }) => cost));
    const all = searchWith(start, { ...context, triesAll: true }, MOST_STATES);
    const loss = (best(searchSystems(start, context)) / best(all) - 1) * 100;
    report(`${panel.name}, 3 of each: over the exact best${all.gaveUp ? ' found' : ''}`, loss, '%', 1);
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [, , root, nEach] = process.argv;
  const { panels, task } = taskFrom(root);
  const sheets = shelfOfEach(Number(nEach));
  for (let i = 0; i < amount(5); i++) makePlan({ ...task, panel: panels[0], sheets });
  process.stdout.write(String(process.resourceUsage().maxRSS / 1000));
}
