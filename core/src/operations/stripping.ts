import { familyOf, isBody, isMetal, isRawPlastic } from '../materials/layer-kinds.ts';
import { removalCm3PerMin } from '../surface/ladder.ts';
import { sandedMaterial, scratchDepthUm } from '../surface/scratch.ts';
import type { PlainAct, SandAct } from './act.ts';
import { figuresIn } from './context.ts';
import { labourMin } from './labour.ts';
import { areaOf, nothing, opReason, type Moment, type Operation } from './operation.ts';
import { isFoundFinish, raise, settle, topOf, type Scratch, type ZoneState } from './state.ts';

/** Down to the substrate: by machine (with the sanding operations), by paint stripper or by blasting. */

/** The zone with everything off; what was filler leaves its hollow behind, a sealed joint lies open. */
export function strippedBare(
  zone: ZoneState,
  scratch: Scratch | null,
  together: readonly string[],
  { panel, endMin }: Moment,
): ZoneState {
  const base = zone.stack[0]!;
  const body = zone.stack.reduce(
    (sum, { kind, um }) => (isBody(kind) && kind !== 'seam' ? sum + um : sum),
    0,
  );
  const hadSeam = zone.stack.some(({ kind }) => kind === 'seam');
  const settled = settle(zone, 'rub', 'found-body', 'overspray', 'glue', 'look');
  const opened = hadSeam ? raise(settled, 'joint') : settled;
  // Finish that stays around it leaves the zone with an edge of its own.
  const staysAround = panel.zones.some((other) => isFoundFinish(other) && !together.includes(other.zone.id));
  return {
    ...(isRawPlastic(base.kind) ? raise(opened, 'static') : opened),
    stack: [base],
    unsoundShare: 0,
    spots: null,
    isSoluble: false,
    edge: zone.edge === 'sound' && !staysAround ? 'sound' : 'raw',
    bareSinceMin: isMetal(base.kind) ? endMin : null,
    surface: {
      ...zone.surface,
      soil: 'dusty',
      isTacked: false,
      hasGuideCoat: false,
      scratch,
      wavesUm: 0,
      peelUm: 0,
      hasPinholes: false,
      lowUm: zone.surface.lowUm + body,
    },
  };
}

/** Minutes to sand through all that lies on the substrate. */
export const stripMinutes = (zone: ZoneState, act: SandAct): number =>
  zone.stack.slice(1).reduce(
    (sum, layer) => {
      const rate = removalCm3PerMin(act.grades[0], act.tool, sandedMaterial(layer.kind));
      return sum + (zone.zone.areaM2 * layer.um) / rate;
    },
    2 + 2 * zone.zone.areaM2,
  );

/** Minutes until stripper has done its work (usual 45, looked at after 25), µm of film that one application lifts. */
const DWELL_MIN = 45;
const LIFTS_UM = 200;
const STRIPPER_PER_M2 = 14;

const applications = (zone: ZoneState): number =>
  Math.max(1, Math.ceil(zone.stack.slice(1).reduce((sum, { um }) => sum + um, 0) / LIFTS_UM));

/** Stripper lifts finish, not filler: filler is ground out. */
export const chemicalStripping: Operation<PlainAct> = {
  check: (zone) =>
    zone.stack.length > 1 && isMetal(zone.stack[0]!.kind) ? [] : [opReason('op.no-stripper')],
  apply: (zone, act, moment) => {
    const bare = strippedBare(zone, null, act.zones, moment);
    return raise({ ...bare, bareSinceMin: null, surface: { ...bare.surface, soil: 'grime' } }, 'stripper');
  },
  cost: (zones, act) => {
    const most = Math.max(...zones.map(applications));
    return {
      handsOnMin: labourMin(act.op, areaOf(zones)) * most,
      waitMin: DWELL_MIN * most,
      materialCost: STRIPPER_PER_M2 * areaOf(zones) * most,
    };
  },
  explain: (zones) => [
    {
      rule: 'M8',
      code: 'M8.dwell',
      source: 'default',
      facts: { dwellMin: DWELL_MIN, times: Math.max(...zones.map(applications)) },
    },
  ],
};

/** Profile that blasting leaves, as the grade that scratches as deep (default). */
const BLAST_PROFILE = 'P80';
const BLAST_PER_M2 = 9;

export const blasting: Operation<PlainAct> = {
  check: (zone) => (familyOf(zone.stack[0]!.kind) === 'metal' ? [] : [opReason('op.no-blasting')]),
  apply: (zone, act, moment) => {
    const scratch: Scratch = {
      grade: BLAST_PROFILE,
      tool: 'machine',
      depthUm: scratchDepthUm(
        BLAST_PROFILE,
        'machine',
        sandedMaterial(topOf(zone).kind),
        figuresIn(moment.context),
      ),
    };
    return { ...strippedBare(zone, scratch, act.zones, moment), rust: 'none' };
  },
  cost: (zones, act) => ({
    handsOnMin: labourMin(act.op, areaOf(zones)),
    waitMin: 0,
    materialCost: BLAST_PER_M2 * areaOf(zones),
  }),
  explain: nothing,
};
