import { readingsOfTable } from './readings-table.ts';

const ZONES = [
  { id: 'B', name: 'stripped patch' },
  { id: 'C', name: 'filled dent' },
];
const read = (text: string, between: string) =>
  readingsOfTable(
    text.split('\n').map((line) => line.split(between)),
    ZONES,
  );

test.each([
  [
    'a head, zones by name and by id',
    'Zone,µm\nfilled dent,92.5\nB,101',
    ',',
    [
      ['C', 92.5],
      ['B', 101],
    ],
  ],
  [
    'semicolons and decimal commas',
    'nr;zone;thickness\n1;C;92,5\n2;B;1 020',
    ';',
    [
      ['C', 92.5],
      ['B', 1020],
    ],
  ],
  [
    'one column without a head',
    '88\n92.5\n101 µm',
    ',',
    [
      [null, 88],
      [null, 92.5],
      [null, 101],
    ],
  ],
  [
    'decimal commas that were taken for columns',
    '92,5\n88,0\n101,5',
    ',',
    [
      [null, 92.5],
      [null, 88],
      [null, 101.5],
    ],
  ],
  [
    'running numbers before the reading',
    '1,92\n2,88\n3,101',
    ',',
    [
      [null, 92],
      [null, 88],
      [null, 101],
    ],
  ],
  ['a head in mil', 'reading mil\n4', ',', [[null, 101.6]]],
])('reads %s', (_, text, between, wanted) => {
  const { readings, problems } = read(text, between);
  expect(problems).toEqual([]);
  expect(readings.map(({ zoneId }) => zoneId)).toEqual(wanted.map(([zoneId]) => zoneId));
  readings.forEach(({ um }, i) => expect(um).toBeCloseTo(wanted[i]![1] as number, 6));
});

test('rows that are no thickness or no zone are left out and named', () => {
  const { readings, problems } = read('zone;µm\nC;95\nC;wet\nC;1e9\nZ;80\nC;-4', ';');
  expect(readings).toEqual([{ zoneId: 'C', um: 95 }]);
  expect(problems).toEqual([
    'Row 3: "wet" is no thickness from 0 to 20000 µm.',
    'Row 4: "1e9" is no thickness from 0 to 20000 µm.',
    'Row 5: "Z" is no zone of this panel.',
    'Row 6: "-4" is no thickness from 0 to 20000 µm.',
  ]);
});

test('a figure with two readings is named with both, and one without a unit is in the units in force', () => {
  const { readings, problems } = readingsOfTable([['4,2'], ['3,500'], ['100 µm']], ZONES, 'us');
  expect(readings.map(({ um }) => um)).toEqual([expect.closeTo(106.68, 6), 100]);
  expect(problems).toEqual(['Row 2: "3,500" can be 3.5 or 3500: write it without the comma.']);
  expect(readingsOfTable([['film µm'], ['95']], ZONES, 'us').readings[0]!.um).toBe(95);
});

test.each(['', 'hello\nworld', ';;;\n;;'])('nothing usable in %j is said so', (text) => {
  expect(read(text, ';')).toEqual({
    readings: [],
    problems: ['No column of readings: give one number a row, such as 92.5 µm.'],
  });
});
