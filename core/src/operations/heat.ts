import type { Sourced } from '../wording/reason.ts';
import { ruleIn, type Context } from './context.ts';

/** Heat of the shop: whether it has an oven or a lamp, and how warm that gets a panel. */

type InShop = Pick<Context, 'shop'>;

/** By the ovens and lamps that are named; a booth is taken to have heat where none is. */
export const hasHeat = ({ shop }: InShop): boolean =>
  shop.heaters && shop.heaters.length > 0 ? true : shop.profile === 'booth';

/** Panel temperature of a bake: the shop's figure, no warmer than its hottest oven or lamp gets. */
export function bakeCelsiusIn(context: InShop): Sourced<number> {
  const rule = ruleIn(context, 'bakeCelsius');
  const { heaters = [] } = context.shop;
  const hottest = Math.max(...heaters.map(({ mostCelsius }) => mostCelsius));
  return heaters.length > 0 && hottest < rule.value ? { value: hottest, source: 'shop' } : rule;
}
