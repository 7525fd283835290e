import { LAYER_KIND_NAMES, type LayerKind } from '../materials/layer-kinds.ts';
import { SHEET_NUMBERS } from '../materials/sheet-fields.ts';
import { sheetSchema, type ProductSheet } from '../materials/sheet.ts';
import { isSameJson } from '../units/canonical.ts';
import { movedPoint, readNumber } from '../units/numbers.ts';
import { problemsOf } from './job-file.ts';

/**
 * Product sheets as a table, one a row, for a spreadsheet. A column is a field by its path; the lists of a sheet are
 * written as words: `build base 4 @1.55 52%; hardener 1 @1.02 45%` for what is mixed, `20:240; 60:25` for cure (°C to
 * minutes), `epoxy P180-P500; steel P80-P180 unsanded` for what it may lie on. What its columns cannot say stands in the
 * last one as JSON, so that a sheet comes back as it went out, to the last digit.
 */

/** Columns that hold text as it is. */
const WORDS = ['id', 'name', 'kind', 'use', 'form', 'pack', 'carrier', 'recoat.past'] as const;
const YES = ['resistsCorrosion', 'coversBareSpots', 'isArchived'] as const;
const LISTS = ['components', 'cure', 'over', 'tonesL', 'hazards'] as const;
/** What its columns do not say, as JSON: ways of mixing, hardeners by temperature, tables of flash times; it goes before them. */
const MORE = 'more';
export const SHEET_COLUMNS: readonly string[] = [...WORDS, ...SHEET_NUMBERS, ...YES, ...LISTS, MORE];

type Row = Readonly<Record<string, string>>;

const at = (value: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>((node, name) => (node as Record<string, unknown> | undefined)?.[name], value);

function put(target: Record<string, unknown>, path: string, value: unknown): void {
  const names = path.split('.');
  const last = names.pop()!;
  let node = target;
  for (const name of names) node = (node[name] ??= {}) as Record<string, unknown>;
  node[last] = value;
}

/** Places by which the point of a share moves to make it percent. */
const PERCENT_PLACES = 2;

/** A word that a spreadsheet would take for a formula is kept from being one. */
const plain = (text: string): string => (/^[=+@\t\r-]/.test(text) ? `'${text}` : text);
const unplain = (text: string): string => text.replace(/^'(?=[=+@\t\r-])/, '');

/** The columns of a sheet but the last one. */
function columnsOf(sheet: ProductSheet): Row {
  const { components, cure, over, overUnsanded, tonesL, hazards } = sheet;
  const lists = {
    components: components
      .map(
        (c) =>
          `${c.name} ${c.parts}${c.gramsPerMl === undefined ? '' : ` @${c.gramsPerMl}`} ${movedPoint(String(c.volumeSolids), PERCENT_PLACES)}%`,
      )
      .join('; '),
    cure: cure.map(({ celsius, minutes }) => `${celsius}:${minutes}`).join('; '),
    over: Object.entries(over)
      .map(
        ([kind, { coarsest, finest }]) =>
          `${kind} ${coarsest}-${finest}${overUnsanded.includes(kind as LayerKind) ? ' unsanded' : ''}`,
      )
      .join('; '),
    tonesL: tonesL.join('; '),
    hazards: hazards.join('; '),
  };
  const text = (value: unknown): string => (value === undefined || value === null ? '' : String(value));
  return {
    ...Object.fromEntries(WORDS.map((path) => [path, plain(text(at(sheet, path)))])),
    ...Object.fromEntries(SHEET_NUMBERS.map((path) => [path, text(at(sheet, path))])),
    ...Object.fromEntries(YES.map((path) => [path, at(sheet, path) ? 'yes' : ''])),
    ...Object.fromEntries(Object.entries(lists).map(([name, list]) => [name, plain(list)])),
  };
}

/** A sheet as a row of text; what its columns would not bring back stands in the last one. */
export function rowOfSheet(sheet: ProductSheet): Row {
  const columns = columnsOf(sheet);
  const { fields } = fieldsOf(columns);
  const back: Record<string, unknown> = sheetSchema.safeParse(fields).data ?? fields;
  const more = Object.entries(sheet).filter(
    ([name, value]) => name !== 'version' && !isSameJson(value, back[name]),
  );
  return { ...columns, [MORE]: more.length === 0 ? '' : JSON.stringify(Object.fromEntries(more)) };
}

export type ReadRow =
  | { readonly ok: true; readonly sheet: ProductSheet }
  | { readonly ok: false; readonly problems: readonly string[] };

const partsOf = (text: string): string[] =>
  text
    .split(';')
    .map((part) => part.trim())
    .filter((part) => part !== '');

const COMPONENT = /^(.+?)\s+([\d.,]+)(?:\s+@([\d.,]+))?\s+([\d.,]+)\s*%$/;
const CURE = /^(-?[\d.,]+)\s*:\s*([\d.,]+)$/;
const GROUND = /^(\S+)\s+(P\d+)-(P\d+)(\s+unsanded)?$/;

/** What a number field says; its text where that is no number, for the schema to refuse. */
const numberIn = (text: string): unknown => readNumber(text) ?? text;

/** A share of 1 that is written in percent: its point is moved in the text, for dividing would cost digits. */
function shareIn(text: string): unknown {
  const percent = readNumber(text);
  return percent === null ? text : Number(movedPoint(String(percent), -PERCENT_PLACES));
}

/** What is wrong with a column. */
interface ColumnProblem {
  readonly column: string;
  readonly message: string;
}

function listsOf(row: Row, problems: ColumnProblem[]): Record<string, unknown> {
  const read = <T>(column: string, form: RegExp, like: string, make: (found: RegExpMatchArray) => T): T[] =>
    partsOf(unplain(row[column] ?? '')).flatMap((part) => {
      const found = part.match(form);
      if (found) return [make(found)];
      problems.push({ column, message: `${column}: "${part}" is not like "${like}"` });
      return [];
    });
  const components = read(
    'components',
    COMPONENT,
    'base 4 @1.55 52%',
    ([, name, parts, density, solids]) => ({
      name,
      parts: numberIn(parts!),
      ...(density === undefined ? {} : { gramsPerMl: numberIn(density) }),
      volumeSolids: shareIn(solids!),
    }),
  );
  const cure = read('cure', CURE, '20:240', ([, celsius, minutes]) => ({
    celsius: numberIn(celsius!),
    minutes: numberIn(minutes!),
  }));
  const grounds = read('over', GROUND, 'epoxy P180-P500', ([, kind, coarsest, finest, unsanded]) => ({
    kind: kind!,
    range: { coarsest, finest },
    unsanded: unsanded !== undefined,
  }));
  for (const { kind } of grounds)
    if (!LAYER_KIND_NAMES.includes(kind as LayerKind))
      problems.push({ column: 'over', message: `over: "${kind}" is no layer` });
  return {
    components,
    cure,
    over: Object.fromEntries(grounds.map(({ kind, range }) => [kind, range])),
    overUnsanded: grounds.filter(({ unsanded }) => unsanded).map(({ kind }) => kind),
    tonesL: partsOf(row['tonesL'] ?? '').map(numberIn),
    hazards: partsOf(row['hazards'] ?? ''),
  };
}

/** @throws {SyntaxError} for text that is no JSON object */
function moreIn(text: string | undefined): object {
  if (!text?.trim()) return {};
  const more: unknown = JSON.parse(text);
  if (typeof more !== 'object' || more === null || Array.isArray(more)) throw new SyntaxError('no object');
  return more;
}

/** What the columns of a row say, unchecked, and which of them say nothing that can be read. */
function fieldsOf(row: Row): { fields: Record<string, unknown>; problems: readonly ColumnProblem[] } {
  const problems: ColumnProblem[] = [];
  // Groups are there though all of their columns are missing: each column is then named.
  const fields: Record<string, unknown> = {
    film: {},
    flash: {},
    recoat: {},
    climate: {},
    ...listsOf(row, problems),
  };
  for (const path of WORDS) if (row[path]?.trim()) put(fields, path, unplain(row[path]));
  for (const path of SHEET_NUMBERS) if (row[path]?.trim()) put(fields, path, numberIn(row[path].trim()));
  for (const path of YES)
    if (row[path]?.trim()) put(fields, path, /^(yes|true|1|x)$/i.test(row[path].trim()));
  fields['sandAfterMin'] ??= null;
  return { fields, problems };
}

/** A row as a sheet, or all that is wrong with it, by column. Columns that are missing or empty are left out. */
export function sheetOfRow(row: Row): ReadRow {
  const { fields, problems } = fieldsOf(row);
  let more: object;
  try {
    more = moreIn(row[MORE]);
  } catch {
    const message = `${MORE} is not JSON: leave it as it was written, or empty`;
    return { ok: false, problems: [...problems.map((problem) => problem.message), message] };
  }
  const unread = problems.filter(({ column }) => !(column in more));
  if (unread.length > 0) return { ok: false, problems: unread.map(({ message }) => message) };
  const parsed = sheetSchema.safeParse({ ...fields, ...more });
  return parsed.success
    ? { ok: true, sheet: parsed.data }
    : { ok: false, problems: problemsOf(parsed.error).map(({ path, message }) => `${path} ${message}`) };
}
