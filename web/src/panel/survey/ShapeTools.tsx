import {
  joinableWith,
  withJoinedZones,
  withZoneOnTop,
  withoutZone,
  type Panel,
  type Zone,
} from '@blue-ledge/core';
import { Button, Dropdown, Tooltip } from 'antd';
import { useState, type ReactNode } from 'react';
import {
  BorderOuterOutlined,
  CopyOutlined,
  DeleteOutlined,
  MergeCellsOutlined,
  NodeIndexOutlined,
  PlusOutlined,
  RadiusSettingOutlined,
  SplitCellsOutlined,
  ToTopOutlined,
  UndoOutlined,
} from '../../shared/icons.tsx';
import { RemoveButton } from '../../shared/RemoveButton.tsx';
import type { PanelEditor } from './use-panel-edit.ts';

interface ShapeToolsProps {
  readonly panel: Panel;
  readonly zone: Zone;
  readonly edit: PanelEditor;
  readonly onSelect: (zoneId: string) => void;
  readonly onAdd: () => void;
  readonly onShape: () => void;
  readonly onSplit: () => void;
  readonly onLines: () => void;
  readonly onOutline: () => void;
  readonly onCopy: () => void;
}

/** What can be done to the zones as shapes on the panel. */
export function ShapeTools({
  panel,
  zone,
  edit,
  onSelect,
  onAdd,
  onShape,
  onSplit,
  onLines,
  onOutline,
  onCopy,
}: ShapeToolsProps) {
  const remove = (): void => {
    edit.change(withoutZone(panel, zone.id));
    onSelect(panel.zones.find(({ id }) => id !== zone.id)!.id);
  };
  const isDrawn = panel.outline !== undefined;
  return (
    <div className="shape-tools" role="toolbar" aria-label="Zones on the panel">
      <Tool word="Add" label="Add a zone" icon={<PlusOutlined />} onClick={onAdd} />
      <Tool
        word="Split"
        label={`Split zone ${zone.id} along a line`}
        icon={<SplitCellsOutlined />}
        isOff={!isDrawn}
        onClick={onSplit}
      />
      <JoinTool panel={panel} zone={zone} edit={edit} />
      <Tool
        word="Shape"
        label={`Shape zone ${zone.id} and move it`}
        icon={<BorderOuterOutlined />}
        isOff={!isDrawn || !zone.shape}
        onClick={onShape}
      />
      <Tool
        word="To front"
        label={`Bring zone ${zone.id} to the front`}
        icon={<ToTopOutlined />}
        isOff={!zone.shape}
        onClick={() => edit.change(withZoneOnTop(panel, zone.id))}
      />
      <RemoveButton
        label={`Remove zone ${zone.id}`}
        title={`Remove zone ${zone.id}`}
        icon={<DeleteOutlined />}
        disabled={panel.zones.length < 2}
        onRemove={remove}
      >
        Remove
      </RemoveButton>
      <Tool word="Lines" label="Body lines" icon={<NodeIndexOutlined />} isOff={!isDrawn} onClick={onLines} />
      <Tool
        word="Outline"
        label="Corners of the panel's outline"
        icon={<RadiusSettingOutlined />}
        isOff={!isDrawn}
        onClick={onOutline}
      />
      <Tool word="Copy" label="Copy the survey of another panel" icon={<CopyOutlined />} onClick={onCopy} />
      <Tool
        word="Undo"
        label="Take back the last change of the panel"
        icon={<UndoOutlined />}
        isOff={!edit.undo}
        onClick={() => edit.undo?.()}
      />
    </div>
  );
}

/** The zones that this one may be joined with; it keeps its own survey. */
function JoinTool({ panel, zone, edit }: Pick<ShapeToolsProps, 'panel' | 'zone' | 'edit'>) {
  const [isOpen, setIsOpen] = useState(false);
  const others = isOpen ? joinableWith(panel, zone.id) : [];
  const join = (otherId: string): void => {
    const next = withJoinedZones(panel, zone.id, otherId);
    if (next) edit.change(next);
  };
  const items = others.map(({ id, name }) => ({
    key: id,
    label: `${id}, ${name}: becomes part of ${zone.id}`,
  }));
  const none = { key: '', label: `No zone touches zone ${zone.id}`, disabled: true };
  return (
    <Dropdown
      trigger={['click']}
      disabled={panel.zones.length < 2}
      onOpenChange={setIsOpen}
      menu={{ items: items.length > 0 ? items : [none], onClick: ({ key }) => join(key) }}
    >
      <Button
        type="text"
        icon={<MergeCellsOutlined />}
        aria-label={`Join zone ${zone.id} with another`}
        title={`Join zone ${zone.id} with another`}
      >
        Join
      </Button>
    </Dropdown>
  );
}

interface ToolProps {
  /** What stands under its icon. */
  readonly word: string;
  readonly label: string;
  readonly icon: ReactNode;
  readonly isOff?: boolean;
  readonly onClick: () => void;
}

const Tool = ({ word, label, icon, isOff = false, onClick }: ToolProps) => (
  <Tooltip title={label} placement="bottom">
    <Button type="text" icon={icon} aria-label={label} disabled={isOff} onClick={onClick}>
      {word}
    </Button>
  </Tooltip>
);
