import { QUANTITIES, formatNumber, toShown, toStored, type Quantity } from '@blue-ledge/core';
import { useId } from 'react';
import { useUnits } from '../state/units.ts';
import { NumberInput } from './NumberInput.tsx';

interface NumberFieldProps {
  readonly label: string;
  readonly quantity: Quantity;
  /** In the quantity's stored unit; null shows an empty field. */
  readonly value: number | null;
  /** Least and most, in the stored unit. */
  readonly from: number;
  readonly to: number;
  readonly onChange: (value: number) => void;
  /** Called when the field is emptied; without it an empty field is a problem. */
  readonly onClear?: () => void;
  readonly isLabelHidden?: boolean;
  /** Where the number comes from, beside its label. */
  readonly hint?: string | undefined;
  /** Passes a value on when the field is left, not with every digit. */
  readonly whenLeft?: boolean;
}

/** A quantity in the reader's units, with its label. */
export function NumberField({
  label,
  quantity,
  value,
  from,
  to,
  onChange,
  onClear,
  isLabelHidden = false,
  hint,
  whenLeft = false,
}: NumberFieldProps) {
  const system = useUnits((state) => state.system);
  const id = useId();
  const { symbol, digits } = QUANTITIES[quantity][system];
  const shown = value === null ? null : Number(toShown(quantity, value, system).toFixed(digits + 1));
  return (
    <div className="field">
      <span>
        <label htmlFor={id} className={isLabelHidden ? 'visually-hidden' : ''}>
          {label}
        </label>
        {hint && <span className="note">, {hint}</span>}
      </span>
      <NumberInput
        key={system}
        id={id}
        name={label}
        value={shown}
        from={toShown(quantity, from, system)}
        to={toShown(quantity, to, system)}
        say={(limit) => formatNumber(quantity, toStored(quantity, limit, system), system)}
        unit={symbol}
        digits={digits + 1}
        whenLeft={whenLeft}
        onClear={onClear}
        onChange={(typed) => onChange(toStored(quantity, typed, system))}
      />
    </div>
  );
}
