import type { ShopView } from '@blue-ledge/core';
import { changeShop } from '../api/use-shop-of-job.ts';
import { withShopChanges, type ShopFields } from '../outbox/field-change.ts';
import { useFieldChanges } from '../outbox/use-outbox.ts';

/** A shop as this person sees it, with what was refused of their changes, and how it is changed. */
export function useShopEdit(saved: ShopView): {
  readonly shop: ShopView;
  readonly refusal: readonly string[];
  readonly change: (fields: ShopFields) => void;
} {
  const { changes, refusal } = useFieldChanges(saved.id);
  return {
    shop: withShopChanges(saved, changes),
    refusal,
    change: (fields) => changeShop(saved.id, fields),
  };
}
