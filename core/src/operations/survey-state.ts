import {
  familyOf,
  isBody,
  isMetal,
  isRawPlastic,
  isSolid,
  type LayerKind,
} from '../materials/layer-kinds.ts';
import { findingOf } from '../survey/finding.ts';
import type { Panel, PanelFacts } from '../survey/panel.ts';
import { isUnknownPlastic, testOf, textureOf, topKindOf } from '../survey/zone-facts.ts';
import type { Zone } from '../survey/zone.ts';
import { sandedMaterial, scratchDepthUm } from '../surface/scratch.ts';
import type { BareSpots, Damage, Layer, Matter, PanelState, Surface, ZoneState } from './state.ts';

/** From the survey to the state in which work begins. */

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
  fiberglass: 0,
};
const FOUND_PEEL_UM = 25;
const WAVE_MM = 150;
/** Grain of a moulded texture that is to become smooth, peak to valley, µm (default). */
const TEXTURE_UM = 60;
/** Size of a stone chip, mm, and the most of its depth that is a step to be levelled, µm (defaults). */
const CHIP_MM = 6;
const CHIP_STEP_MOST_UM = 100;

const filmOf = (stack: readonly Layer[]): number =>
  stack.reduce((sum, { kind, um }) => (isSolid(kind) || isBody(kind) ? sum : sum + um), 0);

/** Unevenness as found: measured waves, texture that goes, and the steps of chips; the largest counts. */
function foundWavesUm(zone: Zone, panel: Pick<PanelFacts, 'finish'>, stack: readonly Layer[]): number {
  const waves = findingOf(zone.findings, 'waves')?.um ?? 0;
  const texture = textureOf(zone, panel) === 'flatten' ? TEXTURE_UM : 0;
  const chips = findingOf(zone.findings, 'chips') ? Math.min(filmOf(stack), CHIP_STEP_MOST_UM) : 0;
  return Math.max(waves, texture, chips);
}

function surveySurface(zone: Zone, panel: Pick<PanelFacts, 'finish'>, stack: readonly Layer[]): Surface {
  const top = stack[stack.length - 1]!.kind;
  const grit = findingOf(zone.findings, 'coarse-scratches')?.grit;
  const waves = findingOf(zone.findings, 'waves');
  return {
    soil: 'grime',
    isTacked: false,
    scratch: grit
      ? { grade: grit, tool: 'block', depthUm: scratchDepthUm(grit, 'block', sandedMaterial(top)) }
      : null,
    hasGuideCoat: false,
    wavesUm: foundWavesUm(zone, panel, stack),
    wavelengthMm: waves?.wavelengthMm ?? WAVE_MM,
    peelUm: findingOf(zone.findings, 'orange-peel') ? FOUND_PEEL_UM : 0,
    lowUm: (findingOf(zone.findings, 'low')?.depthMm ?? 0) * 1000,
    hasPinholes: findingOf(zone.findings, 'pinholes') !== undefined,
  };
}

const unsoundShare = (zone: Zone): number => {
  const spread = (['peeling', 'checked', 'reacted'] as const).map(
    (kind) => findingOf(zone.findings, kind)?.share ?? 0,
  );
  const crossCut = testOf(zone, 'cross-cut');
  return Math.max(...spread, crossCut && crossCut.outcome >= 2 ? 1 : 0);
};

function rustOf(zone: Zone): ZoneState['rust'] {
  if (findingOf(zone.findings, 'rust-pitted')) return 'pitted';
  return findingOf(zone.findings, 'rust-surface') ? 'surface' : 'none';
}

/** Rub-through spots, and chips as the spots that they are: their number follows from the share of the zone. */
function spotsOf(zone: Zone, base: LayerKind): BareSpots | null {
  const rubbed = findingOf(zone.findings, 'rub-through');
  if (rubbed) return { mm: rubbed.spotMm, count: rubbed.count ?? 1, to: base };
  const chips = findingOf(zone.findings, 'chips');
  if (!chips) return null;
  const chipM2 = (Math.PI * (CHIP_MM / 1000) ** 2) / 4;
  return { mm: CHIP_MM, count: Math.max(1, Math.round((chips.share * zone.areaM2) / chipM2)), to: base };
}

function damageOf(zone: Zone): Damage | null {
  const found = findingOf(zone.findings, 'crack') ?? findingOf(zone.findings, 'hole');
  return found ? { kind: found.kind, lengthMm: found.lengthMm } : null;
}

/** What has to be settled on a zone before it may be coated, from its findings, tests and layers. */
function mattersOf(zone: Zone, panel: PanelFacts, stack: readonly Layer[]): Matter[] {
  const top = stack[stack.length - 1]!.kind;
  const found = (kind: 'release-agent' | 'dressing' | 'glue-residue' | 'overspray'): boolean =>
    findingOf(zone.findings, kind) !== undefined;
  const isRaw = isRawPlastic(top);
  const underBody = stack[stack.length - 2]?.kind;
  const open: readonly (readonly [Matter, boolean])[] = [
    ['wax', found('release-agent') || (isRaw && panel.new)],
    ['dressing', found('dressing')],
    ['glue', found('glue-residue')],
    ['overspray', found('overspray')],
    ['static', isRaw],
    ['hidden-edges', isRaw || panel.role === 'blend'],
    ['rub', top === 'part-primer' && testOf(zone, 'solvent-rub') === undefined],
    ['tape', isRaw && isUnknownPlastic(zone) && testOf(zone, 'tape-hold') === undefined],
    ['found-body', isBody(top) && top !== 'seam' && underBody !== undefined && isMetal(underBody)],
  ];
  return open.flatMap(([matter, isOpen]) => (isOpen ? [matter] : [])).sort();
}

function surveyZone(zone: Zone, panel: Panel, panelHasFinish: boolean): ZoneState {
  const stack = zone.layers.map((layer) => ({
    kind: layer.kind,
    um: layer.um ?? TYPICAL_UM[layer.kind] ?? 0,
  }));
  const top = stack[stack.length - 1]!.kind;
  const isFinish = isFilm(top);
  const hasEdge = findingOf(zone.findings, 'edge') ?? findingOf(zone.findings, 'chips');
  return {
    zone,
    stack,
    surface: surveySurface(zone, panel, stack),
    unsoundShare: unsoundShare(zone),
    rust: rustOf(zone),
    edge: hasEdge || (panelHasFinish && !isFinish) ? 'raw' : 'sound',
    spots: spotsOf(zone, stack[0]!.kind),
    isSoluble:
      isFinish && (top === 'old-finish-soluble' || testOf(zone, 'solvent-rub')?.outcome === 'softens'),
    open: mattersOf(zone, panel, stack),
    damage: damageOf(zone),
    bareSinceMin: null,
  };
}

/** A found film that others must come level with: finish, a maker's primer on plastic, or a primer laid before. */
const isFilm = (kind: LayerKind): boolean =>
  familyOf(kind) === 'finish' || familyOf(kind) === 'primer' || kind === 'plastic-primed';

/** The panel as it comes in: dirty, unmasked, its parts on it, clock at 0. */
export function surveyState(panel: Panel): PanelState {
  const hasFinish = panel.zones.some((zone) => isFilm(topKindOf(zone)));
  return {
    clockMin: 0,
    isMasked: false,
    arePartsOff: !panel.parts.some(({ plan }) => plan === 'remove'),
    zones: panel.zones.map((zone) => surveyZone(zone, panel, hasFinish)),
  };
}
