import type { NewEntry, OwnFiguresView, RecordFacets, RecordPage, RecordView } from '@blue-ledge/core';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { RecordEntry } from '../outbox/entry.ts';
import { unsentEntries } from '../outbox/record.ts';
import { useOutbox } from '../outbox/row.ts';
import { ask } from './http.ts';
import { panelPath, recordQueryKey, type PanelKey } from './queries.ts';

/** Records as this person sees them: what the server has, and what is on its way to it. */

export interface PanelRecord {
  readonly entries: readonly NewEntry[];
  /** Not on the server yet. */
  readonly waiting: readonly RecordEntry[];
  /** The server said no. */
  readonly refused: readonly RecordEntry[];
  readonly kept: RecordView | undefined;
}

/** The record of a panel; what was entered here is in it at once. */
export function usePanelRecord(key: PanelKey) {
  const { data: kept, error } = useQuery({
    queryKey: recordQueryKey(key),
    queryFn: () => ask<RecordView>(`${panelPath(key)}/record`),
  });
  const row = useOutbox((state) => state.entries);
  const record = useMemo((): PanelRecord => {
    const unsent = unsentEntries(row, key);
    const waiting = unsent.filter(({ state }) => state !== 'refused');
    const known = new Set(kept?.entries.map(({ id }) => id));
    const mine = waiting.flatMap(({ entry }) => (known.has(entry.id) ? [] : [entry]));
    return {
      entries: [...(kept?.entries ?? []), ...mine],
      waiting,
      refused: unsent.filter(({ state }) => state === 'refused'),
      kept,
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a key is two words
  }, [row, kept, key.job, key.panel]);
  return { record, error };
}

/** What is looked for in all records. */
export type RecordAsk = Readonly<Record<string, string>>;

export const useEntries = (asked: RecordAsk) =>
  useQuery({
    queryKey: ['entries', asked],
    queryFn: () => ask<RecordPage>(`/record?${new URLSearchParams(asked)}`),
    placeholderData: keepPreviousData,
  });

/** People, products and panels that entries tell of. */
export const useRecordFacets = () =>
  useQuery({ queryKey: ['entries', 'facets'], queryFn: () => ask<RecordFacets>('/record/facets') });

/** What a shop's records say of its figures. */
export const useOwnFigures = (shopId: string) =>
  useQuery({
    queryKey: ['own-figures', shopId],
    queryFn: () => ask<OwnFiguresView>(`/shops/${shopId}/own-figures`),
  });
