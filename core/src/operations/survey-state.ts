import { familyOf, isBody, isMetal, isRawPlastic, type LayerKind } from '../materials/layer-kinds.ts';
import { isCoarser, type Grade } from '../materials/grades.ts';
import { sandingFiguresOf } from '../surface/figures.ts';
import { findingOf, findingsOf, type Finding } from '../survey/finding.ts';
import { findingRow } from '../survey/findings.ts';
import type { Panel } from '../survey/panel.ts';
import { patchArea, spotsOf, surveyedZone, wholeExtent, type Patch } from '../survey/patches.ts';
import { shopRule, type ShopRules } from '../survey/shop-rules.ts';
import {
  bearsFading,
  fadesOut,
  isUnknownPlastic,
  roleOf,
  testOf,
  textureOf,
  topKindOf,
} from '../survey/zone-facts.ts';
import type { Zone } from '../survey/zone.ts';
import { sandedMaterial } from '../materials/sanded-material.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import type { OpenIssue } from '../survey/open-issue.ts';
import { withIssue } from './issues.ts';
import { isHollowWave } from './lows.ts';
import { openedTo, type Layer, type PanelState, type Surface, type ZoneState } from './state.ts';
import { changed, newMatter } from './changed-area.ts';

/** From the survey to the state in which work begins: the ground of every zone, and its patches. */

/** Thickness taken for a layer whose thickness nobody measured, µm (defaults). */
const TYPICAL_UM: Partial<Record<LayerKind, number>> = {
  ecoat: 20,
  'part-primer': 30,
  'old-finish': 110,
  'old-finish-soluble': 120,
  'plastic-primed': 25,
  filler: 1000,
  glaze: 150,
  seam: 1500,
  texture: 600,
  fiberglass: 0,
};
const FOUND_PEEL_UM = 25;
const WAVE_MM = 150;
/** Grain of a moulded texture that is to become smooth, peak to valley, µm (default). */
const TEXTURE_UM = 60;

interface Around {
  readonly panel: Panel;
  readonly rules: ShopRules;
  readonly panelHasFinish: boolean;
}

/** The thickness taken for a layer that nobody measured, µm; 0 for one that has none. */
export const assumedUm = (kind: LayerKind): number => TYPICAL_UM[kind] ?? 0;

const stackOf = (zone: Zone): Layer[] =>
  zone.layers.map(({ kind, um }) => ({ kind, um: um ?? assumedUm(kind) }));

const topKind = (stack: readonly Layer[]): LayerKind => stack[stack.length - 1]!.kind;

function surveySurface(zone: Zone, stack: readonly Layer[], { panel, rules }: Around): Surface {
  const scratches = findingsOf(zone.findings, 'coarse-scratches').map(({ grit }) => grit);
  const grit = scratches.find((one) => scratches.every((other) => !isCoarser(other, one)));
  const [waves] = findingsOf(zone.findings, 'waves').toSorted((a, b) => b.um - a.um);
  const hollowUm = waves && isHollowWave(waves, stack[0]!.kind, rules) ? waves.um : 0;
  const texture = textureOf(zone, panel) === 'flatten' ? TEXTURE_UM : 0;
  return {
    soil: 'grime',
    isTacked: false,
    scratch: grit
      ? {
          grade: grit,
          tool: 'block',
          depthUm: scratchDepthUm(grit, 'block', sandedMaterial(topKind(stack)), sandingFiguresOf(rules)),
        }
      : null,
    hasGuideCoat: false,
    wavesUm: Math.max(hollowUm > 0 ? 0 : (waves?.um ?? 0), texture),
    wavelengthMm: waves?.wavelengthMm ?? WAVE_MM,
    peelUm: Math.max(
      findingOf(zone.findings, 'orange-peel') ? FOUND_PEEL_UM : 0,
      ...findingsOf(zone.findings, 'mark-from-below').map(({ um }) => um),
    ),
    lowUm: Math.max(hollowUm, ...findingsOf(zone.findings, 'low').map(({ depthMm }) => depthMm * 1000)),
    hasPinholes: findingOf(zone.findings, 'pinholes') !== undefined,
  };
}

/** Cross-cut class from which a layer comes off. */
const COMES_OFF = 2;

/** What filler and paste must not lie on, and glaze (rules F2 and M6). */
const NOT_UNDER_FILLER: ReadonlySet<string> = new Set(['old-finish', 'old-finish-soluble', 'etch']);
const NOT_UNDER_GLAZE: ReadonlySet<string> = new Set(['old-finish-soluble', 'etch']);

const isBadUnder = (body: LayerKind, under: LayerKind | undefined): boolean =>
  under !== undefined && (body === 'glaze' ? NOT_UNDER_GLAZE : NOT_UNDER_FILLER).has(under);

/** Shine at edges and in recesses goes by pad; sound e-coat takes a sealer as it is (rule N1). */
const hasShinyEdges = (top: LayerKind): boolean => bearsFading(top) || top === 'part-primer';

/** What has to be settled on an area before it may be handed over, from its findings, tests and layers. */
function issuesOf(zone: Zone, stack: readonly Layer[], { panel }: Around): OpenIssue[] {
  const top = topKind(stack);
  const isRaw = isRawPlastic(top);
  const role = roleOf(zone, panel);
  const under = (i: number): LayerKind | undefined => stack[i - 1]?.kind;
  const found = zone.findings.flatMap(({ kind }) => findingRow(kind).leaves);
  const open: readonly (readonly [OpenIssue, boolean])[] = [
    ['wax', isRaw && panel.new],
    ['static', isRaw],
    ['hidden-edges', isRaw || fadesOut(role) || (role === 'refinish' && hasShinyEdges(top))],
    ['rub', top === 'part-primer' && testOf(zone, 'solvent-rub') === undefined],
    ['tape', isRaw && isUnknownPlastic(zone) && testOf(zone, 'tape-hold') === undefined],
    ['unsound', isFilm(top) && (testOf(zone, 'cross-cut')?.outcome ?? 0) >= COMES_OFF],
    ['soft', isFilm(top) && testOf(zone, 'thumbnail')?.outcome === 'marks'],
    [
      'found-body',
      isBody(top) &&
        top !== 'seam' &&
        under(stack.length - 1) !== undefined &&
        isMetal(under(stack.length - 1)!),
    ],
    [
      'bad-ground',
      stack.some(({ kind }, i) => isBody(kind) && kind !== 'seam' && isBadUnder(kind, under(i))),
    ],
    [
      'shiny-grain',
      isFilm(top) &&
        role !== 'keep' &&
        (stack.some(({ kind }) => kind === 'texture') || textureOf(zone, panel) === 'keep'),
    ],
  ];
  const all = [...found, ...open.flatMap(([issue, isOpen]) => (isOpen ? [issue] : []))];
  return [...new Set(all)].sort();
}

function stateOf(zone: Zone, stack: readonly Layer[], around: Around): ZoneState {
  const { panel, rules, panelHasFinish } = around;
  const top = topKind(stack);
  const isFinish = isFilm(top);
  const hasEdge = findingOf(zone.findings, 'edge') !== undefined;
  return {
    matter: newMatter(),
    zone,
    patch: null,
    extent: wholeExtent(zone, rules),
    role: roleOf(zone, panel),
    stack,
    surface: surveySurface(zone, stack, around),
    edge: hasEdge || (panelHasFinish && !isFinish) ? 'raw' : 'sound',
    isSoluble:
      isFinish && (top === 'old-finish-soluble' || testOf(zone, 'solvent-rub')?.outcome === 'softens'),
    openIssues: issuesOf(zone, stack, around),
    bareSinceMin: null,
  };
}

function patchState(zone: Zone, patch: Patch, whole: readonly Finding[], around: Around): ZoneState {
  const { kind } = patch.finding;
  const lies = stackOf(zone);
  const { isOpen, edge } = findingRow(kind);
  const stack = isOpen ? openedTo(lies, 'body') : lies;
  const area: Zone = {
    ...zone,
    id: patchArea(zone.id, patch.id),
    name: `${kind.replaceAll('-', ' ')} in ${zone.id}`,
    areaM2: patch.extent.openM2,
    findings: [...whole.filter((finding) => finding.kind !== kind), patch.finding],
  };
  const opened = stateOf(area, stack, around);
  const isRough = lies.slice(stack.length).some((layer) => layer.kind === 'texture');
  const state = isRough ? withIssue(opened, 'rough-coat') : opened;
  const spots = isOpen ? spotsOf(patch.finding) : null;
  const isSmall = spots !== null && spots.mm <= shopRule(around.rules, 'bareSpotMm').value;
  const hasEdge = edge !== undefined && (!isOpen || isFilm(topKind(lies)));
  return changed(state, {
    patch: {
      zoneId: zone.id,
      id: patch.id,
      finding: patch.finding,
      spots,
      isDished: edge === 'feathered' && isSmall,
    },
    extent: patch.extent,
    edge: hasEdge ? edge : 'sound',
    // Edges and backs are dulled with the ground.
    openIssues: state.openIssues.filter((issue) => issue !== 'hidden-edges'),
  });
}

/** The ground of a zone, without what its patches take, and the patches. */
function surveyZone(zone: Zone, around: Around): ZoneState[] {
  const { findings, patches } = surveyedZone(zone, around.rules);
  if (patches.length === 0) return [stateOf({ ...zone, findings: [...findings] }, stackOf(zone), around)];
  const takenM2 = patches.reduce((sum, { extent }) => sum + extent.openM2, 0);
  const areaM2 = Math.max(zone.areaM2 * LEAST_GROUND, zone.areaM2 - takenM2);
  const ground = { ...zone, areaM2, findings: [...findings] };
  return [
    stateOf(ground, stackOf(zone), around),
    ...patches.map((patch) => patchState(zone, patch, findings, around)),
  ];
}
/** Share of a zone that is left for its ground, however much its patches take. */
const LEAST_GROUND = 0.05;

/** A found film that others must come level with: finish, a maker's primer on plastic, or a primer laid before. */
const isFilm = (kind: LayerKind): boolean =>
  familyOf(kind) === 'finish' || familyOf(kind) === 'primer' || kind === 'plastic-primed';

/** Coarsest grade with which a build is blocked (default). */
const COARSEST_BLOCK: Grade = 'P180';

/**
 * The panel as it comes in: dirty, unmasked, its parts on it, clock at 0.
 * @param rules the shop's figures: how far a patch is opened and where it stops being one
 */
export function surveyState(panel: Panel, rules: ShopRules): PanelState {
  const panelHasFinish = panel.zones.some((zone) => isFilm(topKindOf(zone)));
  return {
    clockMin: 0,
    isMasked: false,
    hasMaskLeft: false,
    lastSandUm: scratchDepthUm(COARSEST_BLOCK, 'block', 'primer', sandingFiguresOf(rules)),
    arePartsOff: !panel.parts.some(({ plan }) => plan === 'remove'),
    zones: panel.zones.flatMap((zone) => surveyZone(zone, { panel, rules, panelHasFinish })),
  };
}
