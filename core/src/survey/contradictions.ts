import {
  familyOf,
  isBody,
  isSolid,
  isTopcoat,
  labelOf,
  type Family,
  type LayerKind,
} from '../materials/layer-kinds.ts';
import { tell, type Stored } from '../wording/say.ts';
import { findingWords } from './finding.ts';
import { findingRow } from './findings.ts';
import { tooLargeM2 } from './patches.ts';
import { lowerQuality } from './qualities.ts';
import type { Target } from './shop.ts';
import type { Zone } from './zone.ts';
import { baseOf, bearsFading, fadesOut, testOf, topKindOf } from './zone-facts.ts';

/** What in a survey cannot be true together, each with its remedy. Nothing of it is refused while it is typed in. */

function stackProblems({ layers }: Zone): Stored[] {
  const top = layers[layers.length - 1]!;
  const buried = layers.slice(1).find(({ kind }) => isSolid(kind) && kind !== 'plastic-primed');
  if (buried)
    return [tell('survey.buried', { layer: labelOf(buried.kind), under: labelOf(layers[0]!.kind) })];
  if (!isSolid(layers[0]!.kind) && layers.length > 1 && isBody(layers[0]!.kind))
    return [tell('survey.no-base', { layer: labelOf(layers[0]!.kind) })];
  const thin = layers.find(({ kind, um }) => kind === 'texture' && um === 0);
  if (thin) return [tell('survey.no-thickness', { layer: labelOf(thin.kind) })];
  return isTopcoat(top.kind) ? [tell('survey.topcoat', { layer: labelOf(top.kind) })] : [];
}

/** A maker's primer on plastic peels and chips like any finish. */
const surfaceFamily = (kind: LayerKind): Family => (kind === 'plastic-primed' ? 'finish' : familyOf(kind));

function findingProblems(zone: Zone): Stored[] {
  const top = surfaceFamily(topKindOf(zone));
  const base = familyOf(baseOf(zone));
  const hasGrain =
    (['plastic', 'composite'].includes(base) && top !== 'body') || topKindOf(zone) === 'texture';
  const odd = zone.findings.flatMap(({ kind }) => {
    if (kind === 'texture' && !hasGrain)
      return [tell('survey.finding', { finding: findingWords({ kind }), layer: labelOf(topKindOf(zone)) })];
    const need = findingRow(kind).needs;
    if (!need) return [];
    const layer = need.on === 'top' ? topKindOf(zone) : baseOf(zone);
    if (need.families.includes(need.on === 'top' ? top : base) && layer !== need.except) return [];
    return [tell('survey.finding', { finding: findingWords({ kind }), layer: labelOf(layer) })];
  });
  const wants = new Set(
    zone.findings.flatMap((finding) => (finding.kind === 'texture' ? [finding.want] : [])),
  );
  return wants.size > 1 ? [...odd, tell('survey.texture')] : odd;
}

function testProblems(zone: Zone): Stored[] {
  const float = testOf(zone, 'float');
  const rub = testOf(zone, 'solvent-rub');
  const magnet = testOf(zone, 'magnet')?.outcome;
  const top = topKindOf(zone);
  const base = familyOf(baseOf(zone));
  const isSteel = baseOf(zone) === 'steel' || baseOf(zone) === 'zinc-steel';
  const hasBody = zone.layers.some(({ kind }) => isBody(kind));
  const layer = labelOf(baseOf(zone));
  return [
    ...(magnet === 'falls-off' && isSteel && !hasBody ? [tell('survey.no-steel', { layer })] : []),
    ...(magnet === 'holds' && !isSteel ? [tell('survey.steel', { layer })] : []),
    ...(float && base !== 'plastic' ? [tell('survey.float', { layer: labelOf(baseOf(zone)) })] : []),
    ...(rub?.outcome === 'none' && top === 'old-finish-soluble' ? [tell('survey.rub')] : []),
    ...(testOf(zone, 'gauge') && base !== 'metal'
      ? [tell('survey.gauge', { layer: labelOf(baseOf(zone)) })]
      : []),
  ];
}

const M2 = (areaM2: number): number => Math.round(areaM2 * 10_000) / 10_000;

/** A place that is larger than the zone on which it was found. */
const sizeProblems = (zone: Zone): Stored[] =>
  zone.findings.flatMap((finding) => {
    const findingM2 = tooLargeM2(finding, zone);
    return findingM2 === null
      ? []
      : [
          tell('survey.too-large', {
            finding: findingWords(finding),
            findingM2: M2(findingM2),
            zoneM2: zone.areaM2,
          }),
        ];
  });

/** A role that the zone's surface does not bear, or that its findings speak against. */
function roleProblems(zone: Zone): Stored[] {
  if (zone.role === 'keep' && zone.findings.length > 0) return [tell('survey.role-findings')];
  const fades = fadesOut(zone.role);
  return fades && !bearsFading(topKindOf(zone))
    ? [tell('survey.role', { layer: labelOf(topKindOf(zone)) })]
    : [];
}

/** A zone's own quality is for where nobody looks: it is never above the job's. */
export const qualityProblems = (zone: Zone, { quality }: Pick<Target, 'quality'>): Stored[] =>
  zone.quality && lowerQuality(zone.quality, quality) === quality && zone.quality !== quality
    ? [tell('survey.quality', { own: zone.quality, quality })]
    : [];

/** What no panel can be: a stack or a finding that its material does not have. Nothing is planned on it. */
export const impossibilitiesOf = (zone: Zone): Stored[] => [
  ...stackProblems(zone),
  ...findingProblems(zone),
  ...sizeProblems(zone),
  ...roleProblems(zone),
];

/** All that contradicts itself in this zone, tests included, each with how to put it right; empty where all fits. */
export const contradictionsOf = (zone: Zone): Stored[] => [...impossibilitiesOf(zone), ...testProblems(zone)];
