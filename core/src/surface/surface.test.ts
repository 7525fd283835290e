import fc from 'fast-check';
import { GRADES, explainGrade, isCoarser, readGrade, type Grade } from '../materials/grades.ts';
import { targetSchema } from '../survey/shop.ts';
import { buildCycles, coatsFor, filmBudget } from './budget.ts';
import { sandingFiguresOf } from './figures.ts';
import { bestLadder, ladderOf, scratchOf, type LadderTask } from './ladder.ts';
import { readingFigures } from './readings.ts';
import { scratchDepthUm } from './scratch.ts';
import { sinkBackUm } from './sink-back.ts';
import { coarsestThatHides, grooveByCoat, telegraph, worstPlane } from './telegraph.ts';

const solid = targetSchema.parse({ base: { carrier: 'solvent' } });
const metallic = targetSchema.parse({ base: { carrier: 'solvent', effect: 'metallic' } });

test.each([
  ['P400', 'machine', 'primer', 5.25],
  ['P320', 'machine-soft', 'primer', 5.08],
  ['P180', 'block', 'filler', 21.3],
  ['P80', 'block', 'filler', 52.3],
] as const)('scratch of %s by %s on %s is %d µm', (grade, tool, material, depth) => {
  expect(scratchDepthUm(grade, tool, material)).toBeCloseTo(depth, 1);
});

describe('telegraph, against shop practice', () => {
  test.each([
    ['P400', 'machine', 1, 0.64, true],
    ['P320', 'machine', 1, 0.84, false],
    ['P400', 'machine', 0, 1.07, false],
    ['P600', 'machine-soft', 0, 0.58, true],
  ] as const)(
    '%s by %s under %d sealer leaves %d µm of gloss',
    (grade, tool, sealerCoats, groove, passes) => {
      const [gloss] = telegraph(scratchDepthUm(grade, tool, 'primer'), { sealerCoats, target: solid });
      expect(gloss!.grooveUm).toBeCloseTo(groove, 2);
      expect(gloss!.passes).toBe(passes);
    },
  );

  test.each([
    ['P600', 2.05, true],
    ['P400', 2.78, false],
  ] as const)('flake over %s with a soft interface: %d µm', (grade, groove, passes) => {
    const planes = telegraph(scratchDepthUm(grade, 'machine-soft', 'primer'), {
      sealerCoats: 0,
      target: metallic,
    });
    const flake = planes.find((plane) => plane.plane === 'flake')!;
    expect(flake.grooveUm).toBeCloseTo(groove, 2);
    expect(flake.passes).toBe(passes);
    expect(worstPlane(planes).grooveUm / worstPlane(planes).limitUm).toBeGreaterThanOrEqual(
      groove / flake.limitUm,
    );
  });

  test('the coarsest grade that hides is P400 under sealer at standard, and none is found in too coarse a range', () => {
    const finish = { tool: 'machine', material: 'primer', coats: { sealerCoats: 1, target: solid } } as const;
    expect(coarsestThatHides({ ...finish, coarsest: 'P240', finest: 'P600' })).toBe('P400');
    expect(coarsestThatHides({ ...finish, coarsest: 'P80', finest: 'P180' })).toBeNull();
  });
});

test.each([
  ['P180', 1, 0.32],
  ['P180', 0, 1.71],
  ['P320', 1, 0.18],
  ['P320', 0, 0.96],
] as const)('%s under filler-to-build at conversion %d sinks back %d µm', (grade, conversion, groove) => {
  expect(sinkBackUm(scratchDepthUm(grade, 'block', 'filler'), conversion)).toBeCloseTo(groove, 2);
});

describe('ladder', () => {
  const byBlock = (grade: Grade) => ({ grade, tool: 'block' }) as const;
  const surface = { areaM2: 6, material: 'filler' } as const;
  const from = (grade: Grade) => scratchOf(byBlock(grade), 'filler');
  const task: LadderTask = { ...surface, start: from('P36'), to: 'P400', tools: ['block'] };
  const own = (first: Grade, ...rest: Grade[]) => ladderOf(from(first), rest.map(byBlock), surface);

  test('6 m² of filler from P36 to P400 goes by P80 and P180 in 191.3 min', () => {
    const best = bestLadder(task)!;
    expect(best.steps.map((step) => step.grade)).toEqual(['P80', 'P180', 'P400']);
    expect(best.minutes).toBeCloseTo(191.3, 1);
    expect(own('P36', 'P180', 'P220', 'P400').minutes).toBeCloseTo(244.1, 1);
  });

  test('counts discs by their life, jumps by the grain and film by the scratch before', () => {
    const ladder = own('P80', 'P180', 'P320');
    const cuttingMin = ladder.minutes - 2 * (2 + 6);
    expect(ladder.discs).toBeCloseTo(cuttingMin / 10, 6);
    expect(ladder.takenUm).toBeCloseTo(52.26 + 21.32, 1);
    expect(ladder.largestJump).toBeCloseTo(201 / 82, 3);
    expect(ladder.steps.at(-1)!.leavesUm).toBeCloseTo(12.0, 1);
  });

  test('a surface without a scratch is levelled by a block before a soft interface finishes it', () => {
    const best = bestLadder({
      areaM2: 0.6,
      material: 'primer',
      start: { grade: null, depthUm: 60 },
      to: 'P400',
      tools: ['block', 'machine-soft'],
      levelsFirst: true,
      coarsest: 'P180',
      lastTool: 'machine-soft',
      largestJump: 2.7,
    })!;
    expect(best.steps[0]).toMatchObject({ tool: 'block', takenUm: 60, jump: null });
    expect(best.steps.at(-1)).toMatchObject({ grade: 'P400', tool: 'machine-soft' });
  });

  test('no ladder where the stock leaves too large a jump, or nothing is finer', () => {
    expect(bestLadder({ ...task, stock: ['P36', 'P400'], largestJump: 2.7 })).toBeNull();
    expect(bestLadder({ ...task, start: from('P600') })).toBeNull();
  });

  test('dear discs make a ladder of more, gentler rungs no dearer than the quickest one', () => {
    const costOf = (ladder: { minutes: number; discs: number }) =>
      ladder.minutes + (ladder.discs * 40 * 60) / 55;
    const dear = sandingFiguresOf({ discPrice: 40 });
    expect(costOf(bestLadder(task, dear)!)).toBeLessThanOrEqual(costOf(bestLadder(task)!) + 1e-9);
  });

  test('is never slower than any sequence of the same grades, and keeps the jump', () => {
    const grade = fc.integer({ min: 0, max: GRADES.length - 1 });
    fc.assert(
      fc.property(
        fc.uniqueArray(grade, { minLength: 2, maxLength: 6 }),
        fc.double({ min: 0.05, max: 9, noNaN: true }),
        (picks, areaM2) => {
          const [first, ...rest] = picks.sort((a, b) => a - b).map((i) => GRADES[i]!);
          const start = from(first!);
          const best = bestLadder({ ...task, areaM2, start, to: rest.at(-1)! })!;
          const mine = ladderOf(start, rest.map(byBlock), { ...surface, areaM2 });
          expect(best.minutes).toBeLessThanOrEqual(mine.minutes + 1e-9);
          const steps = [first!, ...best.steps.map((step) => step.grade)];
          steps.slice(1).forEach((finer, i) => expect(isCoarser(steps[i]!, finer)).toBe(true));
        },
      ),
    );
  });

  test('the shop’s own constants take the place of the defaults', () => {
    const slow = sandingFiguresOf({ removalCm3PerMin: 1.5, gradeChangeMin: 0, gradeChangeMinPerM2: 0 });
    const cutting = own('P36', 'P80').minutes - (2 + 6);
    expect(ladderOf(from('P36'), [byBlock('P80')], surface, slow).minutes).toBeCloseTo(2 * cutting, 6);
    expect(
      scratchDepthUm('P400', 'machine', 'primer', sandingFiguresOf({ scratchMachineShare: 0.3 })),
    ).toBeCloseTo(10.5);
  });
});

test('what is left of P400 by machine after each coat ends where the gloss plane ends', () => {
  const depthUm = scratchDepthUm('P400', 'machine', 'primer');
  const grooves = grooveByCoat(depthUm, { sealerCoats: 1, target: solid });
  expect(grooves.map(({ after }) => after)).toEqual([
    'sanded',
    'sealer 1',
    'base 1',
    'base 2',
    'clear 1',
    'clear 2',
  ]);
  expect(grooves[0]!.grooveUm).toBe(depthUm);
  expect(grooves.at(-1)!.grooveUm).toBeCloseTo(0.64, 2);
});

describe('film budget', () => {
  test('stays at least what fills the gap, and adds what is sanded off', () => {
    const budget = filmBudget({ mustStayUm: 40, gapUm: 65, wavesUm: 60, peelUm: 12, ladderUm: 12 });
    expect(budget.staysUm).toBe(65);
    expect(budget.neededUm).toBe(149);
    expect(coatsFor(budget.neededUm, { perCoatUm: 50, maxUm: 200 })).toEqual({
      coats: 3,
      filmUm: 150,
      suffices: true,
    });
  });

  test('says so when one build cannot do it', () => {
    expect(coatsFor(260, { perCoatUm: 50, maxUm: 200 })).toEqual({ coats: 4, filmUm: 200, suffices: false });
  });
});

describe('cycles of build', () => {
  const film = { perCoatUm: 50, maxUm: 200 };
  const waves = (wavesUm: number) =>
    buildCycles(filmBudget({ mustStayUm: 40, gapUm: 0, wavesUm, peelUm: 12, ladderUm: 16 }), film);
  test.each([
    [60, 'one', [150]],
    [180, 'two', [200, 100]],
    [250, 'two', [200, 150]],
    [420, 'glaze-first', [200, 150]],
  ] as const)('waves of %d µm take %s: %j µm', (wavesUm, way, filmsUm) => {
    const { way: found, cycles } = waves(wavesUm);
    expect(found).toBe(way);
    expect(cycles.map(({ filmUm }) => filmUm)).toEqual(filmsUm);
  });
  test('says how much is left for glaze', () =>
    expect(waves(420).leftUm).toBeCloseTo(420 - 132 + 28 - 150, 6));
});

describe('gauge readings', () => {
  test('mean, range and spread', () =>
    expect(readingFigures([95, 102, 98, 110, 104])).toMatchObject({
      meanUm: 101.8,
      leastUm: 95,
      mostUm: 110,
      doubtful: [],
    }));
  test('one that stands far off is marked and left out', () => {
    const figures = readingFigures([95, 102, 98, 1020, 104, 99])!;
    expect(figures.doubtful).toEqual([3]);
    expect(figures.mostUm).toBe(104);
  });
  test('none, one, and equal ones', () => {
    expect(readingFigures([])).toBeNull();
    expect(readingFigures([90])).toMatchObject({ meanUm: 90, spreadUm: 0 });
    expect(readingFigures([90, 90, 90, 90])!.doubtful).toEqual([]);
  });
  test('the mean lies within the readings, and doubtful ones are never the majority', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 2000 }), { minLength: 1, maxLength: 40 }),
        (readings) => {
          const figures = readingFigures(readings)!;
          expect(figures.meanUm).toBeGreaterThanOrEqual(figures.leastUm - 1e-9);
          expect(figures.meanUm).toBeLessThanOrEqual(figures.mostUm + 1e-9);
          expect(figures.doubtful.length).toBeLessThan(readings.length / 2 + 1);
        },
      ),
    );
  });
});

test('CAMI 400 is taken as P800 and says so; a bare 400 is asked about', () => {
  expect(explainGrade('CAMI 400')).toMatchObject({
    ok: true,
    grade: 'P800',
    note: expect.stringContaining('23.6 µm'),
  });
  expect(explainGrade('400')).toMatchObject({
    ok: false,
    message: expect.stringContaining('P400 (35 µm) or CAMI 400 (23.6 µm, near P800)'),
  });
  expect(explainGrade('P401')).toMatchObject({ ok: false });
});

test.each([
  ['p400', 'P400'],
  [' P80 ', 'P80'],
  ['CAMI 400', 'P800'],
  ['cami  320', 'P400'],
  ['400', null],
  ['P401', null],
])('grade written "%s" is %s', (text, grade) => expect(readGrade(text)).toBe(grade));
