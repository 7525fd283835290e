/** Filler for a hollow: by scale, and for those without one by the size of the puck on the board. */

/** Stays on board and knife besides (default). */
export const FILLER_WASTE = 1.2;
/** Usual polyester filler and its paste hardener, g/ml (default). */
const FILLER_GRAMS_PER_ML = 1.8;
export const PUCK_HEIGHT_MM = 20;

export interface FillerMix {
  readonly fillerGrams: number;
  readonly hardenerGrams: number;
  /** Diameter of a puck of filler 20 mm high. */
  readonly puckMm: number;
}

/** Diameter of a puck 20 mm high, mm. */
export const puckMmOf = (ml: number): number => Math.sqrt((4 * ml * 1000) / (Math.PI * PUCK_HEIGHT_MM));

/** Length of the line of hardener that is squeezed out beside it, mm, by what a millimetre of the tube's line holds. */
export const hardenerLineMm = (ml: number, mlPerMm: number): number => ml / mlPerMm;

/**
 * Filler and hardener for an area filled to a depth, what stays on the board included.
 * @param hardenerPercent of the filler's mass
 * @throws {RangeError} for an area or depth that is not positive, or a share of hardener outside 0.5 to 5 %
 */
export function fillerMix(areaM2: number, depthUm: number, hardenerPercent: number): FillerMix {
  if (!(areaM2 > 0) || !(depthUm > 0)) throw new RangeError('area and depth must be more than 0');
  if (!(hardenerPercent >= 0.5 && hardenerPercent <= 5))
    throw new RangeError(
      `hardener must be from 0.5 to 5 %, got ${hardenerPercent}: more stays soft and stains`,
    );
  const fillerMl = areaM2 * depthUm * FILLER_WASTE;
  const fillerGrams = fillerMl * FILLER_GRAMS_PER_ML;
  return {
    fillerGrams,
    hardenerGrams: (fillerGrams * hardenerPercent) / 100,
    puckMm: puckMmOf(fillerMl),
  };
}
