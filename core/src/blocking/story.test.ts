import { StrokeLog } from './story.ts';

const PANEL = { lengthMm: 900, heightMm: 300 };
const SPEED_M_PER_S = 0.5;

/** Strokes to and fro along a line, each `wayMm` long, until so many seconds are gone. */
function rub(
  log: StrokeLog,
  [x, y]: readonly [number, number],
  [dx, dy]: readonly [number, number],
  seconds: number,
): void {
  const wayMm = Math.hypot(dx, dy);
  log.down(x, y);
  for (let doneMm = 0, i = 0; doneMm < seconds * SPEED_M_PER_S * 1000; doneMm += wayMm, i++)
    log.slide(x + (i % 2 === 0 ? dx : 0), y + (i % 2 === 0 ? dy : 0), { blockId: 'mid', grade: 'P240' });
}

test('knows with what, and says where the hand stayed and what it left out', () => {
  const log = new StrokeLog(PANEL, SPEED_M_PER_S);
  rub(log, [620, 120], [200, 40], 40);
  for (const x of [50, 350]) for (const y of [10, 110, 210]) rub(log, [x, y], [150, 60], 4);
  expect(log.used()).toEqual([{ blockId: 'mid', grade: 'P240', minutes: expect.closeTo(1.1, 1) }]);
  const [stayed, left] = log.tell();
  expect(stayed).toMatch(/^You stayed 40 s on the right edge, 5\.\d times as long/);
  expect(left).toBe('You left out the upper right corner, the lower right corner.');
});

test.each([
  ['along', [250, 0]],
  ['across', [0, 90]],
] as const)('strokes that all run %s the panel are to be crossed', (way, by) => {
  const log = new StrokeLog(PANEL, SPEED_M_PER_S);
  for (const x of [20, 320, 620]) for (const y of [5, 105, 205]) rub(log, [x, y], by, 6);
  expect(log.tell()).toEqual([`Nearly all strokes ran ${way} the panel: cross them.`]);
});

test('a few strokes tell nothing', () => {
  const log = new StrokeLog(PANEL, SPEED_M_PER_S);
  expect(log.tell()).toEqual([]);
  rub(log, [20, 20], [100, 0], 5);
  expect(log.tell()).toEqual([]);
});
