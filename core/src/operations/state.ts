import type { Grade } from '../materials/grades.ts';
import {
  familyOf,
  filmHeightUm,
  isBody,
  isMetal,
  isRawPlastic,
  isSolid,
  type LayerKind,
} from '../materials/layer-kinds.ts';
import type { Finding } from '../survey/finding.ts';
import type { OpenIssue } from '../survey/open-issue.ts';
import { areSmallChips, type Extent } from '../survey/patches.ts';
import type { PanelFacts } from '../survey/panel.ts';
import { textureOf } from '../survey/zone-facts.ts';
import type { Role, Zone } from '../survey/zone.ts';
import type { Tool } from '../materials/tools.ts';
import type { CoatWindows } from './time-window.ts';

/**
 * The state that operations change: a stack of layers and a surface for each area, and one clock for the panel.
 * An area is the ground of a zone or one of its patches; both are the same kind of state and are worked on alike.
 */

export interface Layer {
  readonly kind: LayerKind;
  /** Dry thickness; 0 for the solid substrate. */
  readonly um: number;
  /** Set on layers that this plan laid down. */
  readonly laid?: LaidCoat;
}

/** What is known of a layer that was laid at the bench, with its clocks. */
export interface LaidCoat extends CoatWindows {
  readonly sheetId: string;
  /** It is the last coat: only base goes on it. */
  readonly isLast?: boolean;
  /** Lightness that it was mixed to. */
  readonly toneL?: number;
  /** Of its thickness, what lies in a hollow under it and adds no height, µm. */
  readonly hollowUm?: number;
  /** How often it was blocked, more of it laid on it since or not. */
  readonly nBlocked?: number;
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

/** What makes an area a patch: where it is, and what was found there. */
export interface PatchFacts {
  readonly zoneId: string;
  readonly id: string;
  readonly finding: Finding;
  /** Small open places that a sealer may cover where its sheet says so: width of the largest and their number. */
  readonly spots: { readonly mm: number; readonly count: number } | null;
  /** Rubbed open so gently that nothing has to be levelled. */
  readonly isDished: boolean;
}

/** Stands for all of an area but how clean it is and whether guide coat is on it, and but for times (matter.ts). */
export interface Matter {
  readonly kind: 'matter';
}

export interface ZoneState {
  /** The same object as long as nothing of the area changes but what cleaning changes: rules that look at no more hold. */
  readonly matter: Matter;
  /** The zone, or for a patch the zone cut down to it: its id is that of the area. */
  readonly zone: Zone;
  /** Null for the ground of a zone. */
  readonly patch: PatchFacts | null;
  readonly extent: Extent;
  readonly role: Role;
  readonly stack: readonly Layer[];
  readonly surface: Surface;
  /** Border against sound finish: none of its own, cut raw, or feathered. */
  readonly edge: 'sound' | 'raw' | 'feathered';
  /** Found finish that a thinner rag softens. */
  readonly isSoluble: boolean;
  readonly openIssues: readonly OpenIssue[];
  /** When bare metal was last abraded; null when it is covered or was found bare. */
  readonly bareSinceMin: number | null;
}

export interface PanelState {
  readonly clockMin: number;
  readonly isMasked: boolean;
  /** It was masked before, and sanding has opened the paper: the tape around the panel still stands. */
  readonly hasMaskLeft: boolean;
  /** Parts that come off have come off; true where there are none. */
  readonly arePartsOff: boolean;
  /**
   * Film that a block leaves for the last sanding to take off: the scratch of the coarsest block grade in this shop,
   * µm. A blocked build stands proud by it until then.
   */
  readonly lastSandUm: number;
  readonly zones: readonly ZoneState[];
}

/** What was worked out of a state or an act once; they never change, so it holds for as long as they live. */
export const memoize = <State extends object, Value>(
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

/** A patch of chips that are feathered by one slope through all layers. */
export const hasSmallChips = ({ patch }: Pick<ZoneState, 'patch'>): boolean =>
  patch !== null && patch.spots !== null && areSmallChips(patch.finding.kind, patch.spots.mm);

/** Top layer; every stack has at least its substrate. */
export const topOf = (state: Pick<ZoneState, 'stack'>): Layer => state.stack[state.stack.length - 1]!;

export const isBare = (state: ZoneState): boolean => isMetal(topOf(state).kind);

/** Filler, glaze or paste with nothing on it: it takes up water. */
export const isOpenBody = (state: Pick<ZoneState, 'stack'>): boolean => {
  const { kind } = topOf(state);
  return isBody(kind) && kind !== 'seam';
};

/** Grain that stays: it is dulled by pad, takes thin coats only, and is asked no level. A repair in it is smooth. */
export const keepsGrain = (
  { zone, patch, openIssues, stack }: ZoneState,
  { panel }: { readonly panel: Pick<PanelFacts, 'finish'> },
): boolean =>
  stack.some(({ kind }) => kind === 'texture') ||
  (textureOf(zone, panel) === 'keep' && (patch === null || openIssues.includes('shiny-grain')));

/** Height of its film over the substrate, µm; what lies in a hollow adds none. */
export const heightUm = ({ stack }: Pick<ZoneState, 'stack'>): number =>
  stack.reduce(
    (sum, { kind, laid }) => (isBody(kind) ? sum : sum - (laid?.hollowUm ?? 0)),
    filmHeightUm(stack),
  );

/** Bare composite: gelcoat or laminate without a film of ours or anybody's. */
export const isRawComposite = (state: ZoneState): boolean => familyOf(topOf(state).kind) === 'composite';

/** Composite that no primer covers yet; glaze in its pinholes does not count. */
export const isUnprimedComposite = ({ stack }: ZoneState): boolean =>
  familyOf(stack[0]!.kind) === 'composite' && stack.slice(1).every(({ kind }) => isBody(kind));

/** Raw plastic that no primer covers yet; promoter and repair paste on it do not count. */
export const isUnprimedPlastic = ({ stack }: ZoneState): boolean =>
  isRawPlastic(stack[0]!.kind) && stack.slice(1).every(({ kind }) => isBody(kind) || kind === 'promoter');

/** @throws {Error} for a zone the panel does not have: a bug of the caller. */
export function zoneOf({ zones }: PanelState, id: string): ZoneState {
  for (const state of zones) if (state.zone.id === id) return state;
  throw new Error(`no zone "${id}" on this panel`);
}

/** Area that a sealer or a coat may go on at all: not what is kept, and not ground into which colour only fades. */
export const takesCoats = ({ role, patch }: Pick<ZoneState, 'role' | 'patch'>): boolean =>
  role === 'refinish' || (role !== 'keep' && patch !== null);

/** Areas that are handed over to base: all but those that stay as they are. */
export const areasForBase = ({ zones }: Pick<PanelState, 'zones'>): string[] =>
  zones.filter(({ role }) => role !== 'keep').map(({ zone }) => zone.id);

/** Zone to which an area belongs. */
export const zoneIdOf = ({ zone, patch }: Pick<ZoneState, 'zone' | 'patch'>): string =>
  patch?.zoneId ?? zone.id;

/** Sorted ids of areas; most lists are sorted already, and a planner asks for thousands. */
export function sortedIds(ids: string[]): string[] {
  for (let i = 1; i < ids.length; i++) if (ids[i - 1]! > ids[i]!) return ids.sort();
  return ids;
}

/** The ids of areas, sorted. */
export const idsOf = (zones: readonly Pick<ZoneState, 'zone'>[]): string[] =>
  sortedIds(zones.map(({ zone }) => zone.id));

const isById = (zones: readonly ZoneState[]): boolean =>
  zones.every(({ zone }, i) => i === 0 || zones[i - 1]!.zone.id < zone.id);

/** All areas by their ids, so that nothing hangs on the order in which zones were recorded. */
export const byId = ({ zones }: PanelState): readonly ZoneState[] =>
  isById(zones) ? zones : zones.toSorted((a, b) => (a.zone.id < b.zone.id ? -1 : 1));

/** The ground around a patch; undefined where it is not planned. */
export const groundOf = (state: ZoneState, panel: PanelState): ZoneState | undefined =>
  state.patch ? panel.zones.find(({ zone }) => zone.id === state.patch!.zoneId) : undefined;

/** Larger first, then taller, then by name: never by their order. */
const isAhead = (a: ZoneState, b: ZoneState): boolean =>
  a.zone.areaM2 !== b.zone.areaM2
    ? a.zone.areaM2 > b.zone.areaM2
    : heightUm(a) !== heightUm(b)
      ? heightUm(a) > heightUm(b)
      : a.zone.id < b.zone.id;

/** The largest zone with a border of nobody's making: what the others must come level with. */
const soundZone = memoize((zones: PanelState['zones']): { readonly state: ZoneState | null } => {
  const sound = zones.filter((state) => !state.patch && state.edge === 'sound' && heightUm(state) > 0);
  const first = sound.reduce<ZoneState | null>(
    (best, state) => (best && isAhead(best, state) ? best : state),
    null,
  );
  return { state: first };
});

/** What an area must come level with: a patch with the sound ground around it, a zone with its sound neighbour. */
export function soundNeighbour(state: ZoneState, panel: PanelState): ZoneState | null {
  const ground = groundOf(state, panel);
  if (ground?.edge === 'sound') return ground;
  if (!state.patch && state.edge === 'sound') return null;
  return soundZone(panel.zones).state;
}

const awaitsLastSanding = (state: ZoneState): boolean =>
  topOf(state).laid !== undefined && !isBody(topOf(state).kind) && state.surface.scratch?.tool === 'block';

/** Build that is still to be blocked and sanded: it will lose what the last sanding takes. */
const awaitsBlock = (state: ZoneState): boolean => {
  const { kind, laid } = topOf(state);
  return laid !== undefined && (kind === 'build' || kind === 'dtm') && state.surface.scratch === null;
};

/** Height once its own waves and peel, and what its last sanding takes, are sanded off, µm. */
const settledHeightUm = (state: ZoneState, { lastSandUm }: PanelState): number => {
  const toCome = awaitsBlock(state) || awaitsLastSanding(state) ? lastSandUm : 0;
  return heightUm(state) - state.surface.wavesUm - state.surface.peelUm - toCome;
};

/** Height of the sound neighbour over this area, µm; negative when the area stands proud; 0 without a neighbour. */
export function gapUm(state: ZoneState, panel: PanelState): number {
  const sound = soundNeighbour(state, panel);
  if (!sound || state.patch?.isDished) return 0;
  // Beside a neighbour that is sealed already, what lies under that sealer counts: this area gets its own.
  const sealUm = lastCoatUm(state) > 0 ? 0 : lastCoatUm(sound);
  return settledHeightUm(sound, panel) - sealUm - heightUm(state);
}

/** Film of the last coat on an area, µm; 0 where it is not on. */
const lastCoatUm = (state: ZoneState): number => (topOf(state).laid?.isLast ? topOf(state).um : 0);

/** Hollow that a layer fills: body work by all of it, a film by what of it lies there, µm. */
export const hollowOf = ({ kind, um, laid }: Layer): number =>
  isBody(kind) ? (kind === 'seam' ? 0 : um) : (laid?.hollowUm ?? 0);

/** Length over which unevenness is judged, mm (models.md 7). */
const JUDGED_OVER_MM = 100;

/**
 * Step to the sound neighbour once the last sanding is done, µm; 0 where there is none to be level with. A patch that
 * stands proud fades out over its taper, and filler in it is shaped that much lower.
 */
const ledgeUm = (state: ZoneState, panel: PanelState): number => {
  if (!soundNeighbour(state, panel) || state.patch?.isDished) return 0;
  const stepUm = gapUm(state, panel) + (awaitsLastSanding(state) ? panel.lastSandUm : 0);
  if (!state.patch || stepUm >= 0) return Math.abs(stepUm);
  if (state.stack.some(({ kind }) => isBody(kind))) return 0;
  return -stepUm * Math.min(1, JUDGED_OVER_MM / state.extent.taperMm);
};

/** What is left unlevel: ledge against the neighbour, waves, peel and hollow; the largest counts. */
export const unlevelUm = (state: ZoneState, panel: PanelState): number =>
  Math.max(ledgeUm(state, panel), state.surface.wavesUm, state.surface.peelUm, state.surface.lowUm);

/** Layers of a stack that were found open, down to body work or to the substrate. */
export const openedTo = (stack: readonly Layer[], to: 'body' | 'base'): readonly Layer[] => {
  const last = to === 'base' ? 0 : stack.findLastIndex(({ kind }) => isBody(kind) || isSolid(kind));
  return stack.slice(0, Math.max(0, last) + 1);
};

/** Kinds of the layers laid by this plan, bottom to top. */
export const laidKinds = (state: ZoneState): LayerKind[] =>
  state.stack.flatMap((layer) => (layer.laid ? [layer.kind] : []));

const FILMS = new Set(['finish', 'primer', 'topcoat']);

/** Whether the zone's top is a film that came in with the panel: a finish, or a primer that somebody laid before. */
export const isFoundFinish = (state: ZoneState): boolean => {
  const top = topOf(state);
  return !top.laid && (FILMS.has(familyOf(top.kind)) || top.kind === 'plastic-primed');
};

/** Film that came in with the panel, µm: what O1 judges the thickness of. */
export const foundFilmUm = ({ stack }: Pick<ZoneState, 'stack'>): number =>
  stack.reduce(
    (sum, { kind, um, laid }) =>
      familyOf(kind) === 'finish' && kind !== 'texture' && !laid ? sum + um : sum,
    0,
  );
