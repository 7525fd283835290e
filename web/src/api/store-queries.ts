import type { BackupsView, IntegrityView, RemovedPanel, Verification } from '@blue-ledge/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, newKey } from './http.ts';
import { jobPath, jobQueryKey } from './queries.ts';

/** What the server keeps of the shop: whether it is whole, its backups, and what was removed. */

const integrityKey = ['integrity'] as const;
const backupsKey = ['backups'] as const;
/** How often is asked for what is still being looked through. */
const LOOK_EVERY_MS = 2000;

/** Whether all that was written is as it was written, by what the server found last. */
export const useIntegrity = () =>
  useQuery({
    queryKey: integrityKey,
    queryFn: () => ask<IntegrityView>('/integrity'),
    refetchInterval: ({ state }) => (state.data?.isRunning ? LOOK_EVERY_MS : false),
  });

/** Looks through everything now, photos too. */
export function useVerify() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask<Verification>('/integrity', { method: 'POST' }),
    onSuccess: (last) =>
      client.setQueryData(integrityKey, { last, isRunning: false } satisfies IntegrityView),
  });
}

export const useBackups = () =>
  useQuery({ queryKey: backupsKey, queryFn: () => ask<BackupsView>('/backups') });

function useBackupsWrite<Asked>(write: (asked: Asked) => Promise<BackupsView>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: (view) => client.setQueryData(backupsKey, view),
    // One that was made and not copied is there all the same.
    onError: () => client.invalidateQueries({ queryKey: backupsKey }),
  });
}

export const useBackUp = () => useBackupsWrite(() => ask<BackupsView>('/backups', { method: 'POST' }));

export const useSecondFolder = () =>
  useBackupsWrite((body: { readonly folder: string | null; readonly from: number }) =>
    ask<BackupsView>('/backups/second-folder', { method: 'PUT', body, key: newKey() }),
  );

/** Panels that were removed from a job and can be put back. */
export const useRemovedPanels = (job: string) =>
  useQuery({
    queryKey: [...jobQueryKey(job), 'removed'],
    queryFn: () => ask<RemovedPanel[]>(`${jobPath(job)}/removed-panels`),
  });
