import type { Grade } from '../materials/grades.ts';
import {
  familyOf,
  isBody,
  isMetal,
  isRawPlastic,
  isSolid,
  type LayerKind,
} from '../materials/layer-kinds.ts';
import type { Zone } from '../survey/zone.ts';
import { scratchDepthUm } from '../surface/scratch.ts';
import type { Tool } from '../materials/tools.ts';

/** The state that operations change: a stack of layers and a surface for each zone, and one clock for the panel. */

export interface Layer {
  readonly kind: LayerKind;
  /** Dry thickness; 0 for the solid substrate. */
  readonly um: number;
  /** Set on layers that this plan laid down. */
  readonly laid?: LaidCoat;
}

/** What is known of a layer that was laid at the bench; times on the panel's clock. */
export interface LaidCoat {
  readonly sheetId: string;
  readonly flashedAtMin: number;
  /** Earliest sanding; null for a product that is not sanded. */
  readonly sandableAtMin: number | null;
  /** Last moment at which the next coat bonds without sanding. */
  readonly closesAtMin: number;
  /** It is the last coat: only base goes on it. */
  readonly isLast?: boolean;
}

export interface Scratch {
  readonly grade: Grade;
  readonly tool: Tool;
  readonly depthUm: number;
}

/** grime: as found. washed: soap and water done. clean: degreased, ready. dusty: sanded since. */
export type Soil = 'grime' | 'washed' | 'clean' | 'dusty';

export interface Surface {
  readonly soil: Soil;
  readonly isTacked: boolean;
  /** Deepest open scratch; null on a surface nobody has sanded since it was found or sprayed. */
  readonly scratch: Scratch | null;
  readonly hasGuideCoat: boolean;
  readonly wavesUm: number;
  readonly wavelengthMm: number;
  readonly peelUm: number;
  /** Hollow still to be filled, µm. */
  readonly lowUm: number;
  readonly hasPinholes: boolean;
}

/** Small bare spots in an otherwise covered zone. */
export interface BareSpots {
  readonly mm: number;
  readonly count: number;
  readonly to: LayerKind;
}

/**
 * Matters that stay open on a zone until an operation settles them; each belongs to a rule that asks for that operation.
 */
export type Matter =
  /** Release wax of a moulding is still on it. */
  | 'wax'
  /** Silicone or oil dressing is still on it. */
  | 'dressing'
  /** Glue is still on it. */
  | 'glue'
  /** Overspray lies on what should be bare or bonded to. */
  | 'overspray'
  /** Raw plastic that loads static and draws dust. */
  | 'static'
  /** Found primer of unknown kind that nobody has rubbed with thinner yet. */
  | 'rub'
  /** Plastic of unknown kind on which nobody has tried tape yet. */
  | 'tape'
  /** Pinholes show again under the first primer: it is looked at once more. */
  | 'look'
  /** Filler found on the panel whose hold nobody has checked yet. */
  | 'found-body'
  /** Hidden edges and backs that will catch paint are not dulled yet. */
  | 'hidden-edges'
  /** Paint stripper that nobody has neutralised yet. */
  | 'stripper'
  /** A joint whose sealer came off with the finish. */
  | 'joint';

/** A crack or hole, to be mended before anything is sprayed. */
export interface Damage {
  readonly kind: 'crack' | 'hole';
  readonly lengthMm: number;
}

export interface ZoneState {
  readonly zone: Zone;
  readonly stack: readonly Layer[];
  readonly surface: Surface;
  /** Share of the zone whose finish is peeling, checked or reacted. */
  readonly unsoundShare: number;
  readonly rust: 'none' | 'surface' | 'pitted';
  /** Border against sound finish: none of its own, cut raw, or feathered. */
  readonly edge: 'sound' | 'raw' | 'feathered';
  readonly spots: BareSpots | null;
  /** Found finish that a thinner rag softens. */
  readonly isSoluble: boolean;
  readonly open: readonly Matter[];
  readonly damage: Damage | null;
  /** When bare metal was last abraded; null when it is covered or was found bare. */
  readonly bareSinceMin: number | null;
}

export interface PanelState {
  readonly clockMin: number;
  readonly isMasked: boolean;
  /** Parts that come off have come off; true where there are none. */
  readonly arePartsOff: boolean;
  readonly zones: readonly ZoneState[];
}

/** Top layer; every stack has at least its substrate. */
export const topOf = (state: Pick<ZoneState, 'stack'>): Layer => state.stack[state.stack.length - 1]!;

export const has = ({ open }: Pick<ZoneState, 'open'>, matter: Matter): boolean => open.includes(matter);
/** The zone with these matters settled. */
export const settle = (zone: ZoneState, ...matters: readonly Matter[]): ZoneState =>
  zone.open.some((matter) => matters.includes(matter))
    ? { ...zone, open: zone.open.filter((matter) => !matters.includes(matter)) }
    : zone;
/** The zone with one more open matter. */
export const raise = (zone: ZoneState, matter: Matter): ZoneState =>
  has(zone, matter) ? zone : { ...zone, open: [...zone.open, matter].sort() };

export const isBare = (state: ZoneState): boolean => isMetal(topOf(state).kind);

/** What was worked out of a state or an act once; they never change, so it holds for as long as they live. */
export const remembered = <State extends object, Value>(
  work: (state: State) => Value,
): ((state: State) => Value) => {
  const known = new WeakMap<State, Value>();
  return (state) => {
    const before = known.get(state);
    if (before !== undefined) return before;
    const value = work(state);
    known.set(state, value);
    return value;
  };
};

/** Film over the substrate, µm; filler, glaze and seam fill a hollow and add no height. */
export const heightUm = ({ stack }: Pick<ZoneState, 'stack'>): number =>
  stack.reduce((sum, { kind, um }) => (isSolid(kind) || isBody(kind) ? sum : sum + um), 0);

/** Bare composite: gelcoat or laminate without a film of ours or anybody's. */
export const isRawComposite = (state: ZoneState): boolean => familyOf(topOf(state).kind) === 'composite';

/** Composite that no primer covers yet; glaze in its pinholes does not count. */
export const isUnprimedComposite = ({ stack }: ZoneState): boolean =>
  familyOf(stack[0]!.kind) === 'composite' && stack.slice(1).every(({ kind }) => isBody(kind));

/** Raw plastic that no primer covers yet; promoter and repair paste on it do not count. */
export const isUnprimedPlastic = ({ stack }: ZoneState): boolean =>
  isRawPlastic(stack[0]!.kind) && stack.slice(1).every(({ kind }) => isBody(kind) || kind === 'promoter');

/** @throws {Error} for a zone the panel does not have: a bug of the caller. */
export function zoneOf(panel: PanelState, id: string): ZoneState {
  const found = panel.zones.find((state) => state.zone.id === id);
  if (!found) throw new Error(`no zone "${id}" on this panel`);
  return found;
}

/** Larger first, then taller, then by name: never by their order. */
const isAhead = (a: ZoneState, b: ZoneState): boolean =>
  a.zone.areaM2 !== b.zone.areaM2
    ? a.zone.areaM2 > b.zone.areaM2
    : heightUm(a) !== heightUm(b)
      ? heightUm(a) > heightUm(b)
      : a.zone.id < b.zone.id;

/** The largest zone with a border of nobody's making: what the others must come level with. */
export const soundNeighbour = remembered((panel: PanelState): ZoneState | null => {
  const sound = panel.zones.filter((state) => state.edge === 'sound' && heightUm(state) > 0);
  return sound.reduce<ZoneState | null>((best, state) => (best && isAhead(best, state) ? best : state), null);
});

/**
 * Film that a block leaves for the last sanding to take off: the scratch of the coarsest block grade, µm.
 * A blocked build stands proud by it until then.
 */
export const LAST_SAND_UM = scratchDepthUm('P180', 'block', 'primer');

const awaitsLastSanding = (state: ZoneState): boolean =>
  topOf(state).laid !== undefined && !isBody(topOf(state).kind) && state.surface.scratch?.tool === 'block';

/** Build that is still to be blocked and sanded: it will lose what the last sanding takes. */
const awaitsBlock = (state: ZoneState): boolean => {
  const { kind, laid } = topOf(state);
  return laid !== undefined && (kind === 'build' || kind === 'dtm') && state.surface.scratch === null;
};

/** Height once its own waves and peel, and what its last sanding takes, are sanded off, µm. */
const settledHeightUm = (state: ZoneState): number => {
  const toCome = awaitsBlock(state) || awaitsLastSanding(state) ? LAST_SAND_UM : 0;
  return heightUm(state) - state.surface.wavesUm - state.surface.peelUm - toCome;
};

/** Height of the sound neighbour over this zone, µm; negative when the zone stands proud; 0 without a neighbour. */
export function gapUm(state: ZoneState, panel: PanelState): number {
  const sound = soundNeighbour(panel);
  return state.edge === 'sound' || !sound ? 0 : settledHeightUm(sound) - heightUm(state);
}

/** Step to the sound neighbour once the last sanding is done, µm; 0 where there is none to be level with. */
const ledgeUm = (state: ZoneState, panel: PanelState): number => {
  if (state.edge === 'sound' || !soundNeighbour(panel)) return 0;
  return Math.abs(gapUm(state, panel) + (awaitsLastSanding(state) ? LAST_SAND_UM : 0));
};

/** What is left unlevel: ledge against the neighbour, waves, peel and hollow; the largest counts. */
export const unlevelUm = (state: ZoneState, panel: PanelState): number =>
  Math.max(ledgeUm(state, panel), state.surface.wavesUm, state.surface.peelUm, state.surface.lowUm);

/** Layers laid by this plan, top first. */
export const laidKinds = (state: ZoneState): LayerKind[] =>
  state.stack.flatMap((layer) => (layer.laid ? [layer.kind] : []));

const FILMS = new Set(['finish', 'primer', 'topcoat']);

/** Whether the zone's top is a film that came in with the panel: a finish, or a primer that somebody laid before. */
export const isFoundFinish = (state: ZoneState): boolean => {
  const top = topOf(state);
  return !top.laid && (FILMS.has(familyOf(top.kind)) || top.kind === 'plastic-primed');
};
