import { rowOf } from '../operations/table.ts';
import { readingFigures } from '../surface/readings.ts';
import type { Zone } from '../survey/zone.ts';
import { testOf } from '../survey/zone-facts.ts';
import type { Step } from './plan.ts';

/**
 * Mean of what a gauge read over a zone, µm of all film: as found (index 0) and after each step. Null where nobody
 * measured, or the film has changed since.
 */
export function measuredFilmUm(
  zone: Pick<Zone, 'id' | 'tests' | 'readings'>,
  steps: readonly Step[],
): (number | null)[] {
  const meanOf = (readingsUm: readonly number[]): number | null => readingFigures(readingsUm)?.meanUm ?? null;
  let current = meanOf(testOf(zone, 'gauge')?.readingsUm ?? []);
  const all = [current];
  for (const { op, stacks } of steps) {
    if (stacks[zone.id]) {
      const after = rowOf(op).readAs;
      const readings = (zone.readings ?? []).filter((reading) => reading.after === after);
      current = meanOf(readings.map(({ um }) => um));
    }
    all.push(current);
  }
  return all;
}
