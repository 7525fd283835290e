import { movedOnto, snapped, type Polygon } from '@blue-ledge/core';
import { useState, type KeyboardEvent } from 'react';
import { useFormat } from '../../state/units.ts';
import { linePath, ringPath, type Frame, type Point } from '../../shared/panel-map/panel-frame.ts';
import { useDrag } from '../../shared/panel-map/use-drag.ts';

interface ShapeHandlesProps {
  /** "zone B": what the handles are of. */
  readonly what: string;
  readonly shape: Polygon;
  /** A line with two ends, not a closed shape. */
  readonly isOpen?: boolean;
  /** Corners near this outline are taken to be on it. */
  readonly snapTo?: Polygon | undefined;
  readonly frame: Frame;
  readonly onShape: (shape: Polygon) => void;
}

const LEAST_CORNERS = { shape: 3, line: 2 } as const;

/** A shape or line on the map: taken as a whole or by a corner, with the pointer or the arrow keys. */
export function ShapeHandles({ what, shape, isOpen = false, snapTo, frame, onShape }: ShapeHandlesProps) {
  const least = LEAST_CORNERS[isOpen ? 'line' : 'shape'];
  const { quantity } = useFormat();
  const [drawn, setDrawn] = useState<Polygon | null>(null);
  const shown = drawn ?? shape;
  const place = (point: Point): [number, number] =>
    snapTo ? snapped(point, snapTo) : [Math.round(point[0]), Math.round(point[1])];
  const shifted = (by: Point): Polygon => movedOnto(shape, by, snapTo);
  const bent = (i: number, [dx, dy]: Point): Polygon =>
    shape.map(([x, y], j) => (j === i ? place([x + dx, y + dy]) : [x, y]));
  const take = (next: Polygon): void => {
    setDrawn(null);
    onShape(next);
  };
  const drag = useDrag(frame, { onMove: (by) => setDrawn(shifted(by)), onEnd: (by) => take(shifted(by)) });
  return (
    <g>
      <path
        d={isOpen ? linePath(shown, frame) : ringPath(shown, frame)}
        fill={isOpen ? 'none' : 'rgb(30 91 140 / 0.12)'}
        stroke="var(--blue)"
        strokeWidth={isOpen ? 4 : 2}
        strokeDasharray="6 4"
        className="map-handle"
        role="button"
        tabIndex={0}
        aria-label={`${isOpen ? 'Run' : 'Shape'} of ${what}; move it with the arrow keys`}
        {...drag}
      />
      {shown.map((corner, i) => (
        <Corner
          key={i}
          label={`Corner ${i + 1} of ${what}, ${quantity('Mm', corner[0])} from the left, ${quantity('Mm', corner[1])} from the top`}
          at={corner}
          frame={frame}
          onMove={(by) => setDrawn(bent(i, by))}
          onEnd={(by) => take(bent(i, by))}
          onRemove={() => shape.length > least && take(shape.filter((_, j) => j !== i))}
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
      <rect x="-6" y="-6" width="12" height="12" fill="var(--sheet)" stroke="var(--blue)" strokeWidth="2.5" />
    </g>
  );
}
