import { areasOf, clockOfStep, clockPlace, stepTitle, type NewEntry, type Step } from '@blue-ledge/core';
import { Button, Spin } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { startStepClock } from '../../clocks/start.ts';
import { useServerNow } from '../../clocks/use-server-now.ts';
import { useClocks } from '../../api/clock-queries.ts';
import { plannedView, type PlanOnScreen } from '../../api/opened-plan.ts';
import { isOpened, usePlan } from '../../api/queries.ts';
import { usePanelRecord, type PanelRecord } from '../../api/record-queries.ts';
import { enter } from '../../outbox/record.ts';
import { Problem } from '../../shared/Problem.tsx';
import { useSearchPut } from '../../shared/use-search-put.ts';
import { announce } from '../../state/announce.ts';
import { useBegunSteps } from '../../state/begun-steps.ts';
import { usePanelContext, type PanelContext } from '../panel-context.ts';
import { usePlanAgain } from '../use-plan-again.ts';
import { Benches } from './Benches.tsx';
import { Cautions } from './Cautions.tsx';
import { DiagnosisDrawer } from './DiagnosisDrawer.tsx';
import { DoneDialog } from './DoneDialog.tsx';
import { ReadingDialog } from './ReadingDialog.tsx';
import { RefusedEntries } from './RefusedEntries.tsx';
import { RunActs } from './RunActs.tsx';
import { RunHead } from './RunHead.tsx';
import { RunHow } from './RunHow.tsx';
import { RunSide } from './RunSide.tsx';
import { RunWhere } from './RunWhere.tsx';
import { useRun, useWhyNot, type Run } from './use-run.ts';
import { useWho, WhoDialog } from './Who.tsx';
import { doneAsPlanned, takenBack, writeEntry } from './write-entry.ts';
import { WrongDialog } from './WrongDialog.tsx';
import './run.css';

/** Run: the bench. One step large; what was really done goes into the record, on this device first. */
export function RunStage() {
  const context = usePanelContext();
  const { data: plan, error, isPending } = usePlan(context.key);
  const { record, error: recordError } = usePanelRecord(context.key);
  const run = useRun(isOpened(plan) ? plan : null, record);
  if (error ?? recordError) return <Problem error={(error ?? recordError)!} />;
  if (isPending) return <Spin className="stage-wait" description="Fetching the plan" />;
  if (!isOpened(plan) || !run)
    return (
      <div className="no-plan">
        <h2>Nothing to run yet</h2>
        <p>
          {plan
            ? 'No system is chosen for this panel, or its zone has to be set right first.'
            : 'This panel has no plan: the bench shows one step at a time of a system that was chosen.'}
        </p>
        <p>
          <Link to="../system">Open its System stage</Link>
        </p>
      </div>
    );
  return <Bench context={context} plan={plan} record={record} run={run} />;
}

interface BenchProps {
  readonly context: PanelContext;
  readonly plan: PlanOnScreen;
  readonly record: PanelRecord;
  readonly run: Run;
}

type Open = 'done' | 'reading' | 'wrong' | 'why' | 'who';

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('input, textarea, select, [role="dialog"], button, a') !== null;

function Bench({ context, plan, record, run }: BenchProps) {
  const [search, put] = useSearchPut();
  const asked = Number(search.get('step') ?? NaN);
  const shown = run.steps.find(({ step }) => step.n === asked) ?? run.next ?? run.steps.at(-1)!;
  const who = useWho(context.view.shop);
  const [open, setOpen] = useState<Open | null>(null);
  /** What was entered last on this screen, to be taken back. */
  const [last, setLast] = useState<{ readonly entry: NewEntry; readonly title: string } | null>(null);
  /** What waits for somebody to say who they are. */
  const pending = useRef<((by: string) => void) | null>(null);
  const now = useServerNow(1000);
  const whyNot = useWhyNot(plan, record, shown, now);
  const clocks = useClocks();
  const begun = useBegunSteps((state) => state.byStep[`${plan.id}/${shown.step.n}`]);
  const { step } = shown;
  const title = `${step.n}. ${stepTitle(step)}`;
  const view = plannedView(context.view, plan);
  const { make, planWith } = usePlanAgain(context, plan);

  const planOn = (): void => {
    setOpen(null);
    planWith({});
    put({ step: null });
  };
  const as = (act: (by: string) => void): void => {
    if (who.name) return act(who.name);
    pending.current = act;
    setOpen('who');
  };
  const write = (entry: NewEntry, words: string): void => {
    enter(context.key, entry, words);
    setLast({ entry, title: words });
    announce(`Entered: ${words}.`);
  };
  const ref = { planId: plan.id, systemId: run.system.id };
  const clockPanel = {
    jobId: view.job.id,
    panelId: view.panel.id,
    panelName: view.panel.name,
    ...ref,
    shop: context.view.shop,
  };
  const startClock = ({ n }: Step, agoMin: number): void => {
    const startable = clockOfStep(n, run.system.steps, plan.opened.sheetOf);
    if (!startable || startable.n !== n || startable.work.kind === 'minutes') return;
    const place = clockPlace({ ...clockPanel, n }, startable.title);
    const isRunning = clocks.some(
      ({ clock: { step: of, title: name } }) => of && clockPlace(of, name) === place,
    );
    if (!isRunning) startStepClock(startable, clockPanel, plan.opened.missedCostOf, agoMin);
  };
  const finish = (more: object = {}, agoMin = 0): void =>
    as((by) => {
      const minutes =
        begun === undefined ? undefined : Math.max(1, Math.round((now - begun) / 60_000) - agoMin);
      const body = {
        ...doneAsPlanned(step, shown.act, ref),
        ...(minutes === undefined ? {} : { minutes }),
        ...more,
      };
      write(writeEntry({ by, kind: 'act', body, agoMin }), `${title} done`);
      useBegunSteps.getState().end(`${plan.id}/${step.n}`);
      startClock(step, agoMin);
      setOpen(null);
      put({ step: null });
    });

  const go = (by: number): void => {
    const to = run.steps[run.steps.indexOf(shown) + by];
    if (to) put({ step: String(to.step.n) });
  };
  const mayFinish = whyNot.length === 0 && !shown.isDone && open === null;
  const keys = useRef({ go, finish, mayFinish });
  useEffect(() => {
    keys.current = { go, finish, mayFinish };
  });
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === 'ArrowRight' || event.key === 'PageDown') keys.current.go(1);
      else if (event.key === 'ArrowLeft' || event.key === 'PageUp') keys.current.go(-1);
      else if (event.key === 'Enter' && !event.repeat && keys.current.mayFinish) keys.current.finish();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);

  const checks = checksDone(record, plan.id, step.n);
  return (
    <div className="run">
      <Benches
        at={context.key}
        who={who}
        onWho={() => setOpen('who')}
        last={last?.title ?? null}
        onUndo={() =>
          as((by) => {
            if (!last) return;
            write(takenBack(by, last.entry), `taken back: ${last.title}`);
            setLast(null);
          })
        }
      />
      <RunHead run={run} shown={shown} panel={view.panel} onShow={(n) => put({ step: String(n) })} />
      <RefusedEntries refused={record.refused} />
      {run.mishaps.length > 0 && (
        <div className="plan-notice" role="status">
          <span>
            <b>The panel is not as planned any more:</b>{' '}
            {[...new Set(run.mishaps.map(({ body }) => body.defect.replaceAll('-', ' ')))].join(', ')}. Plan
            the rest from what is really there.
          </span>
          <span className="term-acts">
            <Button onClick={() => setOpen('why')}>Why, and how it is put right…</Button>
            <Button
              type="primary"
              loading={make.isPending}
              disabled={record.waiting.length > 0}
              onClick={planOn}
            >
              {record.waiting.length > 0 ? 'Waits for the server' : 'Plan on from here'}
            </Button>
          </span>
        </div>
      )}
      {make.error && <Problem error={make.error} />}
      <div className="run-columns">
        <RunWhere
          step={step}
          all={areasOf(run.system.steps)}
          panel={view.panel}
          shop={view.shop}
          plan={plan}
        />
        <RunHow
          shown={shown}
          plan={plan}
          shopOfJob={context.key.job}
          whyNot={whyNot}
          checks={checks}
          onCheck={(check, outcome) =>
            as((by) =>
              write(
                writeEntry({
                  by,
                  kind: 'check',
                  body: { check: check.check, outcome, zones: [...step.areas], step: { ...ref, n: step.n } },
                }),
                `${check.title}: ${outcome}`,
              ),
            )
          }
        />
        <RunSide run={run} shown={shown} plan={plan} panel={clockPanel} begunMs={begun} nowMs={now} />
      </div>
      <Cautions cautions={step.cautions} />
      <RunActs
        shown={shown}
        isAllowed={whyNot.length === 0}
        isBegun={begun !== undefined}
        onBegin={() => useBegunSteps.getState().begin(`${plan.id}/${step.n}`, now)}
        onDone={() => finish()}
        onDiffers={() => setOpen('done')}
        onReading={() => setOpen('reading')}
        onWrong={() => setOpen('wrong')}
      />
      {open === 'done' && (
        <DoneDialog step={step} act={shown.act} onClose={() => setOpen(null)} onDone={finish} />
      )}
      {open === 'reading' && (
        <ReadingDialog
          step={step}
          zones={view.panel.zones.map(({ id }) => id)}
          onClose={() => setOpen(null)}
          onRead={(body) =>
            as((by) => {
              write(
                writeEntry({ by, kind: 'reading', body: { ...body, step: { ...ref, n: step.n } } }),
                `reading on ${body.zone}`,
              );
              setOpen(null);
            })
          }
        />
      )}
      {open === 'wrong' && (
        <WrongDialog
          step={step}
          fold={run.fold}
          onClose={() => setOpen(null)}
          onFound={(body, words) =>
            as((by) => {
              write(
                writeEntry({ by, kind: 'defect', body: { ...body, step: { ...ref, n: step.n } } }),
                words,
              );
              setOpen(null);
            })
          }
          onNote={(text) =>
            as((by) => {
              write(writeEntry({ by, kind: 'note', body: { text, step: { ...ref, n: step.n } } }), 'a note');
              setOpen(null);
            })
          }
        />
      )}
      {open === 'why' && run.mishaps.length > 0 && (
        <DiagnosisDrawer
          at={context.key}
          task={plan.plan.inputs}
          entries={record.entries}
          utcOffsetMin={record.kept?.utcOffsetMin ?? 0}
          fold={run.fold}
          defect={run.mishaps.at(-1)!.body.defect}
          onClose={() => setOpen(null)}
          onPlan={record.waiting.length > 0 ? undefined : planOn}
        />
      )}
      {open === 'who' && (
        <WhoDialog
          who={who}
          onClose={() => {
            pending.current = null;
            setOpen(null);
          }}
          onPick={(name) => {
            who.choose(name);
            setOpen(null);
            pending.current?.(name);
            pending.current = null;
          }}
        />
      )}
    </div>
  );
}

/** What the checks of a step came to, the last word of each. */
function checksDone(
  { entries }: PanelRecord,
  planId: string,
  n: number,
): ReadonlyMap<string, 'passes' | 'fails'> {
  return new Map(
    entries.flatMap((entry) =>
      entry.kind === 'check' && entry.body.step?.planId === planId && entry.body.step.n === n
        ? [[entry.body.check, entry.body.outcome] as const]
        : [],
    ),
  );
}
