/** Blocking: contact solves and cell updates a second, a whole X plan of 400 strokes, heap, and the ladder optimum. */
import { bestLadder, blockOf, forecastField, holdFor, Sander, scratchOf, xPass } from '@blue-ledge/core';
import { blockInC, buildInC } from './blocking-in-c.mjs';
import { amount, percentile, report, sizes, timed } from './lib.mjs';

const FIELD_TASK = {
  waves: { um: 60, lengthMm: 150 },
  peelUm: 12,
  isCrowned: false,
  film: 'primer',
  under: 'filler',
  seed: 1,
};
const N_STROKES = amount(400, 10);

const meanOf = (values) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** 400 strokes of the X plan with the 400 x 70 mm board on 512 x 256 cells of 2 mm. */
function xPlanTask(isCrowned, blockId) {
  const field = forecastField({ ...FIELD_TASK, isCrowned, size: { lengthMm: 1024, heightMm: 512 } }, 150, 2);
  const block = blockOf(blockId);
  const strokes = [];
  for (let pass = 0; strokes.length < N_STROKES; pass++)
    strokes.push(...xPass(field, block, holdFor(block, isCrowned), pass));
  return { field, block, grade: 'P240', strokes: strokes.slice(0, N_STROKES) };
}

/** Sands the strokes of a task. */
function xPlan({ field, block, grade, strokes }) {
  const sander = new Sander(field, block, grade);
  const before = process.memoryUsage().heapUsed;
  const start = performance.now();
  for (const { fromX, fromY, toX, toY, turnRad } of strokes) {
    sander.putDown(fromX, fromY, turnRad);
    sander.slideTo(toX, toY);
  }
  const ms = performance.now() - start;
  return { ms, sander, grownMB: (process.memoryUsage().heapUsed - before) / 1e6 };
}

export async function benchBlocking() {
  xPlan(xPlanTask(false, 'long'));
  const inC = buildInC();
  for (const [isCrowned, blockId] of sizes([
    [false, 'long'],
    [true, 'flex'],
  ])) {
    const task = xPlanTask(isCrowned, blockId);
    const { block } = task;
    const c = inC && blockInC(inC.program, task);
    const { ms, sander, grownMB } = xPlan(task);
    const name = `${block.name} on a ${isCrowned ? 'crown' : 'flat panel'}`;
    report(`X plan of ${N_STROKES} strokes, ${name}`, ms, 'ms', 4000);
    report(`contact solves a second, ${name}`, (sander.nSettled / ms) * 1000, '/s');
    const cells = (block.lengthMm * block.widthMm) / 4;
    report(`cell updates a second, ${name}`, (sander.nSettled * cells) / ms / 1000, 'million/s');
    report(`heap grown meanwhile, ${name}`, grownMB, 'MB');
    if (!c) continue;
    report(`the same in C, ${name}`, c.ms, 'ms');
    report(`C's share of the time, ${name}`, c.ms / ms, '', 0.68);
    report(`film left, difference to C, ${name}`, Math.abs(meanOf(task.field.filmUm) - c.filmLeftUm), 'µm');
  }
  inC?.remove();
  const task = {
    areaM2: 6,
    material: 'filler',
    start: scratchOf({ grade: 'P36', tool: 'block' }, 'filler'),
    to: 'P400',
    tools: ['block', 'machine', 'machine-soft', 'hand', 'wet-hand'],
  };
  const times = await timed(() => bestLadder(task), 200, 50);
  report('ladder optimum over 5 tools, median', percentile(times, 0.5), 'ms', 1);
}
