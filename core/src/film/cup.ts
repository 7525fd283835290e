/** Cups: what they hold, and where a mix is read in one. */

/** A straight or tapered cup, inside measures in mm. */
export interface Cup {
  readonly bottomMm: number;
  readonly topMm: number;
  readonly heightMm: number;
}

/** Volume of a cup (frustum of a cone) up to a height, in ml. 70/90/120 mm holds 606.3 ml. */
export function cupVolumeMl(cup: Cup, upToMm = cup.heightMm): number {
  const atMm = cup.bottomMm + ((cup.topMm - cup.bottomMm) * upToMm) / cup.heightMm;
  return (Math.PI * upToMm * (cup.bottomMm ** 2 + cup.bottomMm * atMm + atMm ** 2)) / 12 / 1000;
}

/**
 * Height of a volume in a cup, in mm, by bisection (volume rises with height, so one root; 60 halvings).
 * @throws {RangeError} when a measure is not positive or the volume does not fit
 */
export function cupMarkMm(cup: Cup, volumeMl: number): number {
  if (![cup.bottomMm, cup.topMm, cup.heightMm].every((mm) => mm > 0))
    throw new RangeError('cup must be three measures greater than 0: bottom, top, height in mm');
  const holds = cupVolumeMl(cup);
  if (!(volumeMl >= 0) || volumeMl > holds)
    throw new RangeError(`batch of ${volumeMl.toFixed(0)} ml does not fit a cup of ${holds.toFixed(0)} ml`);
  let low = 0;
  let high = cup.heightMm;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (cupVolumeMl(cup, middle) < volumeMl) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Length along the wall for a height inside: what a strip that is taped to the cup is marked by. */
export const alongWallMm = ({ bottomMm, topMm, heightMm }: Cup, atMm: number): number =>
  atMm * Math.hypot(1, (topMm - bottomMm) / 2 / heightMm);

/** A ratio that is printed on a cup: lines 1, 2, 3... in a column for each of its parts. */
export interface PrintedScale {
  readonly parts: readonly number[];
  /** What the first column holds up to its line 1, ml. */
  readonly lineMl: number;
  readonly lines: number;
}

/** Where a volume is read on a printed scale: a column, by the parts that it counts together, and a line of it. */
export interface PrintedReading {
  /** 0 for the column of the first part, 1 for the first two parts together, and so on. */
  readonly column: number;
  readonly line: number;
}

/**
 * A volume in a cup that is printed for another ratio, on the first column that reaches so far; null above all lines.
 * @throws {RangeError} for a volume or a scale that is not positive
 */
export function printedReading(
  { parts, lineMl, lines }: PrintedScale,
  volumeMl: number,
): PrintedReading | null {
  if (!(volumeMl >= 0) || !(lineMl > 0) || parts.some((part) => !(part > 0)))
    throw new RangeError('a printed scale needs parts and a first line greater than 0');
  let together = 0;
  for (const [column, part] of parts.entries()) {
    together += part;
    const line = volumeMl / ((lineMl * together) / parts[0]!);
    if (line <= lines) return { column, line };
  }
  return null;
}

/** Cups are filled to this share: what is full cannot be stirred (default). */
const FILLED_SHARE = 0.9;

/** What can be stirred in a cup, ml. */
export const usableMl = (cup: Cup): number => cupVolumeMl(cup) * FILLED_SHARE;

/** Into how many cups a batch is split so that each can be stirred; each gets the same. */
export const cupsFor = (batchMl: number, cup: Cup): number =>
  Math.max(1, Math.ceil(batchMl / usableMl(cup) - 1e-9));
