import { linearOf } from './tone.ts';

/**
 * How many coats hide an undercoat (models.md 10): Kubelka-Munk in three bands of linear sRGB. K/S of each band comes
 * from the masstone, one S for all of them from a black and white card. Differences are CIE76 in Lab under D65.
 */

/** Linear reflectance of red, green and blue, 0..1. */
export type Bands = readonly [number, number, number];

/** Reflectance of the white of a hiding card. */
const CARD_WHITE = 0.8;
/** A band is never quite black nor white: Kubelka-Munk has no answer there. */
const LEAST = 0.002;
const MOST = 0.998;
/** Coats after which it is said that a base does not hide. */
const MOST_COATS = 20;
/** What is left of the film where a coat was sprayed thin. */
const THIN_SPOT = 0.6;

/** Colour difference that nobody sees at a quality. */
export const HIDDEN_DELTA_E = { economy: 1.5, standard: 1, show: 0.5 } as const;
type Quality = keyof typeof HIDDEN_DELTA_E;

const inside = (value: number): number => Math.min(MOST, Math.max(LEAST, value));

/** @throws {RangeError} for anything but `#rrggbb` */
export function bandsOfHex(hex: string): Bands {
  if (!/^#[0-9a-f]{6}$/i.test(hex)) throw new RangeError(`base must be like #1b7f86, got ${hex}`);
  return [1, 3, 5].map((at) => linearOf(parseInt(hex.slice(at, at + 2), 16) / 255)) as unknown as Bands;
}

/** A colour as a job has it. */
export type Color = string | { readonly L: number; readonly a: number; readonly b: number };

/** @throws {RangeError} for text that is not `#rrggbb` */
export const bandsOfColor = (color: Color): Bands =>
  typeof color === 'string' ? bandsOfHex(color) : bandsOfLab([color.L, color.a, color.b]);

/** The colour as a screen shows it, `#rrggbb`. */
export const hexOfBands = (bands: Bands): string =>
  `#${bands
    .map((value) => {
      const channel = value <= 0.0031308 ? value * 12.92 : 1.055 * value ** (1 / 2.4) - 0.055;
      return Math.round(Math.min(1, Math.max(0, channel)) * 255)
        .toString(16)
        .padStart(2, '0');
    })
    .join('')}`;

/** Reflectance of a grey of lightness L*. @throws {RangeError} outside 0 to 100 */
export function bandsOfGrey(toneL: number): Bands {
  if (!(toneL >= 0 && toneL <= 100)) throw new RangeError(`lightness must be from 0 to 100, got ${toneL}`);
  const f = (toneL + 16) / 116;
  const y = toneL > 8 ? f ** 3 : (toneL * 27) / 24389;
  return [y, y, y];
}

const luminance = ([red, green, blue]: Bands): number => 0.2126 * red + 0.7152 * green + 0.0722 * blue;

type Lab = readonly [number, number, number];

/** Linear sRGB of CIE Lab under D65, cut to what a screen can show. */
export function bandsOfLab([l, a, b]: Lab): Bands {
  const inverse = (t: number): number => (t ** 3 > 216 / 24389 ? t ** 3 : ((116 * t - 16) * 27) / 24389);
  const fy = (l + 16) / 116;
  const [x, y, z] = [0.95047 * inverse(fy + a / 500), inverse(fy), 1.08883 * inverse(fy - b / 200)];
  const cut = (value: number): number => Math.min(1, Math.max(0, value));
  return [
    cut(3.2404542 * x - 1.5371385 * y - 0.4985314 * z),
    cut(-0.969266 * x + 1.8760108 * y + 0.041556 * z),
    cut(0.0556434 * x - 0.2040259 * y + 1.0572252 * z),
  ];
}

/** CIE Lab under D65 from linear sRGB (IEC 61966-2-1). */
export function labOf(bands: Bands): Lab {
  const [r, g, b] = bands;
  const f = (t: number): number => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116);
  const x = f((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / 0.95047);
  const y = f(luminance(bands));
  const z = f((0.0193339 * r + 0.119192 * g + 0.9503041 * b) / 1.08883);
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)];
}

const deltaE = (a: Lab, b: Lab): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Reflectance of a film over a ground; `sx` is scatter times thickness. */
function over(masstone: number, ground: number, sx: number): number {
  const r = inside(masstone);
  const a = (1 / r + r) / 2;
  const b = Math.sqrt(a * a - 1);
  const bCoth = b / Math.tanh(b * sx);
  return (1 - ground * (a - bCoth)) / (a - ground + bCoth);
}

const filmOver = (masstone: Bands, ground: Bands, sx: number): Bands =>
  masstone.map((band, i) => over(band, ground[i]!, sx)) as unknown as Bands;

const black: Bands = [0, 0, 0];
const white: Bands = [CARD_WHITE, CARD_WHITE, CARD_WHITE];

/** Scatter of one coat, by halving: the contrast over the card rises with it. */
function scatterOfCoat(masstone: Bands, contrast: number): number {
  const contrastAt = (sx: number): number =>
    luminance(filmOver(masstone, black, sx)) / luminance(filmOver(masstone, white, sx));
  let [low, high] = [1e-6, 1];
  while (contrastAt(high) < contrast && high < 1e6) high *= 2;
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (contrastAt(middle) < contrast) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

export interface HidingByTone {
  readonly toneL: number;
  /** Coats until nobody sees the undercoat; null where 20 are not enough. */
  readonly coats: number | null;
  /** What is left to be seen then. */
  readonly deltaE: number;
}

export interface Hiding {
  readonly byTone: readonly HidingByTone[];
  /** Fewest coats, then least to be seen where it was sprayed thin. */
  readonly best: { readonly toneL: number; readonly coats: number | null };
}

/** What a base does over one ground. */
interface Over {
  readonly coats: number | null;
  readonly deltaE: number;
  /** What is left to be seen where it was sprayed thin. */
  readonly thin: number;
}

/** A base as the model knows it: from its masstone and one coat of it on a card. */
export interface Base {
  readonly masstone: Bands;
  /** Of one coat: reflectance over black (0) divided by that over white (0.8); over 0 to under 1. */
  readonly contrast: number;
  readonly quality: Quality;
}

/** Coats of a base over any ground. @throws {RangeError} for a contrast outside its range */
function coatsOver({ masstone, contrast, quality }: Base): (ground: Bands) => Over {
  if (!(contrast > 0 && contrast < 1))
    throw new RangeError(`contrast must be over 0 and under 1, got ${contrast}`);
  const sx = scatterOfCoat(masstone, contrast);
  const hidden = labOf(masstone.map(inside) as unknown as Bands);
  return (ground) => {
    const left = (coats: number): number => deltaE(labOf(filmOver(masstone, ground, coats * sx)), hidden);
    let coats = 1;
    while (left(coats) >= HIDDEN_DELTA_E[quality] && coats <= MOST_COATS) coats++;
    const isHidden = coats <= MOST_COATS;
    return {
      coats: isHidden ? coats : null,
      deltaE: left(Math.min(coats, MOST_COATS)),
      thin: left(coats * THIN_SPOT),
    };
  };
}

/** Fewest coats first, then what shows least where it was sprayed thin. */
const byServing = (a: Over, b: Over): number =>
  a.coats === b.coats ? a.thin - b.thin : (a.coats ?? Infinity) - (b.coats ?? Infinity);

/**
 * Coats of a base over undercoats of several lightnesses.
 * @param contrast of one coat: reflectance over black (0) divided by that over white (0.8); over 0 to under 1
 * @throws {RangeError} for a contrast or a tone outside its range, or no tone
 */
export function hidingOver(
  masstone: Bands,
  contrast: number,
  tonesL: readonly number[],
  quality: Quality,
): Hiding {
  const over = coatsOver({ masstone, contrast, quality });
  if (tonesL.length === 0) throw new RangeError('at least one tone of undercoat is needed');
  const judged = tonesL.map((toneL) => ({ toneL, ...over(bandsOfGrey(toneL)) }));
  const [best] = judged.toSorted(byServing);
  return {
    byTone: judged.map(({ toneL, coats, deltaE: shows }) => ({ toneL, coats, deltaE: shows })),
    best: { toneL: best!.toneL, coats: best!.coats },
  };
}

/** Coats of a base over a finish that it is sprayed over as it is. */
export const hidingOverColor = (base: Base, ground: Bands): { coats: number | null; deltaE: number } => {
  const { coats, deltaE: shows } = coatsOver(base)(ground);
  return { coats, deltaE: shows };
};

/**
 * Contrast of one coat from the coats that made black and white of a card alike: halfway into the range that takes so many.
 * @throws {RangeError} outside 1 to 12 coats
 */
export function contrastOfCoats(masstone: Bands, coats: number, quality: Quality): number {
  if (!(Number.isInteger(coats) && coats >= 1 && coats <= 12))
    throw new RangeError(`coats must be a whole number from 1 to 12, got ${coats}`);
  /** Least contrast that hides the card's black in so many coats. */
  const leastFor = (n: number): number => {
    let [low, high] = [0.001, 0.999];
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2;
      const needs = coatsOver({ masstone, contrast: middle, quality })(black).coats ?? Infinity;
      if (needs > n) low = middle;
      else high = middle;
    }
    return high;
  };
  return (leastFor(coats) + (coats === 1 ? 0.999 : leastFor(coats - 1))) / 2;
}

/** Absorption to scatter of a grey that hides by itself (Kubelka-Munk). */
const ksOf = (toneL: number): number => {
  const r = inside(bandsOfGrey(toneL)[0]);
  return (1 - r) ** 2 / (2 * r);
};

/**
 * Share of the lighter of two tones of one product, by volume, that mixes to a tone between them; both scatter alike.
 * @throws {RangeError} where the tone does not lie between them
 */
export function shareOfLighter(darkL: number, lightL: number, toneL: number): number {
  if (!(darkL < lightL && toneL >= darkL && toneL <= lightL))
    throw new RangeError(`tone ${toneL} does not lie between ${darkL} and ${lightL}`);
  const [dark, light, wanted] = [ksOf(darkL), ksOf(lightL), ksOf(toneL)];
  return dark === light ? 0 : Math.min(1, Math.max(0, (dark - wanted) / (dark - light)));
}

/** Tone that a share of the lighter one mixes to: the inverse of `shareOfLighter`. */
export function mixedToneL(darkL: number, lightL: number, lighterShare: number): number {
  const ks = ksOf(darkL) * (1 - lighterShare) + ksOf(lightL) * lighterShare;
  const y = 1 + ks - Math.sqrt(ks * ks + 2 * ks);
  return labOf([y, y, y])[0];
}

/** An undercoat that the shop can lay: a tone of a product, or two of its tones mixed. */
export interface ToneOffer extends HidingByTone {
  readonly sheetId: string;
  readonly mixed?: { readonly darkL: number; readonly lightL: number; readonly lighterShare: number };
}

export interface Undertones {
  /** Coats over every tone from black to white, for a chart. */
  readonly chart: readonly HidingByTone[];
  /** The best tone of all. */
  readonly ideal: { readonly toneL: number; readonly coats: number | null };
  /** What the shop has or can mix, the best first. */
  readonly offers: readonly ToneOffer[];
}

/** Tones that are charted, and to which two are mixed. */
const CHART_STEP_L = 2.5;
const CHARTED = Array.from({ length: 100 / CHART_STEP_L + 1 }, (_, i) => i * CHART_STEP_L);

interface Toned {
  readonly id: string;
  readonly tonesL: readonly number[];
}

/** What undertone serves a base best, and which the products of a shop come to. O(products) over a chart of 41 tones. */
export function undertonesFor(base: Base, products: readonly Toned[]): Undertones {
  const over = coatsOver(base);
  const charted = CHARTED.map((toneL) => ({ toneL, ...over(bandsOfGrey(toneL)) }));
  const ideal = charted.toSorted(byServing)[0]!;
  const offered = products.flatMap(({ id: sheetId, tonesL }) => {
    const tones = tonesL.toSorted((a, b) => a - b);
    const single = tones.map((toneL) => ({ sheetId, toneL, ...over(bandsOfGrey(toneL)) }));
    const [darkL, lightL] = [tones[0], tones.at(-1)];
    if (darkL === undefined || lightL === undefined || darkL >= ideal.toneL || lightL <= ideal.toneL)
      return single;
    // The two tones that lie next to the best one are mixed to it.
    const below = tones.filter((tone) => tone < ideal.toneL).at(-1)!;
    const above = tones.find((tone) => tone >= ideal.toneL)!;
    if (above === ideal.toneL) return single;
    const lighterShare = shareOfLighter(below, above, ideal.toneL);
    return [...single, { ...ideal, sheetId, mixed: { darkL: below, lightL: above, lighterShare } }];
  });
  const plain = <T extends Over>({ thin: _, ...rest }: T): Omit<T, 'thin'> => rest;
  return {
    chart: charted.map(plain),
    ideal: { toneL: ideal.toneL, coats: ideal.coats },
    offers: offered.toSorted(byServing).map(plain),
  };
}
