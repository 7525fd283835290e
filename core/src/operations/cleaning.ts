import type { CleanAct } from './act.ts';
import { labourMin } from './labour.ts';
import { areaOf, nothing, type Operation } from './operation.ts';
import type { Soil, ZoneState } from './state.ts';

/** Wash, degrease, mask and tack: the surface loses its soil, the stack stays as it is. */

/** Litres a square metre, and price a litre, of what is wiped on and thrown away (defaults). */
const WIPED: Record<CleanAct['op'], number> = { wash: 0.4, degrease: 1.6, mask: 1.8, tack: 0.5 };
const AFTER: Partial<Record<CleanAct['op'], Soil>> = { wash: 'washed', degrease: 'clean' };
/** Solvent leaves before spraying or sanding goes on (sheet of the cleaners). */
const WIPE_WAIT_MIN = 5;

function cleaned(zone: ZoneState, op: CleanAct['op']): ZoneState {
  const { surface } = zone;
  if (op === 'tack') return { ...zone, surface: { ...surface, isTacked: true } };
  const soil = AFTER[op];
  if (!soil) return zone;
  // The first degrease takes the release wax; only the next one leaves the surface clean.
  const left: Soil = op === 'degrease' && zone.hasWax ? 'washed' : soil;
  const hasWax = zone.hasWax && op !== 'degrease';
  return { ...zone, hasWax, surface: { ...surface, soil: left, isTacked: false, hasGuideCoat: false } };
}

export const cleaning: Operation<CleanAct> = {
  check: nothing,
  apply: (zone, act) => cleaned(zone, act.op),
  cost: (zones, act) => ({
    handsOnMin: labourMin(act.op, areaOf(zones)),
    waitMin: act.op === 'degrease' ? WIPE_WAIT_MIN : 0,
    materialCost: WIPED[act.op] * areaOf(zones),
  }),
  explain: nothing,
};
