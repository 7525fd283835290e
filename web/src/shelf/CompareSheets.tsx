import {
  formatQuantity,
  labelOf,
  type LayerKind,
  type ProductSheet,
  type UnitSystem,
} from '@blue-ledge/core';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { useUnits } from '../state/units.ts';
import { FIELDS, kindWords, type SheetField } from './sheet-fields.ts';
import { at } from './sheet-path.ts';

interface CompareSheetsProps {
  readonly pair: readonly [ProductSheet, ProductSheet];
  readonly onClose: () => void;
}

/** Two products side by side; where they differ is marked in words and weight, not by colour alone. */
export function CompareSheets({ pair, onClose }: CompareSheetsProps) {
  const system = useUnits((state) => state.system);
  const rows = rowsOf(pair, system);
  return (
    <Dialog title="Two products side by side" width={760} onClose={onClose}>
      <table className="sheet-table compare-sheets">
        <thead>
          <tr>
            <th scope="col">
              <span className="visually-hidden">What</span>
            </th>
            {pair.map(({ id, name }) => (
              <th key={id} scope="col">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ label, values: [a, b] }) => (
            <tr key={label} className={a === b ? '' : 'differs'}>
              <th scope="row">
                {label}
                {a !== b && <span className="visually-hidden">, differs</span>}
              </th>
              <td>{a}</td>
              <td>{b}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Dialog>
  );
}

interface Row {
  readonly label: string;
  readonly values: readonly [string, string];
}

function rowsOf([a, b]: CompareSheetsProps['pair'], system: UnitSystem): Row[] {
  const row = (label: string, say: (sheet: ProductSheet) => string): Row => ({
    label,
    values: [say(a), say(b)],
  });
  return [
    row('Kind', kindWords),
    row('Mixed', mixWords),
    ...FIELDS.filter(({ path }) => at(a, path) !== undefined || at(b, path) !== undefined).map((field) =>
      row(field.label, (sheet) => valueOf(field, sheet, system)),
    ),
    row('Cures', ({ cure }) =>
      cure
        .map(({ celsius, minutes }) => `${minutes} min at ${formatQuantity('Celsius', celsius, system)}`)
        .join(', '),
    ),
    row('Protects bare metal', ({ resistsCorrosion }) => (resistsCorrosion ? 'yes' : 'no')),
    row('Lies on', ({ over }) => (Object.keys(over) as LayerKind[]).map(labelOf).join(', ') || 'nothing'),
    row('Tones, L*', ({ tonesL }) => tonesL.join(', ') || 'not said'),
  ];
}

const mixWords = ({ components }: ProductSheet): string =>
  components.map(({ name, parts }) => `${parts} ${name}`).join(', ');

function valueOf(
  { path, quantity, unit, whenEmpty = 'not said' }: SheetField,
  sheet: ProductSheet,
  system: UnitSystem,
): string {
  const value = (at(sheet, path) ?? null) as number | null;
  if (value === null) return whenEmpty;
  if (quantity) return formatQuantity(quantity, value, system);
  return unit ? `${value} ${unit}` : String(value);
}
