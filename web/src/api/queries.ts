import type { JobSummary, JobView, PanelView, PlanView } from '@blue-ledge/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Unreachable, ask, newKey } from './http.ts';

/** Hooks on what the server owns. */

export interface PanelKey {
  readonly job: string;
  readonly panel: string;
}

const panelPath = ({ job, panel }: PanelKey): string =>
  `/jobs/${encodeURIComponent(job)}/panels/${encodeURIComponent(panel)}`;
export const panelQueryKey = ({ job, panel }: PanelKey) => ['panel', job, panel] as const;
const planQueryKey = ({ job, panel }: PanelKey) => ['plan', job, panel] as const;

export const useJobs = () => useQuery({ queryKey: ['jobs'], queryFn: () => ask<JobSummary[]>('/jobs') });

export const useJob = (id: string) =>
  useQuery({ queryKey: ['job', id], queryFn: () => ask<JobView>(`/jobs/${encodeURIComponent(id)}`) });

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

export interface JobChange {
  readonly shop?: Partial<JobView['shop']>;
  readonly target?: Partial<JobView['job']['target']>;
}

const changed = (view: JobView, { shop, target }: JobChange): JobView => ({
  ...view,
  shop: { ...view.shop, ...shop },
  job: { ...view.job, target: { ...view.job.target, ...target } },
});

/** Changes a job's shop or target: shown at once, sent one after the other, and again when the server was away. */
export function usePatchJob(id: string) {
  const client = useQueryClient();
  const queryKey = ['job', id];
  const show = (update: (view: JobView) => JobView): void =>
    void client.setQueryData<JobView>(queryKey, (view) => view && update(view));
  const mutation = useMutation({
    scope: { id: `job ${id}` },
    retry: (nTries, error) => error instanceof Unreachable && nTries < 60,
    retryDelay: 1500,
    mutationFn: async ({ change, key }: { change: JobChange; key: string }) => {
      const view = client.getQueryData<JobView>(queryKey)!;
      const next = changed(view, change);
      const body = {
        version: view.version,
        ...(change.shop ? { shop: next.shop } : { target: next.job.target }),
      };
      return ask<{ version: number }>(`/jobs/${encodeURIComponent(id)}`, { method: 'PATCH', body, key });
    },
    onMutate: ({ change }) => show((view) => changed(view, change)),
    onSuccess: ({ version }) => {
      show((view) => ({ ...view, version }));
      void client.invalidateQueries({ queryKey: ['panel', id] });
      void client.invalidateQueries({ queryKey: ['plan', id] });
    },
    onError: () => client.invalidateQueries({ queryKey }),
  });
  return { error: mutation.error, change: (change: JobChange) => mutation.mutate({ change, key: newKey() }) };
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
