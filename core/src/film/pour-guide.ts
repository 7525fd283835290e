import { askedTolerance, inRatio, leastBatchMl, type Cup } from './rescue.ts';

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

/** Less than anybody can pour, ml. */
const NOTHING_ML = 1e-6;

/** Whether every part lies within tolerance of its share of what is in the cup. */
function isRight({ shares, pouredMl, tolerance }: Cup): boolean {
  const cupMl = pouredMl.reduce((total, ml) => total + ml, 0);
  return pouredMl.every(
    (ml, i) => Math.abs(ml - shares[i]! * cupMl) <= tolerance * shares[i]! * cupMl + NOTHING_ML,
  );
}

/**
 * The batches that can still come of a cup when one part is poured and those behind it follow in ratio: in each of them
 * the part itself and all that is poured already lie within tolerance.
 */
function batchesOf(
  { shares, pouredMl, tolerance }: Cup,
  part: number,
  done: readonly number[],
): [number, number] {
  const share = tolerance * shares[part]!;
  const doneShare = done.reduce((total, i) => total + shares[i]!, 0);
  const doneMl = done.reduce((total, i) => total + pouredMl[i]!, 0);
  return [
    Math.max(...done.map((i) => pouredMl[i]! / (shares[i]! * (1 + tolerance))), doneMl / (doneShare + share)),
    Math.min(
      ...done.map((i) => pouredMl[i]! / (shares[i]! * (1 - tolerance))),
      doneShare > share ? doneMl / (doneShare - share) : Infinity,
    ),
  ];
}

/**
 * The batch is a little more than the smallest of which nothing that is in the cup is too much, and never less than was
 * meant. The first part that is short of its share of it comes next; with nothing poured too far that is the usual order.
 * Right is what lies within tolerance of the batch that is really in the cup in the end: a part's range is smaller where
 * those before it used up some of the tolerance.
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
  const cup: Cup = { shares: meantMl.map((ml) => ml / sumMl), pouredMl, tolerance };
  const batchMl = leastBatchMl(cup) > sumMl + NOTHING_ML ? leastAskedMl(cup) : sumMl;
  const isOff = shortIn(cup, batchMl).length === 0 && !isRight(cup);
  const askedMl = isOff ? Math.max(batchMl, leastAskedMl(cup)) : batchMl;
  return { batchMl: askedMl, moreMl: askedMl - sumMl, next: nextOf(cup, askedMl) };
}

/** The smallest batch that is asked for: nothing of it lies at the very end of what is right. */
const leastAskedMl = (cup: Cup): number => leastBatchMl({ ...cup, tolerance: askedTolerance(cup.tolerance) });

/** The least of a part that is right in a batch. */
const leastOf = ({ shares, tolerance }: Cup, i: number, batchMl: number): number =>
  shares[i]! * (1 - tolerance) * batchMl;

/** Parts of which there is less than is right. */
const shortIn = (cup: Cup, batchMl: number): number[] =>
  cup.shares.map((_, i) => i).filter((i) => cup.pouredMl[i]! < leastOf(cup, i, batchMl) - NOTHING_ML);

function nextOf(cup: Cup, batchMl: number): Guide['next'] {
  const { shares, pouredMl, tolerance } = cup;
  const aimMl = inRatio(cup, batchMl);
  const all = shares.map((_, i) => i);
  const short = shortIn(cup, batchMl);
  if (short.length === 0 && isRight(cup)) return null;
  // Each is near its share, but not of what is in the cup: a little more of those that are behind.
  const toCome = short.length > 0 ? short : all.filter((i) => aimMl[i]! - pouredMl[i]! > NOTHING_ML);
  const [part, ...behind] = toCome;
  if (part === undefined) return null;
  const done = all.filter((i) => !toCome.includes(i));
  const [right, poured] = [aimMl[part]!, pouredMl[part]!];
  if (done.length === 0)
    return {
      part,
      addMl: right - poured,
      fromMl: right * (1 - tolerance) - poured,
      toMl: right * (1 + tolerance) - poured,
    };
  const doneMl = done.reduce((total, i) => total + pouredMl[i]!, 0);
  const ownShare = 1 - behind.reduce((total, i) => total + shares[i]!, 0);
  /** What this part comes to in a batch, where those behind it follow in ratio. */
  const partMl = (ofMl: number): number => ofMl * ownShare - doneMl;
  const [least, most] = batchesOf(cup, part, done);
  return {
    part,
    addMl: right - poured,
    // Where all are near, only what is asked for makes them right.
    fromMl:
      short.length === 0
        ? right - poured
        : Math.max(0, Math.min(right, Math.max(leastOf(cup, part, batchMl), partMl(least))) - poured),
    toMl: Math.max(right, partMl(most)) - poured,
  };
}
