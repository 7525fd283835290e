import { PLANNED_KINDS, isMetal, labelOf } from '../materials/layer-kinds.ts';
import { ruleIn, type Context } from '../operations/context.ts';
import { findingOf } from '../survey/finding.ts';
import type { Zone } from '../survey/zone.ts';
import { sentence } from '../wording/say.ts';

/** Zones for which no undercoat plan is right, and what must happen first. */
export interface Stop {
  readonly zoneId: string;
  readonly rule: string;
  readonly text: string;
}

function fillerDepthUm(zone: Zone): number {
  const body = zone.layers.reduce((sum, layer) => (layer.kind === 'filler' ? sum + (layer.um ?? 0) : sum), 0);
  return body + (findingOf(zone.findings, 'low')?.depthMm ?? 0) * 1000;
}

/** The stop of one zone, or null when it can be planned. */
export function stopOf(zone: Zone, context: Context): Stop | null {
  const stop = (rule: string, text: string): Stop => ({ zoneId: zone.id, rule, text });
  if (findingOf(zone.findings, 'rust-through')) return stop('M5', sentence('M5.through', {}));
  const foreign = zone.layers.find((layer) => !PLANNED_KINDS.includes(layer.kind));
  if (foreign) return stop('scope', sentence('plan.unsupported', { layer: labelOf(foreign.kind) }));
  const filler = [...context.shelf.values()].find((sheet) => sheet.kind === 'filler');
  const mostUm = filler?.film.maxUm ?? ruleIn(context, 'fillerMaxUm').value;
  const depthUm = fillerDepthUm(zone);
  if (depthUm > mostUm && isMetal(zone.layers[0]!.kind))
    return stop('F3', sentence('F3.deep', { depthMm: depthUm / 1000, maxMm: mostUm / 1000 }));
  return null;
}
