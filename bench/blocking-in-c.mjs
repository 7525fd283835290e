/** The same strokes by blocking.c, where a C compiler is there: what the language costs. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  sandingFiguresOf,
  NEAR_SHARE,
  prestonMm3PerNm,
  scratchDepthUm,
  spansOf,
  STEP_MM,
} from '@blue-ledge/core';

const source = join(import.meta.dirname, 'blocking.c');

/** Builds the C program into a folder of its own; null where there is no compiler. */
export function buildInC() {
  const folder = mkdtempSync(join(tmpdir(), 'ledge-c-'));
  const program = join(folder, 'blocking');
  const { status } = spawnSync('cc', ['-O2', '-std=c11', '-o', program, source, '-lm']);
  if (status !== 0) rmSync(folder, { recursive: true, force: true });
  return status === 0 ? { program, remove: () => rmSync(folder, { recursive: true, force: true }) } : null;
}

/** Milliseconds, contact solves and mean film left of strokes over a field that nothing was sanded off yet. */
export function blockInC(program, { field, block, grade, strokes }) {
  const isRigid = !Number.isFinite(block.bendingNMm2);
  const filmRate = prestonMm3PerNm(grade, field.film);
  const head = [
    field.nx,
    field.ny,
    field.cellMm,
    block.lengthMm,
    block.widthMm,
    block.padNPerMm3,
    isRigid ? 0 : block.bendingNMm2,
    spansOf(block),
    isRigid ? 1 : 2,
    sandingFiguresOf({}).blockForceN,
    NEAR_SHARE,
    STEP_MM,
    filmRate,
    prestonMm3PerNm(grade, field.under) / filmRate,
    scratchDepthUm(grade, 'block', field.film),
    strokes.length,
  ];
  const ways = strokes.flatMap(({ fromX, fromY, toX, toY, turnRad }) => [fromX, fromY, toX, toY, turnRad]);
  const bytes = (array) => Buffer.from(array.buffer, array.byteOffset, array.byteLength);
  const input = Buffer.concat([
    bytes(Float64Array.from(head)),
    ...[field.topUm, field.filmUm, field.guideUm].map(bytes),
    bytes(Float64Array.from(ways)),
  ]);
  const { stdout } = spawnSync(program, { input, encoding: 'utf8' });
  const [ms, nSettled, filmLeftUm] = stdout.trim().split(' ').map(Number);
  return { ms, nSettled, filmLeftUm };
}
