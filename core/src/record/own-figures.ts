import { SHOP_RULES, shopRule, type ShopRuleName } from '../survey/shop-rules.ts';
import type { ShopThings } from '../survey/shop-things.ts';
import type { Shop } from '../survey/shop.ts';
import { grouped } from '../units/grouped.ts';
import type { Sourced } from '../wording/reason.ts';
import type { OwnSample } from './own-samples.ts';

/** A shop's own figures, from what the records of its panels say: the middle of many, how many, and how far apart they lie. */

/** What a figure came to in some degrees. */
export interface InAir {
  readonly fromCelsius: number;
  readonly toCelsius: number;
  readonly value: number;
  readonly count: number;
}

export interface OwnFigure {
  readonly rule: ShopRuleName;
  /** Gun whose own figure it is. */
  readonly gunId?: string;
  readonly gunName?: string;
  /** Middle of all samples, each by its weight, those that lie far out by less. */
  readonly value: number;
  readonly count: number;
  /** What the samples are worth together, in samples that all weigh the same. */
  readonly effectiveCount: number;
  /** By how much the middle itself may be off, to either side (95 %). */
  readonly offBy: number;
  /** Half of the work lies between these. */
  readonly from: number;
  readonly to: number;
  /** What plans reckon with now. */
  readonly inForce: Sourced<number>;
  /** Often enough, and near enough to one another, to reckon with; before that it is what there is so far. */
  readonly isEnough: boolean;
  /** Inside what the figure may be. */
  readonly isInRange: boolean;
  /** By bands of temperature, where the figure depends on it. */
  readonly inAir?: readonly InAir[];
}

/** Fewer are an accident, not a figure; counted as if all weighed the same (models.md 12). */
export const LEAST_SAMPLES = 12;
/** An interval that is wider than this share of the figure says too little (models.md 12). */
const WIDEST_SHARE = 0.25;
/** What lies further from the middle than this many standard deviations weighs less, by as much as it lies further. */
const FAR_DEVIATIONS = 2.5;
/** Standard deviation of values whose middle distance from the middle is 1, and of the middle of one such value (normal). */
const DEVIATION_OF_MAD = 1.4826;
const DEVIATION_OF_MEDIAN = 1.2533;
/** 95 % lie within so many standard deviations. */
const SURE_DEVIATIONS = 1.96;
/** Work is not written more finely than this share of a figure. */
const FINEST_SHARE = 0.01;
const BAND_KELVIN = 5;

/** The value below which a share of the weight lies; the middle between neighbours where it falls between them. */
export function weightedShare(
  samples: readonly Pick<OwnSample, 'value' | 'weight'>[],
  share: number,
): number {
  const sorted = samples.toSorted((a, b) => a.value - b.value);
  const whole = sorted.reduce((sum, { weight }) => sum + weight, 0);
  let below = 0;
  for (const [i, { value, weight }] of sorted.entries()) {
    below += weight;
    if (below > share * whole + 1e-9) return value;
    if (Math.abs(below - share * whole) <= 1e-9) return (value + (sorted[i + 1] ?? sorted[i]!).value) / 2;
  }
  return sorted.at(-1)!.value;
}

/** To three digits: more is not known of work. */
const rounded = (value: number): number => Number(value.toPrecision(3));

function inAirOf(samples: readonly OwnSample[]): InAir[] | undefined {
  const bands = grouped(samples, ({ celsius }) =>
    celsius === undefined ? undefined : Math.floor(celsius / BAND_KELVIN) * BAND_KELVIN,
  );
  bands.delete(undefined);
  if (bands.size === 0) return undefined;
  return [...bands]
    .map(([fromCelsius, of]) => ({
      fromCelsius: fromCelsius!,
      toCelsius: fromCelsius! + BAND_KELVIN,
      value: rounded(weightedShare(of, 0.5)),
      count: of.length,
    }))
    .toSorted((a, b) => a.fromCelsius - b.fromCelsius);
}

/** What plans of a shop reckon with in place of a figure of the record. */
export function figureInForce(
  { rules, guns = [] }: Pick<Shop, 'rules' | 'guns'>,
  { rule, gunId }: Pick<OwnFigure, 'rule' | 'gunId'>,
): Sourced<number> {
  const own = guns.find(({ id }) => id === gunId)?.filmPercent;
  return own === undefined ? shopRule(rules, rule) : { value: own, source: 'shop' };
}

type Weighed = Pick<OwnSample, 'value' | 'weight'>;

/** The distance from which on samples are weighed down, so that one slip of the pen moves no figure. */
function farFrom(middle: number, samples: readonly Weighed[]): number {
  const distances = samples.map(({ value, weight }) => ({ value: Math.abs(value - middle), weight }));
  const deviation = DEVIATION_OF_MAD * weightedShare(distances, 0.5);
  return FAR_DEVIATIONS * Math.max(deviation, FINEST_SHARE * Math.abs(middle));
}

/** The middle of samples, how many they are worth, and by how much the middle may be off. */
export function middleOf(samples: readonly Weighed[]): Pick<OwnFigure, 'value' | 'effectiveCount' | 'offBy'> {
  const plain = weightedShare(samples, 0.5);
  const far = farFrom(plain, samples);
  const weighed = samples.map(({ value, weight }) => ({
    value,
    weight: weight * Math.min(1, far / Math.abs(value - plain)),
  }));
  const value = weightedShare(weighed, 0.5);
  const whole = weighed.reduce((sum, { weight }) => sum + weight, 0);
  const effectiveCount = whole ** 2 / weighed.reduce((sum, { weight }) => sum + weight ** 2, 0);
  const variance =
    weighed.reduce((sum, each) => sum + each.weight * Math.min(Math.abs(each.value - value), far) ** 2, 0) /
    whole;
  const offBy = SURE_DEVIATIONS * DEVIATION_OF_MEDIAN * Math.sqrt(variance / effectiveCount);
  return { value, effectiveCount, offBy };
}

function figureOf(samples: readonly OwnSample[], shop: Shop): OwnFigure[] {
  const { rule, gunId } = samples[0]!;
  const gun = shop.guns?.find(({ id }) => id === gunId);
  // A gun that the shop has no longer.
  if (gunId !== undefined && !gun) return [];
  const { value: middle, effectiveCount, offBy } = middleOf(samples);
  const value = rounded(middle);
  const { from, to } = SHOP_RULES[rule];
  const inAir = inAirOf(samples);
  return [
    {
      rule,
      ...(gun ? { gunId: gun.id, gunName: gun.name } : {}),
      value,
      count: samples.length,
      effectiveCount: rounded(effectiveCount),
      offBy: rounded(offBy),
      from: rounded(weightedShare(samples, 0.25)),
      to: rounded(weightedShare(samples, 0.75)),
      inForce: figureInForce(shop, samples[0]!),
      isEnough: effectiveCount > LEAST_SAMPLES - 1e-6 && 2 * offBy < WIDEST_SHARE * value,
      isInRange: value >= from && value <= to,
      ...(inAir ? { inAir } : {}),
    },
  ];
}

const ORDER = Object.keys(SHOP_RULES);

/** The figures that samples of a shop's panels say something of, in the order of the shop's figures. */
export function ownFigures(samples: readonly OwnSample[], shop: Shop): OwnFigure[] {
  const byFigure = grouped(samples, ({ rule, gunId = '' }) => `${rule} ${gunId}`);
  return [...byFigure.values()]
    .flatMap((of) => figureOf(of, shop))
    .toSorted((a, b) => ORDER.indexOf(a.rule) - ORDER.indexOf(b.rule));
}

/** What changes of a shop: fields of its own, or one of its things. */
export interface OwnFigureChange {
  readonly shop?: Pick<Shop, 'rules'>;
  readonly things?: ShopThings;
}

/** The change that makes a figure of the record the shop's own, or with `null` takes it back. */
export function withOwnFigure(
  { rules, guns = [] }: Pick<Shop, 'rules' | 'guns'>,
  { rule, gunId }: Pick<OwnFigure, 'rule' | 'gunId'>,
  value: number | null,
): OwnFigureChange {
  const gun = guns.find(({ id }) => id === gunId);
  if (gun) {
    const { filmPercent: _, ...others } = gun;
    return { things: { guns: { [gun.id]: value === null ? others : { ...others, filmPercent: value } } } };
  }
  const { [rule]: _, ...others } = rules;
  return { shop: { rules: (value === null ? others : { ...others, [rule]: value }) as Shop['rules'] } };
}
