import {
  SHOP_RULES,
  formatQuantity,
  quantityOf,
  toShown,
  toStored,
  type Quantity,
  type UnitSystem,
} from '@blue-ledge/core';
import { unitOf } from './unit-of.ts';

/** How a figure is read and written in the units in force. */
export interface FigureReading {
  readonly unit: string;
  readonly text: (stored: number) => string;
  readonly shown: (stored: number) => number;
  readonly stored: (shown: number) => number;
}

/** Figures that stay below this are read to a hundredth of it, µm. */
const FINE_UM = 20;
const ROUND = 1e6;
const rounded = (value: number): number => Math.round(value * ROUND) / ROUND;

/** A shop figure in the units in force. */
export function figureReading(name: keyof typeof SHOP_RULES, system: UnitSystem): FigureReading {
  // Rates and compound units stay as they are stored.
  const unit = unitOf(name);
  const isFine = unit === 'µm' && SHOP_RULES[name].to <= FINE_UM;
  const plain = ['µm', 'mm', 'm²', 'ml', '°C'].includes(unit) ? quantityOf(name) : null;
  const quantity: Quantity | null = isFine ? 'FineUm' : plain;
  if (!quantity)
    return { unit, text: (stored) => `${stored}${unit && ` ${unit}`}`, shown: (x) => x, stored: (x) => x };
  return {
    unit: formatQuantity(quantity, 0, system).replace(/^[-\d.]+\s?/, ''),
    text: (stored) => formatQuantity(quantity, stored, system),
    shown: (stored) => rounded(toShown(quantity, stored, system)),
    stored: (shown) => rounded(toStored(quantity, shown, system)),
  };
}
