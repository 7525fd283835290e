import { useRef, useState, type PointerEvent } from 'react';
import { linePath, type Frame, type Point } from '../../shared/panel-map/panel-frame.ts';

interface DrawnLineProps {
  readonly width: number;
  readonly height: number;
  readonly frame: Frame;
  /** The line that was drawn, mm of the panel. */
  readonly onDrawn: (line: readonly Point[]) => void;
}

/** The map as a sheet to draw on, with the pointer or a finger: one line, from press to lift. */
export function DrawnLine({ width, height, frame, onDrawn }: DrawnLineProps) {
  const [line, setLine] = useState<readonly Point[]>([]);
  const sheet = useRef<SVGRectElement>(null);
  const pointOf = ({ clientX, clientY }: PointerEvent): Point => {
    const { left, top } = sheet.current!.getBoundingClientRect();
    return frame.toMm([clientX - left, clientY - top]);
  };
  return (
    <g>
      <rect
        ref={sheet}
        className="draw-sheet"
        width={width}
        height={height}
        fill="transparent"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setLine([pointOf(event)]);
        }}
        onPointerMove={(event) => {
          if (line.length > 0) setLine([...line, pointOf(event)]);
        }}
        onPointerUp={() => {
          if (line.length > 0) onDrawn(line);
          setLine([]);
        }}
        onPointerCancel={() => setLine([])}
      />
      {line.length > 1 && (
        <path
          d={linePath(line, frame)}
          fill="rgb(30 91 140 / 0.15)"
          stroke="var(--blue)"
          strokeWidth="3"
          strokeLinecap="round"
          pointerEvents="none"
        />
      )}
    </g>
  );
}
