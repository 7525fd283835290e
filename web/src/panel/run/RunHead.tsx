import { stepFigure, stepTitle, type Panel } from '@blue-ledge/core';
import { useEffect, useRef } from 'react';
import { CheckOutlined, LeftOutlined, RightOutlined } from '../../shared/icons.tsx';
import { useFormat } from '../../state/units.ts';
import type { Run, RunStep } from './use-run.ts';

interface RunHeadProps {
  readonly run: Run;
  readonly shown: RunStep;
  readonly panel: Panel;
  readonly onShow: (n: number) => void;
}

/** The step in large, and where it is among the others. */
export function RunHead({ run: { steps, next }, shown, onShow }: RunHeadProps) {
  const { system } = useFormat();
  const { step } = shown;
  const at = steps.indexOf(shown);
  const figure = stepFigure(step, system);
  const state = shown.isDone ? 'done' : next === shown ? 'next' : 'out of order';
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const button = list.current?.querySelector<HTMLElement>('[aria-current]');
    if (list.current && button)
      list.current.scrollLeft = button.offsetLeft - list.current.offsetLeft - list.current.clientWidth / 2;
  }, [shown]);
  const to = (by: number): void => {
    const other = steps[at + by];
    if (other) onShow(other.step.n);
  };
  return (
    <header className="run-head">
      <div className={`run-n is-${shown.isDone ? 'done' : 'open'}`}>
        <b>{step.n}</b>
        <span>
          Step
          <br />
          of {steps.length}
        </span>
      </div>
      <div className="run-title">
        <p>{state === 'done' ? 'Done' : state === 'next' ? 'Next' : 'Not its turn yet'}</p>
        <h2 id="run-step">
          {stepTitle(step)}
          {figure && <span>, {figure.text}</span>}
        </h2>
      </div>
      <nav className="run-steps" aria-label="Steps">
        <button type="button" aria-label="Step before" disabled={at === 0} onClick={() => to(-1)}>
          <LeftOutlined />
        </button>
        <ol ref={list}>
          {steps.map((each) => (
            <li key={each.step.n}>
              <button
                type="button"
                className={each.isDone ? 'is-done' : ''}
                aria-current={each === shown ? 'step' : undefined}
                aria-label={`Step ${each.step.n}, ${stepTitle(each.step)}${each.isDone ? ', done' : ''}`}
                title={stepTitle(each.step)}
                onClick={() => onShow(each.step.n)}
              >
                {each.isDone ? <CheckOutlined /> : each.step.n}
              </button>
            </li>
          ))}
        </ol>
        <button
          type="button"
          aria-label="Step after"
          disabled={at === steps.length - 1}
          onClick={() => to(1)}
        >
          <RightOutlined />
        </button>
      </nav>
    </header>
  );
}
