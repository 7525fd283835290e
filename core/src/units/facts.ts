import { formatMinutes } from './duration.ts';
import { QUANTITIES, formatQuantity, type Quantity, type UnitSystem } from './quantities.ts';

/** Named values behind a sentence; a number's unit is the suffix of its name (`ledgeUm`, `waitMin`). */
export type Facts = Readonly<Record<string, string | number>>;

const suffixes = (Object.keys(QUANTITIES) as Quantity[]).sort((a, b) => b.length - a.length);

/** The quantity that a fact's name ends in, or null for a plain number or word. */
export function quantityOf(name: string): Quantity | null {
  return suffixes.find((suffix) => name.endsWith(suffix)) ?? null;
}

/** One fact as text in the reader's units: `formatFact('ledgeUm', 65, 'metric')` is "65 µm". */
export function formatFact(name: string, value: string | number, system: UnitSystem): string {
  if (typeof value === 'string') return value;
  if (name.endsWith('Min')) return formatMinutes(value);
  const quantity = quantityOf(name);
  if (quantity) return formatQuantity(quantity, value, system);
  return Number.isInteger(value) ? String(value) : String(Number(value.toFixed(2)));
}
