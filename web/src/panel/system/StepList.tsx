import { CheckOutlined, PrinterOutlined } from '@ant-design/icons';
import {
  areasOf,
  clockTime,
  placeWords,
  stepFigure,
  stepTitle,
  type Step,
  type System,
} from '@blue-ledge/core';
import { useEffect, useMemo, useRef } from 'react';
import { Link, useLocation } from 'react-router';
import { SourceLegend, SourceMark } from '../../shared/SourceMark.tsx';
import { useFormat } from '../../state/units.ts';

interface StepListProps {
  readonly system: System;
  readonly n: number;
  /** Minutes after midnight at which the plan starts. */
  readonly startMin: number;
  readonly onPick: (n: number) => void;
  /** Plans again from another hour. */
  readonly onStart: (startMin: number) => void;
}

/** All steps of a system, one line each: what, on which zones, with what figure, how long. */
export function StepList({ system, n, startMin, onPick, onStart }: StepListProps) {
  const { minutes } = useFormat();
  const { search } = useLocation();
  const list = useRef<HTMLOListElement>(null);
  const isRefused = system.verdict === 'refused';
  const stepCount = `${system.steps.length} ${system.steps.length === 1 ? 'step' : 'steps'}`;
  const all = useMemo(() => areasOf(system.steps), [system]);
  useEffect(() => {
    list.current?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
  }, [n, system]);
  return (
    <>
      <header className="steps-head">
        <h2 id="steps-head">{isRefused ? `${stepCount}, then refused` : `Plan, ${stepCount}`}</h2>
        <span>
          hands-on <b>{minutes(system.totals.handsOnMin)}</b>
        </span>
        <StartTime key={startMin} startMin={startMin} onStart={onStart} />
        <SourceLegend />
        <span className="print-links">
          <PrinterOutlined /> <Link to={{ pathname: '../plan-sheet', search }}>Print the plan</Link>
          <Link to={{ pathname: '../caution-sheet', search }}>Cautions</Link>
        </span>
      </header>
      <ol className="step-list" ref={list} tabIndex={-1}>
        {system.steps.map((step) => (
          <li key={step.n}>
            <StepRow step={step} all={all} isShown={step.n === n} onPick={() => onPick(step.n)} />
          </li>
        ))}
      </ol>
    </>
  );
}

/** When the work starts: every time counts from it, and cures count the hours as they come then. */
function StartTime({ startMin, onStart }: Pick<StepListProps, 'startMin' | 'onStart'>) {
  return (
    <label className="start-time">
      starts{' '}
      <input
        type="time"
        defaultValue={clockTime(startMin, 0)}
        onBlur={({ target }) => {
          const [hours, minutes] = target.value.split(':').map(Number);
          if (hours === undefined || minutes === undefined) return;
          const asked = hours * 60 + minutes;
          if (asked !== startMin) onStart(asked);
        }}
      />
    </label>
  );
}

function StepRow({
  step,
  all,
  isShown,
  onPick,
}: {
  readonly step: Step;
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
      <span className="step-what">
        <span className="step-title">{stepTitle(step)}</span>
        <span className="note step-zones">{placeWords(step.areas, all)}</span>
      </span>
      <span className="step-figure">
        {figure && (
          <>
            {figure.text} <SourceMark source={figure.source} />
          </>
        )}
      </span>
      <span className="step-time">
        <b>{step.handsOnMin > 0 ? minutes(step.handsOnMin) : ''}</b>
        {step.waitMin > 0 && <span className="note">wait {minutes(step.waitMin)}</span>}
      </span>
    </button>
  );
}
