import {
  byProduct,
  type Can,
  type CanMove,
  type CanMoveView,
  type CanView,
  type Need,
} from '@blue-ledge/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { ask, newKey } from './http.ts';
import { useSheetsOfShop } from './shelf-queries.ts';

/** What the server keeps of a shop's cans. */

const path = (shop: string): string => `/shops/${encodeURIComponent(shop)}/stock`;
const queryKey = (shop: string): string[] => ['stock', shop];

export const useStock = (shop: string) =>
  useQuery({ queryKey: queryKey(shop), queryFn: () => ask<CanView[]>(path(shop)) });

/** The same under the products that they are poured for. */
export function useCansByProduct(shop: string): readonly CanView[] | undefined {
  const { data: cans } = useStock(shop);
  const sheets = useSheetsOfShop(shop);
  return useMemo(() => {
    const byId = new Map(sheets?.map((sheet) => [sheet.id, sheet]));
    return cans && sheets && byProduct(cans, (id) => byId.get(id));
  }, [cans, sheets]);
}

/** What the plans of the shop's open jobs need; worked out anew each time. */
export const useNeeds = (shop: string) =>
  useQuery({ queryKey: ['needs', shop], queryFn: () => ask<Need[]>(`${path(shop)}/needs`) });

export const useCanMoves = (shop: string, can: string) =>
  useQuery({
    queryKey: [...queryKey(shop), can, 'moves'],
    queryFn: () => ask<CanMoveView[]>(`${path(shop)}/${encodeURIComponent(can)}/moves`),
  });

export interface CanSave {
  readonly can: Can;
  /** The version that was changed; 0 for a new one. */
  readonly from: number;
}

/** Keeps what is known of cans, one after the other. */
export function useSaveCans(shop: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (cans: readonly CanSave[]) => {
      for (const { can, from } of cans)
        await ask(`${path(shop)}/${encodeURIComponent(can.id)}`, {
          method: 'PUT',
          body: { can, from },
          key: newKey(),
        });
    },
    onSettled: () => client.invalidateQueries({ queryKey: queryKey(shop) }),
  });
}

/** Books what was taken or found, all of it or nothing. */
export function useMoveCans(shop: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (moves: readonly CanMove[]) =>
      ask<CanView[]>(`${path(shop)}/moves`, { method: 'POST', body: { moves }, key: newKey() }),
    onSettled: () => client.invalidateQueries({ queryKey: queryKey(shop) }),
  });
}
