import fc from 'fast-check';
import { clockTime, datedTime, formatMinutes } from './duration.ts';
import { formatFact } from './facts.ts';
import { QUANTITIES, formatQuantity, toShown, toStored, type Quantity } from './quantities.ts';

test.each([
  ['Um', 254, 'metric', '254 µm'],
  ['Um', 254, 'us', '10 mil'],
  ['Celsius', 20, 'us', '68 °F'],
  ['Kelvin', 3, 'us', '5.4 °F'],
  ['M2', 2.1, 'metric', '2.1 m²'],
  ['M2', 0.0012, 'metric', '0.0012 m²'],
  ['M2', 0.0012, 'us', '0.013 ft²'],
  ['Ml', 29.5735, 'us', '1 fl oz'],
  ['Percent', 54, 'us', '54%'],
] as const)('%s %d in %s units reads %s', (quantity, value, system, text) => {
  expect(formatQuantity(quantity, value, system)).toBe(text);
});

test('what is typed in either unit system comes back as the same stored value', () => {
  const quantity = fc.constantFrom(...(Object.keys(QUANTITIES) as Quantity[]));
  fc.assert(
    fc.property(
      quantity,
      fc.constantFrom('metric', 'us'),
      fc.double({ min: 0, max: 1e4, noNaN: true }),
      (q, system, x) => {
        expect(toStored(q, toShown(q, x, system as 'us'), system as 'us')).toBeCloseTo(x, 6);
      },
    ),
  );
});

test.each([
  [0, '0 min'],
  [0.2, 'under 1 min'],
  [35, '35 min'],
  [310, '5 h 10'],
  [720, '12 h'],
  [4320, '3 d'],
])('%d minutes read "%s"', (minutes, text) => expect(formatMinutes(minutes)).toBe(text));

test.each([
  [480, 0, '08:00'],
  [480, 380.4, '14:20'],
  [480, 24 * 60, '08:00 next day'],
  [1020, 3 * 24 * 60, '17:00 on day 4'],
])('work that starts at minute %d is at %d minutes later at "%s"', (startMin, afterMin, text) =>
  expect(clockTime({ startMin }, afterMin)).toBe(text),
);

test.each([
  [0, '2026-12-03', 'Fri 08:00'],
  [2 * 24 * 60, '2026-11-30', 'Sun 08:00'],
  [-4 * 24 * 60, '2026-12-06', 'Mon 08:00'],
  [3 * 24 * 60 + 30, '2026-12-03', 'Mon 7 Dec 08:30'],
  [-7 * 24 * 60, '2026-12-04', 'Fri 27 Nov 08:00'],
  [31 * 24 * 60, '2026-12-04', 'Mon 4 Jan 2027 08:00'],
  [0, undefined, 'Fri 4 Dec 08:00'],
])('%d minutes after Friday 4 December, seen on %s, is "%s"', (afterMin, today, text) =>
  expect(clockTime({ startMin: 480, startOn: '2026-12-04' }, afterMin, today)).toBe(text),
);

test('what is kept carries its year', () =>
  expect(datedTime({ startMin: 480, startOn: '2026-12-31' }, 24 * 60)).toBe('Fri 1 Jan 2027 08:00'));

test('a fact finds its unit by the end of its name', () => {
  expect(formatFact('ledgeUm', 65, 'metric')).toBe('65 µm');
  expect(formatFact('grooveFineUm', 0.64, 'metric')).toBe('0.64 µm');
  expect(formatFact('waitMin', 216, 'metric')).toBe('3 h 36');
  expect(formatFact('coats', 3, 'us')).toBe('3');
});
