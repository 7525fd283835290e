import fc from 'fast-check';
import { conversionAfter, fullCureMin, minutesToConversion } from './cure.ts';
import { dewPointCelsius, vapourDeficitHPa } from './dew.ts';
import { solventFlashFactor, waterFlashFactor } from './flash.ts';

test.each([
  [20, 60, 12.0],
  [12, 85, 9.55],
  [25, 50, 13.85],
])('dew point of %d °C at %d %% is %d °C', (celsius, humidity, dew) => {
  expect(dewPointCelsius(celsius, humidity)).toBeCloseTo(dew, 2);
});

test('dew point is refused outside the formula', () => {
  expect(() => dewPointCelsius(20, 0)).toThrow(/humidity/);
  expect(() => dewPointCelsius(80, 50)).toThrow(/celsius/);
});

test('vapour deficit: 20/50 is 11.66 hPa, 15/80 is 3.40, so water flashes 3.43 times slower', () => {
  expect(vapourDeficitHPa(20, 50)).toBeCloseTo(11.66, 1);
  expect(vapourDeficitHPa(15, 80)).toBeCloseTo(3.4, 1);
  expect(waterFlashFactor({ celsius: 15, relativeHumidity: 80 }, 0.5)).toBeCloseTo(3.43, 2);
});

test('solvent flash doubles 15 °C colder and takes half as long again in still air', () => {
  expect(solventFlashFactor(5, 20, 15)).toBeCloseTo(2);
});

describe('cure', () => {
  const epoxy = [
    { celsius: 20, minutes: 720 },
    { celsius: 60, minutes: 30 },
  ];

  test('two sheet points give the times between and beyond, in any order', () => {
    expect(fullCureMin([...epoxy].reverse(), 12)).toBeCloseTo(fullCureMin(epoxy, 12));
    const energyKj =
      (8.314e-3 * Math.log(fullCureMin(epoxy, 12) / fullCureMin(epoxy, 30))) / (1 / 285.15 - 1 / 303.15);
    expect(energyKj).toBeCloseTo(64.5, 1);
    expect(fullCureMin(epoxy, 12) / 60).toBeCloseTo(25.2, 1);
    expect(fullCureMin(epoxy, 30) / 60).toBeCloseTo(5.0, 1);
    expect(fullCureMin(epoxy, 60)).toBeCloseTo(30, 6);
  });

  test('of three points the two neighbours count, so every point is met', () => {
    const three = [...epoxy, { celsius: 35, minutes: 300 }];
    for (const { celsius, minutes } of three) expect(fullCureMin(three, celsius)).toBeCloseTo(minutes);
  });

  test('below the least temperature nothing cures, and nights of it are waited out', () => {
    const spells = [
      { celsius: 8, minutes: 900 },
      { celsius: 20, minutes: 540 },
    ];
    expect(minutesToConversion(epoxy, 0.9, spells, 10)).toBeCloseTo(900 + 540 + 900 + (648 - 540));
    expect(() => minutesToConversion(epoxy, 0.9, spells, 30)).toThrow(/30 °C/);
  });

  test('a cold night counts for less: 24 h of it are worth 17.1 h at 20 °C', () => {
    const night = [18, 10, 16].map((celsius) => ({ celsius, minutes: 480 }));
    const oneSheetPoint = [{ celsius: 20, minutes: 60 * 100 }];
    expect(conversionAfter(oneSheetPoint, night) * 100).toBeCloseTo(17.1, 1);
  });

  test('minutesToConversion is the inverse of conversionAfter', () => {
    const spell = fc.record({
      celsius: fc.double({ min: 5, max: 60, noNaN: true }),
      minutes: fc.double({ min: 1, max: 900, noNaN: true }),
    });
    fc.assert(
      fc.property(spell, spell, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (a, b, wanted) => {
        const needed = minutesToConversion(epoxy, wanted, [a, b]);
        const spells = [];
        for (let left = needed, i = 0; left > 0; i++) {
          const next = i % 2 ? b : a;
          spells.push({ celsius: next.celsius, minutes: Math.min(left, next.minutes) });
          left -= next.minutes;
        }
        expect(conversionAfter(epoxy, spells)).toBeCloseTo(wanted, 6);
      }),
    );
  });
});
