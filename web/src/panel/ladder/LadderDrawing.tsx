import {
  grainUm,
  type Grade,
  type Ladder,
  type LadderStep,
  type LadderTask,
  type Rung,
} from '@blue-ledge/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useFormat } from '../../state/units.ts';
import { gradeAt, ladderLayout, type LadderLayout } from './ladder-layout.ts';
import { TOOL_WORDS } from '../../shared/tool-words.ts';

interface LadderDrawingProps {
  readonly width: number;
  readonly height: number;
  readonly best: Ladder | null;
  readonly own: Ladder;
  readonly task: LadderTask;
  readonly onChange: (rungs: readonly Rung[]) => void;
}

const SCALE_PX = 52;
const RUNG_PX = 104;
const GAP_PX = 14;

/** Two ladders on one scale of grades: the best for the stock, and one's own, whose rungs are dragged. */
export function LadderDrawing({ width, height, best, own, task, onChange }: LadderDrawingProps) {
  const layout = ladderLayout(task, best ? [best, own] : [own], height);
  const half = (width - SCALE_PX - GAP_PX) / 2;
  return (
    <svg className="ladder-drawing" width={width} height={height} aria-label="Ladders" role="group">
      <Scale layout={layout} width={width} />
      <g transform={`translate(${SCALE_PX} 0)`}>
        <Rails title="Best for your stock" layout={layout} ladder={best} />
        {best?.steps.map((step) => (
          <RungMark key={step.grade} step={step} y={layout.y(grainUm(step.grade))} />
        ))}
        {!best && <NoBest y={height / 2} />}
      </g>
      <g transform={`translate(${SCALE_PX + half + GAP_PX} 0)`}>
        <Rails title="Yours: drag a rung" layout={layout} ladder={own} />
        <OwnRungs own={own} layout={layout} task={task} onChange={onChange} />
      </g>
    </svg>
  );
}

function Scale({
  layout: { grades, named, y },
  width,
}: {
  readonly layout: LadderLayout;
  readonly width: number;
}) {
  return (
    <g aria-hidden="true">
      {grades.map((grade) => (
        <line
          key={grade}
          x1={SCALE_PX - 6}
          x2={width}
          y1={y(grainUm(grade))}
          y2={y(grainUm(grade))}
          className="grade-line"
        />
      ))}
      {named.map((grade) => (
        <text key={grade} x={SCALE_PX - 10} y={y(grainUm(grade)) + 4} textAnchor="end" className="grade-name">
          {grade}
        </text>
      ))}
    </g>
  );
}

/** Rails from the start to the last rung, with what lies there before. */
function Rails({
  title,
  layout: { y },
  ladder,
}: {
  readonly title: string;
  readonly layout: LadderLayout;
  readonly ladder: Ladder | null;
}) {
  const { quantity } = useFormat();
  const top = ladder?.start.grade ? y(grainUm(ladder.start.grade)) : 24;
  const last = ladder?.steps.at(-1);
  const bottom = last ? y(grainUm(last.grade)) : top;
  return (
    <g aria-hidden="true">
      <text x={0} y={13} className="ladder-title">
        {title}
      </text>
      {ladder && (
        <>
          <path d={`M10 ${top}V${bottom}M${RUNG_PX - 10} ${top}V${bottom}`} className="ladder-rail" />
          <text x={RUNG_PX + 8} y={top + 4} className="rung-note">
            {ladder.start.grade ? `${ladder.start.grade} is there` : 'waves, texture'}
            <tspan x={RUNG_PX + 8} dy={14}>
              {quantity('Um', ladder.start.depthUm)} deep
            </tspan>
          </text>
        </>
      )}
    </g>
  );
}

const NoBest = ({ y }: { readonly y: number }) => (
  <text x={0} y={y} className="rung-note">
    No grades in stock bridge this gap.
  </text>
);

function RungMark({
  step,
  y,
  isTooFar = false,
}: {
  readonly step: LadderStep;
  readonly y: number;
  readonly isTooFar?: boolean;
}) {
  const { quantity, minutes } = useFormat();
  return (
    <>
      <rect x={0} y={y - 9} width={RUNG_PX} height={18} className="rung" />
      <text x={RUNG_PX / 2} y={y + 4.5} textAnchor="middle" className="rung-name">
        {step.grade} {TOOL_WORDS[step.tool].short}
      </text>
      <text x={RUNG_PX + 8} y={y + 4} className={isTooFar ? 'rung-note too-far' : 'rung-note'}>
        {minutes(step.minutes)}, −{quantity('Um', step.takenUm)}
        {isTooFar && `, too far: ${step.jump!.toFixed(1)}`}
      </text>
    </>
  );
}

interface OwnRungsProps {
  readonly own: Ladder;
  readonly layout: LadderLayout;
  readonly task: LadderTask;
  readonly onChange: (rungs: readonly Rung[]) => void;
}

/** Rungs that are dragged up and down the scale, or moved and taken out by keys. */
function OwnRungs({ own, layout, task, onChange }: OwnRungsProps) {
  const drag = useRef<number | null>(null);
  const [dragged, setDragged] = useState<number | null>(null);
  const { steps } = own;
  const most = task.largestJump ?? Infinity;
  /** A rung stays between its neighbours. */
  const may = (at: number, grade: Grade): boolean => {
    const before = steps[at - 1]?.grade ?? own.start.grade;
    const after = steps[at + 1]?.grade;
    const isFiner = !before || grainUm(grade) < grainUm(before);
    return isFiner && (!after || grainUm(grade) > grainUm(after));
  };
  const put = (at: number, grade: Grade): void => {
    if (grade !== steps[at]!.grade && may(at, grade))
      onChange(steps.map(({ grade: old, tool }, i) => ({ grade: i === at ? grade : old, tool })));
  };
  const start = (at: number) => (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = at;
    setDragged(at);
  };
  const move = (event: PointerEvent<SVGGElement>): void => {
    if (drag.current === null) return;
    const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
    put(drag.current, gradeAt(layout, event.clientY - box.top));
  };
  const end = (): void => {
    drag.current = null;
    setDragged(null);
  };
  const press = (at: number) => (event: KeyboardEvent) => {
    const { grades } = layout;
    const place = grades.indexOf(steps[at]!.grade);
    const moves: Readonly<Record<string, number>> = {
      ArrowUp: -1,
      ArrowRight: -1,
      ArrowDown: 1,
      ArrowLeft: 1,
    };
    const by = moves[event.key];
    if (by !== undefined) {
      event.preventDefault();
      const grade = grades[place + by];
      if (grade) put(at, grade);
    } else if ((event.key === 'Delete' || event.key === 'Backspace') && steps.length > 1) {
      event.preventDefault();
      onChange(steps.filter((_, i) => i !== at).map(({ grade, tool }) => ({ grade, tool })));
    }
  };
  return steps.map((step, at) => (
    <g
      key={at}
      className={dragged === at ? 'own-rung is-dragged' : 'own-rung'}
      role="slider"
      tabIndex={0}
      aria-label={`Rung ${at + 1} of yours, ${TOOL_WORDS[step.tool].long}`}
      aria-orientation="vertical"
      aria-valuemin={0}
      aria-valuemax={layout.grades.length - 1}
      aria-valuenow={layout.grades.indexOf(step.grade)}
      aria-valuetext={step.grade}
      onPointerDown={start(at)}
      onPointerMove={move}
      onPointerUp={end}
      onPointerCancel={end}
      onKeyDown={press(at)}
    >
      <rect
        x={-6}
        y={layout.y(grainUm(step.grade)) - 16}
        width={RUNG_PX + 12}
        height={32}
        className="rung-grip"
      />
      <RungMark step={step} y={layout.y(grainUm(step.grade))} isTooFar={(step.jump ?? 1) > most + 1e-9} />
    </g>
  ));
}
