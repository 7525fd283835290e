import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Frame, Point } from './panel-frame.ts';

/** Moving something on the map, by pointer or by the arrow keys; all in mm of the panel. */

const STEP_MM = 10;
const WIDE_STEPS = 5;

const ARROWS: Record<string, Point> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface Drag {
  /** Called while it moves, with the way from where it was taken up. */
  readonly onMove: (byMm: Point) => void;
  readonly onEnd: (byMm: Point) => void;
}

/** Handlers for an element of the map; a key press is a whole move, wider with Shift. */
export function useDrag(frame: Frame, { onMove, onEnd }: Drag, stepMm = STEP_MM) {
  const from = useRef<Point | null>(null);
  const wayOf = ({ clientX, clientY }: PointerEvent): Point => [
    (clientX - from.current![0]) / frame.pxPerMm,
    (clientY - from.current![1]) / frame.pxPerMm,
  ];
  return {
    onPointerDown: (event: PointerEvent<SVGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      from.current = [event.clientX, event.clientY];
    },
    onPointerMove: (event: PointerEvent<SVGElement>) => {
      if (from.current) onMove(wayOf(event));
    },
    onPointerUp: (event: PointerEvent<SVGElement>) => {
      if (!from.current) return;
      const way = wayOf(event);
      from.current = null;
      onEnd(way);
    },
    onPointerCancel: () => {
      from.current = null;
      onMove([0, 0]);
    },
    onKeyDown: (event: KeyboardEvent<SVGElement>) => {
      const arrow = ARROWS[event.key];
      if (!arrow) return;
      event.preventDefault();
      const mm = event.shiftKey ? WIDE_STEPS * stepMm : stepMm;
      onEnd([arrow[0] * mm, arrow[1] * mm]);
    },
  };
}
