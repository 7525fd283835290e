import { familyOf, isMetal, isRawPlastic } from '../materials/layer-kinds.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import { removalCm3PerMin } from '../surface/ladder.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import { textureOf } from '../survey/zone-facts.ts';
import type { Act, PlainAct, SandAct } from './act.ts';
import type { Caution } from './caution-words.ts';
import { changed } from './changed-area.ts';
import { figuresIn, ruleIn, type Context } from './context.ts';
import { reachedOn } from './extent.ts';
import { hasIssue, settledBy, strippedLayers, withIssue } from './issues.ts';
import { formFactor, labourOn } from './labour.ts';
import {
  nothing,
  opReason,
  type Cautioned,
  type Moment,
  type Operation,
  type OperationRow,
} from './operation.ts';
import { groundOf, hollowOf, isFoundFinish, type Scratch, type ZoneState } from './state.ts';

/** Down to sound ground: by machine (with the sanding operations), by paint stripper or by blasting. */

/** Uncured paint is scraped off and washed off with thinner before anything is sanded. */
export const strippingCautions = ({ zones }: Cautioned): readonly Caution[] =>
  zones.some((zone) => hasIssue(zone, 'uncured')) ? ['uncured', 'solvent', 'rags', 'leftovers'] : [];

/** Finish that stays around an area leaves it with an edge of its own. */
function hasFinishAround(zone: ZoneState, together: readonly string[], { panel }: Moment): boolean {
  const ground = groundOf(zone, panel);
  if (ground) return isFoundFinish(ground) && !together.includes(ground.zone.id);
  return panel.zones.some(
    (other) => !other.patch && isFoundFinish(other) && !together.includes(other.zone.id),
  );
}

/** The area with what lies on sound ground taken off; what was filler leaves its hollow, a sealed joint lies open. */
export function strippedBare(
  zone: ZoneState,
  scratch: Scratch | null,
  { op, zones: together }: Pick<Act, 'op' | 'zones'>,
  moment: Moment,
): ZoneState {
  const off = strippedLayers(zone);
  const stack = zone.stack.slice(0, zone.stack.length - off.length);
  const isBase = stack.length === 1;
  const hollowUm = off.reduce((sum, layer) => sum + hollowOf(layer), 0);
  const base = stack[0]!;
  const settled = settledBy(zone, op);
  const opened = off.some(({ kind }) => kind === 'seam') ? withIssue(settled, 'joint') : settled;
  const staysRough = textureOf(zone.zone, moment.context.panel) !== 'flatten';
  const rough =
    staysRough && off.some(({ kind }) => kind === 'texture') ? withIssue(opened, 'rough-coat') : opened;
  const keepsPinholes = !isBase && zone.surface.hasPinholes;
  return changed(isBase && isRawPlastic(base.kind) ? withIssue(rough, 'static') : rough, {
    stack,
    isSoluble: false,
    edge: zone.edge === 'sound' && !hasFinishAround(zone, together, moment) ? 'sound' : 'raw',
    bareSinceMin: isBase && isMetal(base.kind) ? moment.endMin : null,
    surface: {
      soil: 'dusty',
      isTacked: false,
      hasGuideCoat: false,
      scratch,
      // Films that were blocked come off filler as it was shaped under them.
      wavesUm: isBase ? 0 : ruleIn(moment.context, 'shapedFillerWavesUm').value,
      peelUm: 0,
      hasPinholes: keepsPinholes,
      lowUm: zone.surface.lowUm + hollowUm,
    },
  });
}

/** Film that the rate of stripping speaks of, µm, and the grade by which. */
const RATED = { um: 120, grade: 'P80' } as const;

/** Minutes to sand through what comes off: the shop's rate for a cured finish, in proportion to film and removal. */
export function stripMinutes(zone: ZoneState, act: SandAct, areaM2: number, context: Context): number {
  const figures = figuresIn(context);
  const rated = removalCm3PerMin(RATED.grade, act.tool, 'old-clear', figures);
  const perM2 = strippedLayers(zone).reduce((sum, layer) => {
    const rate = removalCm3PerMin(act.grades[0], act.tool, sandedMaterial(layer.kind), figures);
    return sum + (layer.um / RATED.um) * (rated / rate);
  }, 0);
  return ruleIn(context, 'stripMinPerM2').value * formFactor(context) * perM2 * areaM2;
}

/** Film that one application of stripper lifts, µm. */
const LIFTS_UM = 200;
const STRIPPER_PER_M2 = 14;
/** Share of the work that a further application takes. */
const AGAIN_SHARE = 0.6;

const applications = (zone: ZoneState): number =>
  Math.max(1, Math.ceil(strippedLayers(zone).reduce((sum, { um }) => sum + um, 0) / LIFTS_UM));

const CHEMICAL = {
  label: 'strip with paint stripper',
  title: 'Strip with paint stripper',
  inSystem: 'stripped',
  reach: 'openM2',
  // Setting out film, tools and water.
  setOutMin: 10,
  rate: 'chemicalStripMinPerM2',
  turn: 'strip',
  wait: 'watches',
  mayStop: false,
  cautions: (cautioned) => [...strippingCautions(cautioned), 'stripper', 'oldFinish'],
  checks: ['neutral'],
} as const satisfies OperationRow;

/** Stripper lifts finish, not filler: filler is ground out. */
const chemicalStripping: Operation<PlainAct> = {
  ...CHEMICAL,
  check: (zone) =>
    zone.stack.length > 1 && isMetal(zone.stack[0]!.kind) ? [] : [opReason('op.no-stripper')],
  apply: (act, moment) => (zone) => {
    const bare = strippedBare(zone, null, act, moment);
    return withIssue(changed(bare, { bareSinceMin: null, surface: { soil: 'grime' } }), 'stripper');
  },
  cost: (zones, _, __, context) => {
    const most = Math.max(...zones.map(applications));
    const areaM2 = reachedOn(CHEMICAL.reach, zones, context);
    const perM2 = ruleIn(context, CHEMICAL.rate).value * formFactor(context);
    return {
      handsOnMin: CHEMICAL.setOutMin + perM2 * areaM2 * (1 + AGAIN_SHARE * (most - 1)),
      waitMin: ruleIn(context, 'stripperDwellMin').value * most,
      materialCost: STRIPPER_PER_M2 * areaM2 * most,
    };
  },
  explain: (zones, _, __, context) => {
    const { value: dwellMin, source } = ruleIn(context, 'stripperDwellMin');
    const times = Math.max(...zones.map(applications));
    return [{ rule: 'M8', code: 'M8.dwell', source, facts: { dwellMin, times } }];
  },
};

/** Profile that blasting leaves, as the grade that scratches as deep (default). */
const BLAST_PROFILE = 'P80';
const BLAST_PER_M2 = 9;

const BLAST = {
  label: 'strip by blasting',
  title: 'Blast to bare metal',
  inSystem: 'stripped',
  onZone: 'blasted',
  reach: 'openM2',
  setOutMin: 12,
  rate: 'blastMinPerM2',
  turn: 'strip',
  wait: 'none',
  mayStop: true,
  cautions: (cautioned) => [...strippingCautions(cautioned), 'blasting', 'oldFinish'],
  checks: ['bright-metal'],
} as const satisfies OperationRow;

/** Blasting cleans to white metal: whatever rust and pits there were. */
const blasting: Operation<PlainAct> = {
  ...BLAST,
  check: (zone) => (familyOf(zone.stack[0]!.kind) === 'metal' ? [] : [opReason('op.no-blasting')]),
  apply: (act, moment) => (zone) => {
    const scratch: Scratch = {
      grade: BLAST_PROFILE,
      tool: 'machine',
      depthUm: scratchDepthUm(BLAST_PROFILE, 'machine', 'metal', figuresIn(moment.context)),
    };
    return strippedBare(zone, scratch, act, moment);
  },
  cost: (zones, _, __, context) => ({
    handsOnMin: labourOn(BLAST, zones, context),
    waitMin: 0,
    materialCost: BLAST_PER_M2 * reachedOn(BLAST.reach, zones, context),
  }),
  explain: nothing,
};

export const STRIPPING = { 'strip-chemical': chemicalStripping, 'strip-blast': blasting };
