import { QUANTITIES, toShown, type Quantity } from '@blue-ledge/core';
import { useUnits } from '../state/units.ts';

/** Under this a scale or a cup is read to a tenth, in the unit that is shown. */
const FINE_UNDER = 100;

/** Amounts as a scale and a cup show them: small ones to a tenth, hundredths of an ounce. */
export function useAmounts(): (quantity: Extract<Quantity, 'Ml' | 'Grams'>, value: number) => string {
  const system = useUnits((state) => state.system);
  return (quantity, value) => {
    const { symbol } = QUANTITIES[quantity][system];
    const shown = toShown(quantity, value, system);
    const digits = shown === 0 ? 0 : system === 'us' ? 2 : shown < FINE_UNDER ? 1 : 0;
    return `${shown.toFixed(digits)} ${symbol}`;
  };
}
