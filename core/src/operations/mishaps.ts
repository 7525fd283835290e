import type { OpenIssue } from '../survey/open-issue.ts';
import { isOfCoat, withIssue, withoutIssues } from './issues.ts';
import { isBody, isMetal, isSolid, type LayerKind } from '../materials/layer-kinds.ts';
import { findingSchema } from '../survey/finding.ts';
import { patchArea, spotsOf, surveyedZone } from '../survey/patches.ts';
import { fadesOut } from '../survey/zone-facts.ts';
import type { Zone } from '../survey/zone.ts';
import type { Context } from './context.ts';
import { topOf, zoneIdOf, zoneOf, type Layer, type PanelState, type ZoneState } from './state.ts';
import { changed } from './changed-area.ts';
import { shaped } from './sanded-area.ts';

/** What a mishap at the bench makes of a panel: the same states that a survey describes, so that the same rules mend it. */

interface DefectRow {
  /** What it leaves open on an area. */
  readonly leaves: readonly OpenIssue[];
  /** What it takes of a coat until it is sanded out, µm (defaults); none where the film around it stays. */
  readonly takesUm?: number;
}

/** Defects in the words of the trade, one row each. */
const DEFECT_ROWS = {
  // A run stands proud: the film around it stays.
  sag: { leaves: ['flaw'] },
  'dry-spray': { leaves: ['flaw'], takesUm: 20 },
  'orange-peel': { leaves: ['flaw'], takesUm: 30 },
  fisheye: { leaves: ['dressing', 'flaw'], takesUm: 25 },
  'dust-nibs': { leaves: ['nibs'] },
  // As deep as its craters, whatever the coat.
  'solvent-pop': { leaves: ['flaw'], takesUm: Infinity },
  'scratch-swelling': { leaves: ['flaw'], takesUm: 10 },
  'sink-back': { leaves: ['flaw'], takesUm: 15 },
  'edge-mapping': { leaves: ['flaw'], takesUm: 20 },
  lifting: { leaves: ['unsound'] },
  peeling: { leaves: ['unsound'] },
  'rust-bloom': { leaves: ['unsound', 'rust'] },
  'stain-through': { leaves: ['bleeds', 'tone'] },
  'uneven-tone': { leaves: ['tone'] },
  // It becomes a patch of its own.
  'rub-through': { leaves: [] },
  flaking: { leaves: ['unsound'] },
  'gummy-sanding': { leaves: ['soft'] },
  /** Mixed so that it will not cure. */
  'wrong-mix': { leaves: ['unsound', 'uncured'] },
} as const satisfies Record<string, DefectRow>;

export type Defect = keyof typeof DEFECT_ROWS;
export const DEFECTS = Object.keys(DEFECT_ROWS) as [Defect, ...Defect[]];

const rowOfDefect = (defect: Defect): DefectRow => DEFECT_ROWS[defect];

/** A defect as it was found on some areas. */
export interface Mishap {
  readonly defect: Defect;
  readonly areas: readonly string[];
  /** Of a rub-through: width of the largest spot, how many, and the layer that shows. */
  readonly spotMm?: number | undefined;
  readonly count?: number | undefined;
  readonly shows?: LayerKind | undefined;
}

/** Share of a coat that has to come off to get below its craters; other flaws never go deeper than that (default). */
const POP_SHARE = 0.6;
/** A spot that was rubbed through where nobody said how large it is, mm (default). */
const SPOT_MM = 15;

/** Film over the most that a coat's sheet allows: where a run hangs, it is sanded down to that. */
const overUm = ({ um, laid }: Layer, { shelf }: Context): number =>
  Math.max(0, um - (shelf.get(laid?.sheetId ?? '')?.film.maxUm ?? Infinity));

const flawUm = (defect: Defect, zone: ZoneState, context: Context): number =>
  defect === 'sag'
    ? overUm(topOf(zone), context)
    : Math.min(POP_SHARE * topOf(zone).um, rowOfDefect(defect).takesUm ?? 0);

/** What lets go, or rusts, is taken off down to what is sound. */
const isOpened = (issues: readonly OpenIssue[]): boolean =>
  issues.includes('unsound') || issues.includes('rust');

/** An area with a flaw in its top coat; one that only took the end of the colour is refinished where it is opened. */
function flawed(zone: ZoneState, defect: Defect, context: Context): ZoneState {
  const { kind, laid } = topOf(zone);
  const isCoated = laid !== undefined && !isBody(kind);
  const hasFiller = zone.stack.some((layer) => isBody(layer.kind) && layer.kind !== 'seam');
  const isLeft = (issue: OpenIssue): boolean => {
    if (isOfCoat(issue) && !isCoated) return false;
    switch (issue) {
      case 'nibs':
        return !zone.surface.scratch;
      case 'rust':
        return isMetal(zone.stack[0]!.kind);
      case 'unsound':
        return !isSolid(kind);
      case 'bleeds':
        return hasFiller;
      case 'tone':
        return defect === 'uneven-tone' || !hasFiller;
      default:
        return true;
    }
  };
  const issues = rowOfDefect(defect).leaves.filter(isLeft);
  const isRefinished = isOpened(issues) && zone.patch === null && fadesOut(zone.role);
  // Edges are dulled by ultra-fine pad where colour only fades out; a refinish area is sanded and coated.
  const open = issues.reduce(withIssue, isRefinished ? withoutIssues(zone, 'hidden-edges') : zone);
  const { surface } = open;
  // Only what is sanded level has a texture to lose; a sealer is sanded at the flaw alone.
  const isSanded = isCoated && laid.cure !== null;
  return changed(open, {
    role: isRefinished ? 'refinish' : zone.role,
    surface: {
      peelUm: isSanded ? Math.max(surface.peelUm, flawUm(defect, zone, context)) : surface.peelUm,
      soil: issues.includes('dressing') ? 'grime' : surface.soil,
      isTacked: defect === 'dust-nibs' ? false : surface.isTacked,
    },
  });
}

/** The stack down to the layer that shows; to the one under the top where nobody said. */
function rubbedTo(stack: readonly Layer[], shows: LayerKind | undefined): readonly Layer[] {
  const at = shows === undefined ? stack.length - 2 : stack.findLastIndex(({ kind }) => kind === shows);
  return stack.slice(0, Math.max(0, at) + 1);
}

const freeId = (panel: PanelState, zoneId: string): string => {
  const isTaken = (id: string): boolean => panel.zones.some(({ zone }) => zone.id === patchArea(zoneId, id));
  let [id, n] = ['rub-through', 1];
  while (isTaken(id)) id = `rub-through-${(n += 1)}`;
  return id;
};

/** Spots that were rubbed through become a patch of their zone. */
function rubbedThrough(panel: PanelState, areaId: string, mishap: Mishap, context: Context): PanelState {
  // Filler that is rubbed through has its shape by then, whether its sanding is entered already or not.
  const area = shaped(zoneOf(panel, areaId), context);
  if (isSolid(topOf(area).kind)) return panel;
  const zoneId = zoneIdOf(area);
  const finding = findingSchema.parse({
    kind: 'rub-through',
    spotMm: mishap.spotMm ?? SPOT_MM,
    count: mishap.count ?? 1,
  });
  const layers = area.stack.map(({ kind, um }) => ({ kind, um }));
  const around = { ...area.zone, layers, findings: [finding] } as Zone;
  const [patch] = surveyedZone(around, context.shop.rules).patches;
  if (!patch) return panel;
  const id = freeId(panel, zoneId);
  const stack = rubbedTo(area.stack, mishap.shows);
  const isMetalBare = isMetal(stack[stack.length - 1]!.kind);
  const spots = spotsOf(finding);
  // What a repair was built on is protected again; in sound finish a small spot may be sealed over.
  const isInRepair = isMetalBare && area.stack.some(({ laid }) => laid);
  const made = changed(area, {
    zone: {
      ...area.zone,
      id: patchArea(zoneId, id),
      name: `rub-through in ${zoneId}`,
      areaM2: patch.extent.openM2,
      findings: [finding],
    },
    patch: { zoneId, id, finding, spots, isDished: true },
    extent: patch.extent,
    stack,
    edge: 'feathered',
    openIssues: isInRepair ? ['unprotected'] : [],
    bareSinceMin: isMetalBare ? panel.clockMin : null,
    surface: { soil: 'dusty', isTacked: false, hasGuideCoat: false },
  });
  return { ...panel, zones: [...panel.zones, made] };
}

/** The panel with what went wrong on it. */
export function afterMishap(panel: PanelState, mishap: Mishap, context: Context): PanelState {
  const { defect, areas } = mishap;
  if (defect === 'rub-through')
    return areas.reduce((state, areaId) => rubbedThrough(state, areaId, mishap, context), panel);
  const zones = panel.zones.map((zone) =>
    areas.includes(zone.zone.id) ? flawed(zone, defect, context) : zone,
  );
  return { ...panel, zones };
}

/** Film over the substrate as a gauge reads it, or one layer of it. */
export interface FilmReading {
  readonly area: string;
  /** Readings at several points; their mean counts. */
  readonly um: readonly number[];
  /** The layer that was measured by itself; all film where it is left out. */
  readonly layer?: LayerKind | undefined;
}

const meanOf = (all: readonly number[]): number => all.reduce((sum, one) => sum + one, 0) / all.length;

/** Layers whose sum is what the gauge read: the top gives or takes the difference, then what lies under it. */
function withTotal(stack: readonly Layer[], totalUm: number): Layer[] {
  let moreUm = totalUm - stack.reduce((sum, { kind, um }) => (isSolid(kind) ? sum : sum + um), 0);
  const measured: Layer[] = [];
  for (const layer of stack.toReversed()) {
    const um = isSolid(layer.kind) ? layer.um : Math.max(0, layer.um + moreUm);
    moreUm -= um - layer.um;
    if (um > 0 || isSolid(layer.kind)) measured.unshift(um === layer.um ? layer : { ...layer, um });
  }
  return measured;
}

function measured({ stack }: ZoneState, { um, layer }: FilmReading): readonly Layer[] {
  const meanUm = meanOf(um);
  if (layer === undefined) return withTotal(stack, meanUm);
  const at = stack.findLastIndex(({ kind }) => kind === layer);
  return stack.map((each, i) => (i === at && !isSolid(each.kind) ? { ...each, um: meanUm } : each));
}

/** The panel with its film as it was measured. */
export const afterReading = (panel: PanelState, reading: FilmReading): PanelState => ({
  ...panel,
  zones: panel.zones.map((zone) =>
    zone.zone.id === reading.area ? changed(zone, { stack: measured(zone, reading) }) : zone,
  ),
});
