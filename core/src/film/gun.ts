/** The gun: how fast it is led for a film, and whether the compressor keeps up with it. */

interface Pace {
  readonly flowMlPerMin: number;
  /** 0..1 */
  readonly transfer: number;
  readonly volumeSolids: number;
  readonly fanMm: number;
  /** Share by which passes overlap, 0..1. */
  readonly overlap: number;
  /** Dry film of one coat. */
  readonly filmUm: number;
}

/**
 * Pace of the gun, m/s: film a coat = flow x TE x VS / (speed x fan x (1 - overlap)), solved for the speed.
 * 250 ml/min, 0.65, 0.4217, 250 mm, half overlap, 40 µm: 0.228 m/s.
 * @throws {RangeError} for a figure outside its range
 */
export function paceMPerS({ flowMlPerMin, transfer, volumeSolids, fanMm, overlap, filmUm }: Pace): number {
  if (![flowMlPerMin, fanMm, filmUm].every((value) => value > 0))
    throw new RangeError('flow, fan and film must be more than 0');
  if (!(transfer > 0 && transfer <= 1)) throw new RangeError(`transfer must be over 0 to 1, got ${transfer}`);
  if (!(volumeSolids > 0 && volumeSolids <= 1))
    throw new RangeError(`solids must be over 0 to 1, got ${volumeSolids}`);
  if (!(overlap >= 0 && overlap < 1)) throw new RangeError(`overlap must be 0 to under 1, got ${overlap}`);
  const dryMm3PerS = ((flowMlPerMin * 1000) / 60) * transfer * volumeSolids;
  return dryMm3PerS / ((filmUm / 1000) * fanMm * (1 - overlap)) / 1000;
}

/** One atmosphere, bar: tank air is counted as free air. */
export const ATMOSPHERE_BAR = 1.013;

interface Air {
  /** Free air, l/min. */
  readonly demand: number;
  readonly delivery: number;
  readonly tankLitres: number;
  readonly fromBar: number;
  readonly toBar: number;
}

export type Keeping =
  | { readonly keepsUp: true }
  /** Minutes of trigger before the pressure has fallen. */
  | { readonly keepsUp: false; readonly minutes: number };

/**
 * Whether a compressor keeps up with a gun; usable air = tank x (from - to) / 1.013.
 * @throws {RangeError} for a figure outside its range
 */
export function compressorKeeps({ demand, delivery, tankLitres, fromBar, toBar }: Air): Keeping {
  if (!(demand > 0)) throw new RangeError('demand must be more than 0 l/min');
  if (!(delivery >= 0) || !(tankLitres >= 0)) throw new RangeError('delivery and tank must be 0 or more');
  if (!(fromBar >= toBar && toBar >= 0))
    throw new RangeError(`the tank must fall from a higher pressure: from ${fromBar} to ${toBar} bar`);
  if (demand <= delivery) return { keepsUp: true };
  return { keepsUp: false, minutes: (tankLitres * (fromBar - toBar)) / ATMOSPHERE_BAR / (demand - delivery) };
}
