import type { DatedStart } from '@blue-ledge/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMedia } from '../shared/use-media.ts';
import { memo, useEffect, useLayoutEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import type { BayChartProps } from './bay-chart-props.ts';
import { bayScale, timeText, type BayScale } from './bay-scale.ts';
import type { Lane } from './bay-rows.ts';
import { useBayView } from './bay-view.ts';
import { PanelLine } from './PanelLine.tsx';

/** The chart: axis and lanes stay in sight above, names at the left; of many panels only those in sight are drawn. */

const LABEL_PX = 226;
const ROW_PX = 66;
const LANE_PX = 40;
const AXIS_PX = 42;
const MORE_ROWS = 4;

export function BayChart(props: BayChartProps) {
  const { start, rows, lanes, open, nowMin, lastMin } = props;
  const { pxPerHour, zoom } = useBayView();
  const board = useRef<HTMLDivElement>(null);
  const isPrinted = useMedia('print');
  const scale = useMemo(
    () => bayScale(open, start, [Math.min(0, nowMin) - 20, lastMin], pxPerHour),
    [open, start, nowMin, lastMin, pxPerHour],
  );
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing of it is passed on to memoized parts
  const shown = useVirtualizer({
    count: rows.length,
    getScrollElement: () => board.current,
    estimateSize: () => ROW_PX,
    // Paper has no scrollbar.
    overscan: isPrinted ? rows.length : MORE_ROWS,
    scrollMargin: AXIS_PX + lanes.length * LANE_PX,
  });
  useKeptCentre(board, scale, pxPerHour);
  useWheelZoom(board, zoom);
  const keys = (event: KeyboardEvent): void => {
    if (event.key === '+' || event.key === '-') {
      event.preventDefault();
      zoom(event.key === '+' ? 1 : -1);
    } else moveFocus(event, board.current, (nth) => shown.scrollToIndex(nth));
  };
  const headPx = AXIS_PX + lanes.length * LANE_PX;
  return (
    <div
      ref={board}
      className="bay-board"
      role="region"
      aria-label="Shop time"
      onKeyDown={keys}
      tabIndex={-1}
    >
      <div
        className="bay-inner"
        style={{ width: LABEL_PX + scale.widthPx, height: headPx + shown.getTotalSize() }}
      >
        <div className="bay-sticky" style={{ height: headPx }}>
          <Axis scale={scale} start={start} nowMin={nowMin} />
          {lanes.map((lane) => (
            <LaneLine key={lane.key} lane={lane} scale={scale} start={start} />
          ))}
        </div>
        <div className="bay-folds" style={{ left: LABEL_PX, top: headPx }} aria-hidden="true">
          {scale.folds.map(({ fromMin, toMin }) => (
            <i
              key={fromMin}
              style={{
                left: scale.x(fromMin),
                width: scale.x(toMin) - scale.x(fromMin),
                height: shown.getTotalSize(),
              }}
            />
          ))}
          <b className="bay-now-line" style={{ left: scale.x(nowMin), height: shown.getTotalSize() }} />
        </div>
        <ul className="bay-rows" aria-label="Panels">
          {shown.getVirtualItems().map(({ index, key, start: topPx }) => (
            <PanelLine
              {...props}
              key={key}
              row={rows[index]!}
              scale={scale}
              topPx={topPx}
              heightPx={ROW_PX}
              isFirst={index === 0}
            />
          ))}
        </ul>
      </div>
    </div>
  );
}

interface AxisProps {
  readonly scale: BayScale;
  readonly start: DatedStart;
  readonly nowMin: number;
}

/** Drawn anew only when what it shows has changed, not while the board is scrolled. */
const Axis = memo(function Axis({ scale, start, nowMin }: AxisProps) {
  return (
    <div className="bay-axis" aria-hidden="true">
      <span className="bay-label">Panel</span>
      <div className="bay-line">
        {scale.folds.map(({ fromMin, toMin }) => (
          <i
            key={fromMin}
            className="bay-fold"
            style={{ left: scale.x(fromMin), width: scale.x(toMin) - scale.x(fromMin) }}
          />
        ))}
        {scale.ticks.map(({ atMin, text, day }) => (
          <span key={atMin} className={day ? 'bay-tick is-day' : 'bay-tick'} style={{ left: scale.x(atMin) }}>
            {day && <b>{day}</b>}
            {text}
          </span>
        ))}
        <span className="bay-now" style={{ left: scale.x(nowMin) }}>
          {timeText(start, nowMin, { withDay: false })}
        </span>
      </div>
    </div>
  );
});

interface LaneLineProps {
  readonly lane: Lane;
  readonly scale: BayScale;
  readonly start: DatedStart;
}

const LaneLine = memo(function LaneLine({ lane, scale, start }: LaneLineProps) {
  return (
    <div className={`bay-lane is-${lane.kind}`} role="list" aria-label={lane.name}>
      <span className="bay-label" aria-hidden="true">
        {lane.name}
      </span>
      <div className="bay-line">
        {scale.folds.map(({ fromMin, toMin }) => (
          <i
            key={fromMin}
            className="bay-fold"
            style={{ left: scale.x(fromMin), width: scale.x(toMin) - scale.x(fromMin) }}
          />
        ))}
        {lane.bars.map(({ key, fromMin, toMin, text, ops, panels }) => {
          const widthPx = scale.x(toMin) - scale.x(fromMin);
          return (
            <span
              key={key}
              role="listitem"
              className={`lane-bar is-${lane.kind}`}
              style={{ left: scale.x(fromMin), width: Math.max(2, widthPx) }}
              title={`${timeText(start, fromMin)} to ${timeText(start, toMin, { withDay: false })}: panel ${panels.join(' and ')}, ${ops}`}
            >
              {widthPx > 8 + 8 * text.length ? text : ''}
              <span className="visually-hidden">
                {timeText(start, fromMin)}: panel {panels.join(' and ')}, {ops}
              </span>
            </span>
          );
        })}
      </div>
    </div>
  );
});

/** What was in the middle stays there when the hours get wider or narrower. */
function useKeptCentre(
  board: React.RefObject<HTMLDivElement | null>,
  scale: BayScale,
  pxPerHour: number,
): void {
  const before = useRef({ scale, pxPerHour });
  useLayoutEffect(() => {
    const { scale: was, pxPerHour: wasPx } = before.current;
    before.current = { scale, pxPerHour };
    const box = board.current;
    if (!box || wasPx === pxPerHour) return;
    const halfPx = (box.clientWidth - LABEL_PX) / 2;
    const middleMin = was.minAt(box.scrollLeft + halfPx);
    box.scrollTo({ left: scale.x(middleMin) - halfPx });
  }, [board, scale, pxPerHour]);
}

/** The wheel with Ctrl makes hours wider or narrower; without, it scrolls as everywhere. */
function useWheelZoom(board: React.RefObject<HTMLDivElement | null>, zoom: (steps: number) => void): void {
  useEffect(() => {
    const box = board.current;
    if (!box) return;
    const wheel = (event: WheelEvent): void => {
      if (!event.ctrlKey) return;
      event.preventDefault();
      zoom(event.deltaY < 0 ? 1 : -1);
    };
    box.addEventListener('wheel', wheel, { passive: false });
    return () => box.removeEventListener('wheel', wheel);
  }, [board, zoom]);
}

const ARROWS = new Set(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End']);

/** Arrow keys go from bar to bar of a panel, and from panel to panel. */
function moveFocus(event: KeyboardEvent, board: HTMLElement | null, scrollTo: (nth: number) => void): void {
  const bar = (event.target as HTMLElement).closest<HTMLElement>('[data-bar]');
  if (!bar || !board || !ARROWS.has(event.key)) return;
  event.preventDefault();
  const row = bar.closest<HTMLElement>('[data-row]')!;
  const bars = [...row.querySelectorAll<HTMLElement>('[data-bar]')];
  const at = bars.indexOf(bar);
  if (event.key === 'ArrowLeft' || event.key === 'ArrowRight')
    return bars[at + (event.key === 'ArrowLeft' ? -1 : 1)]?.focus();
  if (event.key === 'Home' || event.key === 'End') return bars.at(event.key === 'Home' ? 0 : -1)?.focus();
  const nth = Number(row.dataset['row']) + (event.key === 'ArrowUp' ? -1 : 1);
  scrollTo(Math.max(0, nth));
  requestAnimationFrame(() => {
    const next = board.querySelector<HTMLElement>(`[data-row="${nth}"]`);
    const left = bar.offsetLeft;
    const near = [...(next?.querySelectorAll<HTMLElement>('[data-bar]') ?? [])].sort(
      (a, b) => Math.abs(a.offsetLeft - left) - Math.abs(b.offsetLeft - left),
    );
    near[0]?.focus();
  });
}
