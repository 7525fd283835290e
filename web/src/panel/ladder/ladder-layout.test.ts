import { grainUm, ladderOf, scratchOf, type LadderTask } from '@blue-ledge/core';
import { gradeAt, ladderLayout } from './ladder-layout.ts';

const start = scratchOf({ grade: 'P80', tool: 'block' }, 'filler');
const task: LadderTask = { areaM2: 1, material: 'filler', start, to: 'P320', tools: ['block'] };
const ladder = ladderOf(
  start,
  [
    { grade: 'P180', tool: 'block' },
    { grade: 'P320', tool: 'block' },
  ],
  task,
);
const layout = ladderLayout(task, [ladder], 400);

test('coarse grades stand above fine ones, all inside the drawing', () => {
  const heights = layout.grades.map((grade) => layout.y(grainUm(grade)));
  expect(heights).toEqual([...heights].sort((a, b) => a - b));
  expect(Math.min(...heights)).toBeGreaterThan(0);
  expect(Math.max(...heights)).toBeLessThan(400);
});

test('a rung dropped anywhere lands on the nearest grade', () => {
  for (const grade of layout.grades) expect(gradeAt(layout, layout.y(grainUm(grade)) + 1)).toBe(grade);
  expect(gradeAt(layout, -1000)).toBe(layout.grades[0]);
  expect(gradeAt(layout, 5000)).toBe(layout.grades.at(-1));
});

test('names of grades in use are never dropped, and none touch', () => {
  expect(layout.named).toEqual(expect.arrayContaining(['P80', 'P180', 'P320']));
  const heights = layout.named.map((grade) => layout.y(grainUm(grade)));
  heights.slice(1).forEach((height, i) => expect(height - heights[i]!).toBeGreaterThanOrEqual(17));
});
