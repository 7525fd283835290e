import { combinedPour, type Pour } from '@blue-ledge/core';
import { useState } from 'react';
import { isOpened, useJob, usePlans } from '../../api/queries.ts';
import { useSearchPut } from '../../shared/use-search-put.ts';
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
export function useTogether(pour: Pour): Together {
  const { key } = usePanelContext();
  const { data: job } = useJob(key.job);
  const [isAsked, setIsAsked] = useState(false);
  // Kept in the address: a pot for several panels is found again after a reload.
  const [search, put] = useSearchPut();
  const picked: ReadonlySet<string> = new Set((search.get('with') ?? '').split(',').filter(Boolean));
  const panels = isAsked || picked.size > 0 ? (job?.panels ?? []).filter(({ id }) => id !== key.panel) : [];
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
    return same && combinedPour([pour, same]) ? [{ id, name, pour: same }] : [];
  });
  const all = [pour, ...others.filter(({ id }) => picked.has(id)).map((other) => other.pour)];
  return {
    isAsked: isAsked || picked.size > 0,
    ask: () => setIsAsked(true),
    others: pour.pots === 1 && pour.cans === undefined ? others : [],
    picked,
    pick: (id, isOn) => {
      const next = [...picked].filter((other) => other !== id).concat(isOn ? [id] : []);
      put({ with: next.length === 0 ? null : next.sort().join(',') });
    },
    pour: all.length > 1 ? (combinedPour(all) ?? pour) : pour,
  };
}
