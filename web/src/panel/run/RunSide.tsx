import { placeWords, stepTitle } from '@blue-ledge/core';
import { Link } from 'react-router';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import type { ClockPanel } from '../../clocks/start.ts';
import { StepClock } from '../../clocks/StepClock.tsx';
import { useFormat } from '../../state/units.ts';
import { StackNow } from './StackNow.tsx';
import type { Run, RunStep } from './use-run.ts';

interface RunSideProps {
  readonly run: Run;
  readonly shown: RunStep;
  readonly plan: PlanOnScreen;
  readonly panel: ClockPanel;
  /** When somebody said that they begin; undefined where nobody did. */
  readonly begunMs: number | undefined;
  readonly nowMs: number;
}

/** Two digits of minutes and of seconds: "23:20". */
const clockFace = (ms: number): string => {
  const seconds = Math.max(0, Math.floor(ms / 1000));
  const two = (part: number): string => String(part).padStart(2, '0');
  return `${two(Math.floor(seconds / 60))}:${two(seconds % 60)}`;
};

/** The step's clock, what lies on the panel by the record, and what comes next. */
export function RunSide({ run, shown, plan, panel, begunMs, nowMs }: RunSideProps) {
  const { minutes } = useFormat();
  const { step } = shown;
  const after = run.steps.slice(run.steps.indexOf(shown) + 1).find(({ isDone }) => !isDone);
  return (
    <section className="pane run-side" aria-label="Clock, film and what comes next">
      {begunMs !== undefined && !shown.isDone && (
        <div className="run-face">
          <b aria-label="Time since it was begun">{clockFace(nowMs - begunMs)}</b>
          <span>of {minutes(step.handsOnMin)} planned</span>
        </div>
      )}
      <StepClock system={run.system} n={step.n} panel={panel} opened={plan.opened} />
      <StackNow state={run.state} areas={step.areas} />
      <div className="run-next">
        <h3>Then</h3>
        {after ? (
          <p>
            {after.step.n}. {stepTitle(after.step)}{' '}
            <span className="note">{placeWords(after.step.areas)}</span>
          </p>
        ) : (
          <p>
            No step is left after it. <Link to="../hand-over">Open the hand-over card</Link>
          </p>
        )}
      </div>
    </section>
  );
}
