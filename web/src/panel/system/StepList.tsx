import {
  areasOf,
  momentOf,
  placeWords,
  stepFigure,
  stepTitle,
  type DatedStart,
  type Step,
  type System,
  type WorkStart,
} from '@blue-ledge/core';
import { useEffect, useMemo, useRef } from 'react';
import { Link, useLocation } from 'react-router';
import type { TimesBy } from '../../api/timed-plan.ts';
import { CheckOutlined, PrinterOutlined } from '../../shared/icons.tsx';
import { SourceLegend, SourceMark } from '../../shared/SourceMark.tsx';
import { fieldOf, nowHere, shopTime, startOfField } from '../../state/now.ts';
import { useFormat } from '../../state/units.ts';

interface StepListProps {
  readonly system: System;
  readonly n: number;
  readonly start: WorkStart;
  readonly timesBy: TimesBy;
  /** Somebody chose the start of this plan. */
  readonly isStartFixed: boolean;
  readonly onPick: (n: number) => void;
  /** Plans again from another day or hour. */
  readonly onStart: (start: DatedStart) => void;
}

/** Scrolls a list so that a row of it is in sight; the page around it stays where it is. */
function showWithin(list: HTMLElement, row: Element | null): void {
  if (!row) return;
  const [box, { top, bottom }] = [list.getBoundingClientRect(), row.getBoundingClientRect()];
  if (top < box.top) list.scrollTop -= box.top - top;
  else if (bottom > box.bottom) list.scrollTop += bottom - box.bottom;
}

/** All steps of a system, one line each: what, on which zones, with what figure, how long. */
export function StepList({ system, n, start, timesBy, isStartFixed, onPick, onStart }: StepListProps) {
  const { minutes } = useFormat();
  const { search } = useLocation();
  const list = useRef<HTMLOListElement>(null);
  const isRefused = system.verdict === 'refused';
  const stepCount = `${system.steps.length} ${system.steps.length === 1 ? 'step' : 'steps'}`;
  const nDone = system.steps.filter(({ isDone }) => isDone).length;
  const inAllMin = system.steps.reduce((sum, { handsOnMin }) => sum + handsOnMin, 0);
  const all = useMemo(() => areasOf(system.steps), [system]);
  const [first] = system.steps;
  const begins = startAfter(start, first?.startMin ?? 0);
  useEffect(() => {
    if (list.current) showWithin(list.current, list.current.querySelector('[aria-current]'));
  }, [n, system]);
  return (
    <>
      <header className="steps-head">
        <h2 id="steps-head">{isRefused ? `${stepCount}, then refused` : `Plan, ${stepCount}`}</h2>
        <span>
          hands-on <b>{minutes(system.totals.handsOnMin)}</b>
          {nDone > 0 && ` left of ${minutes(inAllMin)}`}
        </span>
        {nDone === 0 && first && (
          <StartTime
            key={`${start.startOn} ${start.startMin} ${first.startMin}`}
            start={begins}
            onStart={onStart}
          />
        )}
        <span className="note">{timesText(timesBy, isStartFixed)}</span>
        <span className="print-links">
          <PrinterOutlined />{' '}
          <Link to={{ pathname: '../plan-sheet', search }} aria-label="Print the plan">
            Print
          </Link>
          <Link to={{ pathname: '../caution-sheet', search }}>Cautions</Link>
        </span>
        <SourceLegend />
      </header>
      <ol className="step-list" ref={list} tabIndex={-1}>
        {system.steps.map((step) => (
          <li key={step.n}>
            <StepRow
              step={step}
              start={start}
              all={all}
              isShown={step.n === n}
              onPick={() => onPick(step.n)}
            />
          </li>
        ))}
      </ol>
    </>
  );
}

/** Whose times the steps stand at. */
export function timesText(timesBy: TimesBy, isStartFixed: boolean): string {
  switch (timesBy) {
    case 'bay':
      return isStartFixed ? 'times by the bay, not before the start that was chosen' : 'times by the bay';
    case 'plan':
      return 'times by this plan alone: it is not in the bay';
    case 'on-its-way':
      return 'times by this plan alone, until the bay answers';
  }
}

/** When work begins that starts so many minutes after a plan does. */
const startAfter = ({ startOn = nowHere().startOn, startMin }: WorkStart, afterMin: number): DatedStart =>
  momentOf({ startOn, startMin }, Math.round(afterMin));

/** When the work starts: every time counts from it, and cures count the hours as they come then. */
function StartTime({ start, onStart }: { readonly start: DatedStart } & Pick<StepListProps, 'onStart'>) {
  const shown = fieldOf(start);
  return (
    <label className="start-time">
      starts{' '}
      <input
        type="datetime-local"
        defaultValue={shown}
        onBlur={({ target }) => {
          const asked = target.value === shown ? null : startOfField(target.value);
          if (asked) onStart(asked);
        }}
      />
    </label>
  );
}

/** "13 min, wait 15 min" */
const stepTimes = ({ handsOnMin, waitMin }: Step, minutes: (min: number) => string): string =>
  [handsOnMin > 0 ? minutes(handsOnMin) : '', waitMin > 0 ? `wait ${minutes(waitMin)}` : '']
    .filter(Boolean)
    .join(', ');

function StepRow({
  step,
  start,
  all,
  isShown,
  onPick,
}: {
  readonly step: Step;
  readonly start: WorkStart;
  readonly all: readonly string[];
  readonly isShown: boolean;
  readonly onPick: () => void;
}) {
  const { minutes, system } = useFormat();
  const figure = stepFigure(step, system);
  return (
    <button type="button" className="step-row" aria-current={isShown ? 'step' : undefined} onClick={onPick}>
      <span className="step-n">
        {step.isDone ? <CheckOutlined aria-label={`${step.n}, done`} /> : step.n}
      </span>
      <span className="step-title">{stepTitle(step)}</span>
      <b className="step-clock">{shopTime(start, step.startMin)}</b>
      <span className="note">
        {placeWords(step.areas, all)}
        {figure && (
          <span className="step-figure">
            {figure.text} <SourceMark source={figure.source} />
          </span>
        )}
      </span>
      <span className="note step-time">{stepTimes(step, minutes)}</span>
      {step.window && (
        <span className="note step-window">
          next coat by {shopTime(start, step.endMin + step.window.closesMin)}
        </span>
      )}
    </button>
  );
}
