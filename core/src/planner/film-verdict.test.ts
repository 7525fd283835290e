import { filmBudget } from '../surface/budget.ts';
import type { Zone } from '../survey/zone.ts';
import { filmVerdict, measuredBuild } from './film-verdict.ts';
import type { ZoneBuild } from './sanding-of-plan.ts';

const BUILD: ZoneBuild = {
  zoneId: 'B',
  step: 17,
  sheetName: 'High-build primer',
  coats: 2,
  appliedUm: 100,
  perCoatUm: 50,
  maxUm: 200,
  budget: filmBudget({ mustStayUm: 40, gapUm: 60, wavesUm: 5, peelUm: 12, ladderUm: 16 }),
  cycles: { way: 'one', cycles: [], leftUm: 0 },
  waveLengthMm: 150,
  underUm: 50,
  under: 'epoxy',
  block: { grade: 'P240', areaM2: 1, formFactor: 1, besidesMin: 0 },
};
const sprayed = (...um: number[]): NonNullable<Zone['readings']> =>
  um.map((each) => ({ after: 'build', um: each }));
const blocked = (...um: number[]): NonNullable<Zone['readings']> =>
  um.map((each) => ({ after: 'blocked', um: each }));
const verdict = (readings?: Zone['readings']) => filmVerdict(BUILD, measuredBuild({ readings }, BUILD));

describe('what a gauge says of a build', () => {
  test('what lies under it is taken off each reading', () =>
    expect(measuredBuild({ readings: sprayed(150, 160) }, BUILD)).toMatchObject({
      after: 'build',
      figures: { meanUm: 105, leastUm: 100, mostUm: 110 },
    }));
  test('once it is blocked, those readings count', () =>
    expect(measuredBuild({ readings: [...sprayed(150), ...blocked(110)] }, BUILD)).toMatchObject({
      after: 'blocked',
      figures: { meanUm: 60, count: 1 },
    }));
  test('a reading under what should lie there is no film, not less than none', () =>
    expect(measuredBuild({ readings: sprayed(20) }, BUILD)!.figures.meanUm).toBe(0));
  test('no readings, no measurement', () => expect(measuredBuild({}, BUILD)).toBeNull());
});

describe('whether it is enough', () => {
  test('by the plan where nothing is measured', () =>
    expect(verdict()).toEqual({ kind: 'enough', filmUm: 100, neededUm: 93 }));
  test('at the thinnest reading, however thick the others are', () =>
    expect(verdict(sprayed(170, 165, 125))).toMatchObject({
      kind: 'short',
      shortUm: 18,
      coats: 1,
      isAllowed: true,
    }));
  test('a coat more is only laid where the thickest place has room for it', () =>
    expect(verdict(sprayed(125, 225))).toMatchObject({ kind: 'short', isAllowed: false }));
  test('after blocking by what must stay', () => {
    expect(verdict(blocked(95, 90))).toEqual({ kind: 'left', leftUm: 40, mustStayUm: 40 });
    expect(verdict(blocked(95, 88))).toEqual({ kind: 'thin', leftUm: 38, mustStayUm: 40 });
  });
});
