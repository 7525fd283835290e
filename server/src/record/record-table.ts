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

export const recordTable = (entries: readonly FoundEntry[]): string =>
  Papa.unparse({ fields: [...COLUMNS], data: entries.map(rowOf) });
