import type { CleanAct } from './act.ts';
import { labourMin } from './labour.ts';
import { areaOf, nothing, type Operation } from './operation.ts';
import { has, isUnprimedPlastic, raise, settle, type Matter, type Soil, type ZoneState } from './state.ts';

/** Wash, degrease, mask and tack: the surface loses its soil, the stack stays as it is. */

/** Litres a square metre, and price a litre, of what is wiped on and thrown away (defaults). */
const WIPED: Record<CleanAct['op'], number> = {
  wash: 0.4,
  degrease: 1.6,
  'antistatic-wipe': 1.4,
  mask: 1.8,
  tack: 0.5,
};
const AFTER: Partial<Record<CleanAct['op'], Soil>> = {
  wash: 'washed',
  degrease: 'clean',
  'antistatic-wipe': 'clean',
};
/** What one pass takes off; until it has, the surface is no cleaner than before. */
const TAKES: Partial<Record<CleanAct['op'], readonly Matter[]>> = {
  wash: ['dressing', 'stripper'],
  degrease: ['wax', 'glue'],
  'antistatic-wipe': ['wax', 'glue'],
};
/** Dressing goes with the first wash only so far: it is washed twice. */
const HOLDS_BACK: readonly Matter[] = ['dressing', 'wax'];
/** Solvent leaves before spraying or sanding goes on (sheet of the cleaners). */
const WIPE_WAIT_MIN = 5;
/** Share of the masking that is left to do on a panel off the vehicle: nothing lies around it (default). */
const OFF_VEHICLE_MASK_SHARE = 0.5;

function cleaned(zone: ZoneState, op: CleanAct['op']): ZoneState {
  const { surface } = zone;
  if (op === 'tack') return { ...zone, surface: { ...surface, isTacked: true } };
  const soil = AFTER[op];
  if (!soil) return zone;
  const taken = TAKES[op] ?? [];
  const isHeldBack = HOLDS_BACK.some((matter) => taken.includes(matter) && has(zone, matter));
  const settled = settle(zone, ...taken, ...(op === 'antistatic-wipe' ? (['static'] as const) : []));
  const loaded = op === 'degrease' && isUnprimedPlastic(zone) ? raise(settled, 'static') : settled;
  const left = isHeldBack ? surface.soil : soil;
  return { ...loaded, surface: { ...surface, soil: left, isTacked: false, hasGuideCoat: false } };
}

export const cleaning: Operation<CleanAct> = {
  check: nothing,
  apply: (zone, act) => cleaned(zone, act.op),
  cost: (zones, act, _, { panel }) => ({
    handsOnMin:
      labourMin(act.op, areaOf(zones)) * (act.op === 'mask' && panel.offVehicle ? OFF_VEHICLE_MASK_SHARE : 1),
    waitMin: act.op === 'degrease' || act.op === 'antistatic-wipe' ? WIPE_WAIT_MIN : 0,
    materialCost: WIPED[act.op] * areaOf(zones),
  }),
  explain: nothing,
};
