import {
  BLOCKS,
  blockOf,
  formatMinutes,
  formatQuantity,
  sayAgain,
  type Block,
  type Quantity,
  type Stored,
  type UnitSystem,
} from '@blue-ledge/core';
import { persisted } from './persisted.ts';

/** Metric or US, switched at once; everything is stored in SI. */
interface UnitChoice {
  readonly system: UnitSystem;
}

export const useUnits = persisted<UnitChoice>('ledge-units', { system: 'metric' });

/** Formatters in the units in force. */
export function useFormat() {
  const system = useUnits((state) => state.system);
  return {
    system,
    quantity: (quantity: Quantity, value: number): string => formatQuantity(quantity, value, system),
    minutes: formatMinutes,
    /** A block by its name and length: one of `of`, else of a usual shop. */
    block: (id: string, of: readonly Block[] = BLOCKS): string => {
      const { name, lengthMm } = of.find((each) => each.id === id) ?? blockOf(id);
      return `${name}, ${formatQuantity('Mm', lengthMm, system)}`;
    },
    said: (said: Stored): string => sayAgain(said, system),
  };
}
