import fc from 'fast-check';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import type { ProductSheet } from '../materials/sheet.ts';
import { decideAct } from '../rules/check-act.ts';
import { benchOf, clean, coat, coated, plain, put, saidBy } from '../testing/bench.ts';
import { perform } from './perform.ts';
import { topOf, zoneOf } from './state.ts';
import {
  bodyWindows,
  coatWindows,
  earliestIn,
  exposureLimit,
  exposureWindow,
  flashMin,
  mixWindows,
  recoatWindow,
  windowsOf,
} from './windows.ts';

const inShop = (shop: object) => benchOf([{ stack: 'steel' }], { shop }).context;
const sheetOf = (id: string, more: Partial<ProductSheet> = {}): ProductSheet => ({
  ...GENERIC_SHELF.find((sheet) => sheet.id === id)!,
  ...more,
});
const epoxy = sheetOf('epoxy-1-1');

describe('flash', () => {
  test('solvent takes twice as long for each 15 °C colder, half as long again in still air', () => {
    expect(flashMin(10, epoxy, inShop({ celsius: 5 }))).toBeCloseTo(20);
    expect(flashMin(10, epoxy, inShop({ celsius: 20, profile: 'garage' }))).toBeCloseTo(15);
    expect(flashMin(10, epoxy, inShop({ relativeHumidity: 90 }))).toBeCloseTo(10);
  });
  test('water goes by how dry the air is: 15 °C at 80 % is 3.43 times 20 °C at 50 %', () => {
    const water = sheetOf('epoxy-1-1', { carrier: 'water' });
    expect(flashMin(10, water, inShop({ celsius: 15, relativeHumidity: 80 }))).toBeCloseTo(34.3, 0);
    expect(flashMin(10, water, inShop({ celsius: 20, relativeHumidity: 50 }))).toBeCloseTo(10);
  });
  test('a table of the sheet wins over the model, between its points as well', () => {
    const at = [
      { celsius: 10, minutes: 30 },
      { celsius: 30, minutes: 6 },
    ];
    const tabled = sheetOf('epoxy-1-1', {
      refCelsius: 20,
      flash: { betweenCoatsMin: 15, beforeNextMin: 30, at },
    });
    expect(flashMin(15, tabled, inShop({ celsius: 10 }))).toBeCloseTo(30);
    expect(flashMin(30, tabled, inShop({ celsius: 30 }))).toBeCloseTo(12);
    const between = flashMin(15, tabled, inShop({ celsius: 25 }));
    expect(between).toBeGreaterThan(6);
    expect(between).toBeLessThan(15);
  });
  test('its constants are the shop’s', () => {
    const own = inShop({
      celsius: 5,
      profile: 'garage',
      rules: { flashDoublesKelvin: 30, stillAirFactor: 2 },
    });
    expect(flashMin(10, epoxy, own)).toBeCloseTo(10 * Math.SQRT2 * 2);
  });
});

describe('recoat', () => {
  const context = inShop({ celsius: 20 });
  test('opens when its sheet says, also where that is after the flash', () => {
    const late = sheetOf('epoxy-1-1', { recoat: { opensMin: 90, closesMin: 600, past: 'scuff' } });
    expect(recoatWindow(late, 100, context)).toMatchObject({ opensAtMin: 190, closesAtMin: 700, rule: 'S3' });
    expect(coatWindows(late, 100, context).flash.opensAtMin).toBeCloseTo(130);
  });
  test('a promoter has a window of its own rule, and is laid again once that has closed', () => {
    expect(recoatWindow(sheetOf('promoter-1k'), 0, context)).toMatchObject({
      kind: 'promoter',
      rule: 'P4',
      closesAtMin: 30,
      whenMissed: 'repeat',
    });
  });
  test('its forbidden part is waited through', () => {
    const lifting = recoatWindow(
      sheetOf('epoxy-1-1', {
        recoat: { opensMin: 30, closesMin: 2000, past: 'scuff', forbidden: { fromMin: 120, toMin: 960 } },
      }),
      0,
      context,
    );
    expect([10, 60, 120, 121, 959, 960, 1500].map((nowMin) => earliestIn(lifting, nowMin))).toEqual([
      30, 60, 120, 960, 960, 960, 1500,
    ]);
  });
  test('for every coat of the shelf, in any air: flash before it opens, opens before it closes', () => {
    const coats = GENERIC_SHELF.filter(({ kind }) => kind !== 'cleaner' && kind !== 'guide-coat');
    fc.assert(
      fc.property(
        fc.constantFrom(...coats),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 5, max: 99, noNaN: true }),
        fc.constantFrom('booth', 'garage'),
        (sheet, celsius, relativeHumidity, profile) => {
          const { flash, recoat, cure } = coatWindows(
            sheet,
            50,
            inShop({ celsius, relativeHumidity, profile }),
          );
          expect(flash.opensAtMin).toBeGreaterThanOrEqual(50);
          expect(recoat.opensAtMin).toBeGreaterThanOrEqual(flash.opensAtMin);
          expect(recoat.closesAtMin).toBeGreaterThanOrEqual(recoat.opensAtMin);
          expect(cure === null).toBe(sheet.sandAfterMin === null);
        },
      ),
    );
  });
});

describe('what rules say of it', () => {
  const forbidden = { fromAtMin: 60, toAtMin: 900 };
  const at = (clockMin: number) => {
    const lying = put(
      benchOf([{ stack: 'steel' }]),
      'A',
      coated('epoxy', 50, { flashedAtMin: 30, closesAtMin: 4000, forbidden }),
      clean,
    );
    return { ...lying, state: { ...lying.state, clockMin } };
  };
  test('a coat that would lift the one under it waits until that is through', () => {
    expect(saidBy('B2', coat('prime-build', 'A'), at(59))).toEqual([]);
    expect(saidBy('B2', coat('prime-build', 'A'), at(100))[0]).toMatch(/lifts it. Wait 13 h 20 more/);
    expect(saidBy('B2', coat('prime-build', 'A'), at(900))).toEqual([]);
    const waited = perform(at(100).state, plain('flash', 'A'), at(100).context);
    expect(waited.clockMin).toBe(900);
  });
  test('a coat whose sheet says so is coated again once its window has closed', () => {
    const etched = put(benchOf([{ stack: 'steel' }]), 'A', coated('etch', 10, { closesAtMin: 60 }), clean);
    const late = { ...etched, state: { ...etched.state, clockMin: 100 } };
    const [verdict] = decideAct(coat('prime-build', 'A'), late.state, late.context).filter(
      ({ reason }) => reason.code === 'S3.again',
    );
    expect(verdict!.remedy).toMatchObject({ op: 'prime-etch', zones: ['A'], coats: { A: 1 } });
  });
});

describe('bare metal', () => {
  test.each([
    ['the default holds in any air', {}, 60],
    ['a longer one in dry air', { relativeHumidity: 40, rules: { bareMetalLimitMin: 200 } }, 200],
    ['not in humid air', { relativeHumidity: 60, rules: { bareMetalLimitMin: 200 } }, 60],
    ['a shorter one always', { relativeHumidity: 60, rules: { bareMetalLimitMin: 30 } }, 30],
  ])('exposure: %s', (_, shop, limitMin) => {
    expect(exposureLimit(inShop(shop)).value).toBe(limitMin);
    expect(exposureWindow(100, inShop(shop)).closesAtMin).toBe(100 + limitMin);
  });
});

describe('a mix', () => {
  test('lasts half as long for each 10 °C warmer, and stands its induction first', () => {
    const clocks = mixWindows(epoxy, 10, inShop({ celsius: 30 }));
    expect(clocks.map(({ kind, opensAtMin, closesAtMin }) => [kind, opensAtMin, closesAtMin])).toEqual([
      ['induction', 25, Infinity],
      ['pot-life', 25, 10 + 120],
    ]);
  });
  test('of one component has no clock', () =>
    expect(mixWindows(sheetOf('etch-1k'), 0, inShop({}))).toEqual([]));
});

describe('cure', () => {
  test('the hour counts: what is left of the day first, then the night', () => {
    const night = inShop({ celsius: 20, nightCelsius: 14, relativeHumidity: 40 });
    const curesIn = (fromMin: number) => coatWindows(epoxy, fromMin, night).cure!.opensAtMin - fromMin;
    const morning = curesIn(0);
    expect(morning).toBeGreaterThan(648);
    expect(curesIn(8 * 60)).toBeGreaterThan(morning);
    expect(curesIn(24 * 60)).toBeCloseTo(morning);
    for (let fromMin = 0; fromMin < 24 * 60; fromMin += 5)
      expect(Math.abs(curesIn(fromMin + 5) - curesIn(fromMin))).toBeLessThan(5);
  });
  test('a day that begins later leaves more of it', () => {
    const shop = { celsius: 20, nightCelsius: 14, relativeHumidity: 40 };
    const { context } = benchOf([{ stack: 'steel' }], { shop });
    const early = coatWindows(epoxy, 60, { ...context, startMin: 7 * 60 }).cure!.opensAtMin;
    const late = coatWindows(epoxy, 60, { ...context, startMin: 15 * 60 }).cure!.opensAtMin;
    expect(late).toBeGreaterThan(early);
  });
  test('a coat that a day is enough for waits for the morning where the night is unfit, and for nothing else', () => {
    const damp = inShop({ profile: 'garage', celsius: 20, nightCelsius: 11 });
    const build = sheetOf('build-4-1-1');
    expect(coatWindows(build, 0, damp).cure!.opensAtMin).toBeCloseTo(216);
    // Sprayed at four in the afternoon it would lie through the night: it is sprayed at eight instead.
    expect(coatWindows(build, 8 * 60, damp).cure!.opensAtMin).toBeCloseTo(24 * 60 + 216);
  });
});

test('an area names every clock that runs on it', () => {
  const { state, context } = benchOf([{ stack: 'steel' }]);
  const sprayed = perform(state, coat('prime-epoxy', 'A', 2), context);
  const zone = zoneOf(sprayed, 'A');
  expect(windowsOf(zone, context).map(({ kind }) => kind)).toEqual(['flash', 'recoat', 'cure']);
  expect(topOf(zone).laid!.flash.opensAtMin).toBeCloseTo(sprayed.clockMin + 30);
  expect(windowsOf({ ...zone, stack: zone.stack.slice(0, 1), bareSinceMin: 5 }, context)).toEqual([
    exposureWindow(5, context),
  ]);
  expect(bodyWindows(sheetOf('seam-1k'), 7)).toMatchObject({ cure: null, flash: { opensAtMin: 7 } });
});
