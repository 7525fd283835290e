import type { OpenIssue } from '../survey/open-issue.ts';
import type { CleanAct } from './act.ts';
import { changed } from './changed-area.ts';
import type { Context } from './context.ts';
import { ruleIn } from './context.ts';
import { reachedOn } from './extent.ts';
import { hasIssue, settledBy, withIssue } from './issues.ts';
import { labourOn } from './labour.ts';
import { nothing, type Moment, type Operation, type OperationRow, type Rows } from './operation.ts';
import { isUnprimedPlastic, type PanelState, type Soil, type ZoneState } from './state.ts';

/** Wash, degrease, mask and tack: the surface loses its soil, the stack stays as it is. */

interface CleaningRow extends OperationRow {
  /** What is wiped on and thrown away costs so much a square metre (defaults). */
  readonly costPerM2: number;
  /** Soil that is left; absent where it leaves the surface as clean as it was. */
  readonly leaves?: Soil;
  /** It loads raw plastic with static. */
  readonly loads?: true;
  /** It dries before work goes on. */
  readonly dries?: true;
  readonly tacks?: true;
  /** Less of it is left to do on a panel off the vehicle: nothing lies around it. */
  readonly isAround?: true;
}

/** Dressing and wax go with the first pass only so far: until they have, the surface is no cleaner than before. */
const HELD_BACK: readonly OpenIssue[] = ['dressing', 'wax'];
/** Share of the masking that is left to do on a panel off the vehicle (default). */
const OFF_VEHICLE_MASK_SHARE = 0.5;

/** What is left to do of work around the panel: less off the vehicle, less where its tape still stands. */
const shareAround = ({ hasMaskLeft }: PanelState, context: Context): number =>
  (context.panel.offVehicle ? OFF_VEHICLE_MASK_SHARE : 1) *
  (hasMaskLeft ? ruleIn(context, 'renewedMaskShare').value : 1);

function cleaned(zone: ZoneState, op: CleanAct['op'], { tacks, leaves, loads }: CleaningRow): ZoneState {
  if (tacks) return changed(zone, { surface: { isTacked: true } });
  if (!leaves) return zone;
  const settled = settledBy(zone, op);
  const isHeldBack = HELD_BACK.some((issue) => hasIssue(zone, issue) && !hasIssue(settled, issue));
  const loaded = loads && isUnprimedPlastic(zone) ? withIssue(settled, 'static') : settled;
  const soil = isHeldBack ? zone.surface.soil : leaves;
  return changed(loaded, { surface: { soil, isTacked: false, hasGuideCoat: false } });
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

const cleaning = (row: Omit<CleaningRow, 'reach' | 'wait'>): Operation<CleanAct> => {
  const whole: CleaningRow = { ...row, reach: 'featherM2', wait: row.dries ? 'stays' : 'none' };
  return {
    ...whole,
    check: nothing,
    apply:
      ({ op }, moment) =>
      (zone) =>
        exposedLess(cleaned(zone, op, whole), moment),
    cost: (zones, _, panel, context) => {
      const share = row.isAround ? shareAround(panel, context) : 1;
      return {
        handsOnMin: labourOn(whole, zones, context) * share,
        waitMin: row.dries ? ruleIn(context, 'wipeWaitMin').value : 0,
        materialCost: row.costPerM2 * reachedOn(whole.reach, zones, context) * share,
      };
    },
    explain: nothing,
  };
};

export const CLEANING: Rows<CleanAct> = {
  wash: cleaning({
    label: 'wash',
    title: 'Wash with soap',
    setOutMin: 5,
    rate: 'washMinPerM2',
    costPerM2: 0.4,
    turn: 'wash',
    mayStop: true,
    leaves: 'washed',
    cautions: 'none',
    checks: ['water-break'],
  }),
  degrease: cleaning({
    label: 'degrease',
    title: 'Degrease, two cloths',
    setOutMin: 3,
    rate: 'degreaseMinPerM2',
    costPerM2: 1.6,
    turn: 'degrease',
    mayStop: false,
    dries: true,
    leaves: 'clean',
    loads: true,
    cautions: ['solvent', 'rags'],
    checks: ['water-break'],
  }),
  'antistatic-wipe': cleaning({
    label: 'wipe with plastic cleaner',
    title: 'Wipe with plastic cleaner',
    setOutMin: 3,
    rate: 'wipeMinPerM2',
    costPerM2: 1.4,
    turn: 'wipe',
    mayStop: false,
    dries: true,
    leaves: 'clean',
    cautions: ['solvent', 'static', 'rags'],
    checks: ['water-break'],
  }),
  mask: cleaning({
    label: 'mask',
    title: 'Mask, open edge at the primer',
    setOutMin: 6,
    rate: 'maskMinPerM2',
    costPerM2: 1.8,
    turn: 'mask',
    mayStop: true,
    isAround: true,
    changesNothing: true,
    cautions: 'none',
    checks: { none: 'a gap shows at once, and the wipe after it goes along its edge' },
  }),
  tack: cleaning({
    label: 'blow off and tack',
    title: 'Blow off and tack',
    setOutMin: 1,
    rate: 'tackMinPerM2',
    costPerM2: 0.5,
    turn: 'tack',
    mayStop: false,
    tacks: true,
    changesNothing: true,
    cautions: 'none',
    checks: ['tack-free'],
  }),
};
