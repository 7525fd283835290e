import { sprayVolumeMl } from '../film/coverage.ts';
import { bandsOfColor, hidingOver, type HidingByTone } from '../film/hiding.ts';
import { sandingFiguresOf } from '../surface/figures.ts';
import type { Target } from '../survey/shop.ts';
import { coatsMin } from './applying.ts';
import { ruleIn, type Context } from './context.ts';

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

/** Dry film of one coat of base, µm, and how long it flashes (default; its own sheet is not ours to keep). */
const BASE_COAT = { um: 12, flashMin: 10 } as const;

/** What each coat of base more takes on an area. */
export interface BaseCoat {
  readonly handsOnMin: number;
  readonly flashMin: number;
  readonly ml: number;
}

/** One coat of base over an area, with the usual gun of a shop. */
export const baseCoatOver = (
  areaM2: number,
  { target, shop }: Pick<Context, 'target' | 'shop'>,
): BaseCoat => ({
  handsOnMin: coatsMin(1, areaM2, { shop }),
  flashMin: BASE_COAT.flashMin,
  ml: sprayVolumeMl({
    areaM2,
    dryUm: BASE_COAT.um,
    volumeSolids: sandingFiguresOf(shop.rules).solidsShare[target.base.carrier],
    transfer: ruleIn({ shop }, 'sprayTransferPercent').value / 100,
    lossMl: 0,
  }),
});
