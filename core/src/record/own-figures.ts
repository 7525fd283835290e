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
  /** Middle of all samples, each by its weight. */
  readonly value: number;
  readonly count: number;
  /** Half of the work lies between these. */
  readonly from: number;
  readonly to: number;
  /** What plans reckon with now. */
  readonly inForce: Sourced<number>;
  /** It may be taken: often enough, and inside the range of the figure. */
  readonly isEnough: boolean;
  readonly isInRange: boolean;
  /** By bands of temperature, where the figure depends on it. */
  readonly inAir?: readonly InAir[];
}

/** Fewer times are an accident, not a figure. */
export const LEAST_SAMPLES = 5;
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

function figureOf(samples: readonly OwnSample[], shop: Shop): OwnFigure[] {
  const { rule, gunId } = samples[0]!;
  const gun = shop.guns?.find(({ id }) => id === gunId);
  // A gun that the shop has no longer.
  if (gunId !== undefined && !gun) return [];
  const value = rounded(weightedShare(samples, 0.5));
  const { from, to } = SHOP_RULES[rule];
  const inAir = inAirOf(samples);
  return [
    {
      rule,
      ...(gun ? { gunId: gun.id, gunName: gun.name } : {}),
      value,
      count: samples.length,
      from: rounded(weightedShare(samples, 0.25)),
      to: rounded(weightedShare(samples, 0.75)),
      inForce: figureInForce(shop, samples[0]!),
      isEnough: samples.length >= LEAST_SAMPLES,
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
