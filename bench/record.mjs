/* global document, requestAnimationFrame -- run in the page */
/** The record: tablets that write at once, a record of 100,000 entries, the fold of one panel, and its chain. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  chainOf,
  makePlan,
  openPlan,
  readJobText,
  trueState,
  foldRecord,
  verifyChain,
} from '@blue-ledge/core';
import { amount, percentile, report, timed } from './lib.mjs';
import { inBrowser, withServer } from './running.mjs';

const N_TABLETS = amount(20, 2);
const N_EACH = amount(50, 2);
/** Entries of each tablet before any is timed: a server runs all day. */
const N_WARM = 5;
const N_ENTRIES = amount(100_000, 5000);
const N_FOLDED = amount(2000, 40);
const N_TAPS = amount(20, 2);

const demo = (root) => JSON.parse(readFileSync(join(root, 'demo/book-bus-6.ledge.json'), 'utf8'));
const noteAt = (id, at, text) => ({ id, at, by: 'Prep A', kind: 'note', body: { text } });

async function took(work) {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

/** 20 tablets, each on a panel of its own, one entry after the other. */
async function benchWriting(root, ask) {
  const job = demo(root);
  const panels = Array.from({ length: N_TABLETS }, (_, i) => ({
    ...job.panels[i % 6],
    id: `p${i}`,
    name: `Panel ${i}`,
  }));
  await ask('POST', '/jobs', { ...job, job: { ...job.job, id: 'tablets' }, panels });
  const now = new Date().toISOString();
  const times = await Promise.all(
    panels.map(async ({ id }) => {
      const own = [];
      for (let i = 0; i < N_WARM + N_EACH; i++)
        own.push(
          await took(() =>
            ask('POST', `/jobs/tablets/panels/${id}/record`, noteAt(`${id}-${i}`, now, `note ${i}`)),
          ),
        );
      return own.slice(N_WARM);
    }),
  );
  const sorted = times.flat().sort((a, b) => a - b);
  report(`entry durable, ${N_TABLETS} tablets writing, p95`, percentile(sorted, 0.95), 'ms', 50);
}

/** A record of 100,000 entries, taken in by files of 5,000 a panel. */
async function benchSearching(root, ask) {
  const job = demo(root);
  const words = ['epoxy', 'run in the sealer', 'batch 4711', 'door', 'dusty', 'fine'];
  const start = Date.UTC(2026, 0, 1);
  for (let nth = 0; nth < N_ENTRIES / 5000; nth++) {
    const record = chainOf(
      Array.from({ length: 5000 }, (_, i) =>
        noteAt(
          `n${nth}-${i}`,
          new Date(start + (nth * 5000 + i) * 60_000).toISOString(),
          `${words[i % 6]} ${i}`,
        ),
      ),
    );
    const panel = { ...job.panels[0], record };
    await ask('POST', '/jobs', { ...job, job: { ...job.job, id: `big-${nth}` }, panels: [panel] });
  }
  report(
    'what there is to look for, p95',
    percentile(await timed(() => ask('GET', '/record/facets'), 20), 0.95),
    'ms',
    200,
  );
  const search = (query) => timed(() => ask('GET', `/record?${query}`), 20);
  report('first page of 100,000 entries, p95', percentile(await search('limit=50'), 0.95), 'ms', 200);
  report('search by words, p95', percentile(await search('text=batch+4711&limit=50'), 0.95), 'ms', 200);
  report(
    'search by day and kind, p95',
    percentile(await search('from=2026-02-01&to=2026-02-02&kind=note'), 0.95),
    'ms',
    200,
  );
}

/** The same record looked through, saved as one file and backed up, and what a search takes meanwhile. */
async function benchKeeping({ ask, mostMb }) {
  const search = () => ask('GET', '/record?text=batch+4711&limit=50');
  const checking = took(() => ask('POST', '/integrity'));
  report('a search while all is looked through, p95', percentile(await timed(search, 20), 0.95), 'ms', 200);
  report('100,000 entries looked through', await checking, 'ms');
  const before = mostMb();
  report('100,000 entries saved as one file', await took(() => ask('GET', '/record/file')), 'ms');
  report('most memory for it', mostMb() - before, 'MB', 100);
  report('a backup of them, made and checked', await took(() => ask('POST', '/backups')), 'ms');
}

/** The fold of a panel that was worked on again and again, and the chain of 100,000 entries. */
async function benchFolding(root) {
  const read = readJobText(readFileSync(join(root, 'demo/book-bus-6.ledge.json'), 'utf8')).value;
  const task = { panel: read.panels[0], shop: read.shop, target: read.job.target, sheets: read.sheets };
  const { view, actsOf } = openPlan(makePlan(task));
  // Done again and again, it is stripped in between: nobody lays a hundred coats on each other.
  const strip = { op: 'strip-sand', zones: Object.keys(view.found), grits: ['P80'], tool: 'machine' };
  const acts = [strip, ...actsOf(view.chosen)];
  const zero = Date.UTC(2026, 11, 7, 8);
  const entries = Array.from({ length: N_FOLDED }, (_, i) => {
    const { idleMin: _idle, isSplit: _split, ...act } = acts[i % acts.length];
    const at = new Date(zero + i * 20 * 60_000).toISOString();
    return i % 4 === 3
      ? noteAt(`f${i}`, at, 'seen')
      : { id: `f${i}`, at, by: 'Prep A', kind: 'act', body: act };
  });
  report(`fold of ${N_FOLDED} entries, the first`, await took(() => foldRecord(task, entries)), 'ms');
  report(
    'the same on a tablet that has folded before, median',
    percentile(await timed(() => foldRecord(task, entries), 20, 30), 0.5),
    'ms',
    20,
  );
  report(
    `the same with rules and steps, median`,
    percentile(await timed(() => trueState(task, entries), 3, 1), 0.5),
    'ms',
  );
  const at = new Date(zero).toISOString();
  const chain = chainOf(
    Array.from({ length: N_ENTRIES }, (_, i) => noteAt(`c${i}`, at, `number ${i} of a long record`)),
  );
  report(
    'chain of 100,000 entries verified',
    percentile(await timed(() => verifyChain(chain), 3, 1), 0.5),
    'ms',
    2000,
  );
}

/** Taps a step done and waits for the frame that shows the next one, ms; runs in the page. */
function tapped() {
  const number = () => document.querySelector('.run-n').textContent;
  const before = number();
  return new Promise((done) => {
    const start = performance.now();
    const look = () =>
      number() === before
        ? requestAnimationFrame(look)
        : requestAnimationFrame(() => done(performance.now() - start));
    document.querySelector('.run-act').click();
    requestAnimationFrame(look);
  });
}

/** Every step of the demo's door tapped done, one after the other, until its frame is drawn. */
async function benchTaps(root, { address, ask }) {
  await ask('POST', '/jobs', demo(root));
  await ask('POST', '/jobs/bus-6/panels/door/plans', {});
  await inBrowser(async (page) => {
    await page.goto(`${address}/jobs/bus-6/panels/door/run`);
    await page.getByRole('button', { name: 'Who works here?' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Prep A' }).click();
    const times = [];
    for (let i = 0; i < N_TAPS; i++) {
      await page.waitForTimeout(400);
      times.push(await page.evaluate(tapped));
    }
    times.sort((a, b) => a - b);
    report('a bench tap until it is seen, p95', percentile(times, 0.95), 'ms', 100);
  });
}

export async function benchRecord(root) {
  await benchFolding(root);
  await withServer(root, (server) => benchTaps(root, server));
  await withServer(root, ({ ask }) => benchWriting(root, ask));
  await withServer(root, async (server) => {
    await benchSearching(root, server.ask);
    await benchKeeping(server);
  });
}
