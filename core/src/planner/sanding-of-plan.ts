import type { CurePoint } from '../climate/cure.ts';
import type { Grade } from '../materials/grades.ts';
import { familyOf, isBody, labelOf, type LayerKind } from '../materials/layer-kinds.ts';
import type { Tool } from '../materials/tools.ts';
import { isCoat, isLaying, isSanding, lastGrade, type SandAct } from '../operations/act.ts';
import { ruleIn, sheetIn, type Context } from '../operations/context.ts';
import { staysOn } from '../operations/sanded-area.ts';
import { coatFilmUm } from '../operations/coating.ts';
import { workedM2, workedOn, rowOf } from '../operations/table.ts';
import { formFactor } from '../operations/labour.ts';
import { firstCutUm, shapingMin } from '../operations/sanding.ts';
import { topOf, zoneOf, type PanelState, type ZoneState } from '../operations/state.ts';
import { coatsToCome } from '../rules/final-grade.ts';
import { buildCycles, type BuildCycles, type FilmBudget } from '../surface/budget.ts';
import type { LadderTask, Rung } from '../surface/ladder.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import type { CoatsToCome } from '../surface/telegraph.ts';
import { budgetsOf } from './build-budget.ts';
import type { Performed } from './prepare.ts';

/**
 * The sanding of a plan, zone by zone: each stretch of sanding between two coats as a ladder, and each build with its
 * film budget. Read off a replay of the plan's acts; a ladder's tools and stock are the shop's.
 */

export type SandingRunKind =
  | 'filler'
  | 'build'
  | 'epoxy'
  | 'primer'
  | 'old-finish'
  | 'ecoat'
  | 'plastic'
  | 'composite'
  | 'metal'
  | 'blend';

/** What comes over the last scratch: coats through which it may show, or a build in which it lies buried. */
export type Over =
  | { readonly kind: 'shows'; readonly coats: CoatsToCome }
  | {
      readonly kind: 'buried';
      readonly sheetName: string;
      readonly cure: readonly CurePoint[];
      /** Minutes from this coat to the last sanding or coat before base, as planned. */
      readonly plannedMin: number;
    };

/** One stretch of sanding on one zone. */
export interface SandingRun {
  readonly id: string;
  readonly zoneId: string;
  readonly kind: SandingRunKind;
  /** Numbers of the steps that it is made of. */
  readonly steps: readonly number[];
  /** What the best ladder is looked for. */
  readonly task: LadderTask;
  /** Rungs as the plan has them. */
  readonly planned: readonly Rung[];
  /** Film of the top layer before, and what of it must stay; absent where there is no film to spare. */
  readonly film?: { readonly um: number; readonly mustStayUm: number };
  readonly over: Over;
}

/** A build coat on one zone and what it has to be enough for. */
export interface ZoneBuild {
  readonly zoneId: string;
  readonly step: number;
  readonly sheetName: string;
  readonly coats: number;
  readonly appliedUm: number;
  readonly perCoatUm: number;
  readonly maxUm: number;
  readonly budget: FilmBudget;
  readonly cycles: BuildCycles;
  /** Length of the waves under it, mm. */
  readonly waveLengthMm: number;
  /** Film and filler between substrate and this build: what a gauge reads besides it, µm. */
  readonly underUm: number;
  readonly under: LayerKind;
  readonly block: BlockStep;
}

/** What the plan's block step on a build is reckoned with. */
export interface BlockStep {
  readonly grade: Grade;
  /** On all parts of a batch, m². */
  readonly areaM2: number;
  readonly formFactor: number;
  /** Minutes that it takes besides, whatever comes off. */
  readonly besidesMin: number;
}

export interface SandingOfPlan {
  readonly runs: readonly SandingRun[];
  readonly builds: readonly ZoneBuild[];
}

/** Coarsest grades with which fresh film and fresh filler are cut (defaults). */
const COARSEST_ON_FILM: Grade = 'P180';
const COARSEST_ON_FILLER: Grade = 'P80';

function kindOf(top: LayerKind, context: Context): SandingRunKind {
  if (isBody(top)) return 'filler';
  if (top === 'build' || top === 'dtm') return 'build';
  if (top === 'epoxy' || top === 'ecoat') return top;
  const family = familyOf(top);
  if (family === 'metal' || family === 'plastic' || family === 'composite') return family;
  if (family === 'primer') return 'primer';
  return context.panel.role === 'blend' ? 'blend' : 'old-finish';
}

/** A plan carried out. */
interface Bench {
  readonly steps: readonly Performed[];
  readonly context: Context;
}

interface Sanded {
  readonly performed: Performed;
  readonly act: SandAct;
  readonly n: number;
}

/** Stretches of sanding on a zone, each up to the next thing that is laid on it. */
function stretches(steps: readonly Performed[], zoneId: string): Sanded[][] {
  const found: Sanded[][] = [[]];
  steps.forEach((performed, i) => {
    const { act } = performed;
    if (!act.zones.includes(zoneId)) return;
    if (isLaying(act)) found.push([]);
    else if (isSanding(act) && rowOf(act.op).sands === 'face')
      found.at(-1)!.push({ performed, act, n: i + 1 });
  });
  return found.filter((stretch) => stretch.length > 0);
}

function startOf({ performed, act }: Sanded, zone: ZoneState, context: Context): LadderTask['start'] {
  const { scratch } = zone.surface;
  const depthUm = Math.max(0, firstCutUm(zone, act, performed.before, context));
  return act.op === 'block' || !scratch
    ? { grade: null, depthUm }
    : { grade: scratch.grade, depthUm: scratch.depthUm };
}

/** What is laid on the zone next, or the hand-over; it decides what the last scratch has to be fine enough for. */
function overOf(steps: readonly Performed[], after: number, zoneId: string, context: Context): Over | null {
  const next = steps
    .slice(after)
    .find(({ act }) => act.zones.includes(zoneId) && (isLaying(act) || act.op === 'hand-over'));
  if (!next) return null;
  const { act } = next;
  if (!isCoat(act) || act.op === 'seal' || act.op === 'prime-wet-on-wet')
    return isLaying(act) && !isCoat(act) ? null : { kind: 'shows', coats: coatsToCome(act, context, zoneId) };
  const sheet = sheetIn(context, act.sheetId);
  const end = steps.at(-1)!.before.clockMin;
  return {
    kind: 'buried',
    sheetName: sheet.name,
    cure: sheet.cure,
    plannedMin: Math.max(0, end - next.after.clockMin),
  };
}

function runOf(stretch: readonly Sanded[], zoneId: string, { steps, context }: Bench): SandingRun | null {
  const [first] = stretch as [Sanded, ...Sanded[]];
  const last = stretch[stretch.length - 1]!;
  const over = overOf(steps, last.n, zoneId, context);
  if (!over) return null;
  const zone = zoneOf(first.performed.before, zoneId);
  const top = topOf(zone);
  const kind = kindOf(top.kind, context);
  const start = startOf(first, zone, context);
  const planned = stretch.flatMap(({ act }) => act.grades.map((grade) => ({ grade, tool: act.tool })));
  const isFresh = start.grade === null && (kind === 'filler' || kind === 'build');
  const used = [...new Set(planned.map(({ tool }) => tool))] as Tool[];
  const { stock, tools } = context.shop;
  const isFilm = top.laid !== undefined && !isBody(top.kind);
  return {
    id: `${zoneId}:${kind}`,
    zoneId,
    kind,
    steps: stretch.map(({ n }) => n),
    planned,
    over,
    ...(isFilm ? { film: { um: top.um, mustStayUm: staysOn(zone, context).value } } : {}),
    task: {
      areaM2: workedM2(first.act.op, zone),
      material: sandedMaterial(top.kind),
      start,
      to: lastGrade(last.act),
      tools: tools ?? used,
      lastTool: last.act.tool,
      largestJump: ruleIn(context, 'largestJump').value,
      ...(stock ? { stock } : {}),
      ...(isFresh
        ? { levelsFirst: true, coarsest: kind === 'filler' ? COARSEST_ON_FILLER : COARSEST_ON_FILM }
        : {}),
    },
  };
}

/** Grade with which a build is blocked where the plan does not say (default). */
const USUAL_BLOCK: Grade = 'P240';

/** The block step on a build of a zone: the first after it. */
function blockStepOf(zone: ZoneState, after: readonly Performed[], context: Context): BlockStep {
  const { id } = zone.zone;
  const step = after.map(({ act }) => act).find((act) => act.op === 'block' && act.zones.includes(id));
  return {
    grade: step && isSanding(step) ? step.grades[0] : USUAL_BLOCK,
    areaM2: workedOn('block', [zone], context),
    formFactor: formFactor(context),
    besidesMin: shapingMin([zone], context),
  };
}

function buildsOf({ act, before }: Performed, n: number, { steps, context }: Bench): ZoneBuild[] {
  if (!isCoat(act) || (act.op !== 'prime-build' && act.op !== 'prime-dtm')) return [];
  const sheet = sheetIn(context, act.sheetId);
  const zones = act.zones.map((id) => zoneOf(before, id));
  return budgetsOf(sheet, zones, { panel: before, context }).map(({ zone, budget }) => ({
    zoneId: zone.zone.id,
    step: n,
    sheetName: sheet.name,
    coats: act.coats[zone.zone.id] ?? 1,
    appliedUm: coatFilmUm(act, zone, sheet),
    perCoatUm: sheet.film.perCoatUm,
    maxUm: sheet.film.maxUm,
    budget,
    cycles: buildCycles(budget, sheet.film),
    waveLengthMm: zone.surface.wavelengthMm,
    underUm: zone.stack.slice(1).reduce((sum, { um }) => sum + um, 0),
    under: topOf(zone).kind,
    block: blockStepOf(zone, steps.slice(n), context),
  }));
}

/** Tells runs of one kind on an area apart, whatever their steps are numbered: `C:build`, `C:build-2`. */
const numbered = (runs: readonly SandingRun[]): SandingRun[] =>
  runs.map((run, i) => {
    const nth = runs.slice(0, i + 1).filter(({ id }) => id === run.id).length;
    return nth > 1 ? { ...run, id: `${run.id}-${nth}` } : run;
  });

/**
 * The sanding of steps that were replayed from `start`; empty where they sand nothing. Steps are numbered from 1, as in
 * the plan.
 */
export function sandingOf(steps: readonly Performed[], start: PanelState, context: Context): SandingOfPlan {
  const bench = { steps, context };
  return {
    runs: start.zones.flatMap(({ zone: { id } }) =>
      numbered(stretches(steps, id).flatMap((stretch) => runOf(stretch, id, bench) ?? [])),
    ),
    builds: steps.flatMap((performed, i) => buildsOf(performed, i + 1, bench)),
  };
}

const KIND_WORDS: Record<SandingRunKind, string> = {
  filler: 'Filler',
  build: 'Build',
  epoxy: 'Epoxy',
  primer: 'Primer',
  'old-finish': 'Old finish',
  ecoat: 'E-coat',
  plastic: 'Plastic',
  composite: 'Composite',
  metal: 'Bare metal',
  blend: 'Blend area',
};
/** What is sanded, in words. */
export const sandingRunLabel = ({ kind }: Pick<SandingRun, 'kind'>): string => KIND_WORDS[kind];
/** Layer under a build, in words. */
export const underLabel = ({ under }: ZoneBuild): string => labelOf(under);
