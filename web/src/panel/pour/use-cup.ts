import type { MixingCup } from '@blue-ledge/core';
import type { ShopEdit } from '../../api/use-shop-of-job.ts';
import { useBenchChoice } from '../../state/bench-choices.ts';

/** The shop's cup that is mixed in: the one chosen last, else its first; undefined where it has none. */
export function useCup({ id, shop: { cups = [] } }: ShopEdit): MixingCup | undefined {
  const [chosen] = useBenchChoice(`${id}/cup`);
  return cups.find((cup) => cup.id === chosen) ?? cups[0];
}
