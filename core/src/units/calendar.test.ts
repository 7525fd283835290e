import { dateAfter, dayAndMonth, daysBetween, weekdayOf } from './calendar.ts';

test.each([
  ['1970-01-01', 3],
  ['2000-02-29', 1],
  ['2026-12-07', 0],
  ['2027-01-03', 6],
  ['2028-03-01', 2],
])('%s is weekday %d, Monday being 0', (date, weekday) => expect(weekdayOf(date)).toBe(weekday));

test.each([
  ['2026-12-07', 0, '7 Dec'],
  ['2026-12-28', 7, '4 Jan'],
  ['2028-02-28', 1, '29 Feb'],
  ['2027-02-28', 1, '1 Mar'],
  ['2026-11-30', 400, '4 Jan'],
])('%s and %d days is %s', (date, days, text) => expect(dayAndMonth(dateAfter(date, days))).toBe(text));

test('days between dates go over months, years and leap days', () => {
  expect(daysBetween('2026-12-31', '2027-01-01')).toBe(1);
  expect(daysBetween('2028-02-28', '2028-03-01')).toBe(2);
  expect(daysBetween('2026-12-07', '2026-12-04')).toBe(-3);
});
