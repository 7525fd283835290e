import {
  BorderOuterOutlined,
  CopyOutlined,
  DeleteOutlined,
  PlusOutlined,
  SplitCellsOutlined,
  ToTopOutlined,
  UndoOutlined,
} from '@ant-design/icons';
import {
  withCorner,
  withNewZone,
  withShape,
  withSplitZone,
  withZoneOnTop,
  withoutZone,
  type Panel,
  type Zone,
} from '@blue-ledge/core';
import { Button, Tooltip } from 'antd';
import type { ReactNode } from 'react';
import type { PanelEdit } from './use-panel-edit.ts';

interface ShapeToolsProps {
  readonly panel: Panel;
  readonly zone: Zone;
  readonly edit: PanelEdit;
  readonly onSelect: (zoneId: string) => void;
  readonly onCopy: () => void;
}

/** What can be done to the zones as shapes on the panel. */
export function ShapeTools({ panel, zone, edit, onSelect, onCopy }: ShapeToolsProps) {
  const split = (way: 'across' | 'down'): void => {
    const next = withSplitZone(panel, zone.id, way);
    if (next) edit.change(next);
  };
  const add = (): void => {
    const { panel: next, id } = withNewZone(panel, zone);
    edit.change(next);
    onSelect(id);
  };
  const remove = (): void => {
    edit.change(withoutZone(panel, zone.id));
    onSelect(panel.zones.find(({ id }) => id !== zone.id)!.id);
  };
  const isDrawn = panel.outline !== undefined;
  return (
    <div className="shape-tools" role="toolbar" aria-label="Zones on the panel">
      <Tool label="Add a zone" icon={<PlusOutlined />} onClick={add} />
      <Tool
        label={`Split zone ${zone.id} across`}
        icon={<SplitCellsOutlined rotate={90} />}
        isOff={!isDrawn}
        onClick={() => split('across')}
      />
      <Tool
        label={`Split zone ${zone.id} down`}
        icon={<SplitCellsOutlined />}
        isOff={!isDrawn}
        onClick={() => split('down')}
      />
      <Tool
        label={`One more corner for zone ${zone.id}`}
        icon={<BorderOuterOutlined />}
        isOff={!zone.shape}
        onClick={() => zone.shape && edit.change(withShape(panel, zone.id, withCorner(zone.shape)))}
      />
      <Tool
        label={`Lay zone ${zone.id} on top`}
        icon={<ToTopOutlined />}
        isOff={!zone.shape}
        onClick={() => edit.change(withZoneOnTop(panel, zone.id))}
      />
      <Tool
        label={`Remove zone ${zone.id}`}
        icon={<DeleteOutlined />}
        isOff={panel.zones.length < 2}
        onClick={remove}
      />
      <Tool label="Copy the survey of another panel" icon={<CopyOutlined />} onClick={onCopy} />
      <Tool
        label="Take back the last change of the panel"
        icon={<UndoOutlined />}
        isOff={!edit.undo}
        onClick={() => edit.undo?.()}
      />
    </div>
  );
}

interface ToolProps {
  readonly label: string;
  readonly icon: ReactNode;
  readonly isOff?: boolean;
  readonly onClick: () => void;
}

const Tool = ({ label, icon, isOff = false, onClick }: ToolProps) => (
  <Tooltip title={label} placement="bottom">
    <Button type="text" icon={icon} aria-label={label} disabled={isOff} onClick={onClick} />
  </Tooltip>
);
