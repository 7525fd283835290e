import { practiceField } from '@blue-ledge/core';
import { paintField } from './paint-field.ts';

const field = practiceField('flat-lid', 16);
const painted = (view: 'guide' | 'light') => {
  const pixels = new Uint8ClampedArray(4 * field.nx * field.ny);
  paintField(field, view, pixels);
  return (cell: number) => [...pixels.slice(4 * cell, 4 * cell + 3)];
};

test('guide coat is dark, and film under it light', () => {
  const covered = painted('guide')(100)[0]!;
  field.guideUm[100] = 0;
  const bare = painted('guide')(100)[0]!;
  expect(bare).toBeGreaterThan(covered + 80);
});

test('where the film is through is striped, to be seen without colour', () => {
  field.filmUm.fill(0, 200, 212);
  field.guideUm.fill(0, 200, 212);
  const at = painted('guide');
  expect(new Set(Array.from({ length: 12 }, (_, i) => at(200 + i).join())).size).toBe(2);
});

test('raking light shows the slopes of a bump and nothing on a level place', () => {
  const at = painted('light');
  const row = Math.round(230 / 16) * field.nx;
  const [before, after] = [at(row + Math.round(570 / 16))[0]!, at(row + Math.round(680 / 16))[0]!];
  expect(before).toBeGreaterThan(after + 30);
});
