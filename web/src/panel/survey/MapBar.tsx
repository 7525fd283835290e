import { Button } from 'antd';
import { UndoOutlined } from '../../shared/icons.tsx';
import type { KeyboardEvent, ReactNode } from 'react';

interface MapBarProps {
  readonly label: string;
  readonly says: string;
  /** What leads back to the tools. */
  readonly end: string;
  readonly onEnd: () => void;
  /** Takes the last change of the panel back; absent where there is none. */
  readonly onUndo?: (() => void) | undefined;
  readonly children?: ReactNode;
}

/** In place of the map's tools while one of them is at work: what to do, and the ways on from here. */
export function MapBar({ label, says, end, onEnd, onUndo, children }: MapBarProps) {
  const press = (event: KeyboardEvent): void => {
    if (event.key === 'Escape') onEnd();
  };
  return (
    <div className="map-bar" role="toolbar" aria-label={label} onKeyDown={press}>
      <p role="status">{says}</p>
      {children}
      {onUndo && (
        <Button
          icon={<UndoOutlined />}
          aria-label="Take back the last change of the panel"
          title="Take back the last change"
          onClick={onUndo}
        />
      )}
      <Button type="text" onClick={onEnd}>
        {end}
      </Button>
    </div>
  );
}
