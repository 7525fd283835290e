import { familyOf, isBody, isMetal, type LayerKind } from '../materials/layer-kinds.ts';
import { findingOf } from '../survey/finding.ts';
import type { Panel } from '../survey/panel.ts';
import type { Zone } from '../survey/zone.ts';
import { sandedMaterial, scratchDepthUm } from '../surface/scratch.ts';
import type { PanelState, Surface, ZoneState } from './state.ts';

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

function surveySurface(zone: Zone, top: LayerKind): Surface {
  const grit = findingOf(zone.findings, 'coarse-scratches')?.grit;
  const waves = findingOf(zone.findings, 'waves');
  return {
    soil: 'grime',
    isTacked: false,
    scratch: grit
      ? { grade: grit, tool: 'block', depthUm: scratchDepthUm(grit, 'block', sandedMaterial(top)) }
      : null,
    hasGuideCoat: false,
    wavesUm: waves?.um ?? 0,
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
  const crossCut = zone.tests?.find((test) => test.kind === 'cross-cut');
  return Math.max(...spread, crossCut && crossCut.outcome >= 2 ? 1 : 0);
};

function rustOf(zone: Zone): ZoneState['rust'] {
  if (findingOf(zone.findings, 'rust-pitted')) return 'pitted';
  return findingOf(zone.findings, 'rust-surface') ? 'surface' : 'none';
}

function surveyZone(zone: Zone, panelHasFinish: boolean): ZoneState {
  const stack = zone.layers.map((layer) => ({
    kind: layer.kind,
    um: layer.um ?? TYPICAL_UM[layer.kind] ?? 0,
  }));
  const top = stack[stack.length - 1]!.kind;
  const isFinish = familyOf(top) === 'finish';
  const spots = findingOf(zone.findings, 'rub-through');
  const rub = zone.tests?.find((test) => test.kind === 'solvent-rub');
  return {
    zone,
    stack,
    surface: surveySurface(zone, top),
    unsoundShare: unsoundShare(zone),
    rust: rustOf(zone),
    edge: findingOf(zone.findings, 'edge') || (panelHasFinish && !isFinish) ? 'raw' : 'sound',
    spots: spots ? { mm: spots.spotMm, count: spots.count ?? 1, to: stack[0]!.kind } : null,
    isSoluble: isFinish && (top === 'old-finish-soluble' || rub?.outcome === 'softens'),
    needsRub: top === 'part-primer' && rub === undefined,
    hasWax: findingOf(zone.findings, 'release-agent') !== undefined,
    needsLook: false,
    hasUncheckedBody: isBody(top) && stack.length > 1 && isMetal(stack[stack.length - 2]!.kind),
    bareSinceMin: null,
  };
}

/** The panel as it comes in: dirty, unmasked, clock at 0. */
export function surveyState(panel: Panel): PanelState {
  const hasFinish = panel.zones.some(
    (zone) => familyOf(zone.layers[zone.layers.length - 1]!.kind) === 'finish',
  );
  return { clockMin: 0, isMasked: false, zones: panel.zones.map((zone) => surveyZone(zone, hasFinish)) };
}
