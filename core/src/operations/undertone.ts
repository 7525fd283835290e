import { bandsOfColor, hidingOver, type HidingByTone } from '../film/hiding.ts';
import type { Target } from '../survey/shop.ts';

/** Which undercoat lets a job's base hide soonest, where its colour and one coat of it on a card are known. */

const known = new WeakMap<Target, Map<string, Pick<HidingByTone, 'toneL' | 'coats'>>>();

/** The tone of these that serves the base best; null where base or card is not known, or there is no tone. */
export function servingTone(
  tonesL: readonly number[],
  target: Target,
): Pick<HidingByTone, 'toneL' | 'coats'> | null {
  const { color, contrast } = target.base;
  if (color === undefined || contrast === undefined || tonesL.length === 0) return null;
  const byTones = known.get(target) ?? new Map<string, Pick<HidingByTone, 'toneL' | 'coats'>>();
  known.set(target, byTones);
  const name = tonesL.join();
  const best = byTones.get(name) ?? hidingOver(bandsOfColor(color), contrast, tonesL, target.quality).best;
  byTones.set(name, best);
  return best;
}
