/** Mixing by volume; scale targets are cumulative: what the display must read after each pour. */

export interface MixLine {
  readonly parts: number;
  readonly volumeMl: number;
  readonly cumulativeMl: number;
  /** Present where a density was given. */
  readonly massGrams?: number;
  readonly cumulativeGrams?: number;
}

/**
 * Volume of each component = batch x part / sum of parts.
 * @param parts ratio by volume, each > 0; `[4, 1, 2]` at 700 ml gives 400, 100 and 200 ml
 * @param gramsPerMl densities in the same order, or none
 * @throws {RangeError} for an empty ratio, a part or a batch that is not positive, or a density list of another length
 */
export function mixByVolume(
  parts: readonly number[],
  batchMl: number,
  gramsPerMl?: readonly number[],
): MixLine[] {
  if (parts.length === 0 || parts.some((part) => !(part > 0)))
    throw new RangeError(`ratio must be parts greater than 0, got ${parts.join(':') || 'nothing'}`);
  if (!(batchMl > 0)) throw new RangeError(`batch must be more than 0 ml, got ${batchMl}`);
  if (gramsPerMl && gramsPerMl.length !== parts.length)
    throw new RangeError(
      `densities must be one per component: ${parts.length} parts, ${gramsPerMl.length} densities`,
    );
  if (gramsPerMl?.some((density) => !(density > 0)))
    throw new RangeError('each density must be more than 0 g/ml');
  const sum = parts.reduce((total, part) => total + part, 0);
  let cumulativeMl = 0;
  let cumulativeGrams = 0;
  return parts.map((part, i) => {
    const volumeMl = (batchMl * part) / sum;
    cumulativeMl += volumeMl;
    const density = gramsPerMl?.[i];
    if (density === undefined) return { parts: part, volumeMl, cumulativeMl };
    const massGrams = volumeMl * density;
    cumulativeGrams += massGrams;
    return { parts: part, volumeMl, cumulativeMl, massGrams, cumulativeGrams };
  });
}
