/** Money, counted in whole cents: an amount in units of the shop's currency is a sum of cents divided by 100. */

/** Digits to which an amount is believed: what is beyond them is the rounding of binary fractions, as in 1.005. */
const BELIEVED_DIGITS = 12;

const hundredfold = (amount: number): number => Number((amount * 100).toPrecision(BELIEVED_DIGITS));

/** Whole cents of an amount; half a cent is one. `centsOf(1.005)` is 101. */
export const centsOf = (amount: number): number => Math.round(hundredfold(amount));

export const amountOf = (cents: number): number => cents / 100;

/** Whole cents of each amount, which add up to the cents of them all: those that lose most by it are rounded up. */
export function centsOfEach(amounts: readonly number[]): number[] {
  const cents = amounts.map((amount) => Math.floor(hundredfold(amount)));
  const missing =
    centsOf(amounts.reduce((sum, amount) => sum + amount, 0)) - cents.reduce((a, b) => a + b, 0);
  const lost = (i: number): number => hundredfold(amounts[i]!) - cents[i]!;
  const up = new Set(
    amounts
      .map((_, i) => i)
      .toSorted((a, b) => lost(b) - lost(a) || a - b)
      .slice(0, Math.max(0, missing)),
  );
  return cents.map((each, i) => each + (up.has(i) ? 1 : 0));
}
