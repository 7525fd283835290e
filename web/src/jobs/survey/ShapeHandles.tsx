import { snapped, type Polygon } from '@blue-ledge/core';
import { useState, type KeyboardEvent } from 'react';
import { useFormat } from '../../state/units.ts';
import { ringPath, type Frame, type Point } from '../../shared/panel-map/panel-frame.ts';
import { useDrag } from '../../shared/panel-map/use-drag.ts';

interface ShapeHandlesProps {
  readonly zoneId: string;
  readonly shape: Polygon;
  readonly outline: Polygon;
  readonly frame: Frame;
  readonly onShape: (shape: Polygon) => void;
}

/** A shape keeps at least three corners. */
const LEAST_CORNERS = 3;

/** The selected zone's shape: taken as a whole or by a corner, with the pointer or the arrow keys. */
export function ShapeHandles({ zoneId, shape, outline, frame, onShape }: ShapeHandlesProps) {
  const { quantity } = useFormat();
  const [drawn, setDrawn] = useState<Polygon | null>(null);
  const shown = drawn ?? shape;
  const shifted = ([dx, dy]: Point): Polygon =>
    shape.map(([x, y]) => [Math.round(x + dx), Math.round(y + dy)]);
  const bent = (i: number, [dx, dy]: Point): Polygon =>
    shape.map(([x, y], j) => (j === i ? snapped([x + dx, y + dy], outline) : [x, y]));
  const take = (next: Polygon): void => {
    setDrawn(null);
    onShape(next);
  };
  const drag = useDrag(frame, { onMove: (by) => setDrawn(shifted(by)), onEnd: (by) => take(shifted(by)) });
  return (
    <g>
      <path
        d={ringPath(shown, frame)}
        fill="rgb(30 91 140 / 0.12)"
        stroke="#1E5B8C"
        strokeWidth="2"
        strokeDasharray="6 4"
        className="map-handle"
        role="button"
        tabIndex={0}
        aria-label={`Shape of zone ${zoneId}; move it with the arrow keys`}
        {...drag}
      />
      {shown.map((corner, i) => (
        <Corner
          key={i}
          label={`Corner ${i + 1} of zone ${zoneId}, ${quantity('Mm', corner[0])} from the left, ${quantity('Mm', corner[1])} from the top`}
          at={corner}
          frame={frame}
          onMove={(by) => setDrawn(bent(i, by))}
          onEnd={(by) => take(bent(i, by))}
          onRemove={() => shape.length > LEAST_CORNERS && take(shape.filter((_, j) => j !== i))}
        />
      ))}
    </g>
  );
}

interface CornerProps {
  readonly label: string;
  readonly at: Point;
  readonly frame: Frame;
  readonly onMove: (by: Point) => void;
  readonly onEnd: (by: Point) => void;
  readonly onRemove: () => void;
}

function Corner({ label, at, frame, onMove, onEnd, onRemove }: CornerProps) {
  const { onKeyDown, ...drag } = useDrag(frame, { onMove, onEnd });
  const [x, y] = frame.toPx(at);
  const press = (event: KeyboardEvent<SVGElement>): void => {
    if (event.key === 'Delete' || event.key === 'Backspace') onRemove();
    else onKeyDown(event);
  };
  return (
    <g
      transform={`translate(${x} ${y})`}
      className="map-handle"
      role="button"
      tabIndex={0}
      aria-label={label}
      onKeyDown={press}
      {...drag}
    >
      <circle r="20" fill="transparent" />
      <rect x="-6" y="-6" width="12" height="12" fill="#F9F7F1" stroke="#1E5B8C" strokeWidth="2.5" />
    </g>
  );
}
