import type { Stretches } from './work-calendar.ts';

/** What may be asked of stretches of free time, and how time is taken out of them. Pairs lie in order and apart. */

/** Index of the first stretch that ends after a minute; the length of the list where none does. O(log n). */
export function stretchAfter(free: Stretches, atMin: number): number {
  let [low, high] = [0, free.length / 2];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (free[middle * 2 + 1]! > atMin) high = middle;
    else low = middle + 1;
  }
  return low * 2;
}

/** First minute from one on at which so much time is free in one piece; Infinity where nothing is long enough. */
export function firstFit(free: Stretches, fromMin: number, lengthMin: number): number {
  for (let i = stretchAfter(free, fromMin); i < free.length; i += 2) {
    const atMin = Math.max(fromMin, free[i]!);
    if (atMin + lengthMin <= free[i + 1]!) return atMin;
  }
  return Infinity;
}

/** Whether all of a time is free. */
export function isFree(free: Stretches, fromMin: number, toMin: number): boolean {
  const i = stretchAfter(free, fromMin);
  return i < free.length && free[i]! <= fromMin && toMin <= free[i + 1]!;
}

/** Takes a time out of what is free; what of it was not free stays so. What is left and shorter than `least` is dropped. */
export function take(free: Stretches, fromMin: number, toMin: number, least = 0.001): void {
  if (toMin <= fromMin) return;
  let i = stretchAfter(free, fromMin);
  while (i < free.length && free[i]! < toMin) {
    const [a, b] = [free[i]!, free[i + 1]!];
    const left: number[] = [];
    const [isBefore, isAfter] = [fromMin - a >= least, b - toMin >= least];
    if (isBefore) left.push(a, fromMin);
    if (isAfter) left.push(toMin, b);
    free.splice(i, 2, ...left);
    i += isBefore ? 2 : 0;
    if (b > toMin) return;
  }
}

/** Free minutes between two moments. */
export function freeBetween(free: Stretches, fromMin: number, toMin: number): number {
  let sum = 0;
  for (let i = stretchAfter(free, fromMin); i < free.length && free[i]! < toMin; i += 2)
    sum += Math.min(toMin, free[i + 1]!) - Math.max(fromMin, free[i]!);
  return sum;
}

/** Moment at which so many minutes have been free since one; Infinity where they never are. */
export function momentAfterFree(free: Stretches, fromMin: number, minutes: number): number {
  let left = minutes;
  if (left <= 0) return fromMin;
  for (let i = stretchAfter(free, fromMin); i < free.length; i += 2) {
    const begin = Math.max(fromMin, free[i]!);
    const length = free[i + 1]! - begin;
    if (left <= length) return begin + left;
    left -= length;
  }
  return Infinity;
}
