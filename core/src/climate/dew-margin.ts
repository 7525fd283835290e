import { shopRule } from '../survey/shop-rules.ts';
import type { Shop } from '../survey/shop.ts';
import { surfaceCelsius } from '../survey/zone-facts.ts';
import type { Zone } from '../survey/zone.ts';
import type { Source } from '../wording/reason.ts';
import { dewMarginKelvin } from './dew.ts';

/** A zone's surface against the dew point of the shop's air; differences in °C. */
export interface DewMargin {
  readonly marginKelvin: number;
  /** What the shop asks, with where that comes from. */
  readonly limitKelvin: number;
  readonly source: Source;
  readonly isEnough: boolean;
}

/** The margin at the surface that was measured on the zone, else at the room's air (rule M3). */
export function dewMarginOf(
  zone: Pick<Zone, 'tests'>,
  { rules, ...air }: Pick<Shop, 'rules' | 'celsius' | 'relativeHumidity'>,
): DewMargin {
  const { value: limitKelvin, source } = shopRule(rules, 'dewMarginKelvin');
  const marginKelvin = dewMarginKelvin(surfaceCelsius(zone, air.celsius), air);
  return { marginKelvin, limitKelvin, source, isEnough: marginKelvin >= limitKelvin };
}
