import { turned, withSplitZone, type CutLine, type Panel } from '@blue-ledge/core';
import { Button } from 'antd';
import { MapBar } from './MapBar.tsx';

interface SplitBarProps {
  readonly panel: Panel;
  readonly zoneId: string;
  readonly line: CutLine;
  readonly onLine: (line: CutLine) => void;
  readonly onPanel: (panel: Panel) => void;
  readonly onEnd: () => void;
}

/** While a line lies over a zone: what it would part, and doing it. */
export function SplitBar({ panel, zoneId, line, onLine, onPanel, onEnd }: SplitBarProps) {
  const next = withSplitZone(panel, zoneId, line);
  const nNew = next ? next.zones.length - panel.zones.length : 0;
  const says = next
    ? `Drag ends 1 and 2. Zone ${zoneId} keeps the largest part; ${nNew === 1 ? 'one zone comes' : `${nNew} zones come`} new.`
    : `The line does not cross zone ${zoneId}: drag its ends 1 and 2 over it.`;
  const take = (): void => {
    if (next) onPanel(next);
    onEnd();
  };
  return (
    <MapBar label={`Split zone ${zoneId}`} says={says} end="Cancel" onEnd={onEnd}>
      <Button type="primary" disabled={!next} onClick={take} autoFocus>
        Split here
      </Button>
      <Button onClick={() => onLine(turned(line))}>Turn the line</Button>
    </MapBar>
  );
}
