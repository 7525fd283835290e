import { transferPercentOf, type Compressor, type Gun } from '../materials/equipment.ts';
import { sprayVolumeMl, wetFilmUm } from './coverage.ts';
import { ATMOSPHERE_BAR, compressorKeeps, paceMPerS, type Keeping } from './gun.ts';
import { sagLimitWetUm } from './sag.ts';

/** How a gun is set for a coat: what its tip asks of the mix, what that does to film and coats, and how it is led. */

/** What a coat is, as its sheet and its plan have it. */
export interface SprayCoat {
  /** Dry film of one coat, and of all of them together. */
  readonly perCoatUm: number;
  readonly totalUm: number;
  /** Film that a coat really has in this shop, of what it is led for, percent; a gun's own figure comes before it. */
  readonly filmPercent?: number | undefined;
  readonly volumeSolids: number;
  readonly gramsPerMl: number;
  readonly lowShearPaS: number;
  readonly tipMm?: { readonly from: number; readonly to: number } | undefined;
  /** Largest wet film of the sheet, where it names one. */
  readonly maxWetUm?: number | undefined;
  /** The surface stands upright while it is wet. */
  readonly isUpright: boolean;
  readonly isSharp: boolean;
}

/** Reduction that a tip may be made up for with, percent of the activated volume (rule B4). */
export const MOST_REDUCTION_PERCENT = 20;
/** Reduction for a tip this much smaller than the smallest of the sheet, mm (calibrated: 10-15 % for 0.2-0.3 mm). */
const REDUCTION_PERCENT_PER_MM = 50;
const LEAST_REDUCTION_PERCENT = 10;
/** Thinner, g/ml (default). */
const THINNER_GRAMS_PER_ML = 0.87;
/** ln of viscosity falls by this for each percent of reducer (calibrated: 27 s to 22 s in a flow cup with 5 %). */
const THINS_PER_PERCENT = 0.041;

export type TipVerdict =
  | { readonly kind: 'inside' }
  | { readonly kind: 'not-said' }
  /** Larger than the sheet says: more comes out than it levels. */
  | { readonly kind: 'too-large' }
  /** Smaller: it passes reduced by this much. */
  | { readonly kind: 'reduce'; readonly percent: number }
  /** So small that no reduction that is allowed makes up for it. */
  | { readonly kind: 'too-small' };

/** What a tip asks of the mix (rule B4). */
export function tipVerdict(tipMm: number, range: SprayCoat['tipMm']): TipVerdict {
  if (!range) return { kind: 'not-said' };
  if (tipMm > range.to + 1e-9) return { kind: 'too-large' };
  const missingMm = range.from - tipMm;
  if (missingMm <= 1e-9) return { kind: 'inside' };
  const percent = Math.max(LEAST_REDUCTION_PERCENT, Math.ceil(missingMm * REDUCTION_PERCENT_PER_MM - 1e-9));
  return percent > MOST_REDUCTION_PERCENT ? { kind: 'too-small' } : { kind: 'reduce', percent };
}

export interface GunSettings {
  readonly gun: Gun;
  readonly tipMm: number;
  /** Thinner besides what the sheet asks for, percent of the activated volume. */
  readonly reductionPercent: number;
}

export interface GunSetupResult {
  readonly tip: TipVerdict;
  /** As mixed for this gun. */
  readonly volumeSolids: number;
  readonly wetUm: number;
  /** Dry film of one coat by this gun, and how many coats make up what the plan lays. */
  readonly perCoatUm: number;
  readonly coats: number;
  /** Thickest wet coat that stays; Infinity where it lies level and the sheet says nothing. */
  readonly limitWetUm: number;
  /** One coat of the plan's film would sag: it is split. */
  readonly isSplit: boolean;
  readonly flowMlPerMin: number;
  readonly transfer: number;
  /** How fast the gun is led. */
  readonly metresPerSecond: number;
  /** Distance from one pass to the next. */
  readonly stepMm: number;
}

/** Fastest and slowest that a hand leads a gun evenly, m/s (estimate). */
export const EVEN_PACE_M_PER_S = { from: 0.15, to: 0.9 } as const;

/**
 * One coat by a gun: reduced for its tip, no wetter than what stays on the panel, and led so that the film comes out.
 * Flow goes with the area of the tip; the gun's own is that of its first one.
 * @throws {RangeError} for a reduction outside 0 to 50 %
 */
export function gunSetup(coat: SprayCoat, { gun, tipMm, reductionPercent }: GunSettings): GunSetupResult {
  if (!(reductionPercent >= 0 && reductionPercent <= 50))
    throw new RangeError(`reduction must be from 0 to 50 %, got ${reductionPercent}`);
  const r = reductionPercent / 100;
  const volumeSolids = coat.volumeSolids / (1 + r);
  const gramsPerMl = (coat.gramsPerMl + r * THINNER_GRAMS_PER_ML) / (1 + r);
  const lowShearPaS = coat.lowShearPaS * Math.exp(-THINS_PER_PERCENT * reductionPercent);
  const hangs = coat.isUpright ? sagLimitWetUm(gramsPerMl, lowShearPaS, coat.isSharp) : Infinity;
  const limitWetUm = Math.min(hangs, coat.maxWetUm ?? Infinity);
  const meantWetUm = wetFilmUm(coat.perCoatUm, coat.volumeSolids);
  // A thinner mix goes on as wet as before, so that less of it stays; what would run is laid in more coats.
  const mostDryUm = Math.min(meantWetUm, limitWetUm) * volumeSolids;
  const coats = Math.max(1, Math.ceil(coat.totalUm / mostDryUm - 1e-9));
  const perCoatUm = coat.totalUm / coats;
  const transfer = transferPercentOf(gun) / 100;
  const flowMlPerMin = gun.flowMlPerMin * (tipMm / gun.tipsMm[0]!) ** 2;
  const overlap = gun.overlapPercent / 100;
  // Led for the film that turns out as the plan has it: a gun that lays more than it is led for is not led slower still.
  const ledForUm = (perCoatUm * 100) / (gun.filmPercent ?? coat.filmPercent ?? 100);
  return {
    tip: tipVerdict(tipMm, coat.tipMm),
    volumeSolids,
    wetUm: wetFilmUm(perCoatUm, volumeSolids),
    perCoatUm,
    coats,
    limitWetUm,
    isSplit: meantWetUm > limitWetUm,
    flowMlPerMin,
    transfer,
    metresPerSecond: paceMPerS({
      flowMlPerMin,
      transfer,
      volumeSolids,
      fanMm: gun.fanMm,
      overlap,
      filmUm: ledForUm,
    }),
    stepMm: gun.fanMm * (1 - overlap),
  };
}

export interface CoatOfGun {
  /** Material that leaves the gun, ml. */
  readonly ml: number;
  /** Minutes with the trigger pulled. */
  readonly triggerMin: number;
  /** Gun travel, m. */
  readonly metres: number;
  /** Passes after which the cup is filled again, so that it never runs out in the middle of one. */
  readonly refillAfter: readonly number[];
}

/**
 * One coat over an area: how much, how long, and when the cup is filled again.
 * @param passesM length of each pass in its order
 */
export function coatOfGun(
  { volumeSolids, transfer, perCoatUm, flowMlPerMin }: GunSetupResult,
  areaM2: number,
  passesM: readonly number[],
  cupMl: number,
): CoatOfGun {
  const ml = sprayVolumeMl({ areaM2, dryUm: perCoatUm, volumeSolids, transfer, lossMl: 0 });
  const metres = passesM.reduce((sum, each) => sum + each, 0);
  const refillAfter: number[] = [];
  let inCupMl = cupMl;
  passesM.forEach((length, i) => {
    const takesMl = (ml * length) / metres;
    if (takesMl > inCupMl && i > 0) {
      refillAfter.push(i);
      inCupMl = cupMl;
    }
    inCupMl -= takesMl;
  });
  return { ml, triggerMin: ml / flowMlPerMin, metres, refillAfter };
}

/** What can be done where a compressor does not keep up. */
export interface AirVerdict {
  readonly keeping: Keeping;
  /** Trigger minutes of a coat; null where nothing is known of it. */
  readonly coatMin: number;
  /** It lasts for a coat, though it does not keep up. */
  readonly lasts: boolean;
  /** Wait for the tank to fill again after that, min; null where it never does. */
  readonly pauseMin: number | null;
  /** Most air a gun may take here, l/min. */
  readonly mostDemand: number;
}

/** Whether a compressor bears a gun for one coat, and what it takes where it does not. */
export function airVerdict(
  gun: Pick<Gun, 'airLPerMin'>,
  compressor: Compressor,
  coatMin: number,
): AirVerdict {
  const { deliveryLPerMin: delivery, tankLitres, fromBar, toBar } = compressor;
  const keeping: Keeping =
    gun.airLPerMin > 0
      ? compressorKeeps({ demand: gun.airLPerMin, delivery, tankLitres, fromBar, toBar })
      : { keepsUp: true };
  const usable = (tankLitres * (fromBar - toBar)) / ATMOSPHERE_BAR;
  return {
    keeping,
    coatMin,
    lasts: keeping.keepsUp || keeping.minutes >= coatMin,
    pauseMin: delivery > 0 ? usable / delivery : null,
    mostDemand: delivery + (coatMin > 0 ? usable / coatMin : 0),
  };
}
