import { useId } from 'react';
import { NumberInput } from './NumberInput.tsx';

interface PlainNumberProps {
  readonly label: string;
  readonly unit?: string;
  readonly from: number;
  readonly to: number;
  readonly isWhole?: boolean;
  readonly value: number | null;
  readonly placeholder?: string;
  readonly onChange: (value: number) => void;
  readonly onClear?: () => void;
}

/** A number whose unit is the same everywhere, under its label. */
export function PlainNumber({ label, onClear, ...rest }: PlainNumberProps) {
  const id = useId();
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <NumberInput id={id} name={label} onClear={onClear} {...rest} />
    </div>
  );
}

/** Minutes from none on. */
export const Minutes = (props: Omit<PlainNumberProps, 'unit' | 'from'>) => (
  <PlainNumber unit="min" from={0} {...props} />
);
