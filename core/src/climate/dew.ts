/** Dew point by the Magnus formula (a = 17.62, b = 243.12 °C, over water, -45..60 °C; WMO guide no. 8). */
const A = 17.62;
const B = 243.12;

const gamma = (celsius: number, relativeHumidity: number): number =>
  Math.log(relativeHumidity / 100) + (A * celsius) / (B + celsius);

/**
 * Dew point in °C. 20 °C at 60 % is 12.00; 25 °C at 50 % is 13.85.
 * @throws {RangeError} outside -45..60 °C or 0 < humidity <= 100 %
 */
export function dewPointCelsius(celsius: number, relativeHumidity: number): number {
  if (!(celsius >= -45 && celsius <= 60))
    throw new RangeError(`celsius must be from -45 to 60, got ${celsius}`);
  if (!(relativeHumidity > 0 && relativeHumidity <= 100))
    throw new RangeError(`relative humidity must be above 0 and at most 100 %, got ${relativeHumidity}`);
  const g = gamma(celsius, relativeHumidity);
  return (B * g) / (A - g);
}

/** The air of a room. */
export interface Air {
  readonly celsius: number;
  readonly relativeHumidity: number;
}

/** How far a surface is above the dew point of the air around it, °C; negative where water stands on it. */
export const dewMarginKelvin = (surfaceCelsius: number, { celsius, relativeHumidity }: Air): number =>
  surfaceCelsius - dewPointCelsius(celsius, relativeHumidity);

/** Vapour pressure deficit in hPa: 20 °C at 50 % is 11.66. */
export const vapourDeficitHPa = (celsius: number, relativeHumidity: number): number =>
  saturationHPa(celsius) * (1 - relativeHumidity / 100);

/** Pressure of saturated water vapour, hPa, by the constants above. */
const saturationHPa = (celsius: number): number => 6.112 * Math.exp((A * celsius) / (B + celsius));

/** Air at another temperature that holds as much water as before: a closed shop overnight. Damp at most to 100 %. */
export const heldAt = (celsius: number, air: Air): Air => ({
  celsius,
  relativeHumidity: Math.min(
    100,
    (air.relativeHumidity * saturationHPa(air.celsius)) / saturationHPa(celsius),
  ),
});
