/** Units by the suffix of a figure's name, longest first; the stored unit, for these are set as they are stored. */
const UNITS: readonly (readonly [suffix: string, unit: string])[] = [
  ['MmPerLayer', 'mm a layer'],
  ['Cm3PerMin', 'cm³/min'],
  ['MinPerM2', 'min/m²'],
  ['MinPerM', 'min/m'],
  ['DaysAWeek', 'days'],
  ['MPerS', 'm/s'],
  ['PerHour', 'an hour'],
  ['Celsius', '°C'],
  ['Percent', '%'],
  ['Hour', 'h'],
  ['HPa', 'hPa'],
  ['Kelvin', '°C'],
  ['Share', 'of 1'],
  ['Factor', 'times'],
  ['Count', 'coats'],
  ['Min', 'min'],
  ['Um', 'µm'],
  ['Mm', 'mm'],
  ['Ml', 'ml'],
  ['Grams', 'g'],
  ['ForceN', 'N'],
  ['M2', 'm²'],
];

/** Unit of a shop figure; empty for a plain number. */
export const unitOf = (name: string): string => UNITS.find(([suffix]) => name.endsWith(suffix))?.[1] ?? '';
