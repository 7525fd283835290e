import type { Gun } from '../materials/equipment.ts';
import { airVerdict, coatOfGun, gunSetup, tipVerdict, type SprayCoat } from './gun-setup.ts';
import { passMetres, passesOver, rectangleMm } from './passes.ts';

const build: SprayCoat = {
  perCoatUm: 50,
  totalUm: 150,
  volumeSolids: 0.4217,
  gramsPerMl: 1.35,
  lowShearPaS: 8,
  tipMm: { from: 1.7, to: 2 },
  isUpright: true,
  isSharp: false,
};
const gun: Gun = {
  id: 'g',
  name: 'gun',
  kind: 'hvlp',
  tipsMm: [1.8, 1.4],
  flowMlPerMin: 250,
  fanMm: 250,
  overlapPercent: 50,
  airLPerMin: 350,
  cupMl: 600,
};

test('a tip outside the sheet’s range passes reduced, or not at all', () => {
  expect(tipVerdict(1.8, build.tipMm)).toEqual({ kind: 'inside' });
  expect(tipVerdict(2.2, build.tipMm)).toEqual({ kind: 'too-large' });
  expect(tipVerdict(1.5, build.tipMm)).toEqual({ kind: 'reduce', percent: 10 });
  expect(tipVerdict(1.4, build.tipMm)).toEqual({ kind: 'reduce', percent: 15 });
  expect(tipVerdict(1.2, build.tipMm)).toEqual({ kind: 'too-small' });
  expect(tipVerdict(1.2, undefined)).toEqual({ kind: 'not-said' });
});

test('as the sheet has it: film, coats and pace are those of the model', () => {
  const setup = gunSetup({ ...build, perCoatUm: 40, totalUm: 120 }, { gun, tipMm: 1.8, reductionPercent: 0 });
  expect(setup).toMatchObject({ coats: 3, isSplit: false, stepMm: 125 });
  expect(setup.metresPerSecond).toBeCloseTo(0.228, 3);
});

test('a gun that lays more than it is led for is led as before: the comb reads more, the pace stays', () => {
  const at = (coat: SprayCoat, filmPercent?: number) =>
    gunSetup(coat, {
      gun: { ...gun, ...(filmPercent ? { filmPercent } : {}) },
      tipMm: 1.8,
      reductionPercent: 0,
    });
  const sheet = at({ ...build, perCoatUm: 40, totalUm: 120 });
  const thicker = { ...build, perCoatUm: 48, totalUm: 144 };
  const own = at(thicker, 120);
  expect(own.metresPerSecond).toBeCloseTo(sheet.metresPerSecond, 9);
  expect(own.wetUm).toBeCloseTo(1.2 * sheet.wetUm, 9);
  // The shop's figure counts where the gun has none of its own.
  expect(at({ ...thicker, filmPercent: 120 }).metresPerSecond).toBeCloseTo(sheet.metresPerSecond, 9);
  expect(at({ ...thicker, filmPercent: 60 }, 120).metresPerSecond).toBeCloseTo(sheet.metresPerSecond, 9);
});

test('a thinner mix takes more coats for the same film, and the flow goes with the tip', () => {
  const setup = gunSetup(build, { gun, tipMm: 1.4, reductionPercent: 15 });
  expect(setup.volumeSolids).toBeCloseTo(0.4217 / 1.15, 6);
  expect(setup.coats).toBe(4);
  expect(setup.coats * setup.perCoatUm).toBeCloseTo(150, 6);
  expect(setup.flowMlPerMin).toBeCloseTo(250 * (1.4 / 1.8) ** 2, 6);
  expect(() => gunSetup(build, { gun, tipMm: 1.4, reductionPercent: 60 })).toThrow(RangeError);
});

test('what would sag is laid in more coats; laid flat it is not', () => {
  const sealer = { ...build, perCoatUm: 60, totalUm: 60, lowShearPaS: 1.5, gramsPerMl: 1.3 };
  const upright = gunSetup(sealer, { gun, tipMm: 1.8, reductionPercent: 0 });
  expect(upright).toMatchObject({ isSplit: true, coats: 2 });
  expect(upright.wetUm).toBeLessThanOrEqual(upright.limitWetUm);
  const flat = gunSetup({ ...sealer, isUpright: false }, { gun, tipMm: 1.8, reductionPercent: 0 });
  expect(flat).toMatchObject({ isSplit: false, coats: 1, limitWetUm: Infinity });
});

describe('the way of the gun', () => {
  const panel = rectangleMm(2);

  test('covers a panel from edge to edge and past them', () => {
    const passes = passesOver([panel], 125);
    const [width, height] = panel[2]!;
    expect(passes).toHaveLength(Math.ceil(height / 125));
    for (const pass of passes) expect(passMetres(pass)).toBeCloseTo((width + 100) / 1000, 6);
    expect(passes[0]!.from[0]).toBeLessThan(passes[0]!.to[0]);
    expect(passes[1]!.from[0]).toBeGreaterThan(passes[1]!.to[0]);
  });

  test('fades out inside the panel, and leaves a hole out', () => {
    const inner = panel.map(([x, y]) => [x / 2 + 300, y / 2 + 200] as const);
    for (const { from, to } of passesOver([inner], 125, panel))
      for (const [x] of [from, to]) expect([300, inner[1]![0]]).toContain(x);
    const holed = passesOver([panel, inner], 125, panel);
    expect(holed.length).toBeGreaterThan(passesOver([panel], 125, panel).length);
    expect(() => passesOver([panel], 0)).toThrow(RangeError);
    expect(() => passesOver([], 100)).toThrow(RangeError);
  });

  test('is sprayed in coats of the plan’s volume, with the cup filled before a pass that it would not last for', () => {
    const setup = gunSetup(build, { gun, tipMm: 1.8, reductionPercent: 0 });
    const lengths = passesOver([rectangleMm(8)], setup.stepMm).map(passMetres);
    const coat = coatOfGun(setup, 8, lengths, 600);
    expect(coat.ml).toBeCloseTo((8 * 50) / (0.4217 * 0.65), 3);
    expect(coat.triggerMin).toBeCloseTo(coat.ml / 250, 6);
    expect(coat.refillAfter.length).toBe(Math.ceil(coat.ml / 600) - 1);
    expect(coatOfGun(setup, 0.3, [1, 1, 1], 600).refillAfter).toEqual([]);
  });
});

test('a small compressor lasts for a small coat, and says what it bears', () => {
  const compressor = { id: 'c', name: 'c', deliveryLPerMin: 220, tankLitres: 50, fromBar: 8, toBar: 5 };
  const short = airVerdict(gun, compressor, 3);
  expect(short.keeping).toEqual({ keepsUp: false, minutes: expect.closeTo(1.139, 3) });
  expect(short.lasts).toBe(false);
  expect(short.mostDemand).toBeCloseTo(220 + (50 * 3) / 1.013 / 3, 3);
  expect(airVerdict(gun, compressor, 1).lasts).toBe(true);
  expect(airVerdict(gun, { ...compressor, deliveryLPerMin: 400 }, 30).keeping.keepsUp).toBe(true);
  expect(airVerdict({ airLPerMin: 0 }, compressor, 3).lasts).toBe(true);
});
