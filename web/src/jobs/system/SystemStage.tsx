import { Button, Spin } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PanelPlan, PlanView, Schools } from '@blue-ledge/core';
import { useChooseSystem, useMakePlan, usePlan, type PlanAsk } from '../../api/queries.ts';
import { Problem } from '../../shared/Problem.tsx';
import { useFormat } from '../../state/units.ts';
import { useWaiting } from '../../state/drafts.ts';
import { usePanelContext, type PanelContext } from '../panel-context.ts';
import { DecidingTests } from './DecidingTests.tsx';
import { PlanBoard } from './PlanBoard.tsx';
import { PlanTerms } from './PlanTerms.tsx';
import { SchoolsDrawer } from './SchoolsDrawer.tsx';
import { Stops } from './Stops.tsx';
import { WhyNotDrawer } from './WhyNotDrawer.tsx';
import './system.css';

/** System: asks for systems, compares them, and shows the one that is looked at step by step. */
export function SystemStage() {
  const context = usePanelContext();
  const { data: plan, error, isPending } = usePlan(context.key);
  const make = useMakePlan(context.key);
  const choose = useChooseSystem(context.key, plan);
  const [open, setOpen] = useState<'schools' | 'why-not' | null>(null);
  if (error) return <Problem error={error} />;
  if (isPending) return <Spin className="stage-wait" description="Fetching the plan" />;
  const schools = (plan?.plan.schools ?? {}) as Schools;
  const done = plan?.plan.done ?? [];
  const again: PlanAsk = { schools, ...(done.length > 0 ? { done } : {}) };
  const ask = (
    <AskButton
      label={plan ? 'Plan again' : 'Ask for systems'}
      isBusy={make.isPending}
      onClick={() => make.mutate(again)}
      context={context}
    />
  );
  if (!plan) return <NoPlan ask={ask} error={make.error} />;
  return (
    <div className="system">
      {(make.error ?? choose.error) && <Problem error={(make.error ?? choose.error)!} />}
      <PlanState plan={plan} ask={ask} />
      <PlanTerms plan={plan} onPlan={(changed) => make.mutate({ ...again, ...changed })} />
      <Stops stopped={plan.plan.stopped} panelKey={context.key} view={context.view} />
      <Warnings warnings={plan.plan.warnings} />
      <DecidingTests tests={plan.plan.tests ?? []} />
      <PlanBoard
        plan={plan}
        view={context.view}
        isChoosing={choose.isPending}
        onChoose={(id) => choose.mutate(id)}
        onReplan={(acts) => make.mutate({ schools, done: acts })}
        onSchools={() => setOpen('schools')}
        onWhyNot={() => setOpen('why-not')}
      />
      {open === 'schools' && (
        <SchoolsDrawer
          view={context.view}
          chosen={schools}
          onClose={() => setOpen(null)}
          onPlan={(chosen) => {
            setOpen(null);
            make.mutate({ ...again, schools: chosen });
          }}
        />
      )}
      {open === 'why-not' && (
        <WhyNotDrawer
          panelKey={context.key}
          view={context.view}
          system={plan.plan.systems.find(({ id }) => id === (plan.chosen ?? plan.plan.chosen))}
          schools={schools}
          onClose={() => setOpen(null)}
        />
      )}
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

/** What the planner says besides, in one notice; stops say for themselves that nothing is chosen. */
function Warnings({ warnings }: { readonly warnings: PanelPlan['warnings'] }) {
  const { said } = useFormat();
  const shown = warnings.filter(({ code }) => code !== 'plan.stopped');
  if (shown.length === 0) return null;
  return (
    <div className="problem" role="alert">
      {shown.map((warning) => (
        <p key={`${warning.zoneId} ${warning.text}`}>
          {warning.zoneId && `Zone ${warning.zoneId}: `}
          {said(warning)}
        </p>
      ))}
    </div>
  );
}

function PlanState({ plan, ask }: { readonly plan: PlanView; readonly ask: React.ReactNode }) {
  if (plan.isCurrent) return null;
  return (
    <div className="plan-notice" role="status">
      <span>
        <b>The survey or the shop’s settings have changed since this plan was made.</b> It is kept as it was.
      </span>
      {ask}
    </div>
  );
}
