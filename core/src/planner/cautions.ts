import type { ProductSheet } from '../materials/sheet.ts';
import type { Act } from '../operations/act.ts';
import { CAUTIONS, GOVERNS } from '../operations/caution-words.ts';
import type { ZoneState } from '../operations/state.ts';
import { rowOf } from '../operations/table.ts';

/** The cautions of one act on these zones, in words, as its row says; empty for work that hurts nobody. */
export function cautionsOf(act: Act, zones: readonly ZoneState[], sheet: ProductSheet | undefined): string[] {
  const { cautions } = rowOf(act.op);
  if (cautions === 'none') return [];
  const all = typeof cautions === 'function' ? cautions({ act, zones, sheet }) : cautions;
  return all.length > 0 ? [...all.map((caution) => CAUTIONS[caution]), GOVERNS] : [];
}
