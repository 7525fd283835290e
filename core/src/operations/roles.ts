import { labelOf } from '../materials/layer-kinds.ts';
import { findingWords, type Finding } from '../survey/finding.ts';
import { findingRow } from '../survey/findings.ts';
import type { Panel } from '../survey/panel.ts';
import { spotsOf, surveyedZone } from '../survey/patches.ts';
import { shopRule, type ShopRules } from '../survey/shop-rules.ts';
import type { Zone } from '../survey/zone.ts';
import { bearsFading, fadesOut, roleOf } from '../survey/zone-facts.ts';
import { tell, type Stored } from '../wording/say.ts';
import { hasIssue } from './issues.ts';
import { foundFilmUm, topOf, type ZoneState } from './state.ts';
import { surveyState } from './survey-state.ts';

/** Areas into which colour only fades: what may be repaired there as a spot, and when they are refinished after all. */

const isSpot = (finding: Finding, zone: Zone, rules: ShopRules): boolean =>
  findingRow(finding.kind).mend === 'spot' &&
  spotsOf(finding).mm <= shopRule(rules, 'bareSpotMm').value &&
  (finding.areaM2 ?? 0) <= (shopRule(rules, 'bareSpotSharePercent').value / 100) * zone.areaM2;

/** Findings that need more than a spot of undercoat. */
function beyondSpots(zone: Zone, rules: ShopRules): Finding[] {
  const { findings, patches } = surveyedZone(zone, rules);
  return [
    ...findings.filter(({ kind }) => findingRow(kind).mend !== 'no coat'),
    ...patches.flatMap(({ finding }) =>
      findingRow(finding.kind).mend === 'no coat' || isSpot(finding, zone, rules) ? [] : [finding],
    ),
  ];
}

/** What of its ground, as it was found, an area cannot be blended on; each is told once. */
function groundReasons(ground: ZoneState, found: readonly Finding[], rules: ShopRules): Stored[] {
  const { value: limitUm } = shopRule(rules, 'stripFilmUm');
  const filmUm = foundFilmUm(ground);
  const isToldByFinding = found.some(({ kind }) => findingRow(kind).leaves.includes('unsound'));
  const reasons: readonly (readonly [boolean, Stored])[] = [
    [!bearsFading(topOf(ground).kind), tell('blend.no-finish', { layer: labelOf(topOf(ground).kind) })],
    [ground.isSoluble, tell('blend.soluble', {})],
    [hasIssue(ground, 'unsound') && !isToldByFinding, tell('blend.comes-off', {})],
    [filmUm > limitUm, tell('blend.thick', { filmUm, limitUm })],
    [hasIssue(ground, 'bad-ground'), tell('blend.bad-ground', {})],
  ];
  return reasons.flatMap(([holds, said]) => (holds ? [said] : []));
}

export interface Roled {
  readonly panel: Panel;
  /** Zones that were to be blended and are refinished, with what made them so. */
  readonly refinished: readonly { readonly zoneId: string; readonly because: readonly Stored[] }[];
}

/**
 * The panel with each blend or clear-only area that needs more than spots, or whose ground bears no colour that fades out,
 * made a refinish area: it is stripped, isolated or built up as one.
 */
export function withRoles(panel: Panel, rules: ShopRules): Roled {
  if (!panel.zones.some((zone) => fadesOut(roleOf(zone, panel)))) return { panel, refinished: [] };
  const grounds = surveyState(panel, rules).zones.filter(({ patch }) => patch === null);
  const refinished = panel.zones.flatMap((zone, i) => {
    if (!fadesOut(roleOf(zone, panel))) return [];
    const findings = beyondSpots(zone, rules);
    const because = [
      ...(findings.length > 0
        ? [tell('blend.findings', { findings: findings.map(findingWords).join(', ') })]
        : []),
      ...groundReasons(grounds[i]!, findings, rules),
    ];
    return because.length > 0 ? [{ zoneId: zone.id, because }] : [];
  });
  const isRefinished = new Set(refinished.map(({ zoneId }) => zoneId));
  const zones = panel.zones.map((zone) =>
    isRefinished.has(zone.id) ? { ...zone, role: 'refinish' as const } : zone,
  );
  return { panel: { ...panel, zones }, refinished };
}
