/**
 * Cure of a two-pack film: conversion = integral of dt / t_cure(T(t)), clipped at 1 (linear in time at constant T).
 * t_cure(T) by Arrhenius, its activation energy fitted between sheet points, else 47.8 kJ/mol (doubling of the rate
 * from 10 to 20 °C). 12 h at 20 °C and 30 min at 60 °C give 64.5 kJ/mol; then 12 °C takes 25.2 h, 30 °C 5.0 h.
 */
const GAS_CONSTANT = 8.314;
const DEFAULT_EA_J_PER_MOL = 47_800;
const kelvin = (celsius: number): number => celsius + 273.15;

export interface CurePoint {
  readonly celsius: number;
  readonly minutes: number;
}

/** A stretch of time at one temperature. */
export interface Spell {
  readonly celsius: number;
  readonly minutes: number;
}

const byTemperature = (points: readonly CurePoint[]): CurePoint[] =>
  [...points].sort((a, b) => a.celsius - b.celsius);

/** J/mol between two sheet points; the default where only one is given. */
function activationEnergy(cold: CurePoint, warm: CurePoint): number {
  if (warm.celsius - cold.celsius < 1) return DEFAULT_EA_J_PER_MOL;
  return (
    (GAS_CONSTANT * Math.log(cold.minutes / warm.minutes)) /
    (1 / kelvin(cold.celsius) - 1 / kelvin(warm.celsius))
  );
}

/**
 * Minutes to full cure at a constant temperature: on the straight line of ln t against 1/T between the sheet's two
 * neighbouring points, or on from the nearest two beyond them. Points may come in any order.
 * @throws {RangeError} when the sheet gives no cure point
 */
export function fullCureMin(points: readonly CurePoint[], celsius: number): number {
  const sorted = byTemperature(points);
  const warmer = sorted.findIndex((point) => point.celsius >= celsius);
  const last = Math.max(1, warmer < 0 ? sorted.length - 1 : warmer);
  const cold = sorted[last - 1];
  if (!cold) throw new RangeError('a sheet needs at least one cure point');
  const energy = activationEnergy(cold, sorted[last] ?? cold);
  return cold.minutes * Math.exp((energy / GAS_CONSTANT) * (1 / kelvin(celsius) - 1 / kelvin(cold.celsius)));
}

/** Conversion 0..1 after a sequence of spells. */
export const conversionAfter = (points: readonly CurePoint[], spells: readonly Spell[]): number =>
  Math.min(
    1,
    spells.reduce((sum, spell) => sum + spell.minutes / fullCureMin(points, spell.celsius), 0),
  );

/**
 * Minutes until a conversion is reached through spells that repeat from the start when they run out.
 * @param leastCelsius below it nothing cures (the sheet's least temperature)
 * @throws {RangeError} when the spells have no length, or nothing cures in any of them
 */
export function minutesToConversion(
  points: readonly CurePoint[],
  wanted: number,
  spells: readonly Spell[],
  leastCelsius = -Infinity,
): number {
  if (!spells.some((spell) => spell.minutes > 0 && spell.celsius >= leastCelsius))
    throw new RangeError(`spells must have a length above 0 min and at least ${leastCelsius} °C`);
  let conversion = 0;
  let passed = 0;
  for (let i = 0; ; i = (i + 1) % spells.length) {
    const spell = spells[i]!;
    const rate = spell.celsius < leastCelsius ? 0 : 1 / fullCureMin(points, spell.celsius);
    if (rate > 0 && conversion + spell.minutes * rate >= wanted) return passed + (wanted - conversion) / rate;
    conversion += spell.minutes * rate;
    passed += spell.minutes;
  }
}
