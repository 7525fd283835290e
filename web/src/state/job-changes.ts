import type { JobView } from '@blue-ledge/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Changes of a job's shop and target that the server does not have yet, in order; they survive a reload. */

export interface JobChange {
  readonly shop?: Partial<JobView['shop']>;
  readonly target?: Partial<JobView['job']['target']>;
}

export interface QueuedChange {
  readonly job: string;
  readonly change: JobChange;
  /** Client key of this write, the same for every try. */
  readonly writeKey: string;
}

interface JobChanges {
  readonly queue: readonly QueuedChange[];
  /** Why the last change of a job was not taken, by job. */
  readonly refusals: Readonly<Record<string, readonly string[]>>;
}

export const useJobChanges = create<JobChanges>()(
  persist<JobChanges>(() => ({ queue: [], refusals: {} }), { name: 'ledge-job-changes' }),
);

/** The job as this person sees it: fields that were changed here lie over the server's, the others are the server's. */
export const withChange = (view: JobView, { shop, target }: JobChange): JobView => ({
  ...view,
  shop: { ...view.shop, ...shop },
  job: { ...view.job, target: { ...view.job.target, ...target } },
});

export const withQueue = (view: JobView, queue: readonly QueuedChange[]): JobView =>
  queue.filter(({ job }) => job === view.job.id).reduce((seen, { change }) => withChange(seen, change), view);

export function enqueue(queued: QueuedChange): void {
  useJobChanges.setState(({ queue, refusals }) => ({
    queue: [...queue, queued],
    refusals: { ...refusals, [queued.job]: [] },
  }));
}

/** Takes the first change off; `lines` say why it was refused, where it was. */
export function dequeue(lines: readonly string[] = []): void {
  useJobChanges.setState(({ queue: [first, ...rest], refusals }) => ({
    queue: rest,
    refusals: first && lines.length > 0 ? { ...refusals, [first.job]: lines } : refusals,
  }));
}
