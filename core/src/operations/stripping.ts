import { familyOf, isBody, isMetal, isRawPlastic } from '../materials/layer-kinds.ts';
import { removalCm3PerMin } from '../surface/ladder.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import type { PlainAct, SandAct } from './act.ts';
import { figuresIn, ruleIn, type Context } from './context.ts';
import { workedM2, workedOn } from './extent.ts';
import { textureOf } from '../survey/zone-facts.ts';
import { formFactor, labourOn } from './labour.ts';
import { nothing, opReason, type Moment, type Operation } from './operation.ts';
import {
  groundOf,
  hasIssue,
  isFoundFinish,
  openedTo,
  withIssue,
  withoutIssues,
  topOf,
  type Layer,
  type OpenIssue,
  type Scratch,
  type ZoneState,
} from './state.ts';
import { changed } from './changed-area.ts';

/** Down to sound ground: by machine (with the sanding operations), by paint stripper or by blasting. */

/** Issues of the substrate itself: what lies on it comes off down to it. */
const OF_THE_BASE: readonly OpenIssue[] = [
  'rust',
  'pits',
  'break',
  'bad-ground',
  'bleeds',
  'found-body',
  'high',
];
/** Issues that are gone with the films, and with the body work under them. */
const GONE_WITH_FILM: readonly OpenIssue[] = [
  'rub',
  'overspray',
  'glue',
  'unsound',
  'soft',
  'shiny-grain',
  'flaw',
  'nibs',
  'uncured',
  'tone',
];
const GONE_WITH_BODY: readonly OpenIssue[] = ['found-body', 'bad-ground', 'bleeds', 'look'];

/** How deep an area is stripped: films down to the body work under them, or all down to the substrate. */
export function stripsTo(zone: ZoneState): 'body' | 'base' {
  const isFilm = !isBody(topOf(zone).kind);
  const hasBody = zone.stack.some(({ kind }) => isBody(kind) && kind !== 'seam');
  return isFilm && hasBody && !OF_THE_BASE.some((issue) => hasIssue(zone, issue)) ? 'body' : 'base';
}

/** Layers that stripping takes off. */
export const strippedLayers = (zone: ZoneState): readonly Layer[] =>
  zone.stack.slice(openedTo(zone.stack, stripsTo(zone)).length);

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
  together: readonly string[],
  moment: Moment,
): ZoneState {
  const off = strippedLayers(zone);
  const stack = zone.stack.slice(0, zone.stack.length - off.length);
  const isBase = stack.length === 1;
  const hollowUm = off.reduce((sum, { kind, um }) => (isBody(kind) && kind !== 'seam' ? sum + um : sum), 0);
  const base = stack[0]!;
  const settled = withoutIssues(zone, ...GONE_WITH_FILM, ...(isBase ? GONE_WITH_BODY : []));
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
export function stripMinutes(zone: ZoneState, act: SandAct, context: Context): number {
  const figures = figuresIn(context);
  const rated = removalCm3PerMin(RATED.grade, act.tool, 'old-clear', figures);
  const perM2 = strippedLayers(zone).reduce((sum, layer) => {
    const rate = removalCm3PerMin(act.grades[0], act.tool, sandedMaterial(layer.kind), figures);
    return sum + (layer.um / RATED.um) * (rated / rate);
  }, 0);
  return ruleIn(context, 'stripMinPerM2').value * formFactor(context) * perM2 * workedM2('strip-sand', zone);
}

/** Film that one application of stripper lifts, µm. */
const LIFTS_UM = 200;
const STRIPPER_PER_M2 = 14;
/** Setting out film, tools and water for stripper. */
const STRIPPER_FIXED_MIN = 10;
/** Share of the work that a further application takes. */
const AGAIN_SHARE = 0.6;

const applications = (zone: ZoneState): number =>
  Math.max(1, Math.ceil(strippedLayers(zone).reduce((sum, { um }) => sum + um, 0) / LIFTS_UM));

/** Stripper lifts finish, not filler: filler is ground out. */
export const chemicalStripping: Operation<PlainAct> = {
  check: (zone) =>
    zone.stack.length > 1 && isMetal(zone.stack[0]!.kind) ? [] : [opReason('op.no-stripper')],
  apply: (act, moment) => (zone) => {
    const bare = strippedBare(zone, null, act.zones, moment);
    return withIssue(changed(bare, { bareSinceMin: null, surface: { soil: 'grime' } }), 'stripper');
  },
  cost: (zones, act, _, context) => {
    const most = Math.max(...zones.map(applications));
    const areaM2 = workedOn(act.op, zones, context);
    const perM2 = ruleIn(context, 'chemicalStripMinPerM2').value * formFactor(context);
    return {
      handsOnMin: STRIPPER_FIXED_MIN + perM2 * areaM2 * (1 + AGAIN_SHARE * (most - 1)),
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

/** Blasting cleans to white metal: whatever rust and pits there were. */
export const blasting: Operation<PlainAct> = {
  check: (zone) => (familyOf(zone.stack[0]!.kind) === 'metal' ? [] : [opReason('op.no-blasting')]),
  apply: (act, moment) => (zone) => {
    const scratch: Scratch = {
      grade: BLAST_PROFILE,
      tool: 'machine',
      depthUm: scratchDepthUm(BLAST_PROFILE, 'machine', 'metal', figuresIn(moment.context)),
    };
    return withoutIssues(strippedBare(zone, scratch, act.zones, moment), 'rust', 'pits');
  },
  cost: (zones, act, _, context) => ({
    handsOnMin: labourOn(act.op, zones, context),
    waitMin: 0,
    materialCost: BLAST_PER_M2 * workedOn(act.op, zones, context),
  }),
  explain: nothing,
};
