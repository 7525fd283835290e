import { turned, withSplitZone, type CutLine, type Panel } from '@blue-ledge/core';
import { Button } from 'antd';
import type { KeyboardEvent } from 'react';

interface SplitBarProps {
  readonly panel: Panel;
  readonly zoneId: string;
  readonly line: CutLine;
  /** Null puts the line away. */
  readonly onLine: (line: CutLine | null) => void;
  readonly onSplit: (panel: Panel) => void;
}

/** While a line lies over a zone: what it does, and the ways on from here. */
export function SplitBar({ panel, zoneId, line, onLine, onSplit }: SplitBarProps) {
  const next = withSplitZone(panel, zoneId, line);
  const nNew = next ? next.zones.length - panel.zones.length : 0;
  const take = (): void => {
    if (next) onSplit(next);
    onLine(null);
  };
  const press = (event: KeyboardEvent): void => {
    if (event.key === 'Escape') onLine(null);
  };
  return (
    <div className="split-bar" role="toolbar" aria-label={`Split zone ${zoneId}`} onKeyDown={press}>
      <p role="status">
        {next
          ? `Drag ends 1 and 2. Zone ${zoneId} keeps the largest part; ${nNew === 1 ? 'one zone comes' : `${nNew} zones come`} new.`
          : `The line does not cross zone ${zoneId}: drag its ends 1 and 2 over it.`}
      </p>
      <Button type="primary" disabled={!next} onClick={take} autoFocus>
        Split here
      </Button>
      <Button onClick={() => onLine(turned(line))}>Turn the line</Button>
      <Button type="text" onClick={() => onLine(null)}>
        Cancel
      </Button>
    </div>
  );
}
