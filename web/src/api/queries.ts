import type {
  JobFile,
  JobSummary,
  JobView,
  Judgement,
  ActInput,
  Panel,
  PanelView,
  PlanView,
  ProductSheet,
  Schools,
} from '@blue-ledge/core';
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

/** What a plan is asked for with: sides of schools for it alone, and what was already done. */
export interface PlanAsk {
  readonly schools?: Schools;
  readonly done?: readonly ActInput[];
}

/** Plans the panel as it is surveyed now. */
export function useMakePlan(key: PanelKey) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: PlanAsk) =>
      ask<PlanView>(`${panelPath(key)}/plans`, { method: 'POST', body, key: newKey() }),
    onSuccess: (plan) => client.setQueryData(planQueryKey(key), plan),
  });
}

/** Plans every panel of a job. */
export function useMakePlans(job: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask<{ plans: PlanView[] }>(`${jobPath(job)}/plans`, { method: 'POST', key: newKey() }),
    onSuccess: ({ plans }) => {
      for (const plan of plans) client.setQueryData(planQueryKey({ job, panel: plan.plan.panelId }), plan);
    },
  });
}

export interface JudgeAsk {
  readonly own: readonly ActInput[];
  readonly fillsIn: boolean;
  readonly schools: Schools;
}

/** The verdict on a sequence of one's own; nothing of it is kept on the server. */
export const useJudge = (key: PanelKey) =>
  useMutation({
    mutationFn: (body: JudgeAsk) =>
      ask<Judgement>(`${panelPath(key)}/plans/judgement`, { method: 'POST', body }),
  });

/** Sheets that a job is planned with: the built-in ones, and its own in their place or beside them. */
export const useSheets = (job: string) =>
  useQuery({
    queryKey: ['sheets', job],
    queryFn: async () => {
      const [shelf, file] = await Promise.all([
        ask<ProductSheet[]>('/shelf/sheets'),
        ask<JobFile>(`${jobPath(job)}/file`),
      ]);
      return [...new Map([...shelf, ...file.sheets].map((sheet) => [sheet.id, sheet])).values()];
    },
  });

/** Adds a panel to a job. */
export function useAddPanel(job: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (panel: object) =>
      ask<PanelView>(`${jobPath(job)}/panels`, { method: 'POST', body: { panel }, key: newKey() }),
    onSuccess: () => client.invalidateQueries({ queryKey: jobQueryKey(job) }),
  });
}

/** Takes a panel out of a job; what was taken out comes back, to be put in again. */
export function useRemovePanel(job: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (panel: string) => {
      const { version } = await ask<PanelView>(panelPath({ job, panel }));
      return ask<{ removed: Panel }>(panelPath({ job, panel }), {
        method: 'DELETE',
        body: { version },
        key: newKey(),
      });
    },
    onSuccess: () => client.invalidateQueries({ queryKey: jobQueryKey(job) }),
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
