import { GENERIC_SHELF, caseAreas, findingWords, type ActInput, type PracticeCase } from '@blue-ledge/core';
import { Button } from 'antd';
import { useMemo } from 'react';
import { OwnActs } from '../../shared/own-acts/OwnActs.tsx';
import { StackList } from '../../shared/materials/StackList.tsx';
import { useFormat } from '../../state/units.ts';
import { useCaseJudge } from '../../workers/use-case-judge.ts';
import { CaseResult } from './CaseResult.tsx';
import { keepCaseActs, keepCaseResult, type CaseLog } from './case-store.ts';

interface CaseBenchProps {
  readonly practice: PracticeCase;
  readonly log: CaseLog;
  /** To the next case that is not solved; left out while this one is not. */
  readonly onNext?: () => void;
}

/** One case: what came in, what the learner puts on it, and the verdict. */
export function CaseBench({ practice, log, onNext }: CaseBenchProps) {
  const { id, task } = practice;
  const areas = useMemo(() => caseAreas(task), [task]);
  const judge = useCaseJudge(id, ({ points }) => keepCaseResult(id, points));
  const put = (acts: readonly ActInput[]): void => {
    keepCaseActs(id, acts);
    judge.forget();
  };
  return (
    <>
      <section className="pane case-bench" aria-labelledby="case-head">
        <h2 id="case-head">{practice.title}</h2>
        <p className="case-story">{practice.story}</p>
        <CaseFacts practice={practice} />
        <h3>Your system</h3>
        <p className="note">
          Put on what you would lay, strip or repair, in order. The cleaning, sanding and waiting that rules
          ask for in between is added, and so is the hand-over.
        </p>
        <OwnActs acts={log.acts} areas={areas} sheets={GENERIC_SHELF} onChange={put} />
        <p className="case-acts">
          <Button
            type="primary"
            className="ledge-button"
            loading={judge.isJudging}
            onClick={() => judge.judge(log.acts)}
          >
            Judge it
          </Button>
          {log.acts.length > 0 && <Button onClick={() => put([])}>Start over</Button>}
        </p>
        {judge.fault !== null && <p className="problem">{judge.fault}</p>}
      </section>
      <section className="pane case-result" aria-labelledby="case-result-head">
        <h2 id="case-result-head">What the planner says</h2>
        {judge.verdict ? (
          <>
            <CaseResult verdict={judge.verdict} currency={task.shop.currency} />
            {onNext && (
              <p>
                <Button type="primary" onClick={onNext}>
                  Next case
                </Button>
              </p>
            )}
          </>
        ) : (
          <p className="note">
            {judge.isJudging
              ? 'Planning this panel, and yours beside it'
              : 'Nothing is judged yet. Each step is held against the rules; a system that gets the panel ready is set beside the planner’s own by time and cost.'}
          </p>
        )}
      </section>
    </>
  );
}

/** What lies on each zone, what was found on it, and where the work is done. */
function CaseFacts({ practice: { task } }: { readonly practice: PracticeCase }) {
  const { quantity } = useFormat();
  const { panel, shop, target } = task;
  return (
    <div className="case-facts">
      {panel.zones.map(({ id, areaM2, layers, findings }) => (
        <div key={id}>
          <h3>
            Zone {id}, {quantity('M2', areaM2)}
          </h3>
          <StackList stack={layers.map(({ kind, um = 0 }) => ({ kind, um }))} />
          {findings.length > 0 && <p className="note">Found: {findings.map(findingWords).join(', ')}</p>}
        </div>
      ))}
      <p className="note">
        {shop.profile === 'garage' ? 'Garage' : 'Booth'}, {quantity('Celsius', shop.celsius)} by day
        {shop.nightCelsius !== undefined && `, ${quantity('Celsius', shop.nightCelsius)} by night`};{' '}
        {target.quality} quality, {target.base.carrier} base.
      </p>
    </div>
  );
}
