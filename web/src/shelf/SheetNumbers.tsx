import type { ProductSheet } from '@blue-ledge/core';
import { useId } from 'react';
import { NumberField } from '../shared/NumberField.tsx';
import { NumberInput } from '../shared/NumberInput.tsx';
import type { SheetField } from './sheet-fields.ts';
import { at } from './sheet-path.ts';

interface SheetNumbersProps {
  readonly fields: readonly SheetField[];
  readonly sheet: ProductSheet;
  readonly onChange: (path: string, value: number | null | undefined) => void;
}

/** Numbers of a sheet with where they are found; what is left empty says what counts instead. */
export const SheetNumbers = ({ fields, sheet, onChange }: SheetNumbersProps) => (
  <div className="sheet-numbers">
    {fields.map((field) => (
      <SheetNumber key={field.path} field={field} sheet={sheet} onChange={onChange} />
    ))}
  </div>
);

/** Null stands for "it is not sanded"; every other field is left out where it is empty. */
const EMPTY: Readonly<Record<string, null>> = { sandAfterMin: null };

function SheetNumber({
  field: { path, label, help, from, to, quantity, unit, isWhole, whenEmpty },
  sheet,
  onChange,
}: Omit<SheetNumbersProps, 'fields'> & { readonly field: SheetField }) {
  const id = useId();
  const stored = (at(sheet, path) ?? null) as number | null;
  const clear = whenEmpty === undefined ? undefined : () => onChange(path, EMPTY[path]);
  const note = stored === null && whenEmpty ? `Empty: ${whenEmpty}. ${help}` : help;
  return (
    <div className="sheet-number">
      {quantity ? (
        <NumberField
          label={label}
          quantity={quantity}
          value={stored}
          from={from}
          to={to}
          {...(clear ? { onClear: clear } : {})}
          onChange={(value) => onChange(path, value)}
        />
      ) : (
        <div className="field">
          <label htmlFor={id}>{label}</label>
          <NumberInput
            id={id}
            name={label}
            value={stored}
            from={from}
            to={to}
            unit={unit}
            isWhole={isWhole ?? false}
            onClear={clear}
            onChange={(value) => onChange(path, value)}
          />
        </div>
      )}
      <p className="note">{note}</p>
    </div>
  );
}
