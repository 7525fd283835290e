import { fullCureMin, type CurePoint } from './cure.ts';
import { vapourDeficitHPa, type Air } from './dew.ts';

/** Flash time away from the sheet's reference climate; how the air moves is another factor (operations/windows.ts). */

/** Factor on the sheet's solvent flash time: it doubles for each `doublesKelvin` colder (usual 15). */
export const solventFlashFactor = (celsius: number, refCelsius: number, doublesKelvin: number): number =>
  2 ** ((refCelsius - celsius) / doublesKelvin);

/**
 * Factor on the sheet's water flash time, by vapour pressure deficit against 20 °C and 50 %: 15 °C at 80 % is 3.43.
 * @param leastDeficitHPa below it water hardly leaves; the factor is capped so that times stay finite
 */
export const waterFlashFactor = ({ celsius, relativeHumidity }: Air, leastDeficitHPa: number): number =>
  vapourDeficitHPa(20, 50) / Math.max(leastDeficitHPa, vapourDeficitHPa(celsius, relativeHumidity));

/** Factor on the sheet's flash time where it has a table of temperatures: between its points as ln t against 1/T. */
export const tableFlashFactor = (points: readonly CurePoint[], celsius: number, refCelsius: number): number =>
  fullCureMin(points, celsius) / fullCureMin(points, refCelsius);
