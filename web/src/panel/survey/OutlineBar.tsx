import { withCorner, withFreeOutline, type Panel } from '@blue-ledge/core';
import { Button } from 'antd';
import { MapBar } from './MapBar.tsx';

interface OutlineBarProps {
  readonly panel: Panel;
  readonly onPanel: (panel: Panel) => void;
  readonly onEnd: () => void;
  readonly onUndo: (() => void) | undefined;
}

/** While the outline of the panel is bent by its corners. */
export const OutlineBar = ({ panel, onPanel, onEnd, onUndo }: OutlineBarProps) => (
  <MapBar
    label="Outline of the panel"
    says="Drag the corners of the panel. Measured corners are typed in the panel facts."
    end="Done"
    onEnd={onEnd}
    onUndo={onUndo}
  >
    <Button onClick={() => onPanel(withFreeOutline(panel, withCorner(panel.outline!)))}>
      One more corner
    </Button>
  </MapBar>
);
