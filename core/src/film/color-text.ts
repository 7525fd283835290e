import { readNumber } from '../units/numbers.ts';
import type { Color } from './hiding.ts';

/** A colour as a person writes it: `#1b7f86`, or L*, a and b of a measurement, `48.2 -22 -14`. */

const LIMITS = [
  ['L*', 0, 100],
  ['a', -160, 160],
  ['b', -160, 160],
] as const;

export type ReadColor =
  { readonly ok: true; readonly color: Color } | { readonly ok: false; readonly message: string };

/** Reads a colour, or says what is wrong with it. */
export function readColor(text: string): ReadColor {
  const trimmed = text.trim();
  if (/^#?[0-9a-f]{6}$/i.test(trimmed))
    return { ok: true, color: `#${trimmed.replace('#', '').toLowerCase()}` };
  const words = trimmed.split(/[\s;]+/).filter(Boolean);
  const numbers = words.map(readNumber);
  const [L, a, b] = numbers;
  if (words.length !== 3 || typeof L !== 'number' || typeof a !== 'number' || typeof b !== 'number')
    return { ok: false, message: 'A colour is like #1b7f86, or three measured numbers: L*, a and b.' };
  const odd = LIMITS.find(([, from, to], i) => numbers[i]! < from || numbers[i]! > to);
  if (odd) return { ok: false, message: `${odd[0]} must be from ${odd[1]} to ${odd[2]}.` };
  return { ok: true, color: { L, a, b } };
}

/** The colour as it is written. */
export const colorText = (color: Color): string =>
  typeof color === 'string' ? color : `${color.L} ${color.a} ${color.b}`;
