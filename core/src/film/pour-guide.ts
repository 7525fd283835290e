/** Pouring one part at a time: what comes next, from where to where it is right, and what an over-pour asks of the others. */

export interface Guide {
  /** What all parts are right for: the batch that was meant, or the larger one that an over-pour makes of it. */
  readonly batchMl: number;
  /** How much more than was meant. */
  readonly moreMl: number;
  /** The part to pour now; null when all are right. */
  readonly next: {
    readonly part: number;
    /** To add of it, and the range in which it is right. */
    readonly addMl: number;
    readonly fromMl: number;
    readonly toMl: number;
  } | null;
}

/**
 * The batch is the smallest of which nothing that is in the cup is too much, and never less than was meant. The first part
 * that is short of its share of it comes next; with nothing poured too far that is the usual order.
 * @param meantMl parts of the batch as it was meant, each > 0
 * @param pouredMl what is in the cup of each
 * @param tolerancePercent 0..50
 * @throws {RangeError} naming what is wrong
 */
export function guidePour(
  meantMl: readonly number[],
  pouredMl: readonly number[],
  tolerancePercent: number,
): Guide {
  if (meantMl.length === 0 || meantMl.some((ml) => !(ml > 0)))
    throw new RangeError('each part of a batch must be more than 0 ml');
  if (pouredMl.length !== meantMl.length || pouredMl.some((ml) => !(ml >= 0)))
    throw new RangeError(`poured must be 0 ml or more of each of ${meantMl.length} parts`);
  if (!(tolerancePercent >= 0 && tolerancePercent <= 50))
    throw new RangeError(`tolerance must be from 0 to 50 %, got ${tolerancePercent}`);
  const tolerance = tolerancePercent / 100;
  const sumMl = meantMl.reduce((total, ml) => total + ml, 0);
  const scale = Math.max(1, ...meantMl.map((ml, i) => pouredMl[i]! / (ml * (1 + tolerance))));
  const rightMl = meantMl.map((ml) => ml * scale);
  const part = rightMl.findIndex((ml, i) => pouredMl[i]! < ml * (1 - tolerance) - 1e-9);
  const [right, poured] = [rightMl[part] ?? 0, pouredMl[part] ?? 0];
  return {
    batchMl: sumMl * scale,
    moreMl: sumMl * (scale - 1),
    next:
      part < 0
        ? null
        : {
            part,
            addMl: right - poured,
            fromMl: Math.max(0, right * (1 - tolerance) - poured),
            toMl: right * (1 + tolerance) - poured,
          },
  };
}
