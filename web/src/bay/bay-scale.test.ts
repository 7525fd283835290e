import { shopSchema } from '@blue-ledge/core';
import { bayScale, openHours, timeText } from './bay-scale.ts';

const START = { startOn: '2026-12-04', startMin: 480 };
const shop = shopSchema.parse({
  people: [
    { id: '1', name: 'Prep A' },
    { id: '2', name: 'Prep B', hours: { from: '07:00', to: '18:00' } },
  ],
  breaks: [{ from: '12:00', to: '12:30' }],
});
const DAY = 1440;
const open = openHours(shop, START, 4 * DAY);
const scale = bayScale(open, START, [0, 4 * DAY], 60);

test('the shop is open from the first who comes to the last who goes, breaks included, and not at the weekend', () => {
  expect(open.slice(0, 2)).toEqual([
    { fromMin: -60, toMin: 600 },
    { fromMin: 3 * DAY - 60, toMin: 3 * DAY + 600 },
  ]);
});

test('hours are as wide as was chosen, a weekend is folded to a strip, and every place is one minute', () => {
  expect(scale.x(120) - scale.x(60)).toBeCloseTo(60);
  const [weekend] = scale.folds;
  expect(weekend).toEqual({ fromMin: 600, toMin: 3 * DAY - 60 });
  expect(scale.x(weekend!.toMin) - scale.x(weekend!.fromMin)).toBeLessThan(50);
  for (const minute of [0, 300, 599, 2000, 3 * DAY, 3 * DAY + 200])
    expect(scale.minAt(scale.x(minute))).toBeCloseTo(minute, 3);
});

test('narrow hours have fewer ticks, and each day its name', () => {
  const narrow = bayScale(open, START, [0, 4 * DAY], 10);
  expect(narrow.ticks.length).toBeLessThan(scale.ticks.length);
  expect(scale.ticks.flatMap(({ day }) => day ?? [])).toEqual(['Fri 4', 'Mon 7', 'Tue 8']);
});

test('a shop in which nobody works still has a line', () => {
  const none = bayScale([], START, [0, 600], 60);
  expect(none.widthPx).toBeGreaterThan(0);
});

const MONDAY_MS = new Date(2026, 10, 30, 9).getTime();

test.each([
  [0, 'Fri 08:00'],
  [959, 'Fri 23:59'],
  [960, 'Sat 00:00'],
  [6 * DAY - 1, 'Thu 10 Dec 07:59'],
  [27 * DAY, 'Thu 31 Dec 08:00'],
])('minute %d is %s, in the week of that Friday', (minute, text) => {
  const now = jest.spyOn(Date, 'now').mockReturnValue(MONDAY_MS);
  expect(timeText(START, minute)).toBe(text);
  now.mockRestore();
});
