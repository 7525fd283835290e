/** What the benchmarks share: percentiles, and how a line is printed. */

/** Runs `work` `nRuns` times after a warm-up; milliseconds, sorted. */
export async function timed(work, nRuns, nWarm = 3) {
  for (let i = 0; i < nWarm; i++) await work();
  const times = [];
  for (let i = 0; i < nRuns; i++) {
    const start = performance.now();
    await work();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b);
}

export const percentile = (sorted, share) =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];

/** One line: what, figures, and the aim with how far off it is (under 1 is inside). */
export function report(what, value, unit, aim) {
  const ratio = aim === undefined ? '' : `   aim ${aim} ${unit}, ${(value / aim).toFixed(2)} of it`;
  console.log(`${what.padEnd(44)} ${value.toFixed(value < 10 ? 2 : 0).padStart(8)} ${unit}${ratio}`);
}
