import { PRACTICE_SIZE, type Block } from '@blue-ledge/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useFormat } from '../state/units.ts';
import type { PracticeAct } from '../workers/blocking-messages.ts';

interface BlockOverlayProps {
  readonly block: Block;
  readonly forceN: number;
  /** Force falls as the hand gets faster than a usual stroke. */
  readonly easesOff: boolean;
  readonly onAct: (act: PracticeAct) => void;
  readonly onFeel: (yMm: number) => void;
  readonly onDust: () => void;
  readonly onView: () => void;
  readonly pose: BlockPose;
  readonly onPose: (pose: BlockPose) => void;
}

/** Where the block lies or hovers. */
export interface BlockPose {
  readonly xMm: number;
  readonly yMm: number;
  readonly turnRad: number;
}

export const FIRST_POSE: BlockPose = { xMm: 300, yMm: 200, turnRad: 0 };

/** Turned on by one step, to half a turn and round again. */
export const turnedOn = (pose: BlockPose): BlockPose => {
  const next = pose.turnRad + KEY_TURN_RAD;
  return { ...pose, turnRad: next > Math.PI / 2 + 0.01 ? -Math.PI / 2 : next };
};

const KEY_STEP_MM = 20;
const KEY_TURN_RAD = Math.PI / 12;
const USUAL_MM_PER_MS = 0.5;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The block over the panel: dragged by pointer or touch, moved and put down by keys. */
export function BlockOverlay(props: BlockOverlayProps) {
  const { block, forceN, easesOff, onAct, onFeel, onDust, onView, pose, onPose: setPose } = props;
  const { quantity } = useFormat();
  const svg = useRef<SVGSVGElement>(null);
  const [isDown, setIsDown] = useState(false);
  const lastMove = useRef({ at: 0, xMm: 0, yMm: 0 });

  const placeOf = ({ clientX, clientY }: { clientX: number; clientY: number }) => {
    const box = svg.current!.getBoundingClientRect();
    return {
      xMm: ((clientX - box.left) / box.width) * PRACTICE_SIZE.lengthMm,
      yMm: ((clientY - box.top) / box.height) * PRACTICE_SIZE.heightMm,
    };
  };
  const putDown = (xMm: number, yMm: number, turnRad: number): void => {
    setIsDown(true);
    onAct({ kind: 'down', xMm, yMm, turnRad });
  };
  const lift = (): void => {
    if (!isDown) return;
    setIsDown(false);
    onAct({ kind: 'up' });
  };

  const start = (event: PointerEvent): void => {
    if (event.button !== 0) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const { xMm, yMm } = placeOf(event);
    lastMove.current = { at: event.timeStamp, xMm, yMm };
    setPose({ ...pose, xMm, yMm });
    putDown(xMm, yMm, pose.turnRad);
  };
  const move = (event: PointerEvent): void => {
    if (!isDown) return;
    const seen = event.nativeEvent.getCoalescedEvents?.() ?? [];
    const way = (seen.length > 0 ? seen : [event.nativeEvent]).map(placeOf);
    const { xMm, yMm } = way.at(-1)!;
    const { at, xMm: fromX, yMm: fromY } = lastMove.current;
    const speed = Math.hypot(xMm - fromX, yMm - fromY) / Math.max(1, event.timeStamp - at);
    lastMove.current = { at: event.timeStamp, xMm, yMm };
    const eased = Math.round(forceN * Math.min(1, USUAL_MM_PER_MS / Math.max(speed, 1e-6)));
    setPose({ ...pose, xMm, yMm });
    onAct({
      kind: 'slide',
      wayMm: way.flatMap((place) => [Math.round(place.xMm), Math.round(place.yMm)]),
      forceN: easesOff ? eased : forceN,
    });
  };

  const keys: Readonly<Record<string, () => void>> = {
    ' ': () => (isDown ? lift() : putDown(pose.xMm, pose.yMm, pose.turnRad)),
    r: () => {
      const next = turnedOn(pose);
      setPose(next);
      if (isDown) onAct({ kind: 'turn', turnRad: next.turnRad });
    },
    f: () => onFeel(pose.yMm),
    g: onDust,
    v: onView,
  };
  const press = (event: KeyboardEvent): void => {
    const arrow = ARROWS[event.key];
    const key = keys[event.key.toLowerCase()];
    if (!arrow && !key) return;
    event.preventDefault();
    if (key) return key();
    const xMm = clamp(pose.xMm + arrow![0] * KEY_STEP_MM, PRACTICE_SIZE.lengthMm);
    const yMm = clamp(pose.yMm + arrow![1] * KEY_STEP_MM, PRACTICE_SIZE.heightMm);
    setPose({ ...pose, xMm, yMm });
    if (isDown) onAct({ kind: 'slide', wayMm: [xMm, yMm], forceN });
  };

  const degrees = Math.round((pose.turnRad * 180) / Math.PI);
  return (
    <svg
      ref={svg}
      className="block-overlay"
      viewBox={`0 0 ${PRACTICE_SIZE.lengthMm} ${PRACTICE_SIZE.heightMm}`}
      role="application"
      aria-label={`${block.name}, ${isDown ? 'on the panel' : 'lifted'}, ${quantity('Mm', Math.round(pose.xMm))} along, ${quantity('Mm', Math.round(pose.yMm))} across, turned ${degrees} degrees`}
      tabIndex={0}
      onPointerDown={start}
      onPointerMove={move}
      onPointerUp={lift}
      onPointerCancel={lift}
      onKeyDown={press}
      onBlur={lift}
    >
      <g
        transform={`translate(${pose.xMm} ${pose.yMm}) rotate(${degrees})`}
        className={isDown ? 'block-down' : 'block-up'}
      >
        <rect
          className="block-halo"
          x={-block.lengthMm / 2}
          y={-block.widthMm / 2}
          width={block.lengthMm}
          height={block.widthMm}
        />
        <rect x={-block.lengthMm / 2} y={-block.widthMm / 2} width={block.lengthMm} height={block.widthMm} />
        <path d={`M${-block.lengthMm / 2 + 12} 0H${block.lengthMm / 2 - 12}`} />
      </g>
    </svg>
  );
}

const clamp = (mm: number, most: number): number => Math.min(most, Math.max(0, mm));
