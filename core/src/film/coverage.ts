/** Film and coverage: from dry film to wet film and to the material that a panel takes. */

/** Wet film of a dry film: WFT = DFT / VS (both µm). */
export const wetFilmUm = (dryUm: number, volumeSolids: number): number => dryUm / volumeSolids;

interface Spray {
  readonly areaM2: number;
  readonly dryUm: number;
  readonly volumeSolids: number;
  /** 0..1 */
  readonly transfer: number;
  /** Left in cup and line, ml. */
  readonly lossMl: number;
}

/** Ready-to-spray volume, ml: area x film / (VS x transfer) + loss. 1.8 m², 120 µm, 0.4217, 0.65 is 788 ml + loss. */
export const sprayVolumeMl = ({ areaM2, dryUm, volumeSolids, transfer, lossMl }: Spray): number =>
  (areaM2 * dryUm) / (volumeSolids * transfer) + lossMl;
