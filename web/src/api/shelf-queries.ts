import { sheetIdOf, shelfOf, type ProductSheet } from '@blue-ledge/core';
import { useMutation, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { ask, newKey } from './http.ts';

/** What the server keeps of a shop's shelf. */

const path = (shop: string): string => `/shops/${encodeURIComponent(shop)}/sheets`;
const queryKey = (shop: string): string[] => ['sheets', 'of-shop', shop];

/** The shop's own sheets, archived ones as well. */
export const useShopSheets = (shop: string) =>
  useQuery({ queryKey: queryKey(shop), queryFn: () => ask<ProductSheet[]>(path(shop)) });

/** What is worked out from the shelf is asked for again: sheets, whether plans still hold, other products of a step. */
function shelfChanged(client: QueryClient): void {
  for (const name of ['sheets', 'plan', 'products']) void client.invalidateQueries({ queryKey: [name] });
}

export interface SheetSave {
  readonly sheet: ProductSheet;
  readonly from: number;
}

/** Keeps the next version of a sheet. */
export function useSaveSheet(shop: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ sheet, from }: SheetSave) =>
      ask<ProductSheet>(`${path(shop)}/${encodeURIComponent(sheet.id)}`, {
        method: 'PUT',
        body: { sheet, from },
        key: newKey(),
      }),
    onSuccess: (kept) => {
      client.setQueryData<ProductSheet[]>(queryKey(shop), (sheets = []) => [
        ...sheets.filter(({ id }) => id !== kept.id),
        kept,
      ]);
      shelfChanged(client);
    },
    // Somebody else may have saved it meanwhile: what they saved is shown.
    onError: () => client.invalidateQueries({ queryKey: queryKey(shop) }),
  });
}

export interface Taken {
  readonly nNew: number;
  readonly nChanged: number;
  readonly nSame: number;
}

/** Takes sheets in, all of them or none. */
export function useTakeSheets(shop: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (sheets: readonly ProductSheet[]) =>
      ask<Taken>(path(shop), { method: 'POST', body: { sheets }, key: newKey() }),
    onSuccess: () => {
      shelfChanged(client);
    },
  });
}

/** Every product that a shop may keep: its own, and built-in ones for work that none of them does. */
export function useSheetsOfShop(shop: string): readonly ProductSheet[] | undefined {
  const { data } = useShopSheets(shop);
  return useMemo(() => data && [...shelfOf(data).values()].filter(({ id }) => sheetIdOf(id) === id), [data]);
}
