/**
 * The one table of physical quantities: how each is shown in metric and US units.
 * A dimensional number carries its unit in its name, so the suffix of a name finds its row here
 * (`thicknessUm` -> `Um`). Stored and computed values are always in the suffix's own unit.
 */

export type UnitSystem = 'metric' | 'us';

interface Display {
  readonly symbol: string;
  /** shown = stored x factor + offset */
  readonly factor: number;
  readonly offset: number;
  readonly digits: number;
  /** Digits of what the usual ones would show as nothing: spots are areas too. */
  readonly smallDigits: number;
}

const display = (
  symbol: string,
  factor: number,
  digits: number,
  { offset = 0, smallDigits = digits } = {},
): Display => ({ symbol, factor, offset, digits, smallDigits });

/** Rows by suffix. Factors: international inch 25.4 mm, US fluid ounce 29.5735 ml, avoirdupois ounce 28.3495 g, US gallon 3.78541 l. */
export const QUANTITIES = {
  Um: { metric: display('µm', 1, 0), us: display('mil', 1 / 25.4, 2) },
  FineUm: { metric: display('µm', 1, 2), us: display('mil', 1 / 25.4, 3) },
  Mm: { metric: display('mm', 1, 1), us: display('in', 1 / 25.4, 2) },
  FineMm: { metric: display('mm', 1, 2), us: display('in', 1 / 25.4, 3) },
  M2: { metric: display('m²', 1, 2, { smallDigits: 4 }), us: display('ft²', 10.7639, 1, { smallDigits: 3 }) },
  Ml: { metric: display('ml', 1, 0), us: display('fl oz', 1 / 29.5735, 1) },
  Grams: { metric: display('g', 1, 0), us: display('oz', 1 / 28.3495, 1) },
  Litres: { metric: display('l', 1, 0), us: display('gal', 0.264172, 1) },
  GPerL: { metric: display('g/l', 1, 0), us: display('lb/gal', 1 / 119.826, 2) },
  M: { metric: display('m', 1, 1), us: display('ft', 3.28084, 0) },
  MPerS: { metric: display('m/s', 1, 2), us: display('ft/s', 3.28084, 1) },
  MlPerMin: { metric: display('ml/min', 1, 0), us: display('fl oz/min', 1 / 29.5735, 1) },
  LPerMin: { metric: display('l/min', 1, 0), us: display('cfm', 1 / 28.3168, 1) },
  Bar: { metric: display('bar', 1, 1), us: display('psi', 14.5038, 0) },
  Celsius: { metric: display('°C', 1, 1), us: display('°F', 1.8, 1, { offset: 32 }) },
  /** A difference of temperatures: no offset. */
  Kelvin: { metric: display('°C', 1, 1), us: display('°F', 1.8, 1) },
  Newton: { metric: display('N', 1, 0), us: display('lbf', 0.224809, 1) },
  Percent: {
    metric: display('%', 1, 0, { smallDigits: 2 }),
    us: display('%', 1, 0, { smallDigits: 2 }),
  },
} as const satisfies Record<string, Record<UnitSystem, Display>>;

export type Quantity = keyof typeof QUANTITIES;

const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);

/** The number as shown, without its symbol: 254 µm is "254" in metric and "10" in US units. */
export function formatNumber(quantity: Quantity, stored: number, system: UnitSystem): string {
  const { factor, offset, digits, smallDigits } = QUANTITIES[quantity][system];
  const shown = stored * factor + offset;
  return trimZeros(shown.toFixed(Math.abs(shown) < 10 ** -digits ? smallDigits : digits));
}

/** Number and symbol: `formatQuantity('Um', 254, 'us')` is "10 mil". */
export function formatQuantity(quantity: Quantity, stored: number, system: UnitSystem): string {
  const symbol = QUANTITIES[quantity][system].symbol;
  return `${formatNumber(quantity, stored, system)}${symbol === '%' ? '' : ' '}${symbol}`;
}

/** From a shown number back to the stored unit; the inverse of the display row. */
export function toStored(quantity: Quantity, shown: number, system: UnitSystem): number {
  const { factor, offset } = QUANTITIES[quantity][system];
  return (shown - offset) / factor;
}

/** From the stored unit to the shown number, unrounded, for input fields. */
export function toShown(quantity: Quantity, stored: number, system: UnitSystem): number {
  const { factor, offset } = QUANTITIES[quantity][system];
  return stored * factor + offset;
}
