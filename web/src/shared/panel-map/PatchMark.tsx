import { areaWords, type PanelPatch } from '@blue-ledge/core';
import { useState } from 'react';
import { dotsOf } from './patch-layout.ts';
import type { Frame, Point } from './panel-frame.ts';
import { useDrag } from './use-drag.ts';

interface PatchMarkProps {
  readonly patch: PanelPatch;
  readonly at: Point;
  readonly frame: Frame;
  readonly isSelected: boolean;
  readonly onPick: () => void;
  /** Puts the mark somewhere else, mm; without it the mark stays. */
  readonly onPlace?: ((atMm: [number, number]) => void) | undefined;
}

/** Damage on the map: its places in a ring as wide as it is worked on. Dragged, or moved with the arrow keys. */
export function PatchMark({ patch, at, frame, isSelected, onPick, onPlace }: PatchMarkProps) {
  const [moved, setMoved] = useState<Point>([0, 0]);
  const drag = useDrag(frame, {
    onMove: setMoved,
    onEnd: ([dx, dy]) => {
      setMoved([0, 0]);
      if (onPlace && Math.hypot(dx, dy) * frame.pxPerMm > 2)
        onPlace([Math.round(at[0] + dx), Math.round(at[1] + dy)]);
      else onPick();
    },
  });
  const [x, y] = frame.toPx([at[0] + moved[0], at[1] + moved[1]]);
  const { radiusPx, dots } = dotsOf(patch, frame.pxPerMm);
  const ink = isSelected ? '#1E5B8C' : '#14212B';
  const handlers = onPlace ? drag : { onClick: onPick };
  return (
    <g
      transform={`translate(${x} ${y})`}
      className="patch-mark"
      role="button"
      tabIndex={0}
      aria-pressed={isSelected}
      aria-label={`${areaWords(patch.areaId)}${onPlace ? ', move with arrow keys' : ''}`}
      {...handlers}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') onPick();
        else if (onPlace) drag.onKeyDown(event);
      }}
    >
      <title>{areaWords(patch.areaId)}</title>
      <circle
        r={radiusPx}
        fill="#F9F7F1"
        fillOpacity="0.55"
        stroke={ink}
        strokeWidth={isSelected ? 3 : 1.6}
        strokeDasharray="5 3"
      />
      {dots.map((dot, i) => (
        <circle key={i} cx={dot.x} cy={dot.y} r={dot.r} fill={ink} />
      ))}
    </g>
  );
}
