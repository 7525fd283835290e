import type { JobFacts, JobView, Shop, ShopView } from '@blue-ledge/core';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Changes of a job's or a shop's fields that the server does not have yet, in order; they survive a reload. */

export type JobFields = Partial<Omit<JobFacts, 'id' | 'dueOn'>> & {
  /** Null takes the day away. */
  readonly dueOn?: string | null;
  readonly shopId?: string;
};
export interface ShopFields {
  readonly name?: string;
  readonly shop?: Partial<{ readonly [Field in keyof Shop]: Shop[Field] | null }>;
}

export type FieldChange =
  | { readonly of: 'jobs'; readonly id: string; readonly fields: JobFields }
  | { readonly of: 'shops'; readonly id: string; readonly fields: ShopFields };

export type QueuedChange = FieldChange & {
  /** Client key of this write, the same for every try. */
  readonly writeKey: string;
};

interface FieldChanges {
  readonly queue: readonly QueuedChange[];
  /** Why the last change of a job or shop was not taken, by its id. */
  readonly refusals: Readonly<Record<string, readonly string[]>>;
}

export const useFieldChanges = create<FieldChanges>()(
  persist<FieldChanges>(() => ({ queue: [], refusals: {} }), { name: 'ledge-field-changes', version: 1 }),
);

const changesOf = <Of extends FieldChange['of']>(
  queue: readonly FieldChange[],
  of: Of,
  id: string,
): Extract<FieldChange, { of: Of }>['fields'][] =>
  queue.flatMap((change) => (change.of === of && change.id === id ? [change.fields] : [])) as never;

/** The job as this person sees it: fields that were changed here lie over the server's, the others are the server's. */
export const withJobChanges = (view: JobView, queue: readonly FieldChange[]): JobView =>
  changesOf(queue, 'jobs', view.job.id).reduce((seen, { shopId: _, dueOn, ...fields }) => {
    const { dueOn: before, ...job } = seen.job;
    const due = dueOn === undefined ? before : dueOn;
    return { ...seen, job: { ...job, ...fields, ...(due ? { dueOn: due } : {}) } as JobFacts };
  }, view);

/** The shop as this person sees it. */
export const withShopChanges = (view: ShopView, queue: readonly FieldChange[]): ShopView =>
  changesOf(queue, 'shops', view.id).reduce<ShopView>((seen, { name = seen.name, shop = {} }) => {
    const fields = Object.entries({ ...seen.shop, ...shop }).filter(([, value]) => value !== null);
    return { ...seen, name, shop: Object.fromEntries(fields) as Shop };
  }, view);

export function enqueue(queued: QueuedChange): void {
  useFieldChanges.setState(({ queue, refusals }) => ({
    queue: [...queue, queued],
    refusals: { ...refusals, [queued.id]: [] },
  }));
}

/** Takes the first change off; `lines` say why it was refused, where it was. */
export function dequeue(lines: readonly string[] = []): void {
  useFieldChanges.setState(({ queue: [first, ...rest], refusals }) => ({
    queue: rest,
    refusals: first && lines.length > 0 ? { ...refusals, [first.id]: lines } : refusals,
  }));
}
