import { dewMarginKelvin } from '../climate/dew.ts';
import { solventFlashFactor, waterFlashFactor } from '../climate/flash.ts';
import { shopRule } from '../survey/shop-rules.ts';
import type { Shop } from '../survey/shop.ts';
import { airAt, dayBeginsMin, dayLengthMin } from './day.ts';
import { movingAirRule } from './windows.ts';

/** A day in a shop, hour by hour: its air, what that leaves above the dew point, and how long a flash takes in it. */

export interface HourOfDay {
  readonly hour: number;
  readonly celsius: number;
  readonly relativeHumidity: number;
  /** Surfaces as warm as the air against its dew point, °C. */
  readonly marginKelvin: number;
  /** Less than the shop asks: nothing is sprayed, and nothing that is not through is left. */
  readonly isTooDamp: boolean;
  readonly isOpen: boolean;
  /** Minutes of a flash of ten minutes at 20 °C and 50 %: of solvent, and of water. */
  readonly solventMin: number;
  readonly waterMin: number;
}

const HOURS = 24;
const MINUTES_AN_HOUR = 60;
const FLASH_MIN = 10;
const REF_CELSIUS = 20;

/** The usual day of a shop by the hour. @returns 24 hours from midnight on */
export function forecastOfDay(shop: Shop): HourOfDay[] {
  const beginsMin = dayBeginsMin({ shop });
  const day = { shop, startMin: beginsMin };
  const endsMin = beginsMin + dayLengthMin(day);
  const figure = (name: Parameters<typeof shopRule>[1]): number => shopRule(shop.rules, name).value;
  const moves = shopRule(shop.rules, movingAirRule(shop)).value;
  return Array.from({ length: HOURS }, (_, hour) => {
    const minute = hour * MINUTES_AN_HOUR;
    const air = airAt(minute - beginsMin, day);
    const { celsius, relativeHumidity } = air;
    const marginKelvin = dewMarginKelvin(celsius, air);
    return {
      hour,
      celsius,
      relativeHumidity,
      marginKelvin,
      isTooDamp: marginKelvin < figure('dewMarginKelvin'),
      isOpen: minute >= beginsMin && minute < endsMin,
      solventMin: FLASH_MIN * moves * solventFlashFactor(celsius, REF_CELSIUS, figure('flashDoublesKelvin')),
      waterMin: FLASH_MIN * moves * waterFlashFactor(air, figure('leastDeficitHPa')),
    };
  });
}
