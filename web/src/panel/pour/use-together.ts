import { SHOP_RULES, combinedPour, formOf, type Pour, type ProductSheet } from '@blue-ledge/core';
import { useState } from 'react';
import { isOpened, useJob, usePlans } from '../../api/queries.ts';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { usePanelContext } from '../panel-context.ts';

/** Another panel of the job on which the same product is laid. */
export interface OtherPanel {
  readonly id: string;
  readonly name: string;
  readonly pour: Pour;
}

export interface Together {
  /** Others were asked for; their plans are fetched then. */
  readonly isAsked: boolean;
  readonly ask: () => void;
  readonly others: readonly OtherPanel[];
  readonly picked: ReadonlySet<string>;
  readonly pick: (id: string, isOn: boolean) => void;
  /** The mix for this panel and those that were picked. */
  readonly pour: Pour;
}

/** One mix for several panels of the job: those that lay the same product, and the mix for the ones that are picked. */
export function useTogether(pour: Pour, sheet: ProductSheet | undefined, shop: ShopEdit): Together {
  const { key } = usePanelContext();
  const { data: job } = useJob(key.job);
  const [isAsked, setIsAsked] = useState(false);
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const panels = isAsked ? (job?.panels ?? []).filter(({ id }) => id !== key.panel) : [];
  const plans = usePlans(
    key.job,
    panels.map(({ id }) => id),
  );
  const others = panels.flatMap(({ id, name }, i): OtherPanel[] => {
    const plan = plans[i];
    if (!isOpened(plan)) return [];
    const chosen = plan.chosen ?? plan.opened.view.chosen;
    const same =
      chosen === null
        ? undefined
        : plan.opened.poursOf(chosen).find(({ sheetId }) => sheetId === pour.sheetId);
    return same && same.cans === undefined && same.pots === 1 ? [{ id, name, pour: same }] : [];
  });
  const lossMl =
    sheet && formOf(sheet) === 'sprayed' ? (shop.shop.rules.cupLossMl ?? SHOP_RULES.cupLossMl.preset) : 0;
  const all = [pour, ...others.filter(({ id }) => picked.has(id)).map((other) => other.pour)];
  return {
    isAsked,
    ask: () => setIsAsked(true),
    others: pour.pots === 1 && pour.cans === undefined ? others : [],
    picked,
    pick: (id, isOn) =>
      setPicked((now) => new Set([...now].filter((other) => other !== id).concat(isOn ? [id] : []))),
    pour: all.length > 1 ? (combinedPour(all, lossMl) ?? pour) : pour,
  };
}
