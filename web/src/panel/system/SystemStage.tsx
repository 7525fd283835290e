import { Button, Spin } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { areaTitle, isPast, type PanelPlan, type PlanInput, type Shop, type System } from '@blue-ledge/core';
import { plannedView } from '../../api/opened-plan.ts';
import { placeText } from '../../api/in-line.ts';
import { isOpened, useChooseSystem } from '../../api/queries.ts';
import { isTimed, useTimedPlan } from '../../api/timed-plan.ts';
import { usePanelRecord } from '../../api/record-queries.ts';
import { useLatest } from '../../shared/use-latest.ts';
import { AfterPaint } from '../../shared/AfterPaint.tsx';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { useFormat } from '../../state/units.ts';
import { useUnsentAt } from '../../outbox/use-outbox.ts';
import { nowHere, shopTime } from '../../state/now.ts';
import { usePanelContext, type PanelContext } from '../panel-context.ts';
import { announce } from '../../state/announce.ts';
import { focusSoon } from '../../shell/focus.ts';
import { usePlanAgain } from '../use-plan-again.ts';
import { ChoiceNotice } from './ChoiceNotice.tsx';
import { DecidingTests } from './DecidingTests.tsx';
import { NoSystemNotice, hasNoSystem } from './NoSystemNotice.tsx';
import { PlanBoard } from './PlanBoard.tsx';
import { PlanTerms } from './PlanTerms.tsx';
import { SchoolsDrawer } from './SchoolsDrawer.tsx';
import { shopChanges } from './shop-changes.ts';
import { Stops } from './Stops.tsx';
import { PreviewDialog } from './PreviewDialog.tsx';
import { WhyNotDrawer } from './WhyNotDrawer.tsx';
import './system.css';

/** System: asks for systems, compares them, and shows the one that is looked at step by step. */
export function SystemStage() {
  const context = usePanelContext();
  const { data: plan, error, isPending } = useTimedPlan(context.key);
  const { terms, make, planWith } = usePlanAgain(context, plan);
  const choose = useChooseSystem(context.key, plan);
  const { record } = usePanelRecord(context.key);
  const systems = useLatest(isOpened(plan) ? plan.opened.view.systems : []);
  const [open, setOpen] = useState<'schools' | 'why-not' | null>(null);
  /** A system that was picked from a plan whose inputs have changed since. */
  const [isPreviewing, setIsPreviewing] = useState(false);
  const [doubtful, setDoubtful] = useState<string | null>(null);
  const madeId = make.data?.id;
  const chosenId = choose.data?.chosen;
  useEffect(() => {
    if (madeId === undefined) return;
    announce(madeText(systems.current));
    focusSoon(['#steps-head']);
  }, [madeId, systems]);
  useEffect(() => {
    if (chosenId === undefined) return;
    const title = systems.current.find(({ id }) => id === chosenId)?.title;
    announce(`Chosen: ${title ?? chosenId}.`);
    focusSoon(['#steps-head']);
  }, [chosenId, systems]);
  if (error) return <Problem error={error} />;
  if (isPending) return <Spin className="stage-wait" description="Fetching the plan" />;
  const now = nowHere();
  const { schools = {}, products: taken = [], done = [] } = terms;
  const ask = (
    <AskButton
      label={placeText(make.place) ?? (plan ? 'Plan again' : 'Ask for systems')}
      isBusy={make.isPending}
      onClick={() => planWith({})}
      context={context}
    />
  );
  if (!plan) return <NoPlan ask={ask} error={make.error} />;
  if (!isTimed(plan)) return <NoPlan ask={ask} error={make.error} isTooOld />;
  const { view } = plan.opened;
  const { inputs } = plan.plan;
  const choosing = (systemId: string): void =>
    plan.changed.length > 0 ? setDoubtful(systemId) : choose.mutate({ systemId, evenIfChanged: false });
  return (
    <div className="system">
      {(make.error ?? choose.error) && <Problem error={(make.error ?? choose.error)!} />}
      <PlanState
        changed={plan.changed}
        shop={{ before: inputs.shop, now: context.view.shop }}
        passed={
          done.length === 0 &&
          inputs.isStartFixed &&
          view.startOn &&
          isPast({ ...view, startOn: view.startOn }, now)
            ? shopTime(view, 0)
            : null
        }
        ask={
          <span className="term-acts">
            {plan.changed.length > 0 && (
              <Button onClick={() => setIsPreviewing(true)}>What would change?</Button>
            )}
            {ask}
          </span>
        }
      />
      <NoSystemNotice panelKey={context.key} plan={plan} ask={plan.changed.length === 0 && ask} />
      <ChoiceNotice panelKey={context.key} plan={plan} />
      <PlanTerms plan={view} onPlan={planWith} />
      <Stops stopped={view.stopped} panelKey={context.key} view={context.view} />
      {!hasNoSystem(view) && <Warnings warnings={view.warnings} />}
      <DecidingTests tests={plan.tests ?? []} />
      <AfterPaint>
        <PlanBoard
          plan={plan}
          view={plannedView(context.view, plan)}
          isChoosing={choose.isPending}
          isBegun={record.entries.some(({ kind }) => kind === 'act')}
          onChoose={choosing}
          onReplan={planWith}
          onStart={(start) => planWith({ ...start, isStartFixed: true })}
          onTake={(sheetId, inPlaceOf) =>
            planWith({ products: [...taken.filter((id) => !inPlaceOf.includes(id)), sheetId] })
          }
          onSchools={() => setOpen('schools')}
          onWhyNot={() => setOpen('why-not')}
        />
      </AfterPaint>
      {isPreviewing && (
        <PreviewDialog
          panelKey={context.key}
          plan={plan}
          terms={terms}
          onClose={() => setIsPreviewing(false)}
          onPlan={() => {
            setIsPreviewing(false);
            planWith({});
          }}
        />
      )}
      {open === 'schools' && (
        <SchoolsDrawer
          view={context.view}
          chosen={schools}
          onClose={() => setOpen(null)}
          onPlan={(chosen) => {
            setOpen(null);
            planWith({ schools: chosen });
          }}
        />
      )}
      {open === 'why-not' && (
        <WhyNotDrawer
          panelKey={context.key}
          plan={plan}
          schools={schools}
          onClose={() => setOpen(null)}
          onUse={(own) => {
            setOpen(null);
            planWith({ own });
          }}
        />
      )}
      {doubtful !== null && (
        <Dialog
          title="Choose from a plan that is out of date?"
          act={{
            label: 'Choose it all the same',
            run: () => {
              choose.mutate({ systemId: doubtful, evenIfChanged: true });
              setDoubtful(null);
            },
          }}
          onClose={() => setDoubtful(null)}
        >
          <p>
            {changedText(plan.changed)} changed since it was made, and the system may not fit any more.
            Planning again takes a moment.
          </p>
        </Dialog>
      )}
    </div>
  );
}

/** "5 systems ready, 6 refused." */
function madeText(systems: readonly System[]): string {
  const nReady = systems.filter(({ verdict }) => verdict === 'ready').length;
  const ready = nReady === 1 ? '1 system ready' : `${nReady} systems ready`;
  return `${ready}, ${systems.length - nReady} refused.`;
}

interface AskButtonProps {
  readonly label: string;
  readonly isBusy: boolean;
  readonly onClick: () => void;
  readonly context: PanelContext;
}

/** Plans are made from what the server has: edits still on their way are waited for. */
function AskButton({ label, isBusy, onClick, context }: AskButtonProps) {
  const { nWaiting, nRefused } = useUnsentAt(context.key);
  const why = nRefused > 0 ? 'A zone is not saved: see the survey' : 'Waiting for the survey to be saved';
  return (
    <Button
      type="primary"
      className="ledge-button"
      loading={isBusy}
      disabled={nWaiting > 0}
      onClick={onClick}
    >
      {nWaiting > 0 ? why : label}
    </Button>
  );
}

interface NoPlanProps {
  readonly ask: React.ReactNode;
  readonly error: Error | null;
  /** There is a plan, and another release made it. */
  readonly isTooOld?: boolean;
}

function NoPlan({ ask, error, isTooOld = false }: NoPlanProps) {
  return (
    <div className="no-plan">
      <h2>{isTooOld ? 'A plan of another release' : 'No system yet'}</h2>
      {isTooOld && (
        <p>
          This panel was planned by another release of the program, which kept plans in a form that this one
          cannot read. The plan is kept; plan again to go on.
        </p>
      )}
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
          {warning.zoneId && `${areaTitle(warning.zoneId)}: `}
          {said(warning)}
        </p>
      ))}
    </div>
  );
}

const INPUT_WORDS: Readonly<Record<PlanInput, string>> = {
  survey: 'the survey',
  shop: 'the shop’s settings',
  target: 'the target',
  sheets: 'product sheets',
  programme: 'the program’s rules',
};

/** "The survey and the shop’s settings have" */
function changedText(changed: readonly PlanInput[]): string {
  const words = changed.map((input) => INPUT_WORDS[input]);
  const last = words.at(-1) ?? '';
  const text = words.length > 1 ? `${words.slice(0, -1).join(', ')} and ${last}` : last;
  const isOne = words.length === 1 && /^the (survey|target)$/.test(last);
  return `${text.charAt(0).toUpperCase()}${text.slice(1)} ${isOne ? 'has' : 'have'}`;
}

interface PlanStateProps {
  readonly changed: readonly PlanInput[];
  readonly shop: { readonly before: Shop; readonly now: Shop };
  /** When it was to start, where that has passed and nothing is done. */
  readonly passed: string | null;
  readonly ask: React.ReactNode;
}

/** What the plan was made from and is different now; or that its start has passed. */
function PlanState({ changed, shop, passed, ask }: PlanStateProps) {
  const format = useFormat();
  const ofShop = changed.includes('shop') ? shopChanges(shop.before, shop.now, format) : [];
  if (changed.length === 0 && passed === null) return null;
  return (
    <div className="plan-notice" role="status">
      <span>
        {changed.length > 0 && (
          <>
            <b>{changedText(changed)} changed since this plan was made.</b>{' '}
            {ofShop.length > 0 && `The shop: ${ofShop.join('; ')}. `}It is shown as it was made.{' '}
          </>
        )}
        {passed !== null && (
          <>
            <b>Its start, {passed}, has passed.</b> Planned again, it starts with the next working hour.
          </>
        )}
      </span>
      {ask}
    </div>
  );
}
