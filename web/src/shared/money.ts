import { amountOf, centsOf } from '@blue-ledge/core';

/** Prices in the currency of a shop; as a plain number where it has named none. @param digits of its fraction */
export function moneyText(amount: number, currency: string | undefined, digits = 2): string {
  const whole = amountOf(centsOf(amount));
  if (!currency) return whole.toFixed(digits);
  try {
    return new Intl.NumberFormat(undefined, {
      style: 'currency',
      currency,
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    }).format(whole);
  } catch {
    return `${whole.toFixed(digits)} ${currency}`;
  }
}
