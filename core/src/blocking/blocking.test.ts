import fc from 'fast-check';
import { prestonMm3PerNm, BLOCKS, blockOf, type Block } from './block.ts';
import { Contact } from './contact.ts';
import { copyOf, dustGuideCoat, makeField, type Field, type FieldSpec } from './field.ts';
import { feltProfile, lookOver, unlevelUm } from './outcome.ts';
import { seeded } from '../units/random.ts';
import { NEAR_SHARE, STEP_MM, Sander } from './sander.ts';
import { holdFor, xPass } from './strokes.ts';

/** Physics of the block: what must hold whatever the panel. */

const GROUND = { lengthMm: 600, heightMm: 300, cellMm: 5, filmUm: 300 } as const;
const fieldOf = (spec: Partial<FieldSpec> = {}): Field =>
  makeField({ ...GROUND, random: seeded(7), ...spec });
const LONG = blockOf('mid');

/** Blocks a whole panel by the standard X. */
function blockAll(field: Field, block: Block, passes: number): Sander {
  const sander = new Sander(field, block, 'P180');
  const hold = holdFor(block, false);
  for (let pass = 0; pass < passes; pass++)
    for (const { fromX, fromY, toX, toY, turnRad } of xPass(field, block, hold, pass)) {
      sander.putDown(fromX, fromY, turnRad);
      sander.slideTo(toX, toY);
    }
  return sander;
}

const INSET = { alongMm: 180, acrossMm: 100 };
const takenUm = (field: Field, before: Field): Float32Array =>
  field.filmUm.map((um, i) => before.filmUm[i]! - um);

test('removal is tied to the ladder: P320 on primer takes 4 mm³ a newton metre', () => {
  expect(prestonMm3PerNm('P320', 'primer')).toBeCloseTo(4, 6);
  expect(prestonMm3PerNm('P80', 'primer') / prestonMm3PerNm('P320', 'primer')).toBeCloseTo(
    (201 / 46.2) ** 1.05,
    6,
  );
});

describe('a block at rest', () => {
  const rest = (
    field: Field,
    block: Block,
    pose: { xMm: number; yMm: number; turnRad: number },
    forceN: number,
    nearShare = 0,
  ) => {
    const contact = new Contact(field, block);
    contact.putDown(pose);
    contact.settle(pose, forceN, nearShare);
    return { contact, imbalanceN: contact.imbalanceAtRestN(forceN) };
  };

  test.each([
    ['put down', 0, 0.005],
    ['sliding', NEAR_SHARE, NEAR_SHARE],
  ])('balances force and moments on any panel, at any turn, %s', (_, nearShare, within) => {
    fc.assert(
      fc.property(
        fc.record({
          seed: fc.integer({ min: 1, max: 999 }),
          um: fc.integer({ min: 0, max: 200 }),
          waveMm: fc.integer({ min: 60, max: 500 }),
          turnRad: fc.double({ min: -1.6, max: 1.6, noNaN: true }),
          forceN: fc.integer({ min: 5, max: 80 }),
          block: fc.constantFrom(...BLOCKS.filter(({ lengthMm }) => lengthMm <= 200)),
        }),
        ({ seed, um, waveMm, turnRad, forceN, block }) => {
          const field = fieldOf({ waves: [{ um, lengthMm: waveMm }], peelUm: 10, random: seeded(seed) });
          const pose = { xMm: 300, yMm: 150, turnRad };
          const { imbalanceN } = rest(field, block, pose, forceN, nearShare);
          expect(imbalanceN).toBeLessThanOrEqual(within * forceN);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('sinks in by force over stiffness on a flat panel, level in both ways', () => {
    const block = blockOf('soft-pad');
    const { contact } = rest(fieldOf(), block, { xMm: 302.5, yMm: 150, turnRad: 0 }, 20);
    const sunkUm = 300 - contact.heightUm(0.5, 0);
    const wantedUm = (20 / (block.lengthMm * block.widthMm * block.padNPerMm3)) * 1000;
    // One row of cells more or less lies under the block.
    expect(sunkUm / wantedUm).toBeCloseTo(1, 1);
    for (const [along, across] of [
      [0, 0],
      [1, 0],
      [0.5, 1],
    ] as const)
      expect(contact.heightUm(along, across)).toBeCloseTo(300 - sunkUm, -1);
  });

  test('a flexible board bends with the crown, a rigid one stands on its top', () => {
    const field = makeField({ ...GROUND, lengthMm: 800, radiusMm: 3000, random: seeded(1) });
    const pose = { xMm: 400, yMm: 150, turnRad: 0 };
    const touching = (block: Block): number => {
      const sander = new Sander(field, block, 'P320');
      const before = copyOf(field);
      sander.putDown(pose.xMm - 10, pose.yMm, 0);
      sander.slideTo(pose.xMm + 10, pose.yMm);
      return takenUm(field, before).filter((um) => um > 0).length;
    };
    expect(touching(blockOf('flex'))).toBeGreaterThan(2 * touching(blockOf('long')));
  });
});

describe('sanding', () => {
  test('takes off Preston’s integral within 1 %', () => {
    const sander = blockAll(fieldOf({ waves: [{ um: 80, lengthMm: 150 }], peelUm: 12, guideUm: 3 }), LONG, 3);
    expect(sander.takenMm3 / sander.wantedMm3).toBeCloseTo(1, 2);
    expect(sander.wantedMm3).toBeCloseTo(prestonMm3PerNm('P180', 'primer') * 20 * sander.slidM, 3);
  });

  test('takes nothing where nothing touches', () => {
    const field = fieldOf({ bumps: [{ xMm: 300, yMm: 150, um: -400, reachMm: 30 }] });
    const before = copyOf(field);
    blockAll(field, LONG, 3);
    const bottom = 30 * field.nx + 60;
    expect(field.filmUm[bottom]).toBe(before.filmUm[bottom]);
    expect(takenUm(field, before).every((um) => um >= 0)).toBe(true);
  });

  test('symmetric input gives symmetric output', () => {
    const field = fieldOf({ bumps: [{ xMm: 300, yMm: 150, um: 60, reachMm: 50 }] });
    const sander = new Sander(field, LONG, 'P180');
    for (const [from, to] of [
      [200, 400],
      [400, 200],
    ] as const) {
      sander.putDown(from, 150, 0);
      sander.slideTo(to, 150);
    }
    const { nx, ny, filmUm } = field;
    const midRow = (ny / 2) * nx;
    for (let x = 0; x < nx; x++) {
      expect(filmUm[midRow + x]! - filmUm[midRow + nx - 1 - x]!).toBeCloseTo(0, 0);
      expect(filmUm[midRow + x]! - filmUm[midRow - nx + x]!).toBeCloseTo(0, 1);
    }
  });

  test('does not depend on how often it is told: many small moves are one long one', () => {
    const [one, many] = [
      fieldOf({ waves: [{ um: 60, lengthMm: 150 }] }),
      fieldOf({ waves: [{ um: 60, lengthMm: 150 }] }),
    ];
    const stroke = (field: Field, parts: number): void => {
      const sander = new Sander(field, LONG, 'P180');
      sander.putDown(100, 100, 0.3);
      for (let i = 1; i <= parts; i++) sander.slideTo(100 + (400 * i) / parts, 100 + (100 * i) / parts);
    };
    stroke(one, 1);
    stroke(many, 137);
    const most = Math.max(...one.filmUm.map((um, i) => Math.abs(um - many.filmUm[i]!)));
    expect(most).toBeLessThan(0.05);
  });

  test('a rigid block takes short waves off, and rides over waves much longer than itself', () => {
    const left = (waveMm: number, block: Block): number => {
      const field = fieldOf({
        lengthMm: 900,
        heightMm: 700,
        cellMm: 10,
        waves: [{ um: 60, lengthMm: waveMm }],
      });
      const inset = { alongMm: 250, acrossMm: 200 };
      const before = unlevelUm(field, inset);
      blockAll(field, block, 9);
      return unlevelUm(field, inset) / before;
    };
    expect(left(120, LONG)).toBeLessThan(0.35);
    expect(left(800, LONG)).toBeGreaterThan(0.8);
    expect(left(120, blockOf('soft-pad'))).toBeGreaterThan(0.9);
  });

  test('converges as cells get smaller', () => {
    const takenAt = (cellMm: number): number => {
      const field = fieldOf({ cellMm, waves: [{ um: 60, lengthMm: 150 }] });
      const before = unlevelUm(field, INSET);
      blockAll(field, LONG, 6);
      return before - unlevelUm(field, INSET);
    };
    const [coarse, mid, fine] = [takenAt(10), takenAt(5), takenAt(2.5)];
    expect(Math.abs(mid - fine)).toBeLessThan(Math.abs(coarse - fine) + 0.5);
    expect(Math.abs(mid - fine) / fine).toBeLessThan(0.1);
  });

  test('goes through guide coat, film and what lies under, each at its own rate', () => {
    const field = fieldOf({ filmUm: 6, guideUm: 3, under: 'metal' });
    const sander = new Sander(field, LONG, 'P80');
    sander.putDown(300, 150, 0);
    for (let i = 0; i < 30; i++) sander.slideTo(i % 2 ? 250 : 350, 150);
    const middle = 30 * field.nx + 60;
    expect(field.guideUm[middle]).toBe(0);
    expect(field.filmUm[middle]).toBe(0);
    expect(field.topUm[middle]).toBeLessThan(0);
    // Metal goes at 0.08 of the rate of primer: the whole falls short of what primer would have lost.
    expect(sander.takenMm3).toBeLessThan(sander.wantedMm3);
    expect(lookOver(field).throughShare).toBeGreaterThan(0);
  });

  test('a finer grade takes the scratch of the coarser one away only as fast as it takes film', () => {
    const field = fieldOf();
    const sander = new Sander(field, LONG, 'P180');
    const middle = 30 * field.nx + 60;
    const rub = (times: number): void => {
      sander.putDown(300, 150, 0);
      for (let i = 0; i < times; i++) sander.slideTo(i % 2 ? 250 : 350, 150);
    };
    rub(4);
    const coarse = field.scratchUm[middle]!;
    expect(coarse).toBeCloseTo(16.4, 1);
    const film = field.filmUm[middle]!;
    sander.take(LONG, 'P400');
    rub(2);
    expect(field.scratchUm[middle]).toBeCloseTo(coarse - (film - field.filmUm[middle]!), 3);
    rub(200);
    expect(field.scratchUm[middle]).toBeCloseTo(7, 1);
  });

  test('stays on the panel, does nothing while lifted, and steps are short against any block', () => {
    const field = fieldOf();
    const sander = new Sander(field, LONG, 'P320');
    sander.slideTo(10, 10);
    expect(sander.slidM).toBe(0);
    sander.putDown(-1e6, 1e6, 0);
    sander.slideTo(1e6, -1e6);
    expect(Number.isFinite(sander.takenMm3)).toBe(true);
    expect(Math.max(...field.topUm)).toBeLessThanOrEqual(300);
    expect(Math.min(...BLOCKS.map(({ widthMm }) => widthMm))).toBeGreaterThan(5 * STEP_MM);
  });
});

test('nobody goes across a body line', () => {
  const field = fieldOf({ bodyLine: { yMm: 150, um: 800, widthMm: 20 } });
  const half = LONG.lengthMm / 2;
  for (const { fromY, toY } of xPass(field, LONG, 'across', 0)) {
    expect(Math.sign(fromY - 150)).toBe(Math.sign(toY - 150));
    expect(Math.min(Math.abs(fromY - 150), Math.abs(toY - 150))).toBeGreaterThanOrEqual(half - 1e-6);
  }
});

test('guide coat is dusted again to its full thickness, and the height says so', () => {
  const field = fieldOf({ guideUm: 3 });
  blockAll(field, LONG, 1);
  const height = field.topUm[6000]! - field.guideUm[6000]!;
  dustGuideCoat(field, 3);
  expect(field.guideUm.every((um) => um === 3)).toBe(true);
  expect(field.topUm[6000]).toBeCloseTo(height + 3, 3);
});

test('a palm feels a bump and not the texture', () => {
  const smooth = fieldOf({ peelUm: 20 });
  const bumpy = fieldOf({ bumps: [{ xMm: 300, yMm: 150, um: 60, reachMm: 60 }], peelUm: 20 });
  const rangeOf = (felt: Float32Array) => Math.max(...felt) - Math.min(...felt);
  expect(rangeOf(feltProfile(smooth, 150))).toBeLessThan(12);
  expect(rangeOf(feltProfile(bumpy, 150))).toBeGreaterThan(35);
});

test('a panel of no size, or of more cells than there is room for, is refused', () => {
  expect(() => fieldOf({ lengthMm: 0 })).toThrow(/length and a height above 0/);
  expect(() => fieldOf({ lengthMm: 1e6, heightMm: 1e6 })).toThrow(/too many/);
});
