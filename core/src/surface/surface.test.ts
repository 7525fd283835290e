import fc from 'fast-check';
import { GRADES, isCoarser, readGrade } from '../materials/grades.ts';
import { targetSchema } from '../survey/shop.ts';
import { coatsFor, filmBudget } from './budget.ts';
import { bestLadder, ladderOf, type LadderTask } from './ladder.ts';
import { scratchDepthUm } from './scratch.ts';
import { sinkBackUm } from './sink-back.ts';
import { coarsestThatHides, telegraph, worstPlane } from './telegraph.ts';

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
  const task: LadderTask = { from: 'P36', to: 'P400', areaM2: 6, tool: 'block', material: 'filler' };

  test('6 m² of filler from P36 to P400 goes by P80 and P180 in 191.3 min', () => {
    const best = bestLadder(task)!;
    expect([best.start, ...best.steps.map((step) => step.grade)]).toEqual(['P36', 'P80', 'P180', 'P400']);
    expect(best.minutes).toBeCloseTo(191.3, 1);
    expect(ladderOf(['P36', 'P180', 'P220', 'P400'], task).minutes).toBeCloseTo(244.1, 1);
  });

  test('no ladder where the stock leaves too large a jump', () => {
    expect(bestLadder({ ...task, stock: ['P36', 'P400'], largestJump: 2.7 })).toBeNull();
  });

  test('is never slower than any sequence of the same grades, and keeps the jump', () => {
    const grade = fc.integer({ min: 0, max: GRADES.length - 1 });
    fc.assert(
      fc.property(
        fc.uniqueArray(grade, { minLength: 2, maxLength: 6 }),
        fc.double({ min: 0.05, max: 9, noNaN: true }),
        (picks, areaM2) => {
          const own = picks.sort((a, b) => a - b).map((i) => GRADES[i]!) as [never, ...never[]];
          const best = bestLadder({ ...task, areaM2, from: own[0], to: own[own.length - 1]! })!;
          expect(best.minutes).toBeLessThanOrEqual(ladderOf(own, { ...task, areaM2 }).minutes + 1e-9);
          const steps = best.steps.map((step) => step.grade);
          steps.forEach((step, i) => expect(isCoarser(i ? steps[i - 1]! : best.start, step)).toBe(true));
        },
      ),
    );
  });
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

test.each([
  ['p400', 'P400'],
  [' P80 ', 'P80'],
  ['CAMI 400', 'P800'],
  ['cami  320', 'P400'],
  ['400', null],
  ['P401', null],
])('grade written "%s" is %s', (text, grade) => expect(readGrade(text)).toBe(grade));
