/** How far a component may usually be from its share, percent (default). */
export const RESCUE_TOLERANCE_PERCENT = 3;
/** Share of a tolerance that is used up by what is asked for: the rest is left to whole grams and a steady hand (default). */
const ASKED_SHARE = 0.9;
/** The tolerance within which what is asked for lies, percent. */
export const askedTolerance = (tolerancePercent: number): number => tolerancePercent * ASKED_SHARE;

/**
 * An over-pour made right by adding, never by taking out. A component is right when it lies within a tolerance of its own
 * share of what is in the cup then. The answer is the smallest such batch; of the ways to reach it, the one in which what
 * is added comes nearest to the ratio.
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
  const cup: Cup = { shares: parts.map((part) => part / sum), pouredMl, tolerance };
  const batchMl = leastBatchMl(cup);
  const rightMl = inRatio(cup, batchMl);
  return { addMl: rightMl.map((ml, i) => Math.max(0, ml - pouredMl[i]!)), batchMl };
}

/** What is in a cup, the shares of the ratio (their sum is 1), and how far from its share a component may be (share of 1). */
export interface Cup {
  readonly shares: readonly number[];
  readonly pouredMl: readonly number[];
  readonly tolerance: number;
}

/** The least of a component that is right in a batch: what is in the cup already, or what its share asks for. */
const leastMl = ({ shares, pouredMl, tolerance }: Cup, i: number, batchMl: number): number =>
  Math.max(pouredMl[i]!, shares[i]! * (1 - tolerance) * batchMl);

/**
 * The smallest batch in which nothing that is in the cup is too much, and which holds the least that is right of every
 * component. What that least comes to grows with the batch by parts of a line, of which one more begins where a component
 * has to be filled up: the batch is where the sum meets the batch itself.
 */
export function leastBatchMl(cup: Cup): number {
  const { shares, pouredMl, tolerance } = cup;
  let batchMl = Math.max(...shares.map((share, i) => pouredMl[i]! / (share * (1 + tolerance))));
  // Each round fills up at least one component more.
  for (let round = 0; round <= shares.length; round++) {
    const isFilled = shares.map((share, i) => share * (1 - tolerance) * batchMl > pouredMl[i]!);
    const keptMl = pouredMl.reduce((total, ml, i) => total + (isFilled[i] ? 0 : ml), 0);
    const filledShare = shares.reduce((total, share, i) => total + (isFilled[i] ? share : 0), 0);
    const neededMl = keptMl / (1 - filledShare * (1 - tolerance));
    if (!(neededMl > batchMl)) break;
    batchMl = neededMl;
  }
  return batchMl;
}

/** Amounts that come to the batch, as near to the ratio as what is in the cup and the tolerance leave them. */
export function inRatio(cup: Cup, batchMl: number): number[] {
  const { shares, tolerance } = cup;
  const least = shares.map((_, i) => leastMl(cup, i, batchMl));
  const most = shares.map((share) => share * (1 + tolerance) * batchMl);
  const held = new Map<number, number>();
  // What would be outside its range is held at its end, on the side on which more is missing; the others share the rest.
  for (;;) {
    const free = shares.map((_, i) => i).filter((i) => !held.has(i));
    const restMl = batchMl - [...held.values()].reduce((total, ml) => total + ml, 0);
    const freeShare = free.reduce((total, i) => total + shares[i]!, 0);
    const ml = (i: number): number => (shares[i]! / freeShare) * restMl;
    const below = free.filter((i) => ml(i) < least[i]!);
    const above = free.filter((i) => ml(i) > most[i]!);
    if (below.length + above.length === 0) return shares.map((_, i) => held.get(i) ?? ml(i));
    const missing = below.reduce((total, i) => total + least[i]! - ml(i), 0);
    const over = above.reduce((total, i) => total + ml(i) - most[i]!, 0);
    if (missing >= over) for (const i of below) held.set(i, least[i]!);
    if (over >= missing) for (const i of above) held.set(i, most[i]!);
    if (held.size === shares.length) return shares.map((_, i) => held.get(i)!);
  }
}
