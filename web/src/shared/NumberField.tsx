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
  /** What is taken while nothing is typed, in the stored unit. */
  readonly assumed?: number | undefined;
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
  assumed,
  whenLeft = false,
}: NumberFieldProps) {
  const system = useUnits((state) => state.system);
  const id = useId();
  const { symbol, digits: usual, smallDigits } = QUANTITIES[quantity][system];
  const exact = value === null ? null : toShown(quantity, value, system);
  const digits = exact !== null && Math.abs(exact) < 10 ** -usual ? smallDigits : usual + 1;
  const shown = exact === null ? null : Number(exact.toFixed(digits));
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
        digits={digits}
        placeholder={assumed === undefined ? undefined : `≈ ${formatNumber(quantity, assumed, system)}`}
        whenLeft={whenLeft}
        onClear={onClear}
        onChange={(typed) => onChange(toStored(quantity, typed, system))}
      />
    </div>
  );
}
