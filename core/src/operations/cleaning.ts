import type { CleanAct } from './act.ts';
import type { Context } from './context.ts';
import { ruleIn } from './context.ts';
import { workedOn } from './extent.ts';
import { labourOn } from './labour.ts';
import { nothing, type Moment, type Operation } from './operation.ts';
import {
  hasIssue,
  isOpenBody,
  isUnprimedPlastic,
  withIssue,
  withoutIssues,
  type OpenIssue,
  type Soil,
  type ZoneState,
} from './state.ts';
import { changed } from './changed-area.ts';

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
const TAKES: Partial<Record<CleanAct['op'], readonly OpenIssue[]>> = {
  wash: ['dressing', 'stripper'],
  degrease: ['wax', 'glue'],
  'antistatic-wipe': ['wax', 'glue'],
};
/** Dressing goes with the first wash only so far: it is washed twice. */
const HOLDS_BACK: readonly OpenIssue[] = ['dressing', 'wax'];
/** Share of the masking that is left to do on a panel off the vehicle: nothing lies around it (default). */
const OFF_VEHICLE_MASK_SHARE = 0.5;

function cleaned(zone: ZoneState, op: CleanAct['op']): ZoneState {
  const { surface } = zone;
  if (op === 'tack') return changed(zone, { surface: { isTacked: true } });
  const soil = AFTER[op];
  if (!soil) return zone;
  // What water would do elsewhere, solvent does on open filler: water soaks into it.
  const taken = [...(TAKES[op] ?? []), ...(op !== 'wash' && isOpenBody(zone) ? (['dressing'] as const) : [])];
  const isHeldBack = HOLDS_BACK.some((issue) => taken.includes(issue) && hasIssue(zone, issue));
  const settled = withoutIssues(zone, ...taken, ...(op === 'antistatic-wipe' ? (['static'] as const) : []));
  const loaded = op === 'degrease' && isUnprimedPlastic(zone) ? withIssue(settled, 'static') : settled;
  const left = isHeldBack ? surface.soil : soil;
  return changed(loaded, { surface: { soil: left, isTacked: false, hasGuideCoat: false } });
}

/** Sections in which a large bare area is abraded, wiped and coated, each inside the exposure limit. */
export const sectionsOf = (zone: ZoneState, context: Context): number =>
  Math.max(
    1,
    Math.ceil((context.panel.count * zone.extent.openM2) / ruleIn(context, 'sectionM2').value - 1e-9),
  );

/** Wiping the other sections does not keep a section waiting: they are done one after the other. */
function exposedLess(zone: ZoneState, { endMin, panel, context }: Moment): ZoneState {
  const nSections = zone.bareSinceMin === null ? 1 : sectionsOf(zone, context);
  // What does not change stays the same object: what rules said of it holds.
  if (zone.bareSinceMin === null || nSections === 1) return zone;
  return changed(zone, {
    bareSinceMin: zone.bareSinceMin + (endMin - panel.clockMin) * (1 - 1 / nSections),
  });
}

export const cleaning: Operation<CleanAct> = {
  check: nothing,
  apply:
    ({ op }, moment) =>
    (zone) =>
      exposedLess(cleaned(zone, op), moment),
  cost: (zones, act, _, context) => ({
    handsOnMin:
      labourOn(act.op, zones, context) *
      (act.op === 'mask' && context.panel.offVehicle ? OFF_VEHICLE_MASK_SHARE : 1),
    waitMin: act.op === 'degrease' || act.op === 'antistatic-wipe' ? ruleIn(context, 'wipeWaitMin').value : 0,
    materialCost: WIPED[act.op] * workedOn(act.op, zones, context),
  }),
  explain: nothing,
};
