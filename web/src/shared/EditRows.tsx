import { QUANTITIES, toShown, toStored, type Quantity } from '@blue-ledge/core';
import { Input, Select } from 'antd';
import type { ReactNode } from 'react';
import { useUnits } from '../state/units.ts';
import { NumberInput } from './NumberInput.tsx';
import { RemoveButton } from './RemoveButton.tsx';
import './edit-rows.css';

/** A table in which each row is a thing and each column a field of it, written in place. */

interface Head<Row> {
  readonly head: string;
  /** What the field is called together with its row: "Parts" of "hardener"; its head where left out. */
  readonly name?: string;
  readonly of: keyof Row & string;
}

interface TextColumn<Row> extends Head<Row> {
  readonly kind: 'text';
  readonly most: number;
}

interface NumberColumn<Row> extends Head<Row> {
  readonly kind: 'number';
  /** Least and most, as stored. */
  readonly from: number;
  readonly to: number;
  readonly quantity?: Quantity;
  /** Where it is in no quantity with two systems of units. */
  readonly unit?: string;
  /** Shown as so many times what is stored: shares as percent. */
  readonly times?: number;
  readonly isWhole?: boolean;
  /** May be left empty; what then counts stands in the empty field. */
  readonly whenEmpty?: string;
}

interface ChoiceColumn<Row> extends Head<Row> {
  readonly kind: 'choice';
  readonly options: readonly (readonly [value: string, words: string])[];
}

interface OwnColumn<Row> extends Head<Row> {
  readonly kind: 'own';
  readonly cell: (row: Row, name: string, put: (value: unknown) => void) => ReactNode;
}

export type Column<Row> = TextColumn<Row> | NumberColumn<Row> | ChoiceColumn<Row> | OwnColumn<Row>;

interface EditRowsProps<Row> {
  readonly columns: readonly Column<Row>[];
  readonly rows: readonly Row[];
  /** What a row is called in the names of its fields. */
  readonly nameOf: (row: Row, nth: number) => string;
  readonly onChange: (nth: number, row: Row) => void;
  /** Left out where the last row must stay. */
  readonly onRemove?: ((nth: number) => void) | undefined;
}

export function EditRows<Row extends object>({
  columns,
  rows,
  nameOf,
  onChange,
  onRemove,
}: EditRowsProps<Row>) {
  const system = useUnits((state) => state.system);
  return (
    <div className="edit-rows-box">
      <table className="edit-rows">
        <thead>
          <tr>
            {columns.map(({ head }) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
            {onRemove && (
              <th>
                <span className="visually-hidden">Remove</span>
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, nth) => (
            <tr key={`${nth} ${system}`}>
              {columns.map((column) => (
                <td key={column.head}>
                  <Cell
                    column={column}
                    row={row}
                    name={`${column.name ?? column.head} of ${nameOf(row, nth)}`}
                    onChange={(value) => onChange(nth, withField(row, column.of, value))}
                  />
                </td>
              ))}
              {onRemove && (
                <td>
                  <RemoveButton label={`Remove ${nameOf(row, nth)}`} onRemove={() => onRemove(nth)} />
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** A row with another value in a field; undefined takes the field away. */
function withField<Row extends object>(row: Row, field: keyof Row, value: unknown): Row {
  const { [field]: _, ...others } = row;
  return (value === undefined ? others : { ...others, [field]: value }) as Row;
}

interface CellProps<Row> {
  readonly column: Column<Row>;
  readonly row: Row;
  readonly name: string;
  readonly onChange: (value: unknown) => void;
}

function Cell<Row extends object>({ column, row, name, onChange }: CellProps<Row>) {
  const value = row[column.of];
  switch (column.kind) {
    case 'text':
      return (
        <Input
          aria-label={name}
          value={String(value ?? '')}
          maxLength={column.most}
          status={String(value ?? '').trim() === '' ? 'error' : ''}
          onChange={({ target }) => onChange(target.value)}
        />
      );
    case 'choice':
      return (
        <Select
          aria-label={name}
          value={value as string}
          options={column.options.map(([option, words]) => ({ value: option, label: words }))}
          onChange={onChange}
        />
      );
    case 'number':
      return (
        <NumberCell column={column} name={name} value={value as number | undefined} onChange={onChange} />
      );
    case 'own':
      return column.cell(row, name, onChange);
  }
}

/** Decimals of what is in no quantity. */
const PLAIN_DIGITS = 3;

function NumberCell<Row>({
  column: { from, to, quantity, unit, times = 1, isWhole = false, whenEmpty },
  name,
  value,
  onChange,
}: {
  readonly column: NumberColumn<Row>;
  readonly name: string;
  readonly value: number | undefined;
  readonly onChange: (value: number | undefined) => void;
}) {
  const system = useUnits((state) => state.system);
  const digits = quantity ? QUANTITIES[quantity][system].digits + 1 : PLAIN_DIGITS;
  const shown = (stored: number): number =>
    Number((quantity ? toShown(quantity, stored, system) : stored * times).toFixed(digits));
  return (
    <NumberInput
      name={name}
      value={value === undefined ? null : shown(value)}
      from={shown(from)}
      to={shown(to)}
      unit={quantity ? QUANTITIES[quantity][system].symbol : unit}
      digits={digits}
      isWhole={isWhole}
      placeholder={whenEmpty}
      onClear={whenEmpty === undefined ? undefined : () => onChange(undefined)}
      onChange={(typed) => onChange(quantity ? toStored(quantity, typed, system) : typed / times)}
    />
  );
}
