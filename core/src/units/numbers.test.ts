import fc from 'fast-check';
import { meaningsOf, numberProblem, numbersProblem, readNumber, readNumbers } from './numbers.ts';

test.each<[string, readonly number[]]>([
  ['92,5', [92.5]],
  ['92.5', [92.5]],
  [' 1 200 ', [1200]],
  ['1\u00a0200,5', [1200.5]],
  ['.5', [0.5]],
  [',5', [0.5]],
  ['5,', [5]],
  ['-3', [-3]],
  ['-3,25', [-3.25]],
  ['1e3', [1000]],
  ['35.433', [35.433]],
  ['12,5', [12.5]],
  ['12,50', [12.5]],
  ['12,5000', [12.5]],
  ['0,125', [0.125]],
  ['012,500', [12.5]],
  ['1234,567', [1234.567]],
  ['12,500', [12.5, 12500]],
  ['1,000', [1, 1000]],
  ['-1,250', [-1.25, -1250]],
  ['1,234,567', [1234567]],
  ['1.234.567', [1234567]],
  ['1,234.5', [1234.5]],
  ['1.234,5', [1234.5]],
  ['12,34.5', []],
  ['1.234.56', []],
  ['92,5,1', []],
  ['1e999', []],
  ['9 2', []],
  ['', []],
  ['warm', []],
  ['--3', []],
])('"%s" means %j', (text, values) => {
  expect(meaningsOf(text)).toEqual(values);
  expect(readNumber(text)).toBe(values.length === 1 ? values[0] : null);
});

test('what is wrong with a text is said, both readings where there are two', () => {
  expect(numberProblem('12,500')).toBe('"12,500" can be 12.5 or 12500: write it without the comma.');
  expect(numberProblem('warm ')).toBe('"warm" is no number.');
  expect(numberProblem('12,5')).toBeNull();
});

test('a number is read as it was written, in both habits', () => {
  fc.assert(
    fc.property(fc.integer({ min: -1e7, max: 1e7 }), fc.integer({ min: 0, max: 99 }), (whole, hundredths) => {
      const value = Number(`${whole}.${String(hundredths).padStart(2, '0')}`);
      for (const [locale, isIn] of [
        ['en-US', ','],
        ['de-DE', '.'],
      ] as const) {
        const written = new Intl.NumberFormat(locale, { minimumFractionDigits: 2 }).format(value);
        expect(readNumber(written)).toBeCloseTo(value, 9);
        expect(readNumber(written.replaceAll(isIn, ''))).toBeCloseTo(value, 9);
        expect(readNumber(written.replaceAll(isIn, '\u202f'))).toBeCloseTo(value, 9);
      }
    }),
  );
});

test.each([
  ['92,5', [92.5]],
  ['92,5 93,25; 94', [92.5, 93.25, 94]],
  ['95, 102, 98', [95, 102, 98]],
  ['95,5, 102,25, 98', [95.5, 102.25, 98]],
  ['148 152\n145', [148, 152, 145]],
  ['95,102,98', null],
  ['95,102', null],
  ['wet', null],
  ['95 wet', null],
  [' ', null],
])('the list "%s" is read as %j', (text, values) => expect(readNumbers(text)).toEqual(values));

test('of a list the first that is no number is named', () => {
  expect(numbersProblem('95 102,500 wet')).toMatch(/"102,500" can be 102.5 or 102500/);
  expect(numbersProblem('95 wet')).toBe('"wet" is no number.');
  expect(numbersProblem('95, 98')).toBeNull();
});
