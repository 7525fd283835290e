import { readCsv } from './read-csv.ts';

const ZONES = [{ id: 'C', name: 'filled dent' }];

test.each([
  ['commas', 'zone,um\nC,92.5\nC,88', [92.5, 88]],
  ['semicolons and decimal commas', 'zone;um\nC;92,5\nC;88,25', [92.5, 88.25]],
  ['tabs', 'zone\tum\nC\t92.5', [92.5]],
  ['one column', '92\n88\n101', [92, 88, 101]],
])('%s', (_, text, wanted) => {
  const { readings, problems } = readCsv(text, ZONES, 'metric');
  expect(problems).toEqual([]);
  expect(readings.map(({ um }) => um)).toEqual(wanted);
});

test('nothing usable is said so', () =>
  expect(readCsv('just\nwords', ZONES, 'metric').problems).toHaveLength(1));
