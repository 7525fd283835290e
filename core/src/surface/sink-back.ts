import { DEFAULT_FIGURES, type SandingFigures } from './figures.ts';

/**
 * Will a buried scratch come back?
 * Film over a buried scratch is thicker by its depth h; what still shrinks after the topcoat leaves h x s with
 * s = 0.015 + 0.065 x (1 - conversion of the build when it is topcoated). Calibrated: P180 on filler under cured
 * build 0.32 µm, 1.7 µm when 8 % of the film is still to go.
 */

/** Groove that comes back, µm. @param conversion cure of the build when topcoated, 0..1 */
export const sinkBackUm = (
  depthUm: number,
  conversion: number,
  { residualShrinkShare, uncuredShrinkShare }: SandingFigures = DEFAULT_FIGURES,
): number =>
  depthUm * (residualShrinkShare + uncuredShrinkShare * (1 - Math.min(1, Math.max(0, conversion))));
