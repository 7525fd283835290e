import { meaningsOf, numberProblem, readNumber } from '../units/numbers.ts';
import { formatQuantity, type UnitSystem } from '../units/quantities.ts';
/**
 * Gauge readings from a table that some gauge or spreadsheet wrote: one reading a row, with or without a head, with or
 * without a column that names the zone. Decimal points and decimal commas are both read, and readings in mil.
 */

export interface TableReading {
  /** Id of the zone that the row names; null where it names none. */
  readonly zoneId: string | null;
  readonly um: number;
}

export interface ReadTable {
  readonly readings: readonly TableReading[];
  /** Rows that were left out, and why. */
  readonly problems: readonly string[];
}

type Row = readonly string[];
interface NamedZone {
  readonly id: string;
  readonly name: string;
}

const MOST_UM = 20_000;
const EXAMPLES: Readonly<Record<UnitSystem, string>> = { metric: '92.5 µm', us: '3.6 mil' };
const UM_PER_MIL = 25.4;
const VALUE_HEAD = /µm|\bum\b|micron|mil|reading|thick|film|value/i;
const ZONE_HEAD = /zone|area|spot|place/i;

/** The figure of a cell and its unit, empty where it has none. */
function partsOf(cell: string): { readonly figure: string; readonly unit: string } {
  const [, figure = '', unit = ''] = /^(.*?)\s*(µm|um|mils?)?$/i.exec(cell.replace(/\s+/g, ' ').trim()) ?? [];
  return { figure, unit };
}

/** A cell as µm; null where it holds no number, or one that can be read in two ways. */
function umOf(cell: string, isMil: boolean): number | null {
  const { figure, unit } = partsOf(cell);
  const value = readNumber(figure);
  if (value === null) return null;
  const perUnit = /^mil/i.test(unit) || (unit === '' && isMil) ? UM_PER_MIL : 1;
  return value * perUnit;
}

const isNumber = (cell: string): boolean => meaningsOf(partsOf(cell).figure).length > 0;

/** Whether figures without a unit are mils: by the head of their column, else by the units in force. */
const isInMil = (head: string, system: UnitSystem): boolean =>
  /\bmils?\b/i.test(head) || (system === 'us' && !/µm|\bum\b|micron/i.test(head));

/** A comma-separated table of one column of decimal commas looks like two columns; running numbers do not. */
function joinDecimals(rows: readonly Row[]): readonly Row[] {
  const pairs = rows.every((row) => row.length === 2 && row.every((cell) => /^\d+$/.test(cell.trim())));
  const isCounting = rows.every(([first], i) => Number(first) === Number(rows[0]![0]) + i);
  return pairs && !isCounting && rows.length > 0 ? rows.map(([whole, part]) => [`${whole},${part}`]) : rows;
}

const column = (rows: readonly Row[], at: number): string[] => rows.map((row) => row[at] ?? '');

/** The column of readings: by its head, else the last one that holds mostly numbers; -1 where there is none. */
function valueColumn(head: Row | null, rows: readonly Row[], width: number): number {
  const named = head?.findIndex((cell) => VALUE_HEAD.test(cell)) ?? -1;
  if (named >= 0) return named;
  for (let at = width - 1; at >= 0; at--) {
    const cells = column(rows, at);
    if (cells.filter(isNumber).length * 2 > cells.length) return at;
  }
  return -1;
}

function zoneColumn(head: Row | null, rows: readonly Row[], known: (text: string) => boolean): number {
  const named = head?.findIndex((cell) => ZONE_HEAD.test(cell)) ?? -1;
  if (named >= 0) return named;
  const width = Math.max(0, ...rows.map((row) => row.length));
  return Array.from({ length: width }, (_, at) => at).findIndex((at) => column(rows, at).some(known));
}

/**
 * Readings of a table's rows; rows that cannot be read are named with what is wrong with them.
 * @param system in which figures are that say no unit
 */
export function readingsOfTable(
  table: readonly Row[],
  zones: readonly NamedZone[],
  system: UnitSystem = 'metric',
): ReadTable {
  const filled = joinDecimals(table.filter((row) => row.some((cell) => cell.trim() !== '')));
  const hasHead = filled.length > 0 && !filled[0]!.some(isNumber);
  const head = hasHead ? filled[0]! : null;
  const rows = hasHead ? filled.slice(1) : filled;
  const width = Math.max(0, ...filled.map((row) => row.length));
  const zoneIdOf = (text: string): string | undefined =>
    zones.find(({ id, name }) => [id, name].some((word) => word.toLowerCase() === text.trim().toLowerCase()))
      ?.id;
  const values = valueColumn(head, rows, width);
  if (values < 0)
    return {
      readings: [],
      problems: [`No column of readings: give one number a row, such as ${EXAMPLES[system]}.`],
    };
  const zoneAt = zoneColumn(head, rows, (text) => zoneIdOf(text) !== undefined);
  const isMil = isInMil(head?.[values] ?? '', system);
  const readings: TableReading[] = [];
  const problems: string[] = [];
  rows.forEach((row, i) => {
    const line = i + (hasHead ? 2 : 1);
    const cell = row[values] ?? '';
    const um = umOf(cell, isMil);
    const named = zoneAt >= 0 ? (row[zoneAt] ?? '') : '';
    const zoneId = named === '' ? null : zoneIdOf(named);
    if (um === null && isNumber(cell)) problems.push(`Row ${line}: ${numberProblem(partsOf(cell).figure)}`);
    else if (um === null || um < 0 || um > MOST_UM)
      problems.push(
        `Row ${line}: "${cell.slice(0, 40)}" is no thickness from 0 to ${formatQuantity('Um', MOST_UM, system)}.`,
      );
    else if (zoneId === undefined)
      problems.push(`Row ${line}: "${named.slice(0, 40)}" is no zone of this panel.`);
    else readings.push({ zoneId, um });
  });
  return { readings, problems };
}
