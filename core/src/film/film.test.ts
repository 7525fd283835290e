import { sprayVolumeMl, wetFilmUm } from './coverage.ts';
import { cupMarkMm, cupVolumeMl } from './cup.ts';
import { mixByVolume } from './mix.ts';
import { sagLimitWetUm, sagTravelMm } from './sag.ts';
import { lightnessOfHex } from './tone.ts';
import { readyVolumeSolids } from '../materials/sheet.ts';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';

test('4:1:2 at 700 ml is 400, 100 and 200 ml; the scale reads on', () => {
  const lines = mixByVolume([4, 1, 2], 700, [1.4, 1, 0.87]);
  expect(lines.map((line) => line.volumeMl)).toEqual([400, 100, 200]);
  expect(lines.map((line) => Math.round(line.cumulativeGrams!))).toEqual([560, 660, 834]);
  expect(lines.at(-1)!.cumulativeMl).toBeCloseTo(700);
});

test.each([
  [[], 700, undefined, /ratio/],
  [[4, 0], 700, undefined, /ratio/],
  [[4, 1], -1, undefined, /batch/],
  [[4, 1], 100, [1], /densities/],
] as const)('mix %j of %d ml is refused', (parts, ml, densities, message) => {
  expect(() => mixByVolume(parts, ml, densities)).toThrow(message);
});

test('a 70/90/120 mm cup holds 606.3 ml; 4:1:2 at 500 ml is marked at 64.0, 77.6 and 102.7 mm', () => {
  const cup = { bottomMm: 70, topMm: 90, heightMm: 120 };
  expect(cupVolumeMl(cup)).toBeCloseTo(606.3, 1);
  const marks = mixByVolume([4, 1, 2], 500).map((line) => cupMarkMm(cup, line.cumulativeMl));
  [64.0, 77.6, 102.7].forEach((mark, i) => expect(marks[i]).toBeCloseTo(mark, 1));
  expect(() => cupMarkMm(cup, 700)).toThrow(/does not fit/);
});

test('4:1:1 with 0.52, 0.45 and 0 sprays at 0.4217; 1.8 m² of 120 µm takes 788 ml', () => {
  const build = GENERIC_SHELF.find((sheet) => sheet.id === 'build-4-1-1')!;
  expect(readyVolumeSolids(build)).toBeCloseTo(0.4217, 4);
  const spray = { areaM2: 1.8, dryUm: 120, volumeSolids: 0.4217, transfer: 0.65, lossMl: 0 };
  expect(sprayVolumeMl(spray)).toBeCloseTo(788, 0);
  expect(wetFilmUm(50, 0.5)).toBe(100);
});

test('a sealer sags above about 108 µm wet, a build above about 250; at the limit the surface travels 3 mm', () => {
  expect(sagLimitWetUm(1.3, 1.5)).toBeCloseTo(108, 0);
  expect(sagLimitWetUm(1.3, 8)).toBeGreaterThan(245);
  expect(sagLimitWetUm(1.3, 8)).toBeLessThan(255);
  expect(sagTravelMm({ wetUm: sagLimitWetUm(1.3, 1.5), gramsPerMl: 1.3, lowShearPaS: 1.5 })).toBeCloseTo(
    3,
    6,
  );
});

test.each([
  ['#ffffff', 100],
  ['#000000', 0],
  ['#777777', 50],
])('%s has L* %d', (hex, lightness) => expect(lightnessOfHex(hex)).toBeCloseTo(lightness, 0));
