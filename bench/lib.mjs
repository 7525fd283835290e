/** What the benchmarks share: how often a thing is done, percentiles, and how a line is printed. */

/** A tiny round shows that a benchmark still runs; its figures say nothing. */
export const isTiny = process.argv.includes('--tiny');

/** How often something is done, or how many of it there are: a few of them in a tiny round. */
export const amount = (whole, tiny = 1) => (isTiny ? Math.min(whole, tiny) : whole);

/** The sizes that are tried; the first of them in a tiny round. */
export const sizes = (all) => (isTiny ? all.slice(0, 1) : all);

/** Runs `work` `nRuns` times after a warm-up; milliseconds, sorted. */
export async function timed(work, nRuns, nWarm = 3) {
  for (let i = 0; i < amount(nWarm, 0); i++) await work();
  const times = [];
  for (let i = 0; i < amount(nRuns); i++) {
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
