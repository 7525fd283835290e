/**
 * `npm run behaviour`: plans the kept panels and says which plans are otherwise than the record, and how. A change of rules
 * is read by it; a refactor shows nothing.
 *   --write       takes what the planner does now into the record
 *   --all         shows every plan that differs, not the first ones
 *   --sample      a fixed part of the panels, as `npm test` does
 *   --more=100    draws so many further panels, of what the survey knows now, and takes them in
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { build } from './build.mjs';
import { main, root } from './run.mjs';
import { setup } from './setup.mjs';

const PANELS = join(root, 'behaviour/panels.jsonl');
const RECORD = join(root, 'behaviour/record.jsonl');
const SAMPLED = 20;
const PER_TASK = 20;
const MOST_SHOWN = 12;

const has = (name) => process.argv.includes(`--${name}`);
const numberOf = (name) =>
  Number(process.argv.find((arg) => arg.startsWith(`--${name}=`))?.split('=')[1] ?? 0);

const read = (file) =>
  existsSync(file)
    ? readFileSync(file, 'utf8')
        .split('\n')
        .filter(Boolean)
        .map((line) => JSON.parse(line))
    : [];
const write = (file, rows) => writeFileSync(file, rows.map((row) => `${JSON.stringify(row)}\n`).join(''));

async function withMore(panels, n) {
  if (n === 0) return panels;
  const { drawnPanel } = await import('../behaviour/make-panels.mjs');
  const all = [...panels, ...Array.from({ length: n }, (_, i) => drawnPanel(panels.length + 1 + i))];
  write(PANELS, all);
  return all;
}

/** What the planner does with each of them now, in their order. */
async function planned(panels) {
  const { Piscina } = await import('piscina');
  const pool = new Piscina({
    filename: join(root, 'behaviour/worker.mjs'),
    maxThreads: Math.min(4, availableParallelism()),
  });
  const tasks = Array.from({ length: Math.ceil(panels.length / PER_TASK) }, (_, i) =>
    pool.run(panels.slice(i * PER_TASK, (i + 1) * PER_TASK)),
  );
  const summaries = (await Promise.all(tasks)).flat();
  await pool.destroy();
  return summaries;
}

await main(async () => {
  const { database } = await setup();
  await Promise.all([build(['core']), database]);
  const { differenceOf, tell } = await import('../behaviour/differences.mjs');
  const kept = await withMore(read(PANELS), numberOf('more'));
  const panels = has('sample') ? kept.filter(({ seed }) => seed % SAMPLED === 0) : kept;
  const before = new Map(read(RECORD).map((row) => [row.seed, row]));
  const start = performance.now();
  const now = await planned(panels);
  const seconds = ((performance.now() - start) / 1000).toFixed(1);
  const changed = panels.flatMap((panel, i) => {
    const difference = differenceOf(before.get(panel.seed), now[i]);
    return difference ? [{ panel, difference }] : [];
  });
  console.log(tell(changed, panels.length, has('all') ? Infinity : MOST_SHOWN));
  console.log(`${panels.length} panels planned in ${seconds} s.`);
  if (has('write')) write(RECORD, has('sample') ? [...before.values()] : now);
  else if (changed.length > 0) {
    console.log('Read them; what is meant goes into the record with: npm run behaviour -- --write');
    process.exitCode = 1;
  }
});
