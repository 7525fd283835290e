import { familyOf, isBody, isMetal, isSolid } from '../materials/layer-kinds.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import type { Sourced } from '../wording/reason.ts';
import { lastGrade, type SandAct } from './act.ts';
import { changed } from './changed-area.ts';
import { figuresIn, mustStay, ruleIn, type Context } from './context.ts';
import { settledBy, showsMetal, withIssue } from './issues.ts';
import { type Moment } from './operation.ts';
import {
  gapUm,
  isUnprimedPlastic,
  topOf,
  type Layer,
  type PanelState,
  type Scratch,
  type ZoneState,
} from './state.ts';

/** What sanding makes of an area: what each grade takes off, and the film, surface and edge that are left. */

/** Keying a surface that has no scratch yet takes off about this much of a coat, µm (estimate). */
const KEY_DEPTH_UM = 3;
/** Skin of glaze that levelling leaves over the pinholes, µm (calibrated: closed, not built up). */
const GLAZE_LEFT_UM = 20;

const dusty = (zone: ZoneState, scratch: Scratch): ZoneState =>
  changed(zone, { surface: { soil: 'dusty', isTacked: false, hasGuideCoat: false, scratch } });

/** The scratch that the last grade of an act leaves on an area. */
export const scratchOf = (zone: ZoneState, act: SandAct, context: Context): Scratch => {
  const grade = lastGrade(act);
  return {
    grade,
    tool: act.tool,
    depthUm: scratchDepthUm(grade, act.tool, sandedMaterial(topOf(zone).kind), figuresIn(context)),
  };
};

/** Rubbing raw plastic loads it with static. */
const charged = (zone: ZoneState): ZoneState => (isUnprimedPlastic(zone) ? withIssue(zone, 'static') : zone);

/** Pad over edges, recesses, grain and backs: it dulls them and leaves the scratch of the face as it is. */
export const scuffed = (zone: ZoneState): ZoneState =>
  changed(charged(settledBy(zone, 'scuff')), { surface: { soil: 'dusty', isTacked: false } });

/** Nibs are cut off at their spots; the film between them stays as it was sprayed. */
export const denibbed = (zone: ZoneState): ZoneState =>
  changed(settledBy(zone, 'denib'), { surface: { isTacked: false } });

/**
 * The zone with its top layer this thick; what is sanded through is gone, and what lay under it is on top, with the
 * hollow that it filled.
 */
const withTop = (zone: ZoneState, um: number): ZoneState => {
  const below = zone.stack.slice(0, -1);
  if (um <= 0 && !isSolid(topOf(zone).kind) && below.length > 0) {
    const lowUm = zone.surface.lowUm + (topOf(zone).laid?.hollowUm ?? 0);
    return changed(zone, { stack: below, surface: { lowUm } });
  }
  const top: Layer = { ...topOf(zone), um: Math.max(0, um) };
  return changed(zone, { stack: [...below, top] });
};

/** Depth that each grade of the act has to take off this zone, µm, in order. */
export function depthsUm(zone: ZoneState, { grades, tool }: SandAct, context: Context): number[] {
  const figures = figuresIn(context);
  const material = sandedMaterial(topOf(zone).kind);
  const { scratch, wavesUm, peelUm } = zone.surface;
  const isShaping = isBody(topOf(zone).kind) && !scratch;
  const first = isShaping
    ? Math.max(wavesUm, topOf(zone).um - shapedTopUm(zone))
    : Math.max(scratch?.depthUm ?? KEY_DEPTH_UM, peelUm);
  return grades.map((_, i) => (i === 0 ? first : scratchDepthUm(grades[i - 1]!, tool, material, figures)));
}

/** Top layer once freshly spread body work has its shape, µm: filler lies flush, glaze stays as a skin only. */
const shapedTopUm = (zone: ZoneState): number => {
  const { kind, um, laid } = topOf(zone);
  return kind === 'glaze' ? Math.min(um, Math.max(GLAZE_LEFT_UM, laid?.hollowUm ?? 0)) : um;
};

/** Film of a build that must stay on an area, µm: in a shallow low of sound finish no more than fills it. */
export function staysOn(zone: ZoneState, context: Context): Sourced<number> {
  const { laid } = topOf(zone);
  const stays = mustStay(context, laid?.sheetId ?? '');
  const under = zone.stack[zone.stack.length - 2];
  const deepUm = zone.surface.lowUm + (laid?.hollowUm ?? 0);
  const isInFinish = deepUm > 0 && under !== undefined && !under.laid && familyOf(under.kind) === 'finish';
  return isInFinish ? { ...stays, value: Math.min(stays.value, deepUm) } : stays;
}

interface Blocked {
  readonly filmUm: number;
  /** Of its waves, what stays because the block stops at the film that must stay, µm. */
  readonly wavesLeftUm: number;
}

/** What blocking leaves of a build: level where there is film enough for it, else down to what must stay. */
function blockedOf(zone: ZoneState, panel: PanelState, context: Context): Blocked {
  const { um } = topOf(zone);
  const { wavesUm, peelUm, lowUm } = zone.surface;
  const leastUm = staysOn(zone, context).value + panel.lastSandUm;
  const levelUm = Math.max(leastUm, gapUm(zone, panel) + um + lowUm + panel.lastSandUm);
  const cutUm = Math.min(um - wavesUm - peelUm, levelUm);
  const filmUm = Math.max(cutUm, Math.min(leastUm, um - peelUm));
  return { filmUm, wavesLeftUm: filmUm - cutUm };
}

/** Film of a build after blocking it, µm. */
export const blockedUm = (zone: ZoneState, panel: PanelState, context: Context): number =>
  blockedOf(zone, panel, context).filmUm;

/** Film of a build that is left once it is blocked and the last sanding is done, µm. */
export const keptUm = (zone: ZoneState, panel: PanelState, context: Context): number =>
  blockedUm(zone, panel, context) - panel.lastSandUm;

/** What the film that is left of a build fills of the hollow under it, µm: what stands over the level beside it. */
export const filledUm = (zone: ZoneState, panel: PanelState, context: Context): number => {
  const overUm = keptUm(zone, panel, context) - Math.max(0, gapUm(zone, panel) + topOf(zone).um);
  return Math.max(0, Math.min(zone.surface.lowUm, overUm));
};

/** What blocking tells of the build that is left: what of it fills the hollow, and that it was blocked once more. */
function withBlock(zone: ZoneState, um: number): ZoneState {
  const top = topOf(zone);
  if (!top.laid) return zone;
  const { hollowUm = 0, nBlocked = 0 } = top.laid;
  const filled = hollowUm + um;
  const laid = { ...top.laid, nBlocked: nBlocked + 1, ...(filled > 0 ? { hollowUm: filled } : {}) };
  return changed(zone, { stack: [...zone.stack.slice(0, -1), { ...top, laid }] });
}

/** A zone with its build taken down level, `scratch` left on it. */
export function blockedZone(
  zone: ZoneState,
  scratch: Scratch,
  panel: PanelState,
  context: Context,
): ZoneState {
  const sanded = settledBy(dusty(zone, scratch), 'block');
  const { filmUm, wavesLeftUm } = blockedOf(zone, panel, context);
  const levelled = withTop(sanded, filmUm);
  const wavesUm = ruleIn(context, 'blockedLeftUm').value + wavesLeftUm;
  const hollowUm = filledUm(zone, panel, context);
  const lowUm = zone.surface.lowUm - hollowUm;
  return changed(withBlock(levelled, hollowUm), { surface: { peelUm: 0, wavesUm, lowUm } });
}

/** An area sanded by an act: dusty, its peel and what the grades take of it gone, bare metal with its time. */
export const abraded = (zone: ZoneState, act: SandAct, { endMin, context }: Moment): ZoneState => {
  const top = topOf(zone);
  const sanded = dusty(charged(settledBy(zone, act.op)), scratchOf(zone, act, context));
  if (isMetal(top.kind)) return changed(sanded, { bareSinceMin: endMin });
  const taken = isBody(top.kind) ? 0 : depthsUm(zone, act, context).reduce((sum, um) => sum + um, 0);
  const left = withTop(sanded, top.um - taken);
  return changed(left, {
    bareSinceMin: showsMetal(left) ? endMin : left.bareSinceMin,
    surface: { peelUm: 0 },
  });
};

/** Filler that was only spread so far gets its shape, and the waves that a hand leaves in it. */
export function shaped(zone: ZoneState, context: Context): ZoneState {
  if (!isBody(topOf(zone).kind) || zone.surface.scratch) return zone;
  const wavesUm = Math.min(zone.surface.wavesUm, ruleIn(context, 'shapedFillerWavesUm').value);
  const wavelengthMm = ruleIn(context, 'shapedFillerWaveLengthMm').value;
  return changed(withTop(zone, shapedTopUm(zone)), { surface: { wavesUm, wavelengthMm } });
}
