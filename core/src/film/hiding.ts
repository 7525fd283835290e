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

/** Reflectance of a grey of lightness L*. @throws {RangeError} outside 0 to 100 */
export function bandsOfGrey(toneL: number): Bands {
  if (!(toneL >= 0 && toneL <= 100)) throw new RangeError(`lightness must be from 0 to 100, got ${toneL}`);
  const f = (toneL + 16) / 116;
  const y = toneL > 8 ? f ** 3 : (toneL * 27) / 24389;
  return [y, y, y];
}

const luminance = ([red, green, blue]: Bands): number => 0.2126 * red + 0.7152 * green + 0.0722 * blue;

type Lab = readonly [number, number, number];

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
  if (!(contrast > 0 && contrast < 1))
    throw new RangeError(`contrast must be over 0 and under 1, got ${contrast}`);
  if (tonesL.length === 0) throw new RangeError('at least one tone of undercoat is needed');
  const sx = scatterOfCoat(masstone, contrast);
  const hidden = labOf(masstone.map(inside) as unknown as Bands);
  const left = (toneL: number, coats: number): number =>
    deltaE(labOf(filmOver(masstone, bandsOfGrey(toneL), coats * sx)), hidden);
  const judged = tonesL.map((toneL) => {
    let coats = 1;
    while (left(toneL, coats) >= HIDDEN_DELTA_E[quality] && coats <= MOST_COATS) coats++;
    const isHidden = coats <= MOST_COATS;
    const shown = { toneL, coats: isHidden ? coats : null, deltaE: left(toneL, Math.min(coats, MOST_COATS)) };
    return { shown, thin: left(toneL, coats * THIN_SPOT) };
  });
  const rank = ({ coats }: HidingByTone): number => coats ?? Infinity;
  const [best] = [...judged].sort((a, b) =>
    rank(a.shown) === rank(b.shown) ? a.thin - b.thin : rank(a.shown) - rank(b.shown),
  );
  return {
    byTone: judged.map(({ shown }) => shown),
    best: { toneL: best!.shown.toneL, coats: best!.shown.coats },
  };
}
