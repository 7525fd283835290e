import {
  QUANTITIES,
  formatNumber,
  readNumber,
  toShown,
  toStored,
  type Quantity,
  type UnitSystem,
} from '@blue-ledge/core';
import { InputNumber } from 'antd';
import { useId, useRef, useState } from 'react';
import { useUnits } from '../state/units.ts';

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

/** What was typed and is not passed on, with the sentence about it. */
interface Wrong {
  readonly typed: number | null;
  readonly insteadOf: number | null;
  readonly system: UnitSystem;
  readonly problem: string;
}

/** A number in the reader's units. What is outside the range stays in the field with a sentence, and is not passed on. */
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
  const [wrong, setWrong] = useState<Wrong | null>(null);
  const pending = useRef<number | null>(null);
  const id = useId();
  const { symbol, digits } = QUANTITIES[quantity][system];
  const right = value === null ? null : Number(toShown(quantity, value, system).toFixed(digits + 1));
  // A value that came from elsewhere meanwhile takes the place of what was wrong.
  const isWrong = wrong !== null && wrong.insteadOf === value && wrong.system === system;
  const problem = isWrong ? wrong.problem : null;

  const take = (typed: number | string | null): void => {
    if (onClear && (typed === null || typed === '')) {
      setWrong(null);
      pending.current = null;
      if (value !== null) onClear();
      return;
    }
    const stored = typed === null || typed === '' ? Number.NaN : toStored(quantity, Number(typed), system);
    const isRight = stored >= from && stored <= to;
    setWrong(
      isRight
        ? null
        : {
            typed: typed === null || typed === '' ? null : Number(typed),
            insteadOf: value,
            system,
            problem: `${label} must be from ${formatNumber(quantity, from, system)} to ${formatNumber(quantity, to, system)} ${symbol}.`,
          },
    );
    pending.current = isRight && stored !== value ? stored : null;
    if (!whenLeft) passOn();
  };
  const passOn = (): void => {
    if (pending.current !== null) onChange(pending.current);
    pending.current = null;
  };

  return (
    <div className="field">
      <span>
        <label htmlFor={id} className={isLabelHidden ? 'visually-hidden' : ''}>
          {label}
        </label>
        {hint && <span className="note">, {hint}</span>}
      </span>
      <InputNumber
        key={system}
        id={id}
        value={isWrong ? wrong.typed : right}
        suffix={symbol}
        status={problem ? 'error' : ''}
        aria-invalid={problem !== null}
        aria-describedby={problem ? `${id}-problem` : undefined}
        parser={(text) => readNumber(text ?? '') ?? Number.NaN}
        onChange={take}
        onStep={passOn}
        onBlur={passOn}
        onPressEnter={passOn}
      />
      {problem && (
        <p id={`${id}-problem`} className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
