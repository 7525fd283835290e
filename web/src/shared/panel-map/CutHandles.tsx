import type { CutLine } from '@blue-ledge/core';
import { useState } from 'react';
import { useFormat } from '../../state/units.ts';
import type { Frame, Point } from './panel-frame.ts';
import { useDrag } from './use-drag.ts';

/** What a line on the map is for, and the letters of its ends. */
const LINES = { cut: ['L', 'L′'], split: ['1', '2'] } as const;

interface CutHandlesProps {
  readonly use?: keyof typeof LINES;
  readonly cut: CutLine;
  readonly frame: Frame;
  /** Absent where the cut is only shown. */
  readonly onCut?: ((cut: CutLine) => void) | undefined;
}

const moved = ([x, y]: Point, [dx, dy]: Point): [number, number] => [Math.round(x + dx), Math.round(y + dy)];

/** A line across the map; each end is taken and put elsewhere, by pointer or by the arrow keys. */
export function CutHandles({ use = 'cut', cut, frame, onCut }: CutHandlesProps) {
  const [shift, setShift] = useState<readonly [Point, Point]>([
    [0, 0],
    [0, 0],
  ]);
  const shown: CutLine = [moved(cut[0], shift[0]), moved(cut[1], shift[1])];
  const [[x1, y1], [x2, y2]] = shown.map(frame.toPx) as [[number, number], [number, number]];
  const line = { x1, y1, x2, y2 };
  return (
    <g>
      <line {...line} stroke="var(--sheet)" strokeWidth="4.5" pointerEvents="none" />
      <line
        {...line}
        stroke="var(--blue)"
        strokeWidth="2.5"
        strokeDasharray="12 4 3 4"
        pointerEvents="none"
      />
      {([0, 1] as const).map((end) => (
        <CutEnd
          key={end}
          use={use}
          name={LINES[use][end]}
          at={shown[end]}
          frame={frame}
          onMove={onCut && ((by) => setShift(end === 0 ? [by, [0, 0]] : [[0, 0], by]))}
          onEnd={
            onCut &&
            ((by) => {
              setShift([
                [0, 0],
                [0, 0],
              ]);
              onCut(end === 0 ? [moved(cut[0], by), cut[1]] : [cut[0], moved(cut[1], by)]);
            })
          }
        />
      ))}
    </g>
  );
}

interface CutEndProps {
  readonly use: keyof typeof LINES;
  readonly name: string;
  readonly at: Point;
  readonly frame: Frame;
  readonly onMove?: ((by: Point) => void) | undefined;
  readonly onEnd?: ((by: Point) => void) | undefined;
}

function CutEnd({ use, name, at, frame, onMove, onEnd }: CutEndProps) {
  const { quantity } = useFormat();
  const drag = useDrag(frame, { onMove: (by) => onMove?.(by), onEnd: (by) => onEnd?.(by) });
  const [x, y] = frame.toPx(at);
  const handle = onEnd
    ? {
        ...drag,
        role: 'button',
        tabIndex: 0,
        'aria-label': `End ${name} of the ${use}, ${quantity('Mm', at[0])} from the left, ${quantity('Mm', at[1])} from the top; move it with the arrow keys`,
        className: 'map-handle',
      }
    : {};
  return (
    <g transform={`translate(${x} ${y})`} {...handle}>
      {onEnd && <rect x="-22" y="-22" width="44" height="44" fill="transparent" />}
      <rect x="-10" y="-10" width="20" height="20" fill="var(--blue)" />
      <text y="5" textAnchor="middle" fill="var(--sheet)" fontSize="13" fontWeight="600" pointerEvents="none">
        {name}
      </text>
    </g>
  );
}
