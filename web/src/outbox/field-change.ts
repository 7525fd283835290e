import {
  withThings,
  type JobFacts,
  type JobView,
  type Shop,
  type ShopThings,
  type ShopView,
} from '@blue-ledge/core';

/** Changes of a job's or a shop's fields, and how they look before the server has them. */

export type JobFields = Partial<Omit<JobFacts, 'id' | 'dueOn'>> & {
  /** Null takes the day away. */
  readonly dueOn?: string | null;
  readonly shopId?: string;
};
export interface ShopFields {
  readonly name?: string;
  readonly shop?: Partial<{ readonly [Field in keyof Shop]: Shop[Field] | null }>;
  /** Guns, cups and the like, by their ids; null takes one away. */
  readonly things?: ShopThings;
}

export type FieldChange =
  | { readonly of: 'jobs'; readonly id: string; readonly fields: JobFields }
  | { readonly of: 'shops'; readonly id: string; readonly fields: ShopFields };

const changesOf = <Of extends FieldChange['of']>(
  changes: readonly FieldChange[],
  of: Of,
  id: string,
): Extract<FieldChange, { of: Of }>['fields'][] =>
  changes.flatMap((change) => (change.of === of && change.id === id ? [change.fields] : [])) as never;

/** The job as this person sees it: fields that were changed here lie over the server's, the others are the server's. */
export const withJobChanges = (view: JobView, changes: readonly FieldChange[]): JobView =>
  changesOf(changes, 'jobs', view.job.id).reduce((seen, { shopId: _, dueOn, ...fields }) => {
    const { dueOn: before, ...job } = seen.job;
    const due = dueOn === undefined ? before : dueOn;
    return { ...seen, job: { ...job, ...fields, ...(due ? { dueOn: due } : {}) } as JobFacts };
  }, view);

/** The shop as this person sees it. */
export const withShopChanges = (view: ShopView, changes: readonly FieldChange[]): ShopView =>
  changesOf(changes, 'shops', view.id).reduce<ShopView>(
    (seen, { name = seen.name, shop = {}, things = {} }) => {
      const fields = Object.entries(withThings({ ...seen.shop, ...shop } as Shop, things)).filter(
        ([, value]) => value !== null,
      );
      return { ...seen, name, shop: Object.fromEntries(fields) as Shop };
    },
    view,
  );
