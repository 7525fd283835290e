import type { NewEntry } from '@blue-ledge/core';
import { isPending, type Entry, type PanelKey, type RecordEntry } from './entry.ts';
import { decide, nextOrder } from './row.ts';
import { sendAll } from './sender.ts';

/** Entries of records: kept here first, seen at once, sent in their order when the server is there. */

const isRecord = (entry: Entry): entry is RecordEntry => entry.kind === 'record';

interface Entered {
  readonly entry: NewEntry;
  readonly title: string;
  readonly photo?: Blob | undefined;
}

/** Puts an entry into the row. */
export const enter = (at: PanelKey, entry: NewEntry, title: string, photo?: Blob): void =>
  enterAll(at, [{ entry, title, photo }]);

/** Puts entries into the row, in their order and together: all of them or none. */
export function enterAll(at: PanelKey, entered: readonly Entered[]): void {
  const heads = entered.map(
    ({ entry, title, photo }) =>
      ({
        kind: 'record',
        key: crypto.randomUUID(),
        state: 'waiting',
        at,
        title,
        entry,
        ...(photo ? { photo } : {}),
      }) as const,
  );
  void decide((row) => {
    const first = nextOrder(row);
    return { put: heads.map((head, i) => ({ ...head, order: first + i })) };
  }).then(sendAll);
}

/** Entries of a panel that are not on the server: on their way, or refused. */
export const unsentEntries = (row: readonly Entry[], { job, panel }: PanelKey): RecordEntry[] =>
  row.filter(
    (entry): entry is RecordEntry =>
      isRecord(entry) && isPending(entry) && entry.at.job === job && entry.at.panel === panel,
  );

/** Enters a refused one once more: as done a second time, or as work that belongs to no step. */
export function enterAfterAll({ key }: RecordEntry, as: 'done-again' | 'without-step'): void {
  const newer = crypto.randomUUID();
  void decide((row) => {
    const refused = row.find((entry): entry is RecordEntry => isRecord(entry) && entry.key === key);
    if (refused?.state !== 'refused') return {};
    const { lines: _lines, refusedAs: _as, ...head } = refused;
    const { step, ...body } = refused.entry.body as { readonly step?: unknown };
    const said = as === 'done-again' ? { ...body, step, again: true } : body;
    const entry = { ...refused.entry, body: said } as NewEntry;
    return { put: [{ ...head, key: newer, entry, state: 'waiting' }], gone: [key] };
  }).then(sendAll);
}
