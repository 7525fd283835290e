/** Blocking: contact solves and cell updates a second, a whole X plan of 400 strokes, heap, and the ladder optimum. */
import { bestLadder, blockOf, forecastField, holdFor, Sander, scratchOf, xPass } from '@blue-ledge/core';
import { percentile, report, timed } from './lib.mjs';

const FIELD_TASK = {
  waves: { um: 60, lengthMm: 150 },
  peelUm: 12,
  isCrowned: false,
  film: 'primer',
  under: 'filler',
  seed: 1,
};
const N_STROKES = 400;

/** 400 strokes of the X plan with the 400 x 70 mm board on 512 x 256 cells of 2 mm. */
function xPlan(isCrowned, blockId) {
  const field = forecastField({ ...FIELD_TASK, isCrowned, size: { lengthMm: 1024, heightMm: 512 } }, 150, 2);
  const block = blockOf(blockId);
  const sander = new Sander(field, block, 'P240');
  const strokes = [];
  for (let pass = 0; strokes.length < N_STROKES; pass++)
    strokes.push(...xPass(field, block, holdFor(block, isCrowned), pass));
  const before = process.memoryUsage().heapUsed;
  const start = performance.now();
  for (const { fromX, fromY, toX, toY, turnRad } of strokes.slice(0, N_STROKES)) {
    sander.putDown(fromX, fromY, turnRad);
    sander.slideTo(toX, toY);
  }
  const ms = performance.now() - start;
  return { ms, sander, grownMB: (process.memoryUsage().heapUsed - before) / 1e6, block };
}

export async function benchBlocking() {
  xPlan(false, 'long');
  for (const [isCrowned, blockId] of [
    [false, 'long'],
    [true, 'flex'],
  ]) {
    const { ms, sander, grownMB, block } = xPlan(isCrowned, blockId);
    const name = `${block.name} on a ${isCrowned ? 'crown' : 'flat panel'}`;
    report(`X plan of ${N_STROKES} strokes, ${name}`, ms, 'ms', 4000);
    report(`contact solves a second, ${name}`, (sander.nSettled / ms) * 1000, '/s');
    const cells = (block.lengthMm * block.widthMm) / 4;
    report(`cell updates a second, ${name}`, (sander.nSettled * cells) / ms / 1000, 'million/s');
    report(`heap grown meanwhile, ${name}`, grownMB, 'MB');
  }
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
