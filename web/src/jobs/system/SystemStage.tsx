import { Button, Spin } from 'antd';
import { Link } from 'react-router';
import type { PlanView } from '@blue-ledge/core';
import { useChooseSystem, useMakePlan, usePlan } from '../../api/queries.ts';
import { Problem } from '../../shared/Problem.tsx';
import { useWaiting } from '../../state/drafts.ts';
import { usePanelContext, type PanelContext } from '../panel-context.ts';
import { PlanBoard } from './PlanBoard.tsx';
import { Stops } from './Stops.tsx';
import './system.css';

/** System: asks for systems, compares them, and shows the one that is looked at step by step. */
export function SystemStage() {
  const context = usePanelContext();
  const { data: plan, error, isPending } = usePlan(context.key);
  const make = useMakePlan(context.key);
  const choose = useChooseSystem(context.key, plan);
  if (error) return <Problem error={error} />;
  if (isPending) return <Spin className="stage-wait" description="Fetching the plan" />;
  const ask = (
    <AskButton
      label={plan ? 'Plan again' : 'Ask for systems'}
      isBusy={make.isPending}
      onClick={() => make.mutate()}
      context={context}
    />
  );
  if (!plan) return <NoPlan ask={ask} error={make.error} />;
  return (
    <div className="system">
      {(make.error ?? choose.error) && <Problem error={(make.error ?? choose.error)!} />}
      <PlanState plan={plan} ask={ask} />
      <Stops stopped={plan.plan.stopped} />
      <Warnings warnings={plan.plan.warnings} />
      <PlanBoard
        plan={plan}
        view={context.view}
        isChoosing={choose.isPending}
        onChoose={(id) => choose.mutate(id)}
      />
    </div>
  );
}

interface AskButtonProps {
  readonly label: string;
  readonly isBusy: boolean;
  readonly onClick: () => void;
  readonly context: PanelContext;
}

/** Plans are made from what the server has: edits still on their way are waited for. */
function AskButton({ label, isBusy, onClick, context }: AskButtonProps) {
  const { isWaiting: waiting, isRefused: refused } = useWaiting(context.key);
  const why = refused ? 'A zone is not saved: see the survey' : 'Waiting for the survey to be saved';
  return (
    <Button type="primary" className="ledge-button" loading={isBusy} disabled={waiting} onClick={onClick}>
      {waiting ? why : label}
    </Button>
  );
}

function NoPlan({ ask, error }: { readonly ask: React.ReactNode; readonly error: Error | null }) {
  return (
    <div className="no-plan">
      <h2>No system yet</h2>
      <p>
        The planner takes the survey as it stands, tries every coat on the shelf against the rules of the
        trade, and comes back with the systems that get this panel ready for base, and with those that do not
        and why.
      </p>
      {error && <Problem error={error} />}
      <p className="no-plan-acts">
        {ask}
        <Link to="../survey">Look at the survey first</Link>
      </p>
    </div>
  );
}

function Warnings({ warnings }: { readonly warnings: readonly string[] }) {
  return warnings.map((warning) => (
    <p key={warning} className="problem" role="alert">
      {warning}
    </p>
  ));
}

function PlanState({ plan, ask }: { readonly plan: PlanView; readonly ask: React.ReactNode }) {
  if (plan.isCurrent) return null;
  return (
    <div className="plan-old" role="status">
      <span>
        <b>The survey or the shop’s settings have changed since this plan was made.</b> It is kept as it was.
      </span>
      {ask}
    </div>
  );
}
