/** Schedules: how long the first and the final one take, how far they are from the bound, how that grows, a move. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { makePlan, makeSchedule, readJobText } from '@blue-ledge/core';
import { report, sizes } from './lib.mjs';

const START = { startOn: '2026-12-07', startMin: 480 };
const SIZES = sizes([10, 40, 100, 200]);
const MOVED_MIN = 180;

/** The panels of all demo jobs, planned, over and over until there are enough. */
function panelsOf(root, count) {
  const files = readdirSync(join(root, 'demo'))
    .map((name) => readFileSync(join(root, 'demo', name), 'utf8'))
    // Work that is done is nobody's to schedule.
    .filter((text) => !text.includes('"record"'));
  const planned = files.flatMap((text) => {
    const { value: job } = readJobText(text);
    if (job.shop.profile !== 'booth') return [];
    return job.panels.map((panel) => ({
      name: panel.name,
      plan: makePlan({ panel, shop: job.shop, target: job.job.target, sheets: job.sheets }),
    }));
  });
  return Array.from({ length: count }, (_, i) => ({
    ...planned[i % planned.length],
    jobId: `job-${Math.floor(i / planned.length) + 1}`,
    panelId: `panel-${i + 1}`,
  }));
}

const timedOnce = (work) => {
  const start = performance.now();
  const answer = work();
  return { answer, ms: performance.now() - start };
};

const personOf = ({ resources }) =>
  resources.find((each) => each.startsWith('technician:'))?.slice('technician:'.length);

export function benchSchedule(root) {
  const { value: demo } = readJobText(readFileSync(join(root, 'demo/book-bus-6.ledge.json'), 'utf8'));
  const { shop } = demo;
  for (const size of SIZES) {
    const asked = { shop, start: START, panels: panelsOf(root, size) };
    makeSchedule({ ...asked, panels: asked.panels.slice(0, 3), effort: 'rules' });
    const first = timedOnce(() => makeSchedule({ ...asked, effort: 'rules' }));
    const final = timedOnce(() => makeSchedule(asked));
    const { schedule } = final.answer;
    const gap = 100 * (schedule.makespanMin / schedule.lowerBoundMin - 1);
    const isAim = size === 40;
    report(
      `${size} panels, ${schedule.tasks.length} tasks: first schedule`,
      first.ms,
      'ms',
      isAim ? 300 : undefined,
    );
    report(`  final schedule`, final.ms, 'ms', isAim ? 3000 : undefined);
    report(`  over the bound (${schedule.boundBy})`, gap, '%', isAim ? 5 : undefined);
    report(`  steps that were put in`, schedule.inserted.length, '');
    const before = schedule.tasks
      .filter(({ part, isInserted }) => part === 1 && !isInserted)
      .map((task) => ({ ...task, personId: personOf(task) }));
    const { jobId, panelId, n, startMin } = before[Math.floor(before.length / 2)];
    const pins = [{ jobId, panelId, n, startMin: startMin + MOVED_MIN }];
    const moved = timedOnce(() => makeSchedule({ ...asked, before, pins, effort: 'keep' }));
    report(`  a step moved, the rest follows`, moved.ms, 'ms', isAim ? 50 : undefined);
  }
}
