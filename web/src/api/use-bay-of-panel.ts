import type { NotEntered, ShopScheduleView } from '@blue-ledge/core';
import { useJob, type PanelKey } from './queries.ts';
import { useSchedule } from './schedule-queries.ts';

/** What the bay of a panel's shop says of it. */

/** Other screens look at the bay less often than the bay itself; what is changed there reaches them at once. */
const AGAIN_MS = 5 * 60_000;

const isOf =
  ({ job, panel }: PanelKey) =>
  ({ jobId, panelId }: { readonly jobId: string; readonly panelId: string }): boolean =>
    jobId === job && panelId === panel;

/** The schedule of the shop that a job is planned for; undefined until it is there. */
export function useBayOfJob(job: string): ShopScheduleView | undefined {
  const { data } = useJob(job);
  return useSchedule(data?.shop.id, AGAIN_MS).data;
}

/** Steps of a panel that should be done by now, by the bay, and that nobody entered. */
export function useNotEntered(key: PanelKey): {
  readonly shopId: string;
  readonly steps: readonly NotEntered[];
} {
  const { data } = useJob(key.job);
  const view = useBayOfJob(key.job);
  return { shopId: data?.shop.id ?? '', steps: view?.notEntered.filter(isOf(key)) ?? [] };
}
