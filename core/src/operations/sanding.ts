import { grainUm } from '../materials/grades.ts';
import { isBody, isMetal, isSolid, labelOf } from '../materials/layer-kinds.ts';
import { cuttingMinutes, gradeChangeMinutes } from '../surface/ladder.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import type { Reason } from '../wording/reason.ts';
import { lastGrade, type SandAct } from './act.ts';
import { figuresIn, mustStay, ruleIn, type Context } from './context.ts';
import { workedM2, workedOn } from './extent.ts';
import { areaMin, fixedMin, formFactor } from './labour.ts';
import { opReason, type Cost, type Moment, type Operation } from './operation.ts';
import { stripMinutes, strippedBare, stripsTo } from './stripping.ts';
import {
  gapUm,
  groundOf,
  hasIssue,
  isBare,
  isOpenBody,
  isUnprimedPlastic,
  openedTo,
  withIssue,
  withoutIssues,
  soundNeighbour,
  topOf,
  type Layer,
  type PanelState,
  type Scratch,
  type ZoneState,
} from './state.ts';
import { changed } from './changed-area.ts';

/**
 * Everything that takes material off. A finer grade removes the scratch before it to its bottom; a block takes a
 * build down to the film that must stay or to the level of its sound neighbour; stripping takes layers off whole.
 */

/** Looking for the place, taking up the machine: once for each step of feathering (default). */
const FEATHER_FIXED_MIN = 3;
/** Pad along edges and backs: set-up; looking for nibs (defaults). */
const SCUFF_FIXED_MIN = 3;
const DENIB_MIN = 3;
const ABRASIVE_PER_M2_STEP = 1.4;
/** Keying a surface that has no scratch yet takes off about this much of a coat, µm (estimate). */
const KEY_DEPTH_UM = 3;
/** Skin of glaze that levelling leaves over the pinholes, µm (calibrated: closed, not built up). */
const GLAZE_LEFT_UM = 20;

const dusty = (zone: ZoneState, scratch: Scratch): ZoneState =>
  changed(zone, { surface: { soil: 'dusty', isTacked: false, hasGuideCoat: false, scratch } });

const scratchOf = (zone: ZoneState, act: SandAct, context: Context): Scratch => {
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
const scuffed = (zone: ZoneState): ZoneState => {
  const dulled = withoutIssues(
    zone,
    'hidden-edges',
    'shiny-grain',
    ...(hasIssue(zone, 'shiny-grain') ? (['overspray'] as const) : []),
  );
  return changed(charged(dulled), { surface: { soil: 'dusty', isTacked: false } });
};

/** Nibs are cut off at their spots; the film between them stays as it was sprayed. */
const denibbed = (zone: ZoneState): ZoneState =>
  changed(withoutIssues(zone, 'nibs'), { surface: { isTacked: false } });

/** The zone with its top layer this thick; what is sanded through is gone, and what lay under it is on top. */
const withTop = (zone: ZoneState, um: number): ZoneState => {
  const below = zone.stack.slice(0, -1);
  if (um <= 0 && !isSolid(topOf(zone).kind) && below.length > 0) return changed(zone, { stack: below });
  const top: Layer = { ...topOf(zone), um: Math.max(0, um) };
  return changed(zone, { stack: [...below, top] });
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
  const level = Math.max(stays, gapUm(zone, panel) + top.um) + panel.lastSandUm;
  return Math.min(top.um - zone.surface.wavesUm - zone.surface.peelUm, level);
}

/** Film of a build that is left once it is blocked and the last sanding is done, µm. */
export const keptUm = (zone: ZoneState, panel: PanelState, context: Context): number =>
  blockedUm(zone, panel, context) - panel.lastSandUm;

/** A zone with its build taken down level, `scratch` left on it. */
export function blockedZone(
  zone: ZoneState,
  scratch: Scratch,
  panel: PanelState,
  context: Context,
): ZoneState {
  const sanded = withoutIssues(dusty(zone, scratch), 'flaw', 'nibs');
  const levelled = withTop(sanded, blockedUm(zone, panel, context));
  const wavesUm = ruleIn(context, 'blockedLeftUm').value;
  return changed(levelled, { surface: { peelUm: 0, wavesUm } });
}

const abraded = (zone: ZoneState, act: SandAct, { endMin, context }: Moment): ZoneState => {
  const top = topOf(zone);
  const done = withoutIssues(
    zone,
    'overspray',
    'acid',
    'flaw',
    'nibs',
    ...(isBody(top.kind) ? (['high'] as const) : []),
  );
  const sanded = dusty(charged(done), scratchOf(zone, act, context));
  if (isMetal(top.kind)) return changed(sanded, { bareSinceMin: endMin });
  const taken = isBody(top.kind) ? 0 : depthsUm(zone, act, context).reduce((sum, um) => sum + um, 0);
  const left = withTop(sanded, top.um - taken);
  return changed(left, {
    bareSinceMin: isBare(left) ? endMin : left.bareSinceMin,
    surface: { peelUm: 0 },
  });
};

/** Films whose edge is cut open around an area: those that lie higher around it than in it. */
const filmsAround = (zone: ZoneState, panel: PanelState): number => {
  const ground = groundOf(zone, panel) ?? soundNeighbour(zone, panel);
  const films = (ground ?? zone).stack.filter(({ kind }) => !isSolid(kind) && !isBody(kind));
  return Math.max(1, films.length);
};

/** A surface of bare metal that has a grade already is freshened at that grade or refined from it. */
function metalMinutes(zone: ZoneState, act: SandAct, context: Context): number {
  const isAgain = zone.surface.scratch?.grade === lastGrade(act);
  const rate = ruleIn(context, isAgain ? 'bloomMinPerM2' : 'metalAbradeMinPerM2').value;
  return rate * formFactor(context) * workedM2(act.op, zone) * act.grades.length;
}

/** Minutes of cutting on one area of one part, without what each grade costs to be taken up. */
function cuttingOn(zone: ZoneState, act: SandAct, panel: PanelState, context: Context): number {
  const figures = figuresIn(context);
  const areaM2 = workedM2(act.op, zone);
  const sanding = { areaM2, tool: act.tool, material: sandedMaterial(topOf(zone).kind) };
  const form = formFactor(context);
  switch (act.op) {
    case 'feather': {
      const dullM2 = zone.patch ? zone.extent.reachM2 - zone.extent.openM2 : 0;
      const edgeMin = ruleIn(context, 'featherMinPerM').value * zone.extent.edgeM * filmsAround(zone, panel);
      return form * (edgeMin + ruleIn(context, 'dullMinPerM2').value * dullM2);
    }
    case 'scuff':
      return ruleIn(context, 'scuffMinPerM').value * zone.extent.edgeM;
    case 'denib':
      return areaM2;
    case 'strip-sand':
      return stripMinutes(zone, act, context);
    case 'remove-rust':
      return areaMin(act.op, areaM2, context);
    case 'block': {
      const um = topOf(zone).um - blockedUm(zone, panel, context);
      return form * cuttingMinutes(act.grades[0], um, sanding, figures);
    }
    case 'abrade': {
      if (isBare(zone)) return metalMinutes(zone, act, context);
      const depths = depthsUm(zone, act, context);
      return act.grades.reduce(
        (sum, grade, i) => sum + form * cuttingMinutes(grade, depths[i]!, sanding, figures),
        0,
      );
    }
  }
}

/** Minutes of setting out, once for an act, and of each change of grade over all its areas. */
function settingOut(zones: readonly ZoneState[], act: SandAct, context: Context): number {
  const perGrade = gradeChangeMinutes(workedOn(act.op, zones, context), figuresIn(context));
  switch (act.op) {
    case 'feather':
      return FEATHER_FIXED_MIN;
    case 'scuff':
      return SCUFF_FIXED_MIN;
    case 'denib':
      return DENIB_MIN;
    case 'remove-rust':
      return fixedMin(act.op);
    default:
      return perGrade * act.grades.length;
  }
}

const isShaped = (zone: ZoneState, op: SandAct['op']): boolean =>
  op === 'strip-sand' || op === 'feather' || op === 'block' || (op === 'abrade' && isOpenBody(zone));

/** What each patch takes besides, whatever its size, where its shape is made or judged; on all parts. */
export const patchMinutes = (zones: readonly ZoneState[], op: SandAct['op'], context: Context): number =>
  context.panel.count *
  zones.filter((zone) => zone.patch && isShaped(zone, op)).length *
  ruleIn(context, 'patchWorkMin').value;

/** Minutes of a sanding act on all its areas and parts. */
const minutesOf = (zones: readonly ZoneState[], act: SandAct, panel: PanelState, context: Context): number =>
  settingOut(zones, act, context) +
  patchMinutes(zones, act.op, context) +
  context.panel.count * zones.reduce((sum, zone) => sum + cuttingOn(zone, act, panel, context), 0);

function check(zone: ZoneState, act: SandAct): Reason[] {
  const reasons: Reason[] = [];
  if (act.op === 'remove-rust' && !isBare(zone))
    reasons.push(opReason('op.rust-under', { layer: labelOf(topOf(zone).kind) }));
  if (act.op === 'block' && !topOf(zone).laid) reasons.push(opReason('op.nothing-to-block'));
  const rising = act.grades.findIndex((grade, i) => i > 0 && grainUm(grade) >= grainUm(act.grades[i - 1]!));
  if (rising > 0)
    reasons.push(opReason('op.grade-order', { grit: act.grades[rising]!, before: act.grades[rising - 1]! }));
  return reasons;
}

const apply =
  (act: SandAct, moment: Moment) =>
  (zone: ZoneState): ZoneState => {
    switch (act.op) {
      case 'block':
        return blockedZone(zone, scratchOf(zone, act, moment.context), moment.panel, moment.context);
      case 'strip-sand':
        return strippedBare(
          zone,
          scratchOf(changed(zone, { stack: openedTo(zone.stack, stripsTo(zone)) }), act, moment.context),
          act.zones,
          moment,
        );
      case 'scuff':
        return scuffed(zone);
      case 'denib':
        return denibbed(zone);
      case 'remove-rust':
        return withoutIssues(abraded(zone, act, moment), 'rust');
      case 'feather':
        return changed(zone, { edge: 'feathered', surface: { soil: 'dusty', isTacked: false } });
      case 'abrade':
        return abraded(shaped(zone, moment.context), act, moment);
    }
  };

/** Filler that was only spread so far gets its shape, and the waves that a hand leaves in it. */
export function shaped(zone: ZoneState, context: Context): ZoneState {
  if (!isBody(topOf(zone).kind) || zone.surface.scratch) return zone;
  const wavesUm = Math.min(zone.surface.wavesUm, ruleIn(context, 'shapedFillerWavesUm').value);
  const wavelengthMm = ruleIn(context, 'shapedFillerWaveLengthMm').value;
  return changed(withTop(zone, shapedTopUm(zone)), { surface: { wavesUm, wavelengthMm } });
}

const ladderReason = (code: Reason['code'], facts: Reason['facts']): Reason => ({
  rule: 'ladder',
  code,
  facts,
  source: 'shop',
});

/** Grades of an act that the shop does not keep: what has to be bought for it. */
const missingGrades = ({ grades }: SandAct, { shop }: Context): Reason[] =>
  grades
    .filter((grade) => shop.stock && !shop.stock.includes(grade))
    .map((grit) => ladderReason('ladder.buy', { grit }));

/** Steps from one grade to the next that are wider than the shop allows, and that its grades cannot make smaller. */
function wideJumps(zones: readonly ZoneState[], { op, grades }: SandAct, context: Context): Reason[] {
  if (op !== 'abrade' || zones.every(isBare)) return [];
  const jump = ruleIn(context, 'largestJump').value;
  const from = zones.map(({ surface }) => surface.scratch?.grade).find((grade) => grade !== undefined);
  const way = from && grainUm(from) > grainUm(grades[0]) ? [from, ...grades] : grades;
  return way.flatMap((grade, i) => {
    const ratio = i === 0 ? 1 : grainUm(way[i - 1]!) / grainUm(grade);
    return ratio > jump + 1e-9
      ? [ladderReason('ladder.jump', { from: way[i - 1]!, grit: grade, ratio, jump })]
      : [];
  });
}

function explain(zones: readonly ZoneState[], act: SandAct, panel: PanelState, context: Context): Reason[] {
  const reason = (code: Reason['code'], facts: Reason['facts'], source: Reason['source']): Reason => ({
    rule: 'ladder',
    code,
    facts,
    source,
  });
  const bought = missingGrades(act, context);
  if (act.op === 'feather') {
    const mm = ruleIn(context, 'featherMmPerLayer');
    const overlap = ruleIn(context, 'primerOverlapMm');
    return [reason('feather.width', { layerMm: mm.value, overlapMm: overlap.value }, mm.source), ...bought];
  }
  const minutes = minutesOf(zones, act, panel, context);
  if (act.op === 'strip-sand') return [reason('strip.minutes', { handsOnMin: minutes }, 'model'), ...bought];
  if (act.op === 'scuff') return [];
  if (act.op === 'remove-rust' || act.op === 'denib') return bought;
  const takenUm = zones.map((zone) =>
    act.op === 'block'
      ? topOf(zone).um - blockedUm(zone, panel, context)
      : Math.max(...depthsUm(zone, act, context)),
  );
  const facts = { grit: act.grades.join(' › '), takenUm: Math.max(...takenUm), handsOnMin: minutes };
  const minutesReason = reason(zones.every(isBare) ? 'sand.metal' : 'sand.minutes', facts, 'model');
  const said = [minutesReason, ...bought, ...wideJumps(zones, act, context)];
  if (act.op !== 'block') return said;
  const jump = ruleIn(context, 'largestJump').value;
  return [reason('block.grade', { grit: act.grades[0], jump }, 'model'), ...said];
}

export const sanding: Operation<SandAct> = {
  check,
  apply,
  cost: (zones, act, panel, context): Cost => ({
    handsOnMin: minutesOf(zones, act, panel, context),
    waitMin: 0,
    materialCost: ABRASIVE_PER_M2_STEP * workedOn(act.op, zones, context) * act.grades.length,
  }),
  explain,
};
