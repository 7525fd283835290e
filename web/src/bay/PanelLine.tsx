import { OP_LABELS, formatMinutes, standOf, type ScheduledWindow } from '@blue-ledge/core';
import { memo, useState, type PointerEvent } from 'react';
import type { BayChartProps } from './bay-chart-props.ts';
import { isDrawn, stateAt, type Bar, type PanelRow } from './bay-rows.ts';
import { timeText, type BayScale } from './bay-scale.ts';
import { windowText } from './bay-words.ts';
import { MoveOutcome } from './MoveOutcome.tsx';

interface PanelLineProps extends BayChartProps {
  readonly row: PanelRow;
  readonly scale: BayScale;
  readonly topPx: number;
  readonly heightPx: number;
  readonly isFirst: boolean;
}

/**
 * A panel in the chart: its name and what comes next, its work, its waits, and the windows that press. Drawn anew only
 * when something of it has changed, not while the board is scrolled.
 */
export const PanelLine = memo(function PanelLine(props: PanelLineProps) {
  const { row, scale, topPx, heightPx, selected, isFirst } = props;
  const isSelected = selected === row.key;
  return (
    <li
      className={isSelected ? 'bay-row is-selected' : 'bay-row'}
      data-row={row.nth - 1}
      style={{ top: topPx, height: heightPx }}
    >
      <PanelLabel {...props} isSelected={isSelected} />
      <div className="bay-line">
        {row.bars.map((bar, i) => (
          <BarView {...props} key={bar.key} bar={bar} isTabStop={isFirst && i === 0} />
        ))}
        {row.windows
          .filter((window) => isDrawn(window, isSelected))
          .map((window) => (
            <WindowView key={`${window.n} ${window.kind} ${window.usedByN}`} window={window} {...props} />
          ))}
        {row.panel.baseByMin !== undefined && (
          <BaseBy
            fromMin={row.panel.finishMin}
            byMin={row.panel.baseByMin}
            scale={scale}
            start={props.start}
          />
        )}
      </div>
    </li>
  );
});

function PanelLabel({
  row,
  jobs,
  start,
  nowMin,
  onSelect,
  isSelected,
}: PanelLineProps & { readonly isSelected: boolean }) {
  const { panel, nth } = row;
  const state = stateAt(row, nowMin);
  const isLate = panel.dueMin !== undefined && panel.finishMin > panel.dueMin;
  const said = !state
    ? 'ready'
    : `step ${state.task.n} of ${row.lastN}, ${OP_LABELS[state.task.op].toLowerCase()}`;
  return (
    <button
      type="button"
      className="bay-label bay-name"
      aria-pressed={isSelected}
      onClick={() => onSelect(isSelected ? null : row.key)}
    >
      <span className="bay-nth">{nth}</span>
      <span className="bay-name-text">
        <b>{panel.name}</b>
        <span className="bay-name-line">
          <span className="note">{jobs[panel.jobId]}</span>
          <span className={isLate ? 'bay-ready is-late' : 'bay-ready'}>
            {isLate
              ? `late ${formatMinutes(panel.finishMin - panel.dueMin!)}`
              : timeText(start, panel.finishMin)}
          </span>
        </span>
        <span className="note">{said}</span>
      </span>
    </button>
  );
}

/** A pointer that moves less than this presses; more drags. */
const DRAG_PX = 5;
const STEP_MIN = 5;

function BarView({
  shopId,
  row,
  bar,
  scale,
  start,
  onSelect,
  onMove,
  isTabStop,
  moved,
}: PanelLineProps & { readonly bar: Bar; readonly isTabStop: boolean }) {
  const [drag, setDrag] = useState<{ readonly fromX: number; readonly byPx: number } | null>(null);
  const left = scale.x(bar.fromMin);
  const width = Math.max(3, scale.x(bar.toMin) - left);
  const { session } = bar;
  const toMin = drag
    ? Math.max(0, Math.round(scale.minAt(left + drag.byPx) / STEP_MIN) * STEP_MIN)
    : bar.fromMin;
  const isDragging = drag !== null && Math.abs(drag.byPx) > DRAG_PX;
  const isPinned =
    session !== undefined &&
    moved.some(
      ({ jobId, panelId, n, at }) =>
        at && jobId === session.jobId && panelId === session.panelId && n === session.fromN,
    );
  const words = `${bar.kind === 'alone' ? 'waits: ' : session && session.fromN !== session.toN ? 'steps ' : 'step '}${bar.kind === 'alone' ? '' : bar.text + ', '}${bar.ops}, ${timeText(start, bar.fromMin)} to ${timeText(start, bar.toMin)}`;
  const release = (event: PointerEvent): void => {
    event.currentTarget.releasePointerCapture(event.pointerId);
    setDrag(null);
    if (isDragging && session) onMove(row, session.fromN, toMin, session.personId);
    else onSelect(row.key);
  };
  const textPx = 7 * bar.text.length + 6;
  return (
    <>
      <button
        type="button"
        data-bar
        tabIndex={isTabStop ? 0 : -1}
        className={[
          'bay-bar',
          `is-${bar.kind}`,
          bar.isInserted ? 'is-inserted' : '',
          isPinned ? 'is-pinned' : '',
          isDragging ? 'is-dragging' : '',
        ].join(' ')}
        style={{ left, width }}
        aria-label={`${row.panel.name}, ${words}${isPinned ? ', held to this time' : ''}${bar.isInserted ? ', with work that was put in' : ''}`}
        title={words}
        onPointerDown={(event) => {
          if (event.button !== 0 || !session) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          setDrag({ fromX: event.clientX, byPx: 0 });
        }}
        onPointerMove={(event) => drag && setDrag({ ...drag, byPx: event.clientX - drag.fromX })}
        onPointerUp={(event) => (drag ? release(event) : undefined)}
        onPointerCancel={() => setDrag(null)}
        onClick={(event) => {
          // Keys press without a pointer; a bar that waits is not dragged.
          if (event.detail === 0 || !session) onSelect(row.key);
        }}
      >
        {textPx < width ? <span>{bar.text}</span> : null}
      </button>
      {isDragging && (
        <div
          className={`bay-ghost ${drag.byPx > 0 ? 'is-later' : ''}`}
          style={{ left: scale.x(toMin), width }}
          role="status"
        >
          <div>
            <b>{timeText(start, toMin)}</b>
            <MoveOutcome
              shopId={shopId}
              row={row}
              session={session!}
              toMin={toMin}
              personId={session!.personId}
              start={start}
            />
          </div>
        </div>
      )}
    </>
  );
}

interface WindowProps {
  readonly window: ScheduledWindow;
  readonly scale: BayScale;
  readonly start: PanelLineProps['start'];
}

/** A bracket from where a window opens to where it closes, with its words. */
function WindowView({ window, scale, start }: WindowProps) {
  const stand = standOf(window);
  const left = scale.x(window.opensMin);
  const width = Math.max(4, scale.x(window.closesMin) - left);
  return (
    <span
      className={`bay-window is-${stand}`}
      style={{ left, width }}
      title={`Step ${window.usedByN} uses it at ${timeText(start, window.usedMin)}; past it, ${window.thenWhat}.`}
    >
      <span>
        {stand === 'missed' ? 'missed: ' : ''}
        {windowText(window, start)}
      </span>
    </span>
  );
}

function BaseBy({
  fromMin,
  byMin,
  scale,
  start,
}: {
  readonly fromMin: number;
  readonly byMin: number;
  readonly scale: BayScale;
  readonly start: PanelLineProps['start'];
}) {
  const left = scale.x(fromMin);
  const width = Math.max(4, Math.min(scale.x(byMin), scale.widthPx) - left);
  return (
    <span className="bay-window is-base" style={{ left, width }}>
      <span>base by {timeText(start, byMin)}</span>
    </span>
  );
}
