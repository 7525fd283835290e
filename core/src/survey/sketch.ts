import { FINDABLE_KINDS } from '../materials/layer-kinds.ts';
import { panelSchema, type Panel } from './panel.ts';

/** Panels in few words: for practice, and for tests. */

export interface ZoneSketch {
  readonly id?: string;
  readonly areaM2?: number;
  /** From the substrate up: "steel/ecoat:20/old-finish:95". */
  readonly stack: string;
  readonly findings?: readonly object[];
  readonly tests?: readonly object[];
  /** Colour of its top layer. */
  readonly color?: string;
  /** Role, face, quality and what else a zone may say. */
  readonly facts?: object;
}

const layersOf = (stack: string, color?: string) =>
  stack.split('/').map((text, i, all) => {
    const [kind, um] = text.split(':');
    const own = color && i === all.length - 1 ? { color } : {};
    return um === undefined ? { kind, ...own } : { kind, um: Number(um), ...own };
  });

/** A panel from sketches of its zones; ids default to A, B, C in order, areas to 0.5 m². */
export function panelOf(sketches: readonly ZoneSketch[], facts: object = {}): Panel {
  const zones = sketches.map(({ id, areaM2 = 0.5, stack, findings = [], tests, color, facts: own }, i) => {
    const layers = layersOf(stack, color);
    const name = id ?? String.fromCharCode(65 + i);
    return {
      id: name,
      name: `zone ${name}`,
      areaM2,
      layers,
      substrate: layers.findLast(({ kind }) => FINDABLE_KINDS.some((name) => name === kind))!.kind,
      findings,
      ...(tests ? { tests } : {}),
      ...own,
    };
  });
  const areaM2 = zones.reduce((sum, zone) => sum + zone.areaM2, 0);
  return panelSchema.parse({ id: 'panel', name: 'panel', areaM2, zones, ...facts });
}
