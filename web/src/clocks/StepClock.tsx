import { clockOfStep, clockPlace, type ClockWork, type OpenedPlan, type System } from '@blue-ledge/core';
import { Button } from 'antd';
import { useClocks } from '../api/clock-queries.ts';
import { useSearchPut } from '../shared/use-search-put.ts';
import { startStepClock, type ClockPanel } from './start.ts';
import { clockText } from './clock-text.ts';
import { StateGlyph } from './StateGlyph.tsx';
import { useServerNow } from './use-server-now.ts';
import './clocks.css';

const BUTTONS: Readonly<Record<ClockWork['kind'], string>> = {
  coat: 'The last coat is on: start its clock',
  body: 'It is spread: start its clock',
  bare: 'The metal is bare: start its clock',
  mix: 'It is mixed: start its clock',
  minutes: 'Start a clock for it',
};

interface StepClockProps {
  readonly system: System;
  readonly n: number;
  readonly panel: ClockPanel;
  readonly opened: Pick<OpenedPlan, 'sheetOf' | 'missedCostOf'>;
}

/** The clock of a step: how it stands, or the button that starts it. */
export function StepClock({ system, n, panel, opened }: StepClockProps) {
  const clocks = useClocks();
  const now = useServerNow(1000);
  const [, put] = useSearchPut();
  const asked = clockOfStep(n, system.steps, opened.sheetOf);
  if (!asked) return null;
  const place = clockPlace({ ...panel, n: asked.n }, asked.title);
  const running = clocks.find(({ clock: { step, title } }) => step && clockPlace(step, title) === place);
  if (!running)
    return (
      <p>
        <Button onClick={() => startStepClock(asked, panel, opened.missedCostOf)}>
          {BUTTONS[asked.work.kind]}
        </Button>
      </p>
    );
  const { state, come, coming, atZero, span, isLeft } = clockText(running, now);
  return (
    <div className={`running-clock is-${state}`}>
      <StateGlyph state={state} />
      <p>
        {come && <b>{come}. </b>}
        {coming && (
          <>
            <b>{coming}</b>
            {atZero && `; ${atZero}`}.
          </>
        )}
        {asked.n !== n && <span className="note"> The clock of {asked.title}.</span>}{' '}
        <button type="button" className="link-button" onClick={() => put({ clocks: 'open' })}>
          All clocks
        </button>
      </p>
      <b className="clock-item-span">
        {span}
        {!isLeft && <small> ago</small>}
      </b>
    </div>
  );
}
