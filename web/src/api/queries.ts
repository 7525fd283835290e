import type { JobSummary, JobView, PanelView, PlanView } from '@blue-ledge/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { PanelKey } from '../state/drafts.ts';
import { ask, newKey } from './http.ts';

/** Hooks on what the server owns. */

export type { PanelKey } from '../state/drafts.ts';

export const panelPath = ({ job, panel }: PanelKey): string =>
  `${jobPath(job)}/panels/${encodeURIComponent(panel)}`;
export const panelQueryKey = ({ job, panel }: PanelKey) => ['panel', job, panel] as const;
const planQueryKey = ({ job, panel }: PanelKey) => ['plan', job, panel] as const;

export const useJobs = () => useQuery({ queryKey: ['jobs'], queryFn: () => ask<JobSummary[]>('/jobs') });

export const jobPath = (job: string): string => `/jobs/${encodeURIComponent(job)}`;
export const jobQueryKey = (job: string) => ['job', job] as const;

export const useJob = (id: string) =>
  useQuery({ queryKey: jobQueryKey(id), queryFn: () => ask<JobView>(jobPath(id)) });

export const usePanel = (key: PanelKey) =>
  useQuery({ queryKey: panelQueryKey(key), queryFn: () => ask<PanelView>(panelPath(key)) });

export const usePlan = (key: PanelKey) =>
  useQuery({
    queryKey: planQueryKey(key),
    queryFn: () => ask<{ plan: PlanView | null }>(`${panelPath(key)}/plans/latest`).then(({ plan }) => plan),
  });

/** Takes a job file in. */
export function useTakeJob() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (text: string) => ask<{ id: string }>('/jobs', { method: 'POST', body: text, key: newKey() }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
}

/** Plans the panel as it is surveyed now. */
export function useMakePlan(key: PanelKey) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask<PlanView>(`${panelPath(key)}/plans`, { method: 'POST', key: newKey() }),
    onSuccess: (plan) => client.setQueryData(planQueryKey(key), plan),
  });
}

/** Chooses a system of the plan; shown at once, put right when the server disagrees. */
export function useChooseSystem(key: PanelKey, plan: PlanView | null | undefined) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (systemId: string) =>
      ask<{ chosen: string; version: number }>(`${panelPath(key)}/plans/${plan!.id}/choice`, {
        method: 'PUT',
        body: { systemId, version: plan!.version },
        key: newKey(),
      }),
    onSuccess: (answer) =>
      client.setQueryData<PlanView | null>(planQueryKey(key), (old) => (old ? { ...old, ...answer } : null)),
    onError: () => client.invalidateQueries({ queryKey: planQueryKey(key) }),
  });
}
