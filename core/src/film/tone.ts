/** Lightness of a colour: hex (sRGB, D65) to CIE L*. IEC 61966-2-1 for the linear values, CIE 1976 for L*. */

/** Linear light of an sRGB channel, both 0..1. */
export const linearOf = (channel: number): number =>
  channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;

/** L* 0..100 of a colour written `#rrggbb`. White is 100, `#1b7f86` about 48. */
export function lightnessOfHex(hex: string): number {
  const channel = (at: number): number => linearOf(parseInt(hex.slice(at, at + 2), 16) / 255);
  const luminance = 0.2126 * channel(1) + 0.7152 * channel(3) + 0.0722 * channel(5);
  return luminance <= 216 / 24389 ? (luminance * 24389) / 27 : 116 * Math.cbrt(luminance) - 16;
}
