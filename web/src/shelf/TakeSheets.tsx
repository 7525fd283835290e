import {
  SHEET_COLUMNS,
  problemsOf,
  rowOfSheet,
  sheetOfRow,
  sheetSchema,
  type ProductSheet,
  type ReadRow,
  type ShopView,
} from '@blue-ledge/core';
import { Button, Dropdown } from 'antd';
import Papa from 'papaparse';
import { useRef, useState, type ChangeEvent } from 'react';
import { useTakeSheets, type Taken } from '../api/shelf-queries.ts';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { saveAs } from '../shared/save-as.ts';
import { DownloadOutlined, UploadOutlined } from '../shared/icons.tsx';
import { Problem } from '../shared/Problem.tsx';

interface TakeSheetsProps {
  readonly shop: ShopView;
  readonly own: readonly ProductSheet[];
}

const MOST_BYTES = 8_000_000;
const MOST_SHOWN = 200;

/** One row of a file as it was read. */
interface Line {
  readonly n: number;
  readonly name: string;
  readonly read: ReadRow;
}

/** Sheets go out as JSON or as a table, and come in from either once a preview has said what is in each row. */
export function TakeSheets({ shop, own }: TakeSheetsProps) {
  const file = useRef<HTMLInputElement>(null);
  const take = useTakeSheets(shop.id);
  const [lines, setLines] = useState<readonly Line[] | null>(null);
  const [problem, setProblem] = useState<Error | null>(null);
  const [taken, setTaken] = useState<Taken | null>(null);

  const open = async ({ target }: ChangeEvent<HTMLInputElement>): Promise<void> => {
    const picked = target.files?.[0];
    target.value = '';
    if (!picked) return;
    setProblem(null);
    setTaken(null);
    setLines(null);
    if (picked.size > MOST_BYTES)
      return setProblem(new Error(`${picked.name} is larger than 8 MB. Split it.`));
    const read = linesOf(await picked.text(), picked.name);
    if (read.ok) setLines(read.lines);
    else setProblem(new Error(read.message));
  };
  const good = (lines ?? []).flatMap(({ read }) => (read.ok ? [read.sheet] : []));
  const isWhole = good.length > 0 && good.length === lines?.length;
  const send = (): void =>
    take.mutate(good, {
      onSuccess: (answer) => {
        setLines(null);
        setTaken(answer);
      },
    });
  const close = (): void => {
    setLines(null);
    setProblem(null);
    setTaken(null);
  };
  return (
    <>
      <input
        ref={file}
        type="file"
        accept=".json,.csv,application/json,text/csv"
        className="visually-hidden"
        aria-label="File of product sheets"
        onChange={(event) => void open(event)}
      />
      <Button icon={<UploadOutlined />} onClick={() => file.current?.click()}>
        Take in a file
      </Button>
      <Dropdown
        disabled={own.length === 0}
        menu={{
          items: [
            { key: 'json', label: 'As JSON' },
            { key: 'csv', label: 'As a table (CSV)' },
          ],
          onClick: ({ key }) =>
            key === 'json'
              ? saveAs(
                  `${slugOf(shop)}-sheets.json`,
                  'application/json',
                  JSON.stringify({ sheets: own }, null, 2),
                )
              : saveAs(
                  `${slugOf(shop)}-sheets.csv`,
                  'text/csv',
                  Papa.unparse({ fields: [...SHEET_COLUMNS], data: own.map(rowOfSheet) }),
                ),
        }}
      >
        <Button icon={<DownloadOutlined />}>Save them…</Button>
      </Dropdown>
      {(lines ?? problem ?? taken) !== null && (
        <Dialog
          width={720}
          title={taken ? 'Taken in' : 'What the file holds'}
          act={{
            label: taken ? 'Good' : `Take in ${good.length === 1 ? '1 sheet' : `${good.length} sheets`}`,
            run: taken ? close : send,
            isBusy: take.isPending,
            isOff: !taken && !isWhole,
          }}
          onClose={close}
        >
          {problem && <Problem error={problem} />}
          {take.error && <Problem error={take.error} />}
          {taken && (
            <p>
              {taken.nNew} new, {taken.nChanged} changed, {taken.nSame} as they were.
            </p>
          )}
          {lines && <Preview lines={lines} own={own} isWhole={isWhole} />}
        </Dialog>
      )}
    </>
  );
}

const slugOf = ({ name }: ShopView): string => name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'shop';

interface PreviewProps {
  readonly lines: readonly Line[];
  readonly own: readonly ProductSheet[];
  readonly isWhole: boolean;
}

function Preview({ lines, own, isWhole }: PreviewProps) {
  const known = new Set(own.map(({ id }) => id));
  const wrongFirst = [...lines.filter(({ read }) => !read.ok), ...lines.filter(({ read }) => read.ok)];
  return (
    <>
      {!isWhole && (
        <p>
          Some rows cannot be read. Nothing is taken in until all can: mend them in the file and open it
          again.
        </p>
      )}
      <table className="sheet-table">
        <thead>
          <tr>
            <th scope="col">Row</th>
            <th scope="col">Product</th>
            <th scope="col">What it comes to</th>
          </tr>
        </thead>
        <tbody>
          {wrongFirst.slice(0, MOST_SHOWN).map(({ n, name, read }) => (
            <tr key={n}>
              <td>{n}</td>
              <td>{name}</td>
              <td>
                {read.ok
                  ? known.has(read.sheet.id)
                    ? `another version of “${read.sheet.id}”`
                    : 'new'
                  : read.problems.map((words) => <p key={words}>{words}</p>)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {lines.length > MOST_SHOWN && <p className="note">{lines.length - MOST_SHOWN} more rows.</p>}
    </>
  );
}

type ReadFile =
  { readonly ok: true; readonly lines: readonly Line[] } | { readonly ok: false; readonly message: string };

const withoutMark = (text: string): string => (text.startsWith('\uFEFF') ? text.slice(1) : text);

function linesOf(text: string, name: string): ReadFile {
  const isJson = /^\s*[[{]/.test(withoutMark(text));
  const lines = isJson ? linesOfJson(withoutMark(text)) : linesOfTable(withoutMark(text));
  if (lines === null)
    return {
      ok: false,
      message: `${name} is neither JSON with "sheets" nor a table with the columns id, name and kind.`,
    };
  return lines.length === 0
    ? { ok: false, message: `${name} holds no sheet.` }
    : { ok: true, lines: oncePerId(lines) };
}

/** Of two rows with one id the later is refused: which of them should stay? */
function oncePerId(lines: readonly Line[]): Line[] {
  const seen = new Map<string, number>();
  return lines.map((line) => {
    if (!line.read.ok) return line;
    const { id } = line.read.sheet;
    const first = seen.get(id);
    if (first === undefined) {
      seen.set(id, line.n);
      return line;
    }
    return { ...line, read: { ok: false, problems: [`id "${id}" is in row ${first} already`] } };
  });
}

const nameOf = (value: unknown): string => {
  const { name, id } = (value ?? {}) as { name?: unknown; id?: unknown };
  return String(name ?? id ?? '');
};

function linesOfJson(text: string): Line[] | null {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return null;
  }
  const list: unknown = Array.isArray(value) ? value : (value as { sheets?: unknown }).sheets;
  if (!Array.isArray(list)) return null;
  return list.map((each, i): Line => {
    const parsed = sheetSchema.safeParse(each);
    const read: ReadRow = parsed.success
      ? { ok: true, sheet: parsed.data }
      : { ok: false, problems: problemsOf(parsed.error).map(({ path, message }) => `${path} ${message}`) };
    return { n: i + 1, name: nameOf(each), read };
  });
}

function linesOfTable(text: string): Line[] | null {
  const { data, meta } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' });
  if (!['id', 'name', 'kind'].every((column) => meta.fields?.includes(column))) return null;
  // The first row holds the names of the columns.
  return data.map((row, i) => ({ n: i + 2, name: nameOf(row), read: sheetOfRow(row) }));
}
