import type { Finding } from './finding.ts';
import { findingRow } from './findings.ts';
import type { Panel } from './panel.ts';
import { spotsOf, surveyedZone } from './patches.ts';
import { shopRule, type ShopRules } from './shop-rules.ts';
import type { Zone } from './zone.ts';
import { fadesOut, roleOf } from './zone-facts.ts';

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

export interface Roled {
  readonly panel: Panel;
  /** Zones that were to be blended and are refinished, with what made them so. */
  readonly refinished: readonly { readonly zoneId: string; readonly findings: readonly Finding[] }[];
}

/** The panel with each blend or clear-only area that needs more than spots made a refinish area. */
export function withRoles(panel: Panel, rules: ShopRules): Roled {
  const refinished: { zoneId: string; findings: Finding[] }[] = [];
  const zones = panel.zones.map((zone) => {
    if (!fadesOut(roleOf(zone, panel))) return zone;
    const findings = beyondSpots(zone, rules);
    if (findings.length === 0) return zone;
    refinished.push({ zoneId: zone.id, findings });
    return { ...zone, role: 'refinish' as const };
  });
  return { panel: refinished.length > 0 ? { ...panel, zones } : panel, refinished };
}
