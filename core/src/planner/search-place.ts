import type { PanelState, ZoneState } from '../operations/state.ts';

/** Where a search stands: which states are the same place, and when one of them makes another one needless. */

/** Names a panel by its layers, products and surfaces; clocks are no part of it. */
export const placeOf = ({ isMasked, hasMaskLeft, zones }: PanelState): string =>
  `${isMasked}${hasMaskLeft}|${zones.map(zoneKey).join('|')}`;

/** Minutes until an area may be worked on, and until its next coat no longer holds. */
function clocksOf(
  { stack, bareSinceMin }: ZoneState,
  clockMin: number,
): { opensMin: number; closesMin: number } {
  const { laid } = stack[stack.length - 1]!;
  return {
    opensMin: laid ? Math.max(laid.recoat.opensAtMin, laid.cure?.opensAtMin ?? 0) - clockMin : 0,
    closesMin:
      bareSinceMin === null ? (laid?.recoat.closesAtMin ?? Infinity) - clockMin : bareSinceMin - clockMin,
  };
}

/** Windows that close within this time may shape what is done next, minutes. */
const SOON_MIN = 4 * 60;

/**
 * Whether a panel is as far as another one in the same layers: once it has waited for what the other one has waited for
 * already, at no more than the other one cost, and no window of it is then closer to its end that the other one has.
 */
export function waitsAsWell(a: PanelState, b: PanelState, mostWaitMin: number): boolean {
  const pairs = a.zones.map(
    (zone, i) => [clocksOf(zone, a.clockMin), clocksOf(b.zones[i]!, b.clockMin)] as const,
  );
  const waitMin = Math.max(
    0,
    ...pairs.map(([one, other]) => Math.max(0, one.opensMin) - Math.max(0, other.opensMin)),
  );
  if (waitMin > mostWaitMin + 1e-6) return false;
  return pairs.every(([one, other]) => one.closesMin - waitMin >= Math.min(other.closesMin, SOON_MIN) - 1e-6);
}

const zoneKey = ({ zone, stack, surface, edge, openIssues, isSoluble }: ZoneState): string =>
  [
    zone.id,
    stack
      .map(
        ({ kind, um, laid }) =>
          `${kind}${Math.round(um)}${laid ? `${laid.isLast ? '!' : '+'}${laid.sheetId}` : ''}`,
      )
      .join('/'),
    surface.soil,
    surface.scratch?.grade,
    surface.lowUm,
    Math.round(surface.wavesUm),
    surface.hasPinholes,
    edge,
    openIssues.join('+'),
    isSoluble,
  ].join(',');
