import type { Finding } from './finding.ts';
import type { Panel } from './panel.ts';
import type { PanelPatch } from './patches.ts';
import { isInRegion, regionsOf, type Region } from './regions.ts';
import type { Zone } from './zone.ts';

/** Damage as it is marked on the map: where its mark lies, and how far it reaches. */

type PointMm = [number, number];

const nearestOnEdge = ([x, y]: PointMm, [x1, y1]: PointMm, [x2, y2]: PointMm): PointMm => {
  const [dx, dy] = [x2 - x1, y2 - y1];
  const length2 = dx * dx + dy * dy;
  const share = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((x - x1) * dx + (y - y1) * dy) / length2));
  return [x1 + share * dx, y1 + share * dy];
};

/** The point itself where it lies in the region, else the nearest on its border. */
function nearestIn(point: PointMm, region: Region): PointMm {
  if (isInRegion(point, region)) return point;
  const candidates = region.polygons.flatMap((rings) =>
    rings.flatMap((ring) =>
      ring.map((corner, i) => nearestOnEdge(point, corner, ring[(i + 1) % ring.length]!)),
    ),
  );
  const away = ([x, y]: PointMm): number => Math.hypot(x - point[0], y - point[1]);
  return candidates.reduce(
    (best, other) => (away(other) < away(best) ? other : best),
    candidates[0] ?? point,
  );
}

/** Whether the i-th finding of a zone is the one that a patch is made of. */
const isOfPatch = (findings: readonly Finding[], i: number, { finding, nth }: PanelPatch): boolean => {
  const isOfKind = ({ kind }: Finding): boolean => kind === finding.kind;
  return isOfKind(findings[i]!) && findings.slice(0, i + 1).filter(isOfKind).length === nth;
};

const withFinding = (
  panel: Panel,
  patch: PanelPatch,
  change: (old: Finding, zone: Zone) => Finding,
): Panel => ({
  ...panel,
  zones: panel.zones.map((zone) =>
    zone.id === patch.zoneId
      ? {
          ...zone,
          findings: zone.findings.map((finding, i) =>
            isOfPatch(zone.findings, i, patch) ? change(finding, zone) : finding,
          ),
        }
      : zone,
  ),
});

/** The panel with the mark of a patch somewhere else, mm; what is put outside its zone goes to the zone's border. */
export function withPatchAt(panel: Panel, patch: PanelPatch, atMm: PointMm): Panel {
  const region = regionsOf(panel)?.find(({ zoneId }) => zoneId === patch.zoneId);
  const [x, y] = region ? nearestIn(atMm, region) : atMm;
  return withFinding(panel, patch, (finding) => ({ ...finding, atMm: [Math.round(x), Math.round(y)] }));
}

/** Whether a mark stands for one place of a width or length, and not for an area. */
const isOnePlace = ({ finding, count }: PanelPatch): boolean =>
  count === 1 &&
  (finding.sizeMm !== undefined ||
    finding.lengthMm !== undefined ||
    finding.kind === 'rub-through' ||
    (finding.areaM2 === undefined && finding.share === undefined));

const radiusMm = (areaM2: number): number => Math.sqrt(areaM2 / Math.PI) * 1000;
const roundM2 = (mm: number): number => Math.round(Math.PI * (mm / 1000) ** 2 * 1e4) / 1e4;

/** Half the width of what a mark stands for: of one place, or of the area over which it goes, mm. */
export function reachMmOf(patch: PanelPatch): number {
  const { finding, placeMm, count, extent } = patch;
  if (isOnePlace(patch)) return (finding.lengthMm ?? placeMm) / 2;
  return radiusMm(finding.areaM2 ?? (count > 1 ? extent.openM2 : (placeMm / 1000) ** 2));
}

const LEAST_MM = 2;
/** Sizes as a person would read them off a rule: to 1, 5 or 10 mm. */
function asMeasured(mm: number): number {
  const step = mm >= 100 ? 10 : mm >= 20 ? 5 : 1;
  return Math.max(LEAST_MM, Math.round(mm / step) * step);
}

/** A finding as large as its mark was drawn: the size of one place, or the area over which it goes; never over its zone. */
function asDrawn(finding: Finding, patch: PanelPatch, reachMm: number, zone: Zone): Finding {
  const reach = Math.min(Math.max(LEAST_MM / 2, reachMm), radiusMm(zone.areaM2));
  if (!isOnePlace(patch)) {
    const areaM2 = Math.min(zone.areaM2, Math.max(roundM2(reach), 1e-4));
    return Object.fromEntries(
      Object.entries({ ...finding, areaM2 }).filter(([name]) => name !== 'share'),
    ) as unknown as Finding;
  }
  const mm = Math.min(asMeasured(2 * reach), Math.max(LEAST_MM, Math.floor(2 * radiusMm(zone.areaM2))));
  if (finding.kind === 'rub-through') return { ...finding, spotMm: mm };
  return finding.lengthMm === undefined
    ? { ...finding, sizeMm: mm }
    : ({ ...finding, lengthMm: mm } as Finding);
}

/** The panel with a patch as large as its mark was drawn. */
export const withPatchReach = (panel: Panel, patch: PanelPatch, reachMm: number): Panel =>
  withFinding(panel, patch, (finding, zone) => asDrawn(finding, patch, reachMm, zone));
