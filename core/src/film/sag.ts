/**
 * Sag of a wet film on an upright panel.
 * Model: surface travel = rho g W² t / (2 eta), film of constant viscosity flowing under its own weight.
 * rho g/ml, W wet film of one coat (µm), t open time (s), eta low-shear viscosity (Pa s).
 */
const GRAVITY = 9.81;
const SAG_LIMIT_MM = 3;
const OPEN_TIME_S = 60;
/** A sharply shaped panel sags sooner: its limit is lowered by this factor (default). */
export const CURVE_FACTOR = 0.7;

export interface WetCoat {
  readonly wetUm: number;
  readonly gramsPerMl: number;
  readonly lowShearPaS: number;
}

/** How far the surface travels in the open time, mm. */
export const sagTravelMm = ({ wetUm, gramsPerMl, lowShearPaS }: WetCoat): number =>
  ((gramsPerMl * 1000 * GRAVITY * (wetUm * 1e-6) ** 2 * OPEN_TIME_S) / (2 * lowShearPaS)) * 1000;

/** Thickest wet coat that stays inside 3 mm of travel, µm. A sealer of 1.3 g/ml and 1.5 Pa s: 108 µm. */
export const sagLimitWetUm = (gramsPerMl: number, lowShearPaS: number, isSharp = false): number =>
  Math.sqrt((2 * lowShearPaS * (SAG_LIMIT_MM / 1000)) / (gramsPerMl * 1000 * GRAVITY * OPEN_TIME_S)) *
  1e6 *
  (isSharp ? CURVE_FACTOR : 1);
