import type { PanelPlan, PanelView, Zone } from '@blue-ledge/core';
import { Button } from 'antd';
import type { PanelKey } from '../../api/queries.ts';
import { useFormat } from '../../state/units.ts';
import { useZoneEdit } from '../survey/use-zone-edit.ts';

interface StopsProps {
  readonly stopped: PanelPlan['stopped'];
  readonly panelKey: PanelKey;
  readonly view: PanelView;
}

/** Zones that no undercoat plan is right for, and what must happen first; the rest can be planned without them. */
export function Stops({ stopped, panelKey, view }: StopsProps) {
  const { said } = useFormat();
  if (stopped.length === 0) return null;
  const isApart = ({ zoneId }: { readonly zoneId: string }): boolean =>
    view.panel.zones.some(({ id, apart }) => id === zoneId && apart === true);
  const isWaiting = !stopped.every(isApart);
  return (
    <div className="problem stops" role="alert">
      <b>Stopped.</b>{' '}
      {isWaiting && 'Nothing is chosen meanwhile: do this work first, or plan the rest without it.'}
      <ul>
        {stopped.map((stop) => {
          const { zoneId, rule } = stop;
          const zone = view.panel.zones.find(({ id }) => id === zoneId);
          return (
            <li key={zoneId + rule}>
              <span>
                Zone {zoneId}: {said(stop)} {rule !== 'survey' && <span className="rule-id">{rule}</span>}
              </span>
              {zone && view.panel.zones.length > 1 && <Apart zone={zone} panelKey={panelKey} />}
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** Leaves a stopped zone to itself, so that the rest can be worked on meanwhile; and takes it in again. */
function Apart({ zone, panelKey }: Pick<StopsProps, 'panelKey'> & { readonly zone: Zone }) {
  const edit = useZoneEdit(panelKey, zone);
  return (
    <Button onClick={() => edit.change({ ...zone, apart: !zone.apart }, 'apart')}>
      {zone.apart ? 'Plan it with the rest again' : 'Plan the rest without it'}
    </Button>
  );
}
