import { areasOf } from '@blue-ledge/core';
import { Spin } from 'antd';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useServerNow } from '../../clocks/use-server-now.ts';
import { plannedView, type PlanOnScreen } from '../../api/opened-plan.ts';
import { isOpened } from '../../api/queries.ts';
import { useTimedPlan } from '../../api/timed-plan.ts';
import { usePanelRecord, type PanelRecord } from '../../api/record-queries.ts';
import { useNotYet } from '../../api/schedule-queries.ts';
import { useNotEntered } from '../../api/use-bay-of-panel.ts';
import { Problem } from '../../shared/Problem.tsx';
import { foundThings } from '../../shared/panel-map/found-things.ts';
import { useSearchPut } from '../../shared/use-search-put.ts';
import { useFormat } from '../../state/units.ts';
import { usePanelContext, type PanelContext } from '../panel-context.ts';
import { Against, hasNoSystem } from '../system/NoSystemNotice.tsx';
import { usePlanAgain } from '../use-plan-again.ts';
import { Benches } from './Benches.tsx';
import { Cautions } from './Cautions.tsx';
import { CatchUp } from './CatchUp.tsx';
import { MishapNotice } from './MishapNotice.tsx';
import { NotEnteredNotice } from './NotEnteredNotice.tsx';
import { RefusedEntries } from './RefusedEntries.tsx';
import { RunActs } from './RunActs.tsx';
import { RunDialogs, type OpenDialog } from './RunDialogs.tsx';
import { RunHead } from './RunHead.tsx';
import { RunHow } from './RunHow.tsx';
import { RunSide } from './RunSide.tsx';
import { RunWhere } from './RunWhere.tsx';
import { useBench } from './use-bench.ts';
import { useRun, useWhyNot, type Run } from './use-run.ts';
import { useRunKeys } from './use-run-keys.ts';
import './run.css';

/** Run: the bench. One step large; what was really done goes into the record, on this device first. */
export function RunStage() {
  const context = usePanelContext();
  const { data: plan, error, isPending } = useTimedPlan(context.key);
  const { record, error: recordError } = usePanelRecord(context.key);
  const run = useRun(isOpened(plan) ? plan : null, record);
  if (error ?? recordError) return <Problem error={(error ?? recordError)!} />;
  if (isPending) return <Spin className="stage-wait" description="Fetching the plan" />;
  if (!isOpened(plan) || !run)
    return (
      <div className="no-plan">
        <h2>Nothing to run yet</h2>
        {isOpened(plan) && hasNoSystem(plan.opened.view) ? (
          <>
            <p>The newest plan has no system that gets this panel ready as things are:</p>
            <Against warnings={plan.opened.view.warnings} />
          </>
        ) : (
          <p>
            {plan
              ? 'No system is chosen for this panel, or its zone has to be set right first.'
              : 'This panel has no plan: the bench shows one step at a time of a system that was chosen.'}
          </p>
        )}
        <p>
          <Link to="../system">Open its System stage</Link>
        </p>
      </div>
    );
  return <StepAtBench context={context} plan={plan} record={record} run={run} />;
}

interface StepAtBenchProps {
  readonly context: PanelContext;
  readonly plan: PlanOnScreen;
  readonly record: PanelRecord;
  readonly run: Run;
}

/** The step that is looked at: the next one, unless another was asked for. */
function StepAtBench({ context, plan, record, run }: StepAtBenchProps) {
  const [search, put] = useSearchPut();
  const asked = Number(search.get('step') ?? NaN);
  const shown = run.steps.find(({ step }) => step.n === asked) ?? run.next ?? run.steps.at(-1)!;
  const { step } = shown;
  const [open, setOpen] = useState<OpenDialog | null>(null);
  const nowMs = useServerNow(1000);
  const { system } = useFormat();
  const whyNot = useWhyNot(plan, record, shown, nowMs);
  const { make, planWith } = usePlanAgain(context, plan);
  const view = plannedView(context.view, plan);
  const found = useMemo(() => foundThings(run.held, system), [run.held, system]);
  const show = (n: number | null): void => put({ step: n === null ? null : String(n) });
  const bench = useBench({ context, plan, run, shown, shop: context.view.shop, onDone: () => show(null) });
  const { shopId, steps: late } = useNotEntered(context.key);
  const { mutate: notYet } = useNotYet(shopId);
  // What was entered here a moment ago is not asked about.
  const notEntered = late.filter(({ n }) => run.steps.some((each) => each.step.n === n && !each.isDone));
  const isAllowed = whyNot.length === 0;
  const planOn = (): void => {
    setOpen(null);
    planWith({});
    show(null);
  };
  useRunKeys({
    go: (by) => {
      const to = run.steps[run.steps.indexOf(shown) + by];
      if (to) show(to.step.n);
    },
    finish: () => bench.finish(nowMs),
    mayFinish: isAllowed && !shown.isDone && open === null && !bench.name.isAsking,
  });
  return (
    <div className="run">
      <Benches
        at={context.key}
        who={bench.who}
        name={bench.name}
        onSeveral={run.next === null ? undefined : () => setOpen('catch-up')}
      />
      <RunHead run={run} shown={shown} panel={view.panel} onShow={show} />
      <RefusedEntries refused={record.refused} />
      <NotEnteredNotice steps={notEntered} onAsk={() => setOpen('catch-up')} />
      <MishapNotice
        mishaps={run.mishaps}
        isWaiting={record.waiting.length > 0}
        isPlanning={make.isPending}
        onWhy={() => setOpen('why')}
        onPlanOn={planOn}
      />
      {make.error && <Problem error={make.error} />}
      <div className="run-columns">
        <RunWhere
          step={step}
          all={areasOf(run.system.steps)}
          panel={view.panel}
          shop={view.shop}
          plan={plan}
          found={found}
        />
        <RunHow shown={shown} plan={plan} shopOfJob={context.key.job} whyNot={whyNot} onCheck={bench.check} />
        <RunSide
          run={run}
          shown={shown}
          plan={plan}
          panel={bench.clockPanel}
          begunMs={bench.begunMs}
          nowMs={nowMs}
        />
      </div>
      <Cautions cautions={step.cautions} />
      <RunActs
        shown={shown}
        isAllowed={isAllowed}
        isBegun={bench.begunMs !== undefined}
        onBegin={() => bench.begin(nowMs)}
        onDone={() => bench.finish(nowMs)}
        onDiffers={() => setOpen('done')}
        onReading={() => setOpen('reading')}
        onPhoto={() => setOpen('photo')}
        onWrong={() => setOpen('wrong')}
      />
      {open === 'catch-up' && !bench.name.isAsking && (
        <CatchUp
          at={context.key}
          panelName={view.panel.name}
          shop={context.view.shop}
          asked={notEntered}
          {...(notEntered.length > 0
            ? {
                onNotYet: () => {
                  notYet(notEntered);
                  setOpen(null);
                },
              }
            : {})}
          onClose={() => setOpen(null)}
        />
      )}
      <RunDialogs
        open={open}
        at={context.key}
        plan={plan}
        record={record}
        run={run}
        shown={shown}
        bench={bench}
        nowMs={nowMs}
        onClose={() => setOpen(null)}
        onPlanOn={planOn}
      />
    </div>
  );
}
