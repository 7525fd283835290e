import { drawnLines, withCorner, withLine, withNewLine, type Panel } from '@blue-ledge/core';
import { Button } from 'antd';
import { MapBar } from './MapBar.tsx';

interface LineBarProps {
  readonly panel: Panel;
  readonly nth: number;
  readonly onNth: (nth: number) => void;
  readonly onPanel: (panel: Panel) => void;
  readonly onEnd: () => void;
  readonly onUndo: (() => void) | undefined;
}

/** While body lines are drawn: which one, bends in it, more of them. */
export function LineBar({ panel, nth, onNth, onPanel, onEnd, onUndo }: LineBarProps) {
  const lines = drawnLines(panel);
  const line = lines[nth];
  const add = (): void => {
    onPanel(withNewLine(panel));
    onNth(lines.length);
  };
  const remove = (): void => {
    onPanel(withLine(panel, nth, null));
    onNth(Math.max(0, nth - 1));
  };
  const says = line
    ? `Body line ${nth + 1} of ${lines.length}: drag it, or its corners. Blocking stops at it from each side.`
    : 'No body line is drawn.';
  return (
    <MapBar label="Body lines" says={says} end="Done" onEnd={onEnd} onUndo={onUndo}>
      <Button onClick={add}>{line ? 'One more' : 'Draw one'}</Button>
      {line && (
        <>
          <Button onClick={() => onPanel(withLine(panel, nth, withCorner(line, true)))}>Bend it</Button>
          <Button onClick={remove}>Remove it</Button>
          {lines.length > 1 && <Button onClick={() => onNth((nth + 1) % lines.length)}>Next</Button>}
        </>
      )}
    </MapBar>
  );
}
