import fc from 'fast-check';
import { fullCureMin } from '../climate/cure.ts';
import { dewPointCelsius, heldAt } from '../climate/dew.ts';
import { airOfDay, usualDaySchema } from '../survey/usual-day.ts';
import { benchOf } from '../testing/bench.ts';
import { untilAirWillDoMin } from '../operations/air.ts';
import { cureFrom } from '../operations/curing.ts';
import { airAt } from '../operations/day.ts';
import { forecastOfDay } from '../operations/day-forecast.ts';
import { flashMin } from '../operations/windows.ts';

const DAY = [
  { hour: 6, celsius: 8, relativeHumidity: 80 },
  { hour: 14, celsius: 24, relativeHumidity: 40 },
];

test('between two hours the air lies on a straight line, over midnight too', () => {
  expect(airOfDay(DAY, 10 * 60)).toEqual({ celsius: 16, relativeHumidity: 60 });
  expect(airOfDay(DAY, 22 * 60)).toEqual({ celsius: 16, relativeHumidity: 60 });
  expect(airOfDay([...DAY].reverse(), 14 * 60)).toEqual({ celsius: 24, relativeHumidity: 40 });
});

test.each([
  ['-40 °C', [{ ...DAY[0]!, celsius: -40 }, DAY[1]!], /at least -20 °C/],
  ['90 °C', [{ ...DAY[0]!, celsius: 90 }, DAY[1]!], /at most 50 °C/],
  ['an hour twice', [DAY[0]!, { ...DAY[1]!, hour: 6 }], /names an hour twice/],
  ['one hour', [DAY[0]!], /at least two/],
])('%s is refused, and says what is wrong', (_, points, message) => {
  const read = usualDaySchema.safeParse(points);
  expect(read.success ? '' : read.error.issues[0]!.message).toMatch(message);
});

test('air that cools without losing water keeps its dew point, until it is saturated', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 12, max: 35, noNaN: true }),
      fc.double({ min: 20, max: 90, noNaN: true }),
      (celsius, relativeHumidity) => {
        const dew = dewPointCelsius(celsius, relativeHumidity);
        const held = heldAt(dew + 2, { celsius, relativeHumidity });
        expect(dewPointCelsius(held.celsius, held.relativeHumidity)).toBeCloseTo(dew, 6);
        expect(heldAt(dew - 1, { celsius, relativeHumidity }).relativeHumidity).toBe(100);
      },
    ),
  );
});

const bench = (shop: object) =>
  benchOf([{ stack: 'steel/ecoat:20' }], { shop: { celsius: 20, nightCelsius: 20, ...shop } });

test('a flash takes as long as the hours that it runs through', () => {
  const { context } = bench({ usualDay: DAY });
  const sheet = context.shelf.get('epoxy-1-1')!;
  const minutes = (hour: number) => flashMin(60, sheet, context, hour * 60 - context.startMin);
  expect(minutes(9)).toBeGreaterThan(minutes(13));
  const even = DAY.map((point) => ({ ...point, celsius: 24, relativeHumidity: 40 }));
  const flat = bench({ usualDay: even }).context;
  expect(flashMin(60, sheet, flat, 30)).toBeCloseTo(
    flashMin(60, sheet, bench({ celsius: 24, relativeHumidity: 40 }).context),
    6,
  );
});

test('cure counts the hours of the day as they come: an even day is the same as one figure', () => {
  const even = [0, 12].map((hour) => ({ hour, celsius: 20, relativeHumidity: 50 }));
  const sheet = bench({}).context.shelf.get('epoxy-1-1')!;
  const byHour = cureFrom(sheet, 60, bench({ usualDay: even }).context)!;
  expect(byHour.after.value).toBeCloseTo(Math.max(sheet.sandAfterMin!, 0.9 * fullCureMin(sheet.cure, 20)), 6);
});

test('a coat waits for the hour at which the air will do; where none does nobody waits', () => {
  const { context, state } = bench({ usualDay: DAY });
  const sheet = context.shelf.get('epoxy-1-1')!;
  const waitMin = untilAirWillDoMin(sheet, state.zones, 0, context)!;
  expect(waitMin).toBeGreaterThan(0);
  expect(waitMin % 15).toBe(0);
  const { celsius } = airAt(waitMin, context);
  expect(celsius).toBeGreaterThanOrEqual(sheet.climate.minCelsius);
  const cold = DAY.map((point) => ({ ...point, celsius: 4 }));
  expect(untilAirWillDoMin(sheet, state.zones, 0, bench({ usualDay: cold }).context)).toBeNull();
});

test('the forecast of a day names the damp hours', () => {
  const hours = forecastOfDay(
    bench({
      usualDay: [
        { hour: 4, celsius: 10, relativeHumidity: 97 },
        { hour: 14, celsius: 22, relativeHumidity: 45 },
      ],
    }).context.shop,
  );
  expect(hours).toHaveLength(24);
  expect(hours[4]).toMatchObject({ isTooDamp: true, isOpen: false });
  expect(hours[14]).toMatchObject({ isTooDamp: false, isOpen: true });
  expect(hours[4]!.waterMin).toBeGreaterThan(hours[14]!.waterMin);
});
