/** How far a component may usually be from its share, percent (default). */
export const RESCUE_TOLERANCE_PERCENT = 3;

/**
 * An over-pour made right by adding, never by taking out. A component is right when it lies within a tolerance of its own
 * share of a common batch. The batch is the smallest of which nothing that is in the cup is too much; each component is
 * then filled up to the least that is right for it, so no smaller addition will do.
 */
export interface Rescue {
  readonly addMl: readonly number[];
  /** What is in the cup then. */
  readonly batchMl: number;
}

/**
 * @param parts ratio by volume, each > 0
 * @param pouredMl what is in the cup of each, 0 for what is still to be poured
 * @param tolerancePercent 0..50
 * @throws {RangeError} naming what is wrong; also where nothing has been poured
 */
export function rescueOf(
  parts: readonly number[],
  pouredMl: readonly number[],
  tolerancePercent: number,
): Rescue {
  if (parts.length === 0 || parts.some((part) => !(part > 0)))
    throw new RangeError(`ratio must be parts greater than 0, got ${parts.join(':') || 'nothing'}`);
  if (pouredMl.length !== parts.length)
    throw new RangeError(`poured must be one for each of ${parts.length} parts, got ${pouredMl.length}`);
  if (pouredMl.some((ml) => !(ml >= 0))) throw new RangeError('poured must be 0 ml or more of each');
  if (!(tolerancePercent >= 0 && tolerancePercent <= 50))
    throw new RangeError(`tolerance must be from 0 to 50 %, got ${tolerancePercent}`);
  if (pouredMl.every((ml) => ml === 0)) throw new RangeError('nothing has been poured yet');
  const sum = parts.reduce((total, part) => total + part, 0);
  const tolerance = tolerancePercent / 100;
  const shares = parts.map((part) => part / sum);
  const commonMl = Math.max(...shares.map((share, i) => pouredMl[i]! / (share * (1 + tolerance))));
  const rightMl = shares.map((share, i) => Math.max(pouredMl[i]!, share * commonMl * (1 - tolerance)));
  return {
    addMl: rightMl.map((ml, i) => ml - pouredMl[i]!),
    batchMl: rightMl.reduce((total, ml) => total + ml, 0),
  };
}
