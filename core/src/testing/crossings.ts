import { seeded } from '../units/random.ts';

/**
 * How much of the long crossings is tried: all of it by `npm run test:all`, a fixed sample by `npm test`. The sample is
 * drawn once and for all, so that a test that passes does not fail tomorrow for what nobody changed.
 */
export const isWhole = process.env['LEDGE_TESTS'] === 'all';

const SEED = 25;

/** One of so many cases, in their order; all of them in a whole run. */
export function sampleOf<T>(cases: readonly T[], oneOf: number): readonly T[] {
  if (isWhole) return cases;
  const random = seeded(SEED);
  return cases.filter(() => random() * oneOf < 1);
}

/** Runs of a property: a quarter of them with the same cases every time, or all with cases that nobody saw before. */
export const runsOf = (whole: number): { readonly numRuns: number; readonly seed?: number } =>
  isWhole ? { numRuns: whole } : { numRuns: Math.ceil(whole / 4), seed: SEED };
