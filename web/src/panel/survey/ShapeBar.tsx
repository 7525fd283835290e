import { beyondShare, withCorner, withShape, type Panel, type Zone } from '@blue-ledge/core';
import { Button } from 'antd';
import { MapBar } from './MapBar.tsx';

interface ShapeBarProps {
  readonly panel: Panel;
  readonly zone: Zone;
  readonly onPanel: (panel: Panel) => void;
  readonly onEnd: () => void;
  readonly onUndo: (() => void) | undefined;
}

/** Less than this beyond the edge comes from rounding. */
const LEAST_BEYOND = 0.01;

/** While the shape of a zone is edited; at no other time does it move. */
export function ShapeBar({ panel, zone, onPanel, onEnd, onUndo }: ShapeBarProps) {
  const { shape } = zone;
  const beyond = shape && panel.outline ? beyondShare(shape, panel.outline) : 0;
  const says =
    beyond > LEAST_BEYOND
      ? `${Math.round(beyond * 100)} % of zone ${zone.id} lies beyond the panel’s edge: only what is on the panel counts.`
      : `Zone ${zone.id}: drag it, or its corners. Near the panel’s edge they go on to it.`;
  return (
    <MapBar label={`Shape of zone ${zone.id}`} says={says} end="Done" onEnd={onEnd} onUndo={onUndo}>
      <Button
        disabled={!shape}
        onClick={() => shape && onPanel(withShape(panel, zone.id, withCorner(shape)))}
      >
        One more corner
      </Button>
    </MapBar>
  );
}
