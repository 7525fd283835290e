/** Prices in the currency of a shop; as a plain number where it has named none. @param digits of its fraction */
export function moneyText(amount: number, currency: string | undefined, digits = 2): string {
  if (!currency) return amount.toFixed(digits);
  try {
    return new Intl.NumberFormat(undefined, {
      style: 'currency',
      currency,
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    }).format(amount);
  } catch {
    return `${amount.toFixed(digits)} ${currency}`;
  }
}
