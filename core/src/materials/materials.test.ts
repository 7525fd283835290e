import fc from 'fast-check';
import { GENERIC_SHELF } from './generic-shelf.ts';
import {
  CAMI_GRAIN_UM,
  GRADES,
  gradesBetween,
  grainUm,
  isCoarser,
  nearestGrade,
  readGrade,
} from './grades.ts';
import { LAYER_KINDS, isBody, isMetal } from './layer-kinds.ts';
import { readyVolumeSolids, sheetSchema } from './sheet.ts';

describe('grades', () => {
  test('run from coarse to fine', () => {
    GRADES.slice(1).forEach((grade, i) => expect(isCoarser(GRADES[i]!, grade)).toBe(true));
  });
  test('FEPA and CAMI are never confused', () => {
    expect(readGrade('p400')).toBe('P400');
    expect(readGrade(' CAMI  400 ')).toBe('P800');
    expect(readGrade('400')).toBeNull();
    expect(readGrade('P401')).toBeNull();
    for (const [name, grain] of Object.entries(CAMI_GRAIN_UM))
      expect(grainUm(readGrade(name)!) / grain).toBeCloseTo(1, 0);
  });
  test('the nearest grade of a grade’s own grain is itself', () => {
    fc.assert(
      fc.property(fc.constantFrom(...GRADES), (grade) => expect(nearestGrade(grainUm(grade))).toBe(grade)),
    );
  });
  test('a range has both its ends, and is empty the wrong way round', () => {
    expect(gradesBetween('P320', 'P400')).toEqual(['P320', 'P360', 'P400']);
    expect(gradesBetween('P400', 'P320')).toEqual([]);
  });
});

describe('the built-in shelf', () => {
  const coats = GENERIC_SHELF.filter(({ kind }) => kind !== 'cleaner');

  test('ids are its own, and what is wanted for steel, filler, finish and e-coat is there', () => {
    expect(new Set(GENERIC_SHELF.map(({ id }) => id)).size).toBe(GENERIC_SHELF.length);
    const kinds = new Set(GENERIC_SHELF.map(({ kind }) => kind));
    for (const kind of ['epoxy', 'etch', 'dtm', 'build', 'sealer', 'filler', 'glaze', 'cleaner'] as const)
      expect(kinds).toContain(kind);
  });

  test.each(coats.map((sheet) => [sheet.name, sheet] as const))('%s: figures hang together', (_, sheet) => {
    expect(sheet.film.perCoatUm * sheet.film.coats).toBeLessThanOrEqual(sheet.film.maxUm);
    expect(sheet.recoat.opensMin).toBeLessThan(sheet.recoat.closesMin);
    expect(readyVolumeSolids(sheet)).toBeGreaterThan(0);
    for (const { coarsest, finest } of Object.values(sheet.over))
      expect(gradesBetween(coarsest, finest).length).toBeGreaterThan(0);
    const byHeat = [...sheet.cure].sort((a, b) => a.celsius - b.celsius).map(({ minutes }) => minutes);
    expect([...byHeat].sort((a, b) => b - a)).toEqual(byHeat);
  });

  test('4:1:1 of 0.52, 0.45 and 0 is 0.4217 ready to spray', () => {
    expect(readyVolumeSolids(GENERIC_SHELF.find(({ id }) => id === 'build-4-1-1')!)).toBeCloseTo(0.4217, 4);
  });

  test('a sheet that leaves out its film is named with the field', () => {
    const { film: _, ...rest } = GENERIC_SHELF[0]!;
    const parsed = sheetSchema.safeParse(rest);
    expect(parsed.error?.issues[0]?.path).toEqual(['film']);
  });

  test('a sheet whose warmer cure takes longer is refused', () => {
    const cure = [
      { celsius: 20, minutes: 240 },
      { celsius: 60, minutes: 300 },
    ];
    const parsed = sheetSchema.safeParse({ ...GENERIC_SHELF[0]!, cure });
    expect(parsed.error?.issues[0]).toMatchObject({
      path: ['cure'],
      message: expect.stringContaining('warmer'),
    });
  });
});

test('metals and bodies are told from films', () => {
  expect(isMetal('steel') && isBody('filler')).toBe(true);
  expect(isMetal('epoxy') || isBody('epoxy')).toBe(false);
  expect(LAYER_KINDS.filler.canBeFound).toBe(true);
});
