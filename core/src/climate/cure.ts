/**
 * Cure of a two-pack film: conversion = integral of dt / t_cure(T(t)), clipped at 1 (linear in time at constant T).
 * t_cure(T) by Arrhenius, its activation energy fitted from two sheet points, else 47.8 kJ/mol (doubling of the rate
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

/** J/mol from the first and last sheet point (by temperature); the default where only one is given. */
export function activationEnergy(points: readonly CurePoint[]): number {
  const sorted = [...points].sort((a, b) => a.celsius - b.celsius);
  const cold = sorted[0];
  const warm = sorted[sorted.length - 1];
  if (!cold || !warm || warm.celsius - cold.celsius < 1) return DEFAULT_EA_J_PER_MOL;
  return (
    (GAS_CONSTANT * Math.log(cold.minutes / warm.minutes)) /
    (1 / kelvin(cold.celsius) - 1 / kelvin(warm.celsius))
  );
}

/**
 * Minutes to full cure at a constant temperature.
 * @throws {RangeError} when the sheet gives no cure point
 */
export function fullCureMin(points: readonly CurePoint[], celsius: number): number {
  const reference = points[0];
  if (!reference) throw new RangeError('a sheet needs at least one cure point');
  const energy = activationEnergy(points);
  return (
    reference.minutes *
    Math.exp((energy / GAS_CONSTANT) * (1 / kelvin(celsius) - 1 / kelvin(reference.celsius)))
  );
}

/** Conversion 0..1 after a sequence of spells. */
export const conversionAfter = (points: readonly CurePoint[], spells: readonly Spell[]): number =>
  Math.min(
    1,
    spells.reduce((sum, spell) => sum + spell.minutes / fullCureMin(points, spell.celsius), 0),
  );

/**
 * Minutes until a conversion is reached through spells that repeat from the start when they run out.
 * @throws {RangeError} when the spells have no length
 */
export function minutesToConversion(
  points: readonly CurePoint[],
  wanted: number,
  spells: readonly Spell[],
): number {
  if (!spells.some((spell) => spell.minutes > 0))
    throw new RangeError('spells must have a length above 0 min');
  let conversion = 0;
  let passed = 0;
  for (let i = 0; ; i = (i + 1) % spells.length) {
    const spell = spells[i]!;
    const rate = 1 / fullCureMin(points, spell.celsius);
    if (conversion + spell.minutes * rate >= wanted) return passed + (wanted - conversion) / rate;
    conversion += spell.minutes * rate;
    passed += spell.minutes;
  }
}
