import { areaTitle, areaWords, placeWords } from './places.ts';

const ALL = ['A', 'A/chips', 'A/low', 'A/rust-pitted', 'B'];

test.each<[readonly string[], string]>([
  [ALL, 'A, B'],
  [['A'], 'rest of A'],
  [['A/chips'], 'chips in A'],
  [['A/chips', 'A/low'], 'chips and dent in A'],
  [['A/chips', 'A/low', 'A/rust-pitted', 'B'], 'chips, dent and pitted rust in A, B'],
  [['A', 'A/chips', 'B'], 'rest of A, B'],
])('%j is "%s"', (areas, words) => expect(placeWords(areas, ALL)).toBe(words));

test('one area by itself, and as a heading', () => {
  expect(areaWords('A/low')).toBe('dent in A');
  expect(areaTitle('A/low')).toBe('Dent in A');
  expect(areaTitle('A')).toBe('Zone A');
});
