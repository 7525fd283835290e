import {
  asPlanned,
  endingAt,
  foldRecord,
  stateOfFold,
  stepTitle,
  type CaughtUp,
  type NewEntry,
  type NotEntered,
  type Shop,
  type TrueState,
} from '@blue-ledge/core';
import { Checkbox, Radio } from 'antd';
import dayjs from 'dayjs';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { isOpened, usePlan, type PanelKey } from '../../api/queries.ts';
import { usePanelRecord, type PanelRecord } from '../../api/record-queries.ts';
import { enterAll } from '../../outbox/record.ts';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { announce } from '../../state/announce.ts';
import { rememberLast } from '../../state/last-entries.ts';
import { fieldOf, momentText, startOf } from '../../state/now.ts';
import { serverNow } from '../../state/server-time.ts';
import { useFormat } from '../../state/units.ts';
import { useRun, type Run, type RunStep } from './use-run.ts';
import { useUnderName, useWho, WhoDialog } from './Who.tsx';
import { doneAsPlanned, writeEntry } from './write-entry.ts';
import './entering.css';

/** Several steps that were done and not entered: asked for together, at their planned times or others. */

const MINUTE_MS = 60_000;

interface CatchUpProps {
  readonly at: PanelKey;
  readonly panelName: string;
  readonly shop: Shop;
  /** Steps that should be done by now, with the times at which they stood in the bay. */
  readonly asked: readonly NotEntered[];
  /** Says that they were not done; left out where nothing is asked. */
  readonly onNotYet?: () => void;
  readonly onClose: () => void;
}

export function CatchUp(props: CatchUpProps) {
  const { data: plan, error } = usePlan(props.at);
  const { record, error: recordError } = usePanelRecord(props.at);
  const opened = isOpened(plan) ? plan : null;
  const run = useRun(opened, record);
  if (!opened || !run || !record.kept)
    return (
      <Dialog title={`Were these done? ${props.panelName}`} onClose={props.onClose}>
        {(error ?? recordError) ? (
          <Problem error={(error ?? recordError)!} />
        ) : (
          <p role="status">Fetching the steps of this panel…</p>
        )}
      </Dialog>
    );
  // Another plan has other steps: what was ticked is not meant for those.
  return <CatchUpDialog key={opened.id} {...props} plan={opened} record={record} run={run} />;
}

/** Times are chosen as they were planned, or one after the other up to a moment. */
type Mode = 'planned' | 'until';

interface CatchUpDialogProps extends CatchUpProps {
  readonly plan: PlanOnScreen;
  readonly record: PanelRecord;
  readonly run: Run;
}

const msOf = (at: NotEntered['end']): number =>
  dayjs(at.startOn).startOf('day').add(at.startMin, 'minute').valueOf();

/** Nothing was done by a plan before the plan was made, nor before what was entered last. */
const fromMsOf = (plan: PlanOnScreen, { entries }: PanelRecord): number =>
  Math.max(Date.parse(plan.createdAt), ...entries.map((entry) => Date.parse(entry.at)));

/** Which steps are ticked and when each of them ended, by how the times are chosen. */
function useTimes({
  asked,
  plan,
  record,
  run,
}: Pick<CatchUpDialogProps, 'asked' | 'plan' | 'record' | 'run'>) {
  const [nowMs] = useState(serverNow);
  const [mode, setMode] = useState<Mode>(asked.length > 0 ? 'planned' : 'until');
  const [until, setUntil] = useState(() => fieldOf(startOf(nowMs)));
  const open = run.steps.filter(({ isDone }) => !isDone);
  // By its number: somebody else may enter steps meanwhile, and nothing further is ticked by that.
  const [untilN, setUntilN] = useState(() => open[Math.max(0, lastAsked(open, asked))]?.step.n ?? 0);
  const ticked = open.filter(({ step }) => step.n <= untilN);
  const steps = ticked.map(({ step }) => step);
  const terms = { fromMin: fromMsOf(plan, record) / MINUTE_MS, nowMin: nowMs / MINUTE_MS };
  const plannedEnd = (n: number): number | null => {
    const step = asked.find((each) => each.n === n);
    return step ? msOf(step.end) / MINUTE_MS : null;
  };
  const untilMs = dayjs(until).valueOf();
  return {
    open,
    ticked,
    setUntilN,
    mode,
    setMode,
    until,
    setUntil,
    isWrong: mode === 'until' && !(untilMs <= nowMs + MINUTE_MS),
    times:
      mode === 'planned'
        ? asPlanned(steps, plannedEnd, terms)
        : endingAt(steps, Math.min(untilMs, nowMs) / MINUTE_MS, terms),
  };
}

type Times = ReturnType<typeof useTimes>;

function CatchUpDialog(props: CatchUpDialogProps) {
  const { at, panelName, shop, asked, plan, record, run, onNotYet, onClose } = props;
  const who = useWho(shop);
  const name = useUnderName(who);
  const chosen = useTimes(props);
  const { ticked, times, isWrong } = chosen;
  const entriesBy = (by: string): NewEntry[] =>
    ticked.map((each, i) => entryOf(each, times[i]!, { by, plan, run }));
  const broken = useBroken(plan, record, isWrong ? [] : entriesBy('?'));
  const words = `${ticked.length} ${ticked.length === 1 ? 'step' : 'steps'}`;
  const write = (by: string): void => {
    const entries = entriesBy(by);
    enterAll(
      at,
      entries.map((entry, i) => ({ entry, title: `${titleOf(ticked[i]!)} done` })),
    );
    rememberLast(at, entries, `${words} done`);
    announce(`Entered: ${words} done.`);
    onClose();
  };
  if (name.isAsking) return <WhoDialog who={who} onClose={() => name.answer(null)} onPick={name.answer} />;
  return (
    <Dialog
      title={asked.length > 0 ? `Were these done? ${panelName}` : `Several steps were done: ${panelName}`}
      width={640}
      act={{
        label: `Enter ${words} as done`,
        run: () => name.as(write),
        isOff: isWrong || ticked.length === 0,
      }}
      {...(onNotYet ? { other: { label: 'Not yet', run: onNotYet } } : {})}
      onClose={onClose}
    >
      <p>
        {asked.length > 0 && 'Nobody entered them, so they are not done. '}Tick what was done as planned; what
        was done otherwise is entered at{' '}
        <Link to={`/jobs/${at.job}/panels/${at.panel}/run`} onClick={onClose}>
          its step
        </Link>
        .
      </p>
      <When chosen={chosen} isAsked={asked.length > 0} />
      <Steps chosen={chosen} />
      <Broken broken={broken} />
    </Dialog>
  );
}

const titleOf = ({ step }: RunStep): string => `${step.n}. ${stepTitle(step)}`;

/** At which times the steps are entered. */
const When = ({ chosen, isAsked }: { readonly chosen: Times; readonly isAsked: boolean }) => (
  <>
    <Radio.Group
      value={chosen.mode}
      onChange={({ target }) => chosen.setMode(target.value as Mode)}
      options={[
        { value: 'planned', label: 'At their times in the bay', disabled: !isAsked },
        { value: 'until', label: 'One after the other, the last ended at' },
      ]}
    />
    {chosen.mode === 'until' && (
      <p>
        <input
          type="datetime-local"
          className="plain-field"
          aria-label="The last ended at"
          value={chosen.until}
          onChange={({ target }) => chosen.setUntil(target.value)}
        />
        {chosen.isWrong && (
          <span className="field-problem"> That lies ahead. Give the time at which it ended.</span>
        )}
      </p>
    )}
  </>
);

/** The steps, ticked up to one of them: what is done later was not done before what comes first. */
const Steps = ({ chosen: { open, ticked, setUntilN, times } }: { readonly chosen: Times }) => (
  <ol className="catch-up">
    {open.slice(0, ticked.length + MOST_AHEAD).map((each, i) => (
      <li key={each.step.n}>
        <Checkbox
          checked={i < ticked.length}
          onChange={() => setUntilN(i < ticked.length ? (open[i - 1]?.step.n ?? 0) : each.step.n)}
        >
          {titleOf(each)}
        </Checkbox>
        {i < ticked.length && <b>{momentText(times[i]!.endMin * MINUTE_MS)}</b>}
      </li>
    ))}
  </ol>
);

/** Steps after the ticked ones that are shown, to be ticked as well. */
const MOST_AHEAD = 4;

/** Place of the last step that is asked about. */
const lastAsked = (open: readonly RunStep[], asked: readonly NotEntered[]): number =>
  open.findLastIndex(({ step }) => asked.some(({ n }) => n === step.n));

interface Written {
  readonly by: string;
  readonly plan: PlanOnScreen;
  readonly run: Run;
}

const entryOf = ({ step, act }: RunStep, { endMin }: CaughtUp, { by, plan, run }: Written): NewEntry =>
  writeEntry({
    by,
    kind: 'act',
    body: { ...doneAsPlanned(step, act, { planId: plan.id, systemId: run.system.id }), afterwards: true },
    atMs: Math.round(endMin * MINUTE_MS),
  });

type Unkept = TrueState['broken'][number];

/** Rules that would not be kept at these times. */
function useBroken(plan: PlanOnScreen, { entries, kept }: PanelRecord, more: readonly NewEntry[]): Unkept[] {
  const mark = more.map(({ at }) => at).join(' ');
  return useMemo(() => {
    const ids = new Set(more.map(({ id }) => id));
    const utcOffsetMin = kept?.utcOffsetMin ?? 0;
    const { broken } = stateOfFold(foldRecord(plan.plan.inputs, [...entries, ...more], { utcOffsetMin }));
    return broken.filter(({ entryId }) => ids.has(entryId));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- entries are made anew with each look: their times are what counts
  }, [plan, entries, kept, mark]);
}

function Broken({ broken }: { readonly broken: readonly Unkept[] }) {
  const { said } = useFormat();
  if (broken.length === 0) return null;
  return (
    <div className="problem" role="status">
      <p>
        <b>At these times {broken.length === 1 ? 'a rule is' : `${broken.length} rules are`} not kept:</b>
      </p>
      <ul>
        {[...new Set(broken.map(said))].map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </div>
  );
}
