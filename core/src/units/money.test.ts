import fc from 'fast-check';
import { amountOf, centsOf, centsOfEach } from './money.ts';

test.each([
  [1.005, 101],
  [1.004, 100],
  [0.615, 62],
  [10.235, 1024],
  [8.345, 835],
  [0, 0],
  [29_999.995, 3_000_000],
])('%d is %d cents', (amount, cents) => {
  expect(centsOf(amount)).toBe(cents);
  expect(centsOf(amountOf(cents))).toBe(cents);
});

test('whole cents of parts add up to those of the whole, and none is off by a cent', () => {
  const amounts = fc.array(fc.double({ min: 0, max: 5000, noNaN: true }), { minLength: 1, maxLength: 20 });
  fc.assert(
    fc.property(amounts, (parts) => {
      const cents = centsOfEach(parts);
      expect(cents.reduce((a, b) => a + b, 0)).toBe(centsOf(parts.reduce((a, b) => a + b, 0)));
      cents.forEach((each, i) => expect(Math.abs(each - parts[i]! * 100)).toBeLessThanOrEqual(1));
    }),
  );
});
