import fc from 'fast-check';
import { fillerMix } from './filler-mix.ts';
import { percentForSeconds } from './flow-cup.ts';
import { compressorKeeps, paceMPerS } from './gun.ts';
import { bandsOfGrey, bandsOfHex, hidingOver, labOf } from './hiding.ts';
import { rescueOf } from './rescue.ts';

/** Models of pouring and spraying: reference values of models.md and job-file.md, and what must hold for any figure. */

describe('rescue of an over-pour', () => {
  test('too much hardener: base and thinner are filled up to the least that is right', () => {
    const { addMl, batchMl } = rescueOf([4, 1, 2], [400, 130, 0], 3);
    expect(addMl.map((ml) => Number(ml.toFixed(2)))).toEqual([102.33, 0, 251.17]);
    expect(batchMl).toBeCloseTo(883.5, 1);
    expect(rescueOf([4, 1, 2], [400, 100, 200], 0).addMl).toEqual([0, 0, 0]);
    expect(rescueOf([4, 1], [400, 102], 3).addMl).toEqual([0, 0]);
  });

  const parts = fc.array(fc.integer({ min: 1, max: 10 }), { minLength: 2, maxLength: 4 });

  test('every component is right in the batch that is in the cup, and in no smaller one', () => {
    fc.assert(
      fc.property(
        parts.chain((ratio) =>
          fc.tuple(
            fc.constant(ratio),
            fc.array(fc.integer({ min: 0, max: 900 }), { minLength: ratio.length, maxLength: ratio.length }),
            fc.integer({ min: 0, max: 10 }),
          ),
        ),
        ([ratio, poured, percent]) => {
          fc.pre(poured.some((ml) => ml > 0));
          const { addMl, batchMl } = rescueOf(ratio, poured, percent);
          const sum = ratio.reduce((a, b) => a + b, 0);
          const t = percent / 100;
          const cup = poured.map((ml, i) => ml + addMl[i]!);
          const shareOf = (i: number, ofMl: number): number => (ratio[i]! / sum) * ofMl;
          expect(addMl.every((ml) => ml >= 0)).toBe(true);
          expect(cup.reduce((a, b) => a + b, 0)).toBeCloseTo(batchMl, 4);
          cup.forEach((ml, i) => {
            expect(ml).toBeLessThanOrEqual(shareOf(i, batchMl) * (1 + t) + 1e-6);
            expect(ml).toBeGreaterThanOrEqual(shareOf(i, batchMl) * (1 - t) - 1e-6);
          });
          // In a smaller batch something is too much, or what is asked for at least does not fit in.
          const lessMl = batchMl * 0.999;
          const leastMl = poured.map((ml, i) => Math.max(ml, shareOf(i, lessMl) * (1 - t)));
          const isTooMuch = leastMl.some((ml, i) => ml > shareOf(i, lessMl) * (1 + t));
          const sumOfLeast = leastMl.reduce((a, b) => a + b, 0);
          const pouredSum = poured.reduce((a, b) => a + b, 0);
          if (lessMl > pouredSum) expect(isTooMuch || sumOfLeast > lessMl).toBe(true);
        },
      ),
    );
  });

  test.each([
    [[4, 0], [1, 1], 3],
    [[4, 1], [1], 3],
    [[4, 1], [0, 0], 3],
    [[4, 1], [-1, 1], 3],
    [[4, 1], [1, 1], 80],
    [[], [], 3],
  ])('refuses %j poured %j at %d %%', (ratio, poured, percent) => {
    expect(() => rescueOf(ratio, poured, percent)).toThrow(RangeError);
  });
});

test('pace of the gun for a film', () => {
  const gun = {
    flowMlPerMin: 250,
    transfer: 0.65,
    volumeSolids: 0.4217,
    fanMm: 250,
    overlap: 0.5,
    filmUm: 40,
  };
  expect(paceMPerS(gun)).toBeCloseTo(0.228, 3);
  expect(paceMPerS({ ...gun, filmUm: 80 })).toBeCloseTo(0.114, 3);
  expect(() => paceMPerS({ ...gun, overlap: 1 })).toThrow(RangeError);
  expect(() => paceMPerS({ ...gun, filmUm: 0 })).toThrow(RangeError);
});

test('a compressor keeps up, or for how many minutes of trigger', () => {
  const air = { demand: 350, delivery: 220, tankLitres: 50, fromBar: 8, toBar: 5 };
  expect(compressorKeeps(air)).toEqual({ keepsUp: false, minutes: expect.closeTo(1.139, 3) });
  expect(compressorKeeps({ ...air, delivery: 350 })).toEqual({ keepsUp: true });
  expect(() => compressorKeeps({ ...air, toBar: 9 })).toThrow(RangeError);
  expect(() => compressorKeeps({ ...air, demand: 0 })).toThrow(RangeError);
});

test('reducer for a run-out time', () => {
  const readings = [
    { percent: 0, seconds: 27 },
    { percent: 5, seconds: 22 },
  ];
  expect(percentForSeconds(readings, 20)).toBeCloseTo(7.33, 2);
  expect(percentForSeconds(readings, 27)).toBeCloseTo(0, 9);
  expect(() => percentForSeconds(readings.slice(0, 1), 20)).toThrow(/two readings/);
  expect(() => percentForSeconds([readings[0]!, { percent: 5, seconds: 30 }], 20)).toThrow(/no faster/);
  expect(() => percentForSeconds(readings, 0)).toThrow(RangeError);
});

test('filler by scale and by puck', () => {
  const { fillerGrams, hardenerGrams, puckMm } = fillerMix(0.25, 900, 2);
  expect(fillerGrams).toBeCloseTo(0.25 * 900 * 1.2 * 1.8, 6);
  expect(hardenerGrams).toBeCloseTo(fillerGrams * 0.02, 6);
  expect((Math.PI / 4) * puckMm ** 2 * 20).toBeCloseTo((fillerGrams / 1.8) * 1000, 3);
  expect(() => fillerMix(0, 900, 2)).toThrow(RangeError);
  expect(() => fillerMix(1, 900, 9)).toThrow(/hardener/);
});

describe('coats that hide an undercoat', () => {
  test.each([
    [45, 0.8, 'show', [9, 30], [2, 1]],
    [60, 0.6, 'standard', [20, 40, 60, 80], [2, 2, 1, 2]],
    [35, 0.5, 'standard', [15, 35, 55, 75, 90], [2, 1, 2, 2, 3]],
  ] as const)('grey %d at contrast %d, %s', (baseL, contrast, quality, tones, coats) => {
    const { byTone } = hidingOver(bandsOfGrey(baseL), contrast, tones, quality);
    expect(byTone.map((tone) => tone.coats)).toEqual(coats);
  });

  test('the undercoat of the base’s own lightness is best for a grey', () => {
    expect(hidingOver(bandsOfGrey(60), 0.6, [20, 40, 60, 80], 'standard').best).toEqual({
      toneL: 60,
      coats: 1,
    });
  });

  test('more coats come ever nearer to the masstone, and a base that hides well needs no more of them', () => {
    const grey = fc.integer({ min: 10, max: 90 });
    fc.assert(
      fc.property(grey, grey, fc.double({ min: 0.2, max: 0.9, noNaN: true }), (baseL, toneL, contrast) => {
        const coatsAt = (c: number): number =>
          hidingOver(bandsOfGrey(baseL), c, [toneL], 'standard').byTone[0]!.coats ?? 99;
        expect(coatsAt(Math.min(0.95, contrast + 0.05))).toBeLessThanOrEqual(coatsAt(contrast));
        const { coats, deltaE } = hidingOver(bandsOfGrey(baseL), contrast, [toneL], 'show').byTone[0]!;
        if (coats !== null) expect(deltaE).toBeLessThan(0.5);
      }),
      { numRuns: 60 },
    );
  });

  test('colours: white is L* 100 without colour, and a clear red hides over pink grey sooner than over black', () => {
    const [l, a, b] = labOf(bandsOfHex('#ffffff'));
    expect([l, a, b].map((value) => Math.abs(Math.round(value)))).toEqual([100, 0, 0]);
    const { byTone } = hidingOver(bandsOfHex('#c01a1a'), 0.6, [5, 40], 'standard');
    expect(byTone[1]!.coats!).toBeLessThanOrEqual(byTone[0]!.coats!);
    expect(() => bandsOfHex('red')).toThrow(/#1b7f86/);
    expect(() => hidingOver(bandsOfGrey(50), 1, [20], 'standard')).toThrow(RangeError);
    expect(() => hidingOver(bandsOfGrey(50), 0.5, [], 'standard')).toThrow(RangeError);
    expect(() => bandsOfGrey(120)).toThrow(RangeError);
  });
});
