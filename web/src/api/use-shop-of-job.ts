import type { ShopView } from '@blue-ledge/core';
import { withShopChanges, type ShopFields } from '../outbox/field-change.ts';
import { changeFields } from '../outbox/outbox.ts';
import { sendSoon } from '../outbox/sender.ts';
import { useFieldChanges } from '../outbox/use-outbox.ts';
import { useJob } from './queries.ts';

export interface ShopEdit extends ShopView {
  /** Keeps changed fields or things of the shop, and sends them soon. */
  readonly change: (fields: ShopFields) => void;
}

/** Changes a shop through the row of writes. */
export function changeShop(id: string, fields: ShopFields): void {
  changeFields({ of: 'shops', id, fields });
  sendSoon();
}

/** The shop of a job as this person sees it; undefined until it is there. */
export function useShopOfJob(jobId: string): ShopEdit | undefined {
  const { data } = useJob(jobId);
  const { changes } = useFieldChanges(data?.shop.id ?? '');
  if (!data) return undefined;
  const shop = withShopChanges(data.shop, changes);
  return { ...shop, change: (fields) => changeShop(shop.id, fields) };
}
