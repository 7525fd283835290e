/**
 * Thickness readings of a gauge on one zone: mean, range and spread, with doubtful ones set apart.
 * A reading is doubtful when it lies further from the median than 3.5 robust standard deviations (1.4826 x the median
 * absolute deviation), but never nearer than the gauge's own error.
 */
const DOUBTFUL_DEVIATIONS = 3.5;
const ROBUST = 1.4826;
/** Error of a shop's gauge: at least this, or this share of the reading. */
const GAUGE_ERROR_UM = 5;
const GAUGE_ERROR_SHARE = 0.05;
/** With fewer readings nothing can be called doubtful. */
const ENOUGH = 4;

export interface ReadingFigures {
  readonly count: number;
  readonly meanUm: number;
  readonly leastUm: number;
  readonly mostUm: number;
  /** Standard deviation of the sample, µm; 0 for one reading. */
  readonly spreadUm: number;
  /** Places of doubtful readings; they are left out of the other figures. */
  readonly doubtful: readonly number[];
}

const median = (sorted: readonly number[]): number => {
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
};
const ordered = (values: readonly number[]): number[] => [...values].sort((a, b) => a - b);

/** Places of the readings that stand too far from the others to be believed. */
export function doubtfulReadings(readingsUm: readonly number[]): number[] {
  if (readingsUm.length < ENOUGH) return [];
  const middleUm = median(ordered(readingsUm));
  const deviationUm = median(ordered(readingsUm.map((um) => Math.abs(um - middleUm))));
  const errorUm = Math.max(GAUGE_ERROR_UM, GAUGE_ERROR_SHARE * middleUm);
  const mostUm = DOUBTFUL_DEVIATIONS * Math.max(ROBUST * deviationUm, errorUm / 2);
  return readingsUm.flatMap((um, i) => (Math.abs(um - middleUm) > mostUm ? [i] : []));
}

/** Figures of a zone's readings; null where there are none. */
export function readingFigures(readingsUm: readonly number[]): ReadingFigures | null {
  if (readingsUm.length === 0) return null;
  const doubtful = doubtfulReadings(readingsUm);
  const good = readingsUm.filter((_, i) => !doubtful.includes(i));
  const meanUm = good.reduce((sum, um) => sum + um, 0) / good.length;
  const squares = good.reduce((sum, um) => sum + (um - meanUm) ** 2, 0);
  return {
    count: good.length,
    meanUm,
    leastUm: Math.min(...good),
    mostUm: Math.max(...good),
    spreadUm: good.length > 1 ? Math.sqrt(squares / (good.length - 1)) : 0,
    doubtful,
  };
}
