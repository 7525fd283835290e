import { grainUm } from '../materials/grades.ts';
import { isBody, isMetal } from '../materials/layer-kinds.ts';
import { sandingMinutes } from '../surface/ladder.ts';
import { sandedMaterial, scratchDepthUm } from '../surface/scratch.ts';
import type { Reason } from '../wording/reason.ts';
import { lastGrade, type SandAct } from './act.ts';
import { figuresIn, mustStay, ruleIn, type Context } from './context.ts';
import { areaOf, opReason, type Cost, type Moment, type Operation } from './operation.ts';
import { stripMinutes, strippedBare } from './stripping.ts';
import {
  LAST_SAND_UM,
  gapUm,
  isBare,
  isUnprimedPlastic,
  raise,
  settle,
  topOf,
  type Layer,
  type PanelState,
  type Scratch,
  type ZoneState,
} from './state.ts';

/**
 * Everything that takes material off. A finer grade removes the scratch before it to its bottom; a block takes a
 * build down to the film that must stay or to the level of its sound neighbour; stripping takes layers off whole.
 */

/** Minutes of hands-on work a metre of feathered edge and layer (default). */
const FEATHER_MIN_PER_M = 1.2;
/** Pad along edges and backs: set-up and minutes a metre; looking for nibs (defaults). */
const SCUFF_FIXED_MIN = 3;
const SCUFF_MIN_PER_M = 0.8;
const DENIB_MIN = 3;
const ABRASIVE_PER_M2_STEP = 1.4;
/** Keying a surface that has no scratch yet takes off about this much of a coat, µm (calibrated). */
const KEY_DEPTH_UM = 3;
/** Skin of glaze that levelling leaves over the pinholes, µm (calibrated: closed, not built up). */
const GLAZE_LEFT_UM = 20;

const dusty = (zone: ZoneState, scratch: Scratch): ZoneState => ({
  ...zone,
  surface: { ...zone.surface, soil: 'dusty', isTacked: false, hasGuideCoat: false, scratch },
});

const scratchOf = (zone: ZoneState, act: SandAct, context: Context): Scratch => {
  const grade = lastGrade(act);
  return {
    grade,
    tool: act.tool,
    depthUm: scratchDepthUm(grade, act.tool, sandedMaterial(topOf(zone).kind), figuresIn(context)),
  };
};

/** Rubbing raw plastic loads it with static. */
const charged = (zone: ZoneState): ZoneState => (isUnprimedPlastic(zone) ? raise(zone, 'static') : zone);

/** Pad over edges, recesses and backs: it dulls them and leaves the scratch of the face as it is. */
const scuffed = (zone: ZoneState): ZoneState => ({
  ...charged(settle(zone, 'hidden-edges')),
  surface: { ...zone.surface, soil: 'dusty', isTacked: false },
});

/** Nibs are cut off at their spots; the film between them stays as it was sprayed. */
const denibbed = (zone: ZoneState): ZoneState => ({
  ...zone,
  surface: { ...zone.surface, isTacked: false },
});

const withTop = (zone: ZoneState, um: number): ZoneState => {
  const top: Layer = { ...topOf(zone), um: Math.max(0, um) };
  return { ...zone, stack: [...zone.stack.slice(0, -1), top] };
};

/** Depth that each grade of the act has to take off this zone, µm, in order. */
function depthsUm(zone: ZoneState, { grades, tool }: SandAct, context: Context): number[] {
  const figures = figuresIn(context);
  const material = sandedMaterial(topOf(zone).kind);
  const { scratch, wavesUm, peelUm } = zone.surface;
  const isShaping = isBody(topOf(zone).kind) && !scratch;
  const first = isShaping
    ? Math.max(wavesUm, topOf(zone).um - shapedTopUm(zone))
    : Math.max(scratch?.depthUm ?? KEY_DEPTH_UM, peelUm);
  return grades.map((_, i) => (i === 0 ? first : scratchDepthUm(grades[i - 1]!, tool, material, figures)));
}

/** What the first grade of an act has to take off a zone, µm. */
export const firstCutUm = (zone: ZoneState, act: SandAct, panel: PanelState, context: Context): number =>
  act.op === 'block' ? topOf(zone).um - blockedUm(zone, panel, context) : depthsUm(zone, act, context)[0]!;

/** Top layer once freshly spread body work has its shape, µm: filler lies flush, glaze stays as a skin only. */
const shapedTopUm = (zone: ZoneState): number => {
  const { kind, um } = topOf(zone);
  return kind === 'glaze' ? Math.min(um, GLAZE_LEFT_UM) : um;
};

/** Film of a build after blocking it level, µm. */
export function blockedUm(zone: ZoneState, panel: PanelState, context: Context): number {
  const top = topOf(zone);
  const stays = mustStay(context, top.laid?.sheetId ?? '').value;
  const level = Math.max(stays, gapUm(zone, panel) + top.um) + LAST_SAND_UM;
  return Math.min(top.um - zone.surface.wavesUm - zone.surface.peelUm, level);
}

/** Film of a build that is left once it is blocked and the last sanding is done, µm. */
export const keptUm = (zone: ZoneState, panel: PanelState, context: Context): number =>
  blockedUm(zone, panel, context) - LAST_SAND_UM;

/** A zone with its build taken down level, `scratch` left on it. */
export function blockedZone(
  zone: ZoneState,
  scratch: Scratch,
  panel: PanelState,
  context: Context,
): ZoneState {
  const levelled = withTop(dusty(zone, scratch), blockedUm(zone, panel, context));
  const wavesUm = ruleIn(context, 'blockedLeftUm').value;
  return { ...levelled, surface: { ...levelled.surface, peelUm: 0, wavesUm } };
}

const abraded = (zone: ZoneState, act: SandAct, { endMin, context }: Moment): ZoneState => {
  const top = topOf(zone);
  const sanded = dusty(charged(settle(zone, 'overspray')), scratchOf(zone, act, context));
  if (isMetal(top.kind)) return { ...sanded, bareSinceMin: endMin };
  const taken = isBody(top.kind) ? 0 : depthsUm(zone, act, context).reduce((sum, um) => sum + um, 0);
  return { ...withTop(sanded, top.um - taken), surface: { ...sanded.surface, peelUm: 0 } };
};

/** Edge of a zone taken as the border of a square of its area, m. */
const edgeMetres = (zone: ZoneState): number => 4 * Math.sqrt(zone.zone.areaM2);

function minutesOn(zone: ZoneState, act: SandAct, panel: PanelState, context: Context): number {
  const figures = figuresIn(context);
  const sanding = { areaM2: zone.zone.areaM2, tool: act.tool, material: sandedMaterial(topOf(zone).kind) };
  if (act.op === 'feather') return 2 + FEATHER_MIN_PER_M * edgeMetres(zone) * act.grades.length;
  if (act.op === 'scuff') return SCUFF_FIXED_MIN + SCUFF_MIN_PER_M * edgeMetres(zone);
  if (act.op === 'denib') return DENIB_MIN + zone.zone.areaM2;
  if (act.op === 'strip-sand') return stripMinutes(zone, act);
  if (act.op === 'remove-rust') return 4 + 25 * zone.zone.areaM2;
  if (act.op === 'block')
    return sandingMinutes(act.grades[0], topOf(zone).um - blockedUm(zone, panel, context), sanding, figures);
  const depths = depthsUm(zone, act, context);
  return act.grades.reduce((sum, grade, i) => sum + sandingMinutes(grade, depths[i]!, sanding, figures), 0);
}

function check(zone: ZoneState, act: SandAct): Reason[] {
  const reasons: Reason[] = [];
  if (act.op === 'block' && !topOf(zone).laid) reasons.push(opReason('op.nothing-to-block'));
  const rising = act.grades.findIndex((grade, i) => i > 0 && grainUm(grade) >= grainUm(act.grades[i - 1]!));
  if (rising > 0)
    reasons.push(opReason('op.grade-order', { grit: act.grades[rising]!, before: act.grades[rising - 1]! }));
  return reasons;
}

function apply(zone: ZoneState, act: SandAct, moment: Moment): ZoneState {
  switch (act.op) {
    case 'block':
      return blockedZone(zone, scratchOf(zone, act, moment.context), moment.panel, moment.context);
    case 'strip-sand':
      return strippedBare(
        zone,
        scratchOf({ ...zone, stack: [zone.stack[0]!] }, act, moment.context),
        act.zones,
        moment,
      );
    case 'scuff':
      return scuffed(zone);
    case 'denib':
      return denibbed(zone);
    case 'remove-rust':
      return { ...abraded(zone, act, moment), rust: 'none' };
    case 'feather':
      return { ...zone, edge: 'feathered', surface: { ...zone.surface, soil: 'dusty', isTacked: false } };
    case 'abrade':
      return abraded(shaped(zone, moment.context), act, moment);
  }
}

/** Filler that was only spread so far gets its shape, and the waves that a hand leaves in it. */
function shaped(zone: ZoneState, context: Context): ZoneState {
  if (!isBody(topOf(zone).kind) || zone.surface.scratch) return zone;
  const wavesUm = Math.min(zone.surface.wavesUm, ruleIn(context, 'shapedFillerWavesUm').value);
  const wavelengthMm = ruleIn(context, 'shapedFillerWaveLengthMm').value;
  return { ...withTop(zone, shapedTopUm(zone)), surface: { ...zone.surface, wavesUm, wavelengthMm } };
}

function explain(zones: readonly ZoneState[], act: SandAct, panel: PanelState, context: Context): Reason[] {
  const reason = (code: Reason['code'], facts: Reason['facts'], source: Reason['source']): Reason => ({
    rule: 'ladder',
    code,
    facts,
    source,
  });
  if (act.op === 'feather') {
    const mm = ruleIn(context, 'featherMmPerLayer');
    const overlap = ruleIn(context, 'primerOverlapMm');
    return [reason('feather.width', { layerMm: mm.value, overlapMm: overlap.value }, mm.source)];
  }
  const minutes = zones.reduce((sum, zone) => sum + minutesOn(zone, act, panel, context), 0);
  if (act.op === 'strip-sand') return [reason('strip.minutes', { handsOnMin: minutes }, 'model')];
  if (act.op === 'remove-rust' || act.op === 'scuff' || act.op === 'denib') return [];
  const takenUm = zones.map((zone) =>
    act.op === 'block'
      ? topOf(zone).um - blockedUm(zone, panel, context)
      : Math.max(...depthsUm(zone, act, context)),
  );
  const facts = { grit: act.grades.join(' › '), takenUm: Math.max(...takenUm), handsOnMin: minutes };
  const minutesReason = reason(zones.every(isBare) ? 'sand.metal' : 'sand.minutes', facts, 'model');
  if (act.op !== 'block') return [minutesReason];
  const jump = ruleIn(context, 'largestJump').value;
  return [reason('block.grade', { grit: act.grades[0], jump }, 'model'), minutesReason];
}

export const sanding: Operation<SandAct> = {
  check,
  apply,
  cost: (zones, act, panel, context): Cost => ({
    handsOnMin: zones.reduce((sum, zone) => sum + minutesOn(zone, act, panel, context), 0),
    waitMin: 0,
    materialCost: ABRASIVE_PER_M2_STEP * areaOf(zones) * act.grades.length,
  }),
  explain,
};
