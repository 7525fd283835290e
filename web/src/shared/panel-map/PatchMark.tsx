import { areaWords, reachMmOf, type PanelPatch } from '@blue-ledge/core';
import { useState } from 'react';
import { dotsOf } from './patch-layout.ts';
import type { Frame, Point } from './panel-frame.ts';
import { useFormat } from '../../state/units.ts';
import { useDrag } from './use-drag.ts';

interface PatchMarkProps {
  readonly patch: PanelPatch;
  readonly at: Point;
  readonly frame: Frame;
  readonly isSelected: boolean;
  readonly onPick: () => void;
  /** Puts the mark somewhere else, mm; without it the mark stays. */
  readonly onPlace?: ((atMm: [number, number]) => void) | undefined;
  /** Makes what it stands for larger or smaller, half its width in mm; without it the size stays. */
  readonly onReach?: ((reachMm: number) => void) | undefined;
}

/** Shorter than this a drag is a tap, px. */
const SLIP_PX = 6;

/** Damage on the map: its places in a ring as wide as it is worked on. Dragged, or moved with the arrow keys. */
export function PatchMark({ patch, at, frame, isSelected, onPick, onPlace, onReach }: PatchMarkProps) {
  const [moved, setMoved] = useState<Point>([0, 0]);
  const drag = useDrag(frame, {
    onMove: setMoved,
    onEnd: ([dx, dy]) => {
      setMoved([0, 0]);
      if (onPlace && Math.hypot(dx, dy) * frame.pxPerMm > SLIP_PX)
        onPlace([Math.round(at[0] + dx), Math.round(at[1] + dy)]);
      else onPick();
    },
  });
  const [x, y] = frame.toPx([at[0] + moved[0], at[1] + moved[1]]);
  const { radiusPx, dots } = dotsOf(patch, frame.pxPerMm);
  const ink = isSelected ? 'var(--blue)' : 'var(--ink)';
  // A mark is picked first, and moves only then: a finger that slips over the map moves nothing.
  const handlers = onPlace && isSelected ? drag : { onClick: onPick };
  return (
    <g transform={`translate(${x} ${y})`}>
      <g
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
          fill="var(--sheet)"
          fillOpacity="0.55"
          stroke={ink}
          strokeWidth={isSelected ? 3 : 1.6}
          strokeDasharray="5 3"
        />
        {dots.map((dot, i) => (
          <circle key={i} cx={dot.x} cy={dot.y} r={dot.r} fill={ink} />
        ))}
      </g>
      {isSelected && onReach && <ReachHandle patch={patch} frame={frame} onReach={onReach} />}
    </g>
  );
}

/** A key press makes it larger or smaller by twice this, mm. */
const REACH_STEP_MM = 2.5;
/** A finger finds it, px. */
const TARGET_PX = 30;
const OUTSIDE_PX = 15;

/** The edge of what a mark stands for, taken hold of to make it larger or smaller. */
function ReachHandle({
  patch,
  frame,
  onReach,
}: Pick<PatchMarkProps, 'patch' | 'frame'> & { readonly onReach: (reachMm: number) => void }) {
  const { quantity } = useFormat();
  const [byMm, setByMm] = useState(0);
  const reachMm = reachMmOf(patch);
  const drag = useDrag(
    frame,
    {
      onMove: ([dx]) => setByMm(dx),
      onEnd: ([dx]) => {
        setByMm(0);
        if (dx !== 0) onReach(Math.max(1, reachMm + dx));
      },
    },
    REACH_STEP_MM,
  );
  const shownMm = Math.max(1, reachMm + byMm);
  const edgePx = shownMm * frame.pxPerMm;
  // It stands outside the ring, so that the mark itself can still be taken hold of.
  const handlePx =
    Math.max(edgePx, dotsOf(patch, frame.pxPerMm).radiusPx + byMm * frame.pxPerMm) + OUTSIDE_PX;
  const words = quantity('Mm', Math.round(2 * shownMm));
  return (
    <g>
      <circle r={edgePx} fill="none" stroke="var(--blue)" strokeWidth="1.6" pointerEvents="none" />
      <line x1={edgePx} x2={handlePx} stroke="var(--blue)" strokeWidth="1.6" pointerEvents="none" />
      {byMm !== 0 && (
        <text y={-edgePx - 6} textAnchor="middle" className="reach-words">
          {words}
        </text>
      )}
      <g
        className="map-handle"
        transform={`translate(${handlePx} 0)`}
        role="slider"
        tabIndex={0}
        aria-label={`Size of ${areaWords(patch.areaId)}`}
        aria-valuenow={Math.round(2 * shownMm)}
        aria-valuetext={words}
        {...drag}
      >
        <rect x={-TARGET_PX / 2} y={-TARGET_PX / 2} width={TARGET_PX} height={TARGET_PX} fill="transparent" />
        <rect
          x="-6"
          y="-6"
          width="12"
          height="12"
          fill="var(--sheet)"
          stroke="var(--blue)"
          strokeWidth="2.4"
        />
      </g>
    </g>
  );
}
