import type { boundsOf } from '@blue-ledge/core';
import { range } from 'd3-array';
import { useId } from 'react';
import type { Frame } from '../../shared/panel-map/panel-frame.ts';

interface WayOverProps {
  readonly way: 'cross' | 'level';
  /** Box of what is worked on, mm of the panel. */
  readonly bounds: ReturnType<typeof boundsOf>;
  readonly frame: Frame;
}

const N_LINES = 5;

/** The way of the hand over the panel: strokes that cross, or level passes. */
export function WayOver({ way, bounds: { left, right, top, bottom }, frame }: WayOverProps) {
  const head = useId();
  const [[x0, y0], [x1, y1]] = [frame.toPx([left, top]), frame.toPx([right, bottom])];
  const at = (i: number): number => (i + 1) / (N_LINES + 1);
  const level = range(N_LINES).map((i): Line => {
    const y = y0 + (y1 - y0) * at(i);
    return i % 2 === 0 ? [x0 + 8, y, x1 - 8, y] : [x1 - 8, y, x0 + 8, y];
  });
  const span = Math.min(x1 - x0, y1 - y0) * 0.5;
  const slanted = (sign: 1 | -1) =>
    range(N_LINES).map((i): Line => {
      const x = x0 + (x1 - x0) * at(i);
      const y = (y0 + y1) / 2;
      return [x - span / 2, y + (sign * span) / 2, x + span / 2, y - (sign * span) / 2];
    });
  return (
    <g pointerEvents="none" fill="none" strokeWidth="3">
      <defs>
        <marker id={head} viewBox="0 0 8 8" refX="6" refY="4" markerWidth="5" markerHeight="5" orient="auto">
          <path d="M0 0L8 4L0 8z" fill="context-stroke" />
        </marker>
      </defs>
      {way === 'level' ? (
        <Lines lines={level} head={head} stroke="var(--blue)" />
      ) : (
        <>
          <Lines lines={slanted(1)} head={head} stroke="var(--blue)" />
          <Lines lines={slanted(-1)} head={head} stroke="var(--ink)" dash="9 6" />
        </>
      )}
    </g>
  );
}

type Line = readonly [x0: number, y0: number, x1: number, y1: number];

const Lines = ({
  lines,
  head,
  stroke,
  dash,
}: {
  readonly lines: readonly Line[];
  readonly head: string;
  readonly stroke: string;
  readonly dash?: string;
}) => (
  <>
    {lines.map(([xa, ya, xb, yb], i) => (
      <path
        key={i}
        d={`M${xa} ${ya}L${xb} ${yb}`}
        stroke={stroke}
        strokeDasharray={dash}
        markerEnd={`url(#${head})`}
      />
    ))}
  </>
);
