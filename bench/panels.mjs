/** Panels of many zones for the benchmarks. */
import { panelSchema } from '@blue-ledge/core';

const layersOf = (stack) =>
  stack.split('/').map((text) => {
    const [kind, um] = text.split(':');
    return um === undefined ? { kind } : { kind, um: Number(um) };
  });

/** One zone of each kind that comes through the door. */
const MIXED = [
  { stack: 'steel/ecoat:20/old-finish:95', areaM2: 1.2 },
  { stack: 'steel', areaM2: 0.3, findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  { stack: 'steel/filler:900', areaM2: 0.2, findings: [{ kind: 'pinholes' }] },
  { stack: 'aluminium', areaM2: 0.25 },
  { stack: 'zinc-steel', areaM2: 0.3, findings: [{ kind: 'low', depthMm: 1 }] },
  { stack: 'steel/part-primer:30', areaM2: 0.4 },
  { stack: 'fiberglass', areaM2: 0.2, findings: [{ kind: 'release-agent' }] },
  { stack: 'steel/old-finish-soluble:120', areaM2: 0.3 },
];

/** The same with the damage of daily work in them: dents, chips, rust, peeling corners, a crack. */
export const DAMAGED = [
  {
    stack: 'steel/ecoat:20/old-finish:95',
    areaM2: 1.2,
    findings: [
      { kind: 'low', depthMm: 1.5, sizeMm: 80 },
      { kind: 'chips', count: 30, sizeMm: 4 },
    ],
  },
  { stack: 'steel/old-finish:110', areaM2: 0.8, findings: [{ kind: 'rust-pitted', sizeMm: 60 }] },
  { stack: 'steel/filler:900/old-finish:110', areaM2: 0.4, findings: [{ kind: 'pinholes', sizeMm: 60 }] },
  { stack: 'steel', areaM2: 0.3, findings: [{ kind: 'coarse-scratches', grit: 'P80' }] },
  { stack: 'zinc-steel', areaM2: 0.5, findings: [{ kind: 'low', depthMm: 1, sizeMm: 60 }] },
  { stack: 'steel/ecoat:20', areaM2: 0.4, findings: [{ kind: 'rub-through', spotMm: 12, count: 3 }] },
  { stack: 'fiberglass/old-finish:110', areaM2: 0.4, findings: [{ kind: 'crack', lengthMm: 80 }] },
  { stack: 'steel/ecoat:20/old-finish:95', areaM2: 0.9, findings: [{ kind: 'peeling', share: 0.05 }] },
];

/** A panel of `nZones` zones of mixed substrates; `seed` makes panels of a job differ. */
export function mixedPanel(nZones, seed = 0, kinds = MIXED) {
  const zones = Array.from({ length: nZones }, (_, i) => {
    const { stack, areaM2, findings = [] } = kinds[(i + seed) % kinds.length];
    const layers = layersOf(stack);
    return {
      id: `Z${i}`,
      name: stack,
      areaM2: areaM2 + seed / 100,
      substrate: layers.at(-1).kind,
      layers,
      findings,
    };
  });
  const areaM2 = zones.reduce((sum, zone) => sum + zone.areaM2, 0);
  return panelSchema.parse({ id: `panel-${seed}`, name: `panel ${seed}`, areaM2, zones });
}
