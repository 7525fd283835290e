import fc from 'fast-check';
import Papa from 'papaparse';
import { GENERIC_SHELF } from '../materials/generic-shelf.ts';
import { slipsOf } from '../materials/sheet-slips.ts';
import { sheetSchema } from '../materials/sheet.ts';
import { SHEET_COLUMNS, rowOfSheet, sheetOfRow } from './sheets-table.ts';

test.each(GENERIC_SHELF.map((sheet) => [sheet.name, sheet] as const))(
  '%s goes out as a row and comes in the same',
  (_, sheet) => {
    const row = rowOfSheet(sheet);
    expect(Object.keys(row).sort()).toEqual([...SHEET_COLUMNS].sort());
    const { version: _version, ...rest } = sheet;
    expect(sheetOfRow(row)).toEqual({ ok: true, sheet: { ...rest, version: 1 } });
  },
);

const row = rowOfSheet(GENERIC_SHELF.find(({ id }) => id === 'build-4-1-1')!);
const problemsIn = (changes: Record<string, string>): readonly string[] => {
  const read = sheetOfRow({ ...row, ...changes });
  return read.ok ? [] : read.problems;
};

test('a decimal comma is a decimal sign; what two readings have is refused', () => {
  expect(sheetOfRow({ ...row, pricePerLitre: '34,5', components: 'base 4 @1,55 52%' })).toMatchObject({
    sheet: { pricePerLitre: 34.5, components: [{ gramsPerMl: 1.55, volumeSolids: 0.52 }] },
  });
  expect(problemsIn({ pricePerLitre: '1,250' })[0]).toMatch(/^pricePerLitre/);
});

test('a formula in a cell is words, and goes out as words', () => {
  const sheet = { ...GENERIC_SHELF[0]!, name: '=1+2' };
  expect(rowOfSheet(sheet)['name']).toBe("'=1+2");
  expect(sheetOfRow(rowOfSheet(sheet))).toMatchObject({ sheet: { name: '=1+2' } });
});

test('what is wrong is said by column', () => {
  expect(problemsIn({ components: '4:1:1' })).toEqual(['components: "4:1:1" is not like "base 4 @1.55 52%"']);
  expect(problemsIn({ over: 'epoxy fine' })[0]).toMatch(/^over: "epoxy fine"/);
  expect(problemsIn({ over: 'paper P180-P320' })).toEqual(['over: "paper" is no layer']);
  expect(problemsIn({ 'film.perCoatUm': '' })[0]).toMatch(/^film.perCoatUm/);
  expect(
    problemsIn({ 'climate.minCelsius': '', 'climate.maxCelsius': '', 'climate.maxRelativeHumidity': '' })[0],
  ).toMatch(/^climate.minCelsius/);
  expect(problemsIn({ 'film.perCoatUm': 'thick' })[0]).toMatch(/^film.perCoatUm/);
  expect(problemsIn({ name: '' })[0]).toMatch(/^name/);
});

test('the built-in sheets are usual ones; slips are asked about by field', () => {
  for (const sheet of GENERIC_SHELF) expect([sheet.id, slipsOf(sheet)]).toEqual([sheet.id, []]);
  const [build] = GENERIC_SHELF.filter(({ id }) => id === 'build-4-1-1');
  const odd = sheetSchema.parse({
    ...build,
    flash: { betweenCoatsMin: 400, beforeNextMin: 15 },
    components: [{ name: 'base', parts: 1, gramsPerMl: 12.9, volumeSolids: 1 }],
    over: {},
  });
  expect(slipsOf(odd).map(({ path }) => path)).toEqual([
    'flash.betweenCoatsMin',
    'components',
    'components.0.gramsPerMl',
    'over',
  ]);
});

/** Texts that a table makes trouble of: signs that part cells and lists, formulas, blanks, new lines. */
const text = fc.oneof(
  fc.string({ minLength: 1, maxLength: 30, unit: 'grapheme' }),
  fc.stringMatching(/^[ ;,"'=+@0-9%\n\t-]{1,12}$/),
);
const share = fc.double({ min: 0, max: 1, noNaN: true });
const amount = fc.double({ min: 0.001, max: 24, noNaN: true });
const sheets = fc
  .record({
    like: fc.constantFrom(...GENERIC_SHELF),
    name: text,
    components: fc.array(
      fc.record({
        name: text,
        parts: amount,
        gramsPerMl: fc.option(amount, { nil: undefined }),
        volumeSolids: share,
      }),
      { minLength: 1, maxLength: 4 },
    ),
    pricePerLitre: fc.double({ min: 0, max: 9999, noNaN: true }),
    lowShearPaS: amount,
    coversBareSpots: fc.boolean(),
    remark: fc.option(text, { nil: undefined }),
  })
  .map(({ like, ...own }) => ({ ...like, version: 1, ...JSON.parse(JSON.stringify(own)) }))
  .filter((sheet) => sheetSchema.safeParse(sheet).success)
  .map((sheet) => sheetSchema.parse(sheet));

test('whatever a sheet says, it comes back from a table to the last digit and blank', () => {
  fc.assert(
    fc.property(sheets, (sheet) => {
      const table = Papa.unparse({ fields: [...SHEET_COLUMNS], data: [rowOfSheet(sheet)] });
      const { data } = Papa.parse<Record<string, string>>(table, { header: true, skipEmptyLines: 'greedy' });
      expect(sheetOfRow(data[0]!)).toEqual({ ok: true, sheet });
    }),
  );
});

test('solids are written as the sheet has them, and a column that cannot say a name gives way', () => {
  const [like] = GENERIC_SHELF;
  const sheet = { ...like!, components: [{ name: 'base', parts: 4, volumeSolids: 0.4217 }] };
  expect(rowOfSheet(sheet)).toMatchObject({ components: 'base 4 42.17%', more: '' });
  const parted = { ...sheet, components: [{ name: 'part A; thick', parts: 4, volumeSolids: 0.4217 }] };
  expect(sheetOfRow(rowOfSheet(parted))).toMatchObject({ sheet: { components: parted.components } });
});
