import type { PanelPlan } from '@blue-ledge/core';

/** Zones that no undercoat plan is right for, and what must happen first. */
export function Stops({ stopped }: { readonly stopped: PanelPlan['stopped'] }) {
  if (stopped.length === 0) return null;
  return (
    <div className="problem stops" role="alert">
      <b>Stopped</b>
      <ul>
        {stopped.map(({ zoneId, rule, text }) => (
          <li key={zoneId + rule}>
            Zone {zoneId}: {text} {rule !== 'scope' && <span className="rule-id">{rule}</span>}
          </li>
        ))}
      </ul>
    </div>
  );
}
