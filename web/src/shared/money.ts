/** Prices in the currency of a shop; as a plain number where it has named none. */
export function moneyText(amount: number, currency: string | undefined): string {
  if (!currency) return amount.toFixed(2);
  try {
    return new Intl.NumberFormat(undefined, { style: 'currency', currency }).format(amount);
  } catch {
    return `${amount.toFixed(2)} ${currency}`;
  }
}
