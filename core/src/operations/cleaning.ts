import type { CleanAct } from './act.ts';
import { labourMin } from './labour.ts';
import { areaOf, nothing, type Operation } from './operation.ts';
import type { Soil, Surface } from './state.ts';

/** Wash, degrease, mask and tack: the surface loses its soil, the stack stays as it is. */

/** Litres a square metre, and price a litre, of what is wiped on and thrown away (defaults). */
const WIPED: Record<CleanAct['op'], number> = { wash: 0.4, degrease: 1.6, mask: 1.8, tack: 0.5 };
const AFTER: Partial<Record<CleanAct['op'], Soil>> = { wash: 'washed', degrease: 'clean' };
/** Solvent leaves before spraying or sanding goes on (sheet of the cleaners). */
const WIPE_WAIT_MIN = 5;

const cleaned = (surface: Surface, op: CleanAct['op']): Surface => {
  if (op === 'tack') return { ...surface, isTacked: true };
  const soil = AFTER[op];
  return soil ? { ...surface, soil, isTacked: false, hasGuideCoat: false } : surface;
};

export const cleaning: Operation<CleanAct> = {
  check: nothing,
  apply: (zone, act) => ({ ...zone, surface: cleaned(zone.surface, act.op) }),
  cost: (zones, act) => ({
    handsOnMin: labourMin(act.op, areaOf(zones)),
    waitMin: act.op === 'degrease' ? WIPE_WAIT_MIN : 0,
    materialCost: WIPED[act.op] * areaOf(zones),
  }),
  explain: nothing,
};
