import {
  SOLVED_POINTS,
  placeWords,
  stepMeans,
  stepTitle,
  type CaseVerdict,
  type System,
} from '@blue-ledge/core';
import { useState } from 'react';
import { Button } from 'antd';
import { Verdicts } from '../../shared/own-acts/Verdicts.tsx';
import { SystemTable } from '../../shared/SystemTable.tsx';
import { useFormat } from '../../state/units.ts';

interface CaseResultProps {
  readonly verdict: CaseVerdict;
  readonly currency: string | undefined;
}

/** The verdict on a learner's system: points beside the planner's best, then step by step. */
export function CaseResult({ verdict: { judgement, own, best, points }, currency }: CaseResultProps) {
  const [isShown, setIsShown] = useState(false);
  return (
    <>
      {own && points !== null ? (
        <>
          <p className="case-points">
            <b>{points}</b> of 100{' '}
            <span>
              {points >= SOLVED_POINTS
                ? 'solved'
                : 'ready, but it takes more than it needs: what could be left out, or done at once?'}
            </span>
          </p>
          <SystemTable
            columns={[
              { head: 'Yours', system: own },
              { head: 'The planner’s', system: best },
            ]}
            currency={currency}
            hasSteps
          />
        </>
      ) : (
        <p className="case-points is-not">
          <span>It does not get the panel ready. Read what is refused, or what is left out.</span>
        </p>
      )}
      <p>
        <Button onClick={() => setIsShown(!isShown)} aria-expanded={isShown}>
          {isShown ? 'Hide the planner’s system' : 'Show the planner’s system'}
        </Button>
      </p>
      {isShown && <BestSteps system={best} />}
      <Verdicts judgement={judgement} />
    </>
  );
}

function BestSteps({ system }: { readonly system: System }) {
  const { system: units } = useFormat();
  return (
    <ol className="best-steps">
      {system.steps.map((step) => (
        <li key={step.n}>
          {stepTitle(step)} <span className="note">{placeWords(step.areas)}</span>
          {stepMeans(step, units) && <span className="note"> {stepMeans(step, units)}</span>}
        </li>
      ))}
    </ol>
  );
}
