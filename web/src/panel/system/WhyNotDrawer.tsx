import { isChosenWork, type ActInput, type OwnSequence, type Schools } from '@blue-ledge/core';
import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { OwnActs } from '../../shared/own-acts/OwnActs.tsx';
import { Verdicts } from '../../shared/own-acts/Verdicts.tsx';
import { SideDrawer } from '../../shared/dialog/SideDrawer.tsx';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { useJudge, useSheets } from '../../api/queries.ts';
import { Problem } from '../../shared/Problem.tsx';
import { nameOfPanel, type PanelKey } from '../../outbox/entry.ts';
import { keepSequence, useOwnSequences } from '../../state/own-sequences.ts';

interface WhyNotProps {
  readonly panelKey: PanelKey;
  /** What one may start from: the system that was chosen. */
  readonly plan: PlanOnScreen;
  readonly schools: Schools;
  readonly onClose: () => void;
  /** Plans it as a system, and chooses that. */
  readonly onUse: (own: OwnSequence) => void;
}

/** "Why not...?": a sequence of one's own, and the verdict on it step by step. */
export function WhyNotDrawer({ panelKey, plan, schools, onClose, onUse }: WhyNotProps) {
  const name = nameOfPanel(panelKey);
  const own = useOwnSequences(({ byPanel }) => byPanel[name]) ?? [];
  const { data: sheets = [] } = useSheets(panelKey.job);
  const [fillsIn, setFillsIn] = useState(true);
  const judge = useJudge(panelKey);
  const put = (next: readonly ActInput[]): void => {
    keepSequence(name, next);
    judge.reset();
  };
  const { view: planned, actsOf } = plan.opened;
  const areas = Object.keys(planned.found);
  const system = planned.systems.find(({ id }) => id === (plan.chosen ?? planned.chosen));
  const start = (id: string): void => put(actsOf(id).filter(({ op }) => isChosenWork(op)));
  return (
    <SideDrawer title="Why not…?" size={760} onClose={onClose} className="why-not">
      <p className="note">
        Put together what you would do. The planner judges it step by step, says which rule a step breaks, and
        what would make it allowed.
      </p>
      <p className="why-acts">
        {system && <Button onClick={() => start(system.id)}>Start from “{system.title}”</Button>}
        {own.length > 0 && <Button onClick={() => put([])}>Clear</Button>}
      </p>
      <OwnActs acts={own} areas={areas} sheets={sheets} onChange={put} />
      <div className="why-acts">
        <Checkbox checked={fillsIn} onChange={({ target }) => setFillsIn(target.checked)}>
          Add the cleaning, sanding and waiting that rules ask for in between
        </Checkbox>
        <Button
          type="primary"
          className="ledge-button"
          disabled={own.length === 0}
          loading={judge.isPending}
          onClick={() => judge.mutate({ own, fillsIn, schools })}
        >
          Check it
        </Button>
      </div>
      {judge.error && <Problem error={judge.error} />}
      {judge.data?.isReady && (
        <p className="why-acts">
          <span>It may take the place of the chosen system.</span>
          <Button type="primary" className="ledge-button" onClick={() => onUse({ acts: [...own], fillsIn })}>
            Use this
          </Button>
        </p>
      )}
      {judge.data && <Verdicts judgement={judge.data} />}
    </SideDrawer>
  );
}
