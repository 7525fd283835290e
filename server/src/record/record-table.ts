import { KIND_WORDS, entryWords, type FoundEntry } from '@blue-ledge/core';
import Papa from 'papaparse';

/** Entries as a table: one row each, figures in the metric units that are in their words. */

const COLUMNS = [
  'at',
  'by',
  'job',
  'panel',
  'kind',
  'what',
  'more',
  'takenBack',
  'product',
  'zones',
  'id',
  'hash',
] as const;

/** A cell that a table program would take for a formula is kept a text. */
const asText = (cell: string): string => (/^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);

function rowOf({ entry, jobTitle, panelName, isWithdrawn }: FoundEntry): string[] {
  const { title, more } = entryWords(entry, { system: 'metric', nameOf: (id) => id });
  const body = entry.body as {
    readonly sheetId?: string;
    readonly zones?: readonly string[];
    readonly zone?: string;
  };
  const zones = body.zones ?? (body.zone === undefined ? [] : [body.zone]);
  return [
    entry.at,
    entry.by,
    jobTitle,
    panelName,
    KIND_WORDS[entry.kind],
    title,
    more,
    isWithdrawn ? 'yes' : '',
    body.sheetId ?? '',
    zones.join(' '),
    entry.id,
    entry.hash,
  ].map(asText);
}

/** The table in parts, one for each page of entries; the first has the names of the columns. */
export async function* recordTable(pages: AsyncIterable<readonly FoundEntry[]>): AsyncGenerator<string> {
  yield Papa.unparse([[...COLUMNS]]);
  for await (const entries of pages) yield `\r\n${Papa.unparse(entries.map(rowOf))}`;
}

/** The same entries as one JSON list, in parts. */
export async function* recordList(pages: AsyncIterable<readonly FoundEntry[]>): AsyncGenerator<string> {
  let mark = '[';
  for await (const entries of pages) {
    yield `${mark}${entries.map((entry) => JSON.stringify(entry)).join(',\n')}`;
    mark = ',\n';
  }
  yield mark === '[' ? '[]' : ']';
}
