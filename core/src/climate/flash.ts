import type { Shop } from '../survey/shop.ts';
import { vapourDeficitHPa } from './dew.ts';

/**
 * Flash time away from the sheet's reference climate.
 * Solvent: doubles for each 15 °C colder. Water: by vapour pressure deficit against 20 °C, 50 %.
 * Times the air: booth 1, still garage 1.5 (calibrated).
 */
const AIR_FACTOR: Record<Shop['profile'], number> = { booth: 1, garage: 1.5 };
/** Below this deficit water hardly leaves; the factor is capped so that times stay finite. */
const LEAST_DEFICIT_HPA = 0.5;

export interface FlashClimate {
  readonly celsius: number;
  readonly relativeHumidity: number;
  readonly profile: Shop['profile'];
}

/** Factor on the sheet's solvent flash time. */
export const solventFlashFactor = ({ celsius, profile }: FlashClimate, refCelsius = 20): number =>
  2 ** ((refCelsius - celsius) / 15) * AIR_FACTOR[profile];

/** Factor on the sheet's water flash time: 15 °C at 80 % is 3.43 times 20 °C at 50 %. */
export const waterFlashFactor = ({ celsius, relativeHumidity, profile }: FlashClimate): number =>
  (vapourDeficitHPa(20, 50) / Math.max(LEAST_DEFICIT_HPA, vapourDeficitHPa(celsius, relativeHumidity))) *
  AIR_FACTOR[profile];
