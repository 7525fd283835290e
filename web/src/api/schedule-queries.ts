import type {
  NotEntered,
  ScheduleChanges,
  ScheduleMove,
  ScheduleProgress,
  ShopScheduleView,
} from '@blue-ledge/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, newKey } from './http.ts';

/** The schedule of a shop, as the server keeps it. */

const path = (shop: string): string => `/shops/${encodeURIComponent(shop)}/schedule`;
const AGAIN_MS = 60_000;
const queryKey = (shop: string): string[] => ['schedule', shop];

/** Address of a person's calendar: to save, or to subscribe to. */
export const calendarPath = (shop: string, person: string): string =>
  `/api${path(shop)}/people/${encodeURIComponent(person)}.ics`;

/** The schedule of a shop; asked for once it is known which. */
export const useSchedule = (shop: string | undefined, everyMs = AGAIN_MS) =>
  useQuery({
    queryKey: queryKey(shop ?? ''),
    queryFn: () => ask<ShopScheduleView>(path(shop!)),
    enabled: shop !== undefined,
    // Time alone changes it: a step that nobody entered comes again from now on.
    refetchInterval: everyMs,
  });

/** How far a schedule is that was asked for under a key. */
export const useScheduleProgress = (shop: string, key: string | null) =>
  useQuery({
    queryKey: [...queryKey(shop), 'progress', key],
    queryFn: () => ask<ScheduleProgress>(`${path(shop)}/progress/${key}`),
    enabled: key !== null,
    refetchInterval: 400,
  });

/** Takes back the move that made a version of the schedule. */
export function useUndoMove(shop: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (version: number) =>
      ask<ShopScheduleView>(`${path(shop)}/undo`, { method: 'POST', body: { version }, key: newKey() }),
    onSuccess: (made) => client.setQueryData(queryKey(shop), made),
  });
}

export interface SearchAsk {
  readonly kind: 'search' | 'anew';
  readonly key: string;
  readonly stop: AbortSignal;
}

/** Looks for a better schedule, or starts anew from now; may be stopped. */
export function useSearchSchedule(shop: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ kind, key, stop }: SearchAsk) =>
      ask<ShopScheduleView>(path(shop), { method: 'POST', body: { kind }, key, stop }),
    onSuccess: (made) => client.setQueryData(queryKey(shop), made),
  });
}

/** Says that steps that should be done by now were not done yet. */
export function useNotYet(shop: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (steps: readonly Pick<NotEntered, 'jobId' | 'panelId' | 'n'>[]) =>
      ask<ShopScheduleView>(`${path(shop)}/not-yet`, {
        method: 'POST',
        body: { steps: steps.map(({ jobId, panelId, n }) => ({ jobId, panelId, n })) },
        key: newKey(),
      }),
    onSuccess: (made) => client.setQueryData(queryKey(shop), made),
  });
}

/** Moves steps to a time, or lets them go; the rest follows. */
export function useMoveSteps(shop: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (moves: readonly ScheduleMove[]) =>
      ask<ShopScheduleView>(`${path(shop)}/moves`, {
        method: 'POST',
        body: { moves },
        key: newKey(),
      }),
    onSuccess: (made) => client.setQueryData(queryKey(shop), made),
  });
}

/** What a move would come to; nothing is moved. */
export const tryMove = (shop: string, move: ScheduleMove, stop: AbortSignal): Promise<ScheduleChanges> =>
  ask<ScheduleChanges>(`${path(shop)}/trials`, {
    method: 'POST',
    body: { moves: [move] },
    stop,
  });
