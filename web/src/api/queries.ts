import type {
  ActInput,
  JobView,
  JobsPage,
  Judgement,
  Panel,
  PanelView,
  PlanView,
  PlanPreview,
  PlansView,
  ProductSheet,
  Schools,
  Shop,
  ShopView,
  OwnSequence,
  TakenJob,
} from '@blue-ledge/core';
import { shelfOf, type OtherProducts } from '@blue-ledge/core';
import { keepPreviousData, useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import type { PanelKey } from '../outbox/entry.ts';
import { nowHere } from '../state/now.ts';
import { ask, newKey } from './http.ts';
import { useInLine } from './in-line.ts';
import { planOnScreen, type PlanOnScreen, type PlanTooOld } from './opened-plan.ts';

/** Hooks on what the server owns. */

export type { PanelKey } from '../outbox/entry.ts';

export const jobPath = (job: string): string => `/jobs/${encodeURIComponent(job)}`;
export const panelPath = ({ job, panel }: PanelKey): string =>
  `${jobPath(job)}/panels/${encodeURIComponent(panel)}`;
export const shopPath = (shop: string): string => `/shops/${encodeURIComponent(shop)}`;

export const jobQueryKey = (job: string) => ['job', job] as const;
export const panelQueryKey = ({ job, panel }: PanelKey) => ['panel', job, panel] as const;
export const planQueryKey = ({ job, panel }: PanelKey) => ['plan', job, panel] as const;
export const recordQueryKey = ({ job, panel }: PanelKey) => ['record', job, panel] as const;
export const shopsQueryKey = ['shops'] as const;
export const clocksQueryKey = ['clocks'] as const;

/** Which jobs a list shows. */
export interface JobsAsk {
  readonly text: string;
  readonly which: 'open' | 'archived' | 'removed';
  readonly offset: number;
  readonly limit: number;
}

export const useJobs = (asked: JobsAsk) =>
  useQuery({
    queryKey: ['jobs', asked],
    queryFn: () => {
      const { text, which, offset, limit } = asked;
      const query = new URLSearchParams({
        text,
        ...(which === 'open' ? {} : { [which]: 'true' }),
        offset: `${offset}`,
        limit: `${limit}`,
      });
      return ask<JobsPage>(`/jobs?${query}`);
    },
    placeholderData: keepPreviousData,
  });

export const useJob = (id: string) =>
  useQuery({ queryKey: jobQueryKey(id), queryFn: () => ask<JobView>(jobPath(id)) });

export const useShops = () => useQuery({ queryKey: shopsQueryKey, queryFn: () => ask<ShopView[]>('/shops') });

export const usePanel = (key: PanelKey) =>
  useQuery({ queryKey: panelQueryKey(key), queryFn: () => ask<PanelView>(panelPath(key)) });

const fetchPlan = (key: PanelKey): Promise<PlanView | null> =>
  ask<{ plan: PlanView | null }>(`${panelPath(key)}/plans/latest`).then(({ plan }) => plan);

/** The newest plan of a panel, opened; null where there is none. */
export const usePlan = (key: PanelKey) =>
  useQuery({ queryKey: planQueryKey(key), queryFn: () => fetchPlan(key), select: planOnScreen });

/** The newest plans of several panels of a job, in their order; undefined where one is not there yet. */
export const usePlans = (
  job: string,
  panels: readonly string[],
): (PlanOnScreen | PlanTooOld | null | undefined)[] =>
  useQueries({
    queries: panels.map((panel) => ({
      queryKey: planQueryKey({ job, panel }),
      queryFn: () => fetchPlan({ job, panel }),
      select: planOnScreen,
    })),
    combine: (results) => results.map(({ data }) => data),
  });

/** A plan that was kept before the newest one; it never changes. */
export const usePlanById = (key: PanelKey, id: string) =>
  useQuery({
    queryKey: [...planQueryKey(key), id],
    queryFn: () => ask<PlanView>(`${panelPath(key)}/plans/${id}`),
    select: planOnScreen,
    staleTime: Infinity,
  });

/** Plans by which a panel was worked before, those that can be shown; they never change. */
export const useWorkedPlans = (key: PanelKey, ids: readonly string[]): readonly PlanOnScreen[] =>
  useQueries({
    queries: ids.map((id) => ({
      queryKey: [...planQueryKey(key), id],
      queryFn: () => ask<PlanView>(`${panelPath(key)}/plans/${id}`),
      select: planOnScreen,
      staleTime: Infinity,
    })),
    combine: shownOf,
  });

const shownOf = (results: readonly { readonly data?: PlanOnScreen | PlanTooOld | null | undefined }[]) =>
  results.flatMap(({ data }) => (isOpened(data) ? [data] : []));

/** A plan that can be shown. */
export const isOpened = (plan: PlanOnScreen | PlanTooOld | null | undefined): plan is PlanOnScreen =>
  Boolean(plan?.plan);

/** Takes a job file in; where no shop is named, into that of the file. */
export function useTakeJob() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ text, shop }: { readonly text: string; readonly shop?: string | undefined }) =>
      ask<TakenJob>(`/jobs${shop ? `?shop=${encodeURIComponent(shop)}` : ''}`, {
        method: 'POST',
        body: text,
        key: newKey(),
      }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
}

export interface NewJob {
  readonly job: { readonly title: string; readonly target: { readonly quality: string } };
  readonly shopId: string;
  readonly panels: readonly object[];
}

const useJobWrite = <Asked, Made extends { readonly id: string }>(write: (asked: Asked) => Promise<Made>) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: () => client.invalidateQueries({ queryKey: ['jobs'] }),
  });
};

export const useNewJob = () =>
  useJobWrite((body: NewJob) => ask<{ id: string }>('/jobs/new', { method: 'POST', body, key: newKey() }));

export const useCopyJob = () =>
  useJobWrite((id: string) =>
    ask<{ id: string }>(`${jobPath(id)}/copies`, { method: 'POST', key: newKey() }),
  );

/** A job with the version that was seen. */
export interface SeenJob {
  readonly id: string;
  readonly version: number;
}

export const useArchiveJob = () =>
  useJobWrite(async ({ id, version, isArchived }: SeenJob & { readonly isArchived: boolean }) => {
    await ask(jobPath(id), { method: 'PATCH', body: { version, isArchived }, key: newKey() });
    return { id };
  });

/** Takes a job away; it can be put back as it was. */
export const useRemoveJob = () =>
  useJobWrite(async ({ id, version, title }: SeenJob & { readonly title: string }) => {
    await ask(jobPath(id), { method: 'DELETE', body: { version }, key: newKey() });
    return { id, title };
  });

export const usePutJobBack = () =>
  useJobWrite((id: string) =>
    ask<{ id: string }>(`${jobPath(id)}/put-back`, { method: 'POST', key: newKey() }),
  );

/** Makes a shop with the usual settings. */
export function useNewShop() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { readonly name: string; readonly shop?: Shop }) =>
      ask<ShopView>('/shops', { method: 'POST', body, key: newKey() }),
    onSuccess: () => client.invalidateQueries({ queryKey: shopsQueryKey }),
  });
}

/** Takes a shop away that no job is planned for. */
export function useRemoveShop() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version }: ShopView) =>
      ask<{ removed: ShopView }>(shopPath(id), { method: 'DELETE', body: { version }, key: newKey() }),
    onSuccess: () => client.invalidateQueries({ queryKey: shopsQueryKey }),
  });
}

/** What a plan is asked for with: sides of schools for it alone, when work starts, and what was already done. */
export interface PlanAsk {
  readonly schools?: Schools;
  /** Products for this plan only, by their ids. */
  readonly products?: readonly string[];
  readonly startMin?: number;
  readonly startOn?: string;
  /** Somebody chose that start. */
  readonly isStartFixed?: true;
  readonly done?: readonly ActInput[];
  /** A sequence of the person's own, planned beside the others; null takes it out. */
  readonly own?: OwnSequence | null;
}

/** Plans the panel as it is surveyed now. */
export function useMakePlan(key: PanelKey) {
  const client = useQueryClient();
  return useInLine({
    ask: ({ own, ...terms }: PlanAsk, clientKey) =>
      ask<PlanView>(`${panelPath(key)}/plans`, {
        method: 'POST',
        body: { ...terms, ...(own ? { own } : {}) },
        key: clientKey,
      }),
    onSuccess: async (plan) => {
      // An answer that was asked for before this plan would take it off the screen again.
      await client.cancelQueries({ queryKey: planQueryKey(key), exact: true });
      client.setQueryData(planQueryKey(key), plan);
    },
  });
}

/** What planning again would come to; nothing of it is kept on the server. */
export const usePreview = (key: PanelKey) =>
  useMutation({
    mutationFn: ({ own, ...terms }: PlanAsk) =>
      ask<PlanPreview>(`${panelPath(key)}/plans/preview`, {
        method: 'POST',
        body: { ...terms, ...(own ? { own } : {}) },
      }),
  });

interface WhichPanels {
  /** Those that have been started as well. */
  readonly alsoStarted: boolean;
}

/** Plans every panel of a job. */
export function useMakePlans(job: string) {
  const client = useQueryClient();
  return useInLine({
    ask: (which: WhichPanels, clientKey) =>
      ask<PlansView>(`${jobPath(job)}/plans`, {
        method: 'POST',
        body: { ...which, now: nowHere() },
        key: clientKey,
      }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['plan', job] });
      await client.invalidateQueries({ queryKey: jobQueryKey(job) });
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

/** Other products for a step, once they are asked for. */
export const useOtherProducts = (
  {
    plan,
    system,
    step,
    ...key
  }: PanelKey & { readonly plan: string; readonly system: string; readonly step: number },
  isAsked: boolean,
) =>
  useQuery({
    queryKey: ['products', plan, system, step],
    enabled: isAsked,
    queryFn: () =>
      ask<OtherProducts>(
        `${panelPath(key)}/plans/${plan}/products?${new URLSearchParams({ system, step: String(step) }).toString()}`,
      ),
  });

/** Sheets that a job is planned with: its shop's, and built-in ones for work that none of them does. */
export const useSheets = (job: string) =>
  useQuery({
    queryKey: ['sheets', job],
    queryFn: async () => [...shelfOf(await ask<ProductSheet[]>(`${jobPath(job)}/sheets`)).values()],
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

/** Takes a panel out of a job; it can be put back as it was. */
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

/** Puts a panel back in its place, with its plans and what was chosen. */
export function usePutPanelBack(job: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (panel: string) =>
      ask<PanelView>(`${panelPath({ job, panel })}/put-back`, { method: 'POST', key: newKey() }),
    onSuccess: () => client.invalidateQueries({ queryKey: jobQueryKey(job) }),
  });
}

interface ChoiceOfSystem {
  readonly systemId: string;
  /** The person knows that what the plan was made from has changed since. */
  readonly evenIfChanged: boolean;
}

/** Chooses a system of the plan; shown at once, put right when the server disagrees. */
export function useChooseSystem(key: PanelKey, plan: PlanOnScreen | PlanTooOld | null | undefined) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (choice: ChoiceOfSystem) =>
      ask<{ chosen: string; version: number }>(`${panelPath(key)}/plans/${plan!.id}/choice`, {
        method: 'PUT',
        body: { ...choice, version: plan!.version },
        key: newKey(),
      }),
    onSuccess: async (answer) => {
      // An answer that was asked for before the choice would take it off the screen again.
      await client.cancelQueries({ queryKey: planQueryKey(key) });
      client.setQueryData<PlanView | null>(planQueryKey(key), (old) =>
        old ? { ...old, ...answer, wanted: answer.chosen } : null,
      );
    },
    onError: () => client.invalidateQueries({ queryKey: planQueryKey(key) }),
  });
}
