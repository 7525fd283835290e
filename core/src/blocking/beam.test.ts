import { blockOf, type Block } from './block.ts';
import { Contact } from './contact.ts';
import { makeField } from './field.ts';
import { blockPanel, type ForecastTask } from './forecast.ts';
import { forecastField } from './forecast-field.ts';
import { seeded } from '../units/random.ts';

/**
 * The board as a beam against a dense solution of its own: free beam by finite differences on a foundation that only
 * pushes, the load spread over its length, solved by Gaussian elimination over the nodes that touch.
 */

type Profile = (mm: number) => number;
const NODE_MM = 2;
/** How near the beam comes to the dense one, by its spans: the usual ones, and many. */
const NEAR_UM = [
  [8, 10],
  [64, 0.4],
] as const;
/** Where it bends by more than a mm, this share of that besides. */
const NEAR_SHARE = 0.02;
/** Rows of cells under a block of 70 mm at 4 mm a cell. */
const WIDTH_MM = 68;

function solveDense(matrix: number[][], right: number[]): number[] {
  const n = right.length;
  for (let i = 0; i < n; i++)
    for (let row = i + 1; row < n; row++) {
      const share = matrix[row]![i]! / matrix[i]![i]!;
      if (share === 0) continue;
      for (let col = i; col < n; col++) matrix[row]![col]! -= share * matrix[i]![col]!;
      right[row]! -= share * right[i]!;
    }
  for (let i = n - 1; i >= 0; i--) {
    for (let col = i + 1; col < n; col++) right[i]! -= matrix[i]![col]! * right[col]!;
    right[i]! /= matrix[i]![i]!;
  }
  return right;
}

/** Heights of the nodes of a beam at rest, µm. */
function denseBeam({ lengthMm, padNPerMm3, bendingNMm2 }: Block, ground: Profile, forceN: number): number[] {
  const n = Math.round(lengthMm / NODE_MM);
  const groundUm = Array.from({ length: n }, (_, i) => ground((i + 0.5) * NODE_MM));
  const springNPerUm = padNPerMm3 * WIDTH_MM * NODE_MM * 1e-3;
  const bendNPerUm = (1e-3 * bendingNMm2) / NODE_MM ** 3;
  let touches = groundUm.map(() => true);
  for (;;) {
    const matrix = groundUm.map(() => groundUm.map(() => 0));
    const right = groundUm.map((um, i) => (touches[i] ? springNPerUm * um : 0) - forceN / n);
    groundUm.forEach((_, i) => (matrix[i]![i]! += touches[i] ? springNPerUm : 0));
    for (let i = 1; i + 1 < n; i++)
      [1, -2, 1].forEach((a, p) =>
        [1, -2, 1].forEach((b, q) => (matrix[i - 1 + p]![i - 1 + q]! += a * b * bendNPerUm)),
      );
    const heightUm = solveDense(matrix, right);
    const next = groundUm.map((um, i) => um > heightUm[i]!);
    if (next.every((is, i) => is === touches[i])) return heightUm;
    touches = next;
  }
}

const wave =
  (um: number, lengthMm: number): Profile =>
  (mm) =>
    (um / 2) * Math.sin((2 * Math.PI * mm) / lengthMm + 0.4);
const crown =
  (radiusMm: number): Profile =>
  (mm) =>
    (-((mm - 200) ** 2) / (2 * radiusMm)) * 1000;
const both =
  (a: Profile, b: Profile): Profile =>
  (mm) =>
    a(mm) + b(mm);

test.each([
  ['waves that it bridges', wave(60, 150)],
  ['short waves', wave(40, 80)],
  ['the crown of a hood', crown(20_000)],
  ['waves on the crown of a door', both(wave(60, 200), crown(8000))],
  ['a sharp crown that it rides', crown(1500)],
])('a flexible board lies on %s as the dense beam does', (_, ground) => {
  const field = makeField({ lengthMm: 800, heightMm: 300, cellMm: 4, filmUm: 0, random: seeded(1) });
  for (let i = 0; i < field.topUm.length; i++)
    field.topUm[i] = ground(((i % field.nx) + 0.5) * field.cellMm - 200);
  const dense = denseBeam(blockOf('flex'), ground, 20);
  const bentUm = Math.max(...dense) - Math.min(...dense);
  const pose = { xMm: 400, yMm: 150, turnRad: 0 };
  for (const [nSpans, nearUm] of NEAR_UM) {
    const contact = new Contact(field, { ...blockOf('flex'), nSpans });
    contact.putDown(pose);
    contact.settle(pose, 20);
    dense.forEach((um, i) => {
      const along = (i + 0.5) / dense.length;
      const errorUm = Math.abs(contact.heightUm(along, 0) - um);
      expect(errorUm).toBeLessThan(nearUm + NEAR_SHARE * Math.max(0, bentUm - 1000));
    });
  }
});

test('twice as many spans leave the same unlevelness within 5 %', () => {
  const task: ForecastTask = {
    waves: { um: 60, lengthMm: 150 },
    peelUm: 12,
    isCrowned: true,
    crownRadiusMm: 8000,
    areaM2: 0.35,
    grade: 'P240',
    film: 'primer',
    under: 'filler',
    filmUm: 300,
    mustStayUm: 40,
    limitUm: 20,
    seed: 1,
    size: { lengthMm: 1100, heightMm: 600 },
  };
  const leftUm = (nSpans: number): number => {
    const block = { ...blockOf('flex'), nSpans };
    const looks = blockPanel(task, block, forecastField(task, 300));
    return Array.from({ length: 4 }, () => looks.next().value!.unlevelUm).at(-1)!;
  };
  const [usual, twice] = [leftUm(8), leftUm(16)];
  expect(Math.abs(usual - twice) / twice).toBeLessThan(0.05);
});
