import { familyOf, isBody, isSolid } from '../materials/layer-kinds.ts';
import type { Finding } from './finding.ts';
import { findingRow, type FindingKind, type Places } from './findings.ts';
import type { Panel } from './panel.ts';
import { shopRule, type ShopRules } from './shop-rules.ts';
import { withTestsTaken } from './test-guide.ts';
import type { Zone } from './zone.ts';
import { topKindOf } from './zone-facts.ts';

/**
 * Damage is local: the one function that says which findings of a zone are patches of it, and how far each reaches.
 * A patch is opened past its finding, its edge is feathered beyond that, and primer tapers out beyond the feather.
 * Areas in m², lengths in mm unless their name says otherwise.
 */

/** What a finding needs of the zone around it, from the inside to the outside; never more than the zone has. */
export interface Extent {
  /** What the finding itself takes: what is filled, glazed or pasted. */
  readonly coreM2: number;
  /** What is opened to sound ground. */
  readonly openM2: number;
  /** What is opened and feathered. */
  readonly featherM2: number;
  /** What coats reach, tapering out on dulled finish. */
  readonly reachM2: number;
  /** Length of the opened edge, m. */
  readonly edgeM: number;
  /** Length over which a coat that ends here fades out. */
  readonly taperMm: number;
}

export interface Patch {
  /** Word of its finding, with a number from the second of its kind on: unique within the zone. */
  readonly id: string;
  /** Which of the findings of its kind it is, 1 the first. */
  readonly nth: number;
  readonly finding: Finding;
  readonly extent: Extent;
  /** Width of one place, and how many there are. */
  readonly placeMm: number;
  readonly count: number;
  /** Nobody gave its size; it is taken as its kind usually is. */
  readonly isAssumed: boolean;
}

export interface SurveyedZone {
  /** Findings of the zone as a whole. */
  readonly findings: readonly Finding[];
  readonly patches: readonly Patch[];
}

/** Id by which acts address a patch. */
export const patchArea = (zoneId: string, patchId: string): string => `${zoneId}/${patchId}`;
/** Zone and patch of an area's id; the patch is undefined for the zone's ground. */
export function readArea(areaId: string): { readonly zone: string; readonly patch: string | undefined } {
  const [zone, patch] = areaId.split('/');
  return { zone: zone!, patch };
}

/** Width of the strip along long findings. */
const STRIP_MM = 30;
/** How far apart small places lie where nobody measured the band they are in (calibrated: chips on a leading edge). */
const SPACING_MM = 80;

const usualOf = (kind: FindingKind) => {
  const { where } = findingRow(kind);
  return typeof where === 'string' || where.isUnderFilm ? undefined : where;
};

const sizeOf = (finding: Finding): Places | null => {
  const { areaM2, sizeMm, count, lengthMm } = finding;
  const { places } = findingRow(finding.kind);
  if (places) return places(finding);
  if (lengthMm !== undefined)
    return { count: count ?? 1, mm: sizeMm ?? Math.min(STRIP_MM, lengthMm), lengthMm, ...spread(areaM2) };
  if (sizeMm !== undefined || count !== undefined) {
    const mm = sizeMm ?? usualOf(finding.kind)?.mm ?? STRIP_MM;
    return { count: count ?? 1, mm, lengthMm: mm, ...spread(areaM2) };
  }
  return null;
};

const spread = (areaM2: number | undefined): { spreadM2?: number } =>
  areaM2 === undefined ? {} : { spreadM2: areaM2 };

const round = (mm: number): Places => ({ count: 1, mm, lengthMm: mm });

/** A place as large as an area: a square of it. */
const placeOfArea = (areaM2: number): Places => round(Math.sqrt(areaM2) * 1000);

interface Sized {
  readonly places: Places;
  readonly isAssumed: boolean;
}

/** Where a finding is within its zone; null where it is of the whole zone. */
function placesOf(finding: Finding, zone: Zone): Sized | null {
  const { where, isOfZoneOnBody } = findingRow(finding.kind);
  if (where === 'zone' && finding.lengthMm === undefined && finding.areaM2 === undefined) return null;
  const given = sizeOf(finding);
  if (given) return { places: given, isAssumed: false };
  const areaM2 = finding.areaM2 ?? (finding.share === undefined ? undefined : finding.share * zone.areaM2);
  if (areaM2 !== undefined) return { places: placeOfArea(areaM2), isAssumed: false };
  if (typeof where === 'string') return null;
  const top = topKindOf(zone);
  const isUnderFilm = !isSolid(top) && !isBody(top) && familyOf(top) !== 'primer';
  if ((isOfZoneOnBody && isBody(top)) || (where.isUnderFilm && !isUnderFilm)) return null;
  return { places: { ...round(where.mm), count: where.count ?? 1 }, isAssumed: true };
}

const M2_PER_MM2 = 1e-6;

/** Area of the places grown by a margin all round, m²: each a stadium of its width and length; `most` where they overlap. */
function grown({ count, mm, lengthMm, spreadM2 }: Places, marginMm: number): number {
  const width = mm + 2 * marginMm;
  const straight = Math.max(0, lengthMm - mm);
  const each = ((Math.PI / 4) * width ** 2 + straight * width) * M2_PER_MM2;
  if (count === 1 && spreadM2 === undefined) return each;
  const bandM2 = spreadM2 ?? count * (Math.max(SPACING_MM, mm) * Math.max(SPACING_MM, lengthMm)) * M2_PER_MM2;
  const side = Math.sqrt(bandM2) * 1000;
  return Math.min(count * each, (side + marginMm) ** 2 * M2_PER_MM2);
}

const edgeMetres = ({ count, mm, lengthMm, spreadM2 }: Places, marginMm: number): number => {
  const width = mm + 2 * marginMm;
  const each = (Math.PI * width + 2 * Math.max(0, lengthMm - mm)) / 1000;
  // Small places that lie close are worked on as the band in which they are.
  const bandM2 = spreadM2 ?? count * (Math.max(SPACING_MM, width) ** 2 * M2_PER_MM2);
  return count === 1 ? each : Math.min(count * each, 4 * Math.sqrt(bandM2) + (count * Math.PI * mm) / 1000);
};

/** Films over the substrate: what has an edge to be feathered. */
const nFilms = (zone: Zone): number =>
  zone.layers.filter(({ kind }) => !isSolid(kind) && !isBody(kind)).length;

/** Chips up to this size are feathered by one slope through all layers, mm. */
const SMALL_CHIP_MM = 6;

/** Chips so small that nobody feathers them layer by layer. */
export const areSmallChips = (kind: FindingKind, mm: number): boolean =>
  kind === 'chips' && mm <= SMALL_CHIP_MM;

function extentOf(finding: Finding, places: Places, zone: Zone, rules: ShopRules): Extent {
  const figure = (name: Parameters<typeof shopRule>[1]): number => shopRule(rules, name).value;
  const isOpen = findingRow(finding.kind).isOpen || nFilms(zone) === 0;
  const openMm = isOpen ? 0 : figure('patchOpenMm');
  const layersMm = figure('featherMmPerLayer') * nFilms(zone);
  const isChip = areSmallChips(finding.kind, places.mm);
  const featherMm = openMm + (isChip ? Math.min(layersMm, figure('chipFeatherMm')) : layersMm);
  const most = (areaM2: number): number => Math.min(areaM2, zone.areaM2);
  return {
    coreM2: most(grown(places, 0)),
    openM2: most(grown(places, openMm)),
    featherM2: most(grown(places, featherMm)),
    reachM2: most(grown(places, featherMm + figure('primerOverlapMm'))),
    edgeM: edgeMetres(places, openMm),
    taperMm: figure('primerTaperMm'),
  };
}

/** Damage of metal that lies bare is of the zone it is found on; the same under a film is a place in that film. */
const isOfWholeZone = (finding: Finding, extent: Extent, zone: Zone, rules: ShopRules): boolean => {
  const limit = shopRule(rules, 'patchMostPercent').value / 100;
  return extent.openM2 > limit * zone.areaM2 && !findingRow(finding.kind).isOpen;
};

/**
 * The findings of a zone parted into those of the zone as a whole and its patches.
 * A patch that would take more than the shop's share of its zone is no patch: the finding is the whole zone's.
 */
export function surveyedZone(zone: Zone, rules: ShopRules): SurveyedZone {
  const patches: Patch[] = [];
  const whole: Finding[] = [];
  const counted = new Map<FindingKind, number>();
  for (const finding of zone.findings) {
    const nth = (counted.get(finding.kind) ?? 0) + 1;
    counted.set(finding.kind, nth);
    if (finding.share === 0) continue;
    const placed = placesOf(finding, zone);
    const extent = placed && extentOf(finding, placed.places, zone, rules);
    if (!extent || isOfWholeZone(finding, extent, zone, rules)) {
      whole.push(finding);
      continue;
    }
    const { mm: placeMm, count } = placed.places;
    const id = nth === 1 ? finding.kind : `${finding.kind}-${nth}`;
    patches.push({ id, nth, finding, extent, placeMm, count, isAssumed: placed.isAssumed });
  }
  return { findings: whole, patches };
}

/** A whole zone as an extent: all of it, within the border of a square of its area. */
export const wholeExtent = ({ areaM2 }: Pick<Zone, 'areaM2'>, rules: ShopRules): Extent => ({
  coreM2: areaM2,
  openM2: areaM2,
  featherM2: areaM2,
  reachM2: areaM2,
  edgeM: 4 * Math.sqrt(areaM2),
  taperMm: shopRule(rules, 'primerTaperMm').value,
});

/** Size of the largest single place of a finding, and how many there are, for rules that count spots. */
export function spotsOf(finding: Finding): { readonly mm: number; readonly count: number } {
  const places = sizeOf(finding) ?? {
    ...round(usualOf(finding.kind)?.mm ?? STRIP_MM),
    count: usualOf(finding.kind)?.count ?? 1,
  };
  return { mm: places.mm, count: places.count };
}

/** A patch larger than its zone cannot be; its size in m², or null where it fits. */
export function tooLargeM2(finding: Finding, zone: Zone): number | null {
  if (finding.areaM2 !== undefined && finding.areaM2 > zone.areaM2 + 1e-9) return finding.areaM2;
  const places = sizeOf(finding);
  if (!places) return null;
  const areaM2 =
    places.count *
    ((Math.PI / 4) * places.mm ** 2 + Math.max(0, places.lengthMm - places.mm) * places.mm) *
    M2_PER_MM2;
  return areaM2 > zone.areaM2 + 1e-9 ? areaM2 : null;
}

/** Share of a panel, 0..1, that all its small open places take together. */
export const spotShareOf = (panel: Pick<Panel, 'areaM2' | 'zones'>): number =>
  panel.zones
    .flatMap(({ findings }) => findings)
    .reduce((sum, finding) => {
      if (!findingRow(finding.kind).isOpen) return sum;
      const { mm, count } = spotsOf(finding);
      return sum + (count * Math.PI * (mm / 1000) ** 2) / 4 / panel.areaM2;
    }, 0);

/** A patch of a panel with the zone that it lies in, for drawings and lists. */
export interface PanelPatch extends Patch {
  readonly areaId: string;
  readonly zoneId: string;
}

/** All patches of a panel, what its tests showed taken in, zone by zone; a zone that is kept as it is has none. */
export const patchesOf = (panel: Panel, rules: ShopRules): PanelPatch[] =>
  withTestsTaken(panel)
    .zones.filter(({ role }) => role !== 'keep')
    .flatMap((zone) =>
      surveyedZone(zone, rules).patches.map((patch) => ({
        ...patch,
        zoneId: zone.id,
        areaId: patchArea(zone.id, patch.id),
      })),
    );
