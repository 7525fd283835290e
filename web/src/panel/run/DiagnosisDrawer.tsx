import {
  capital,
  CAUSE_WORDS,
  DEFECT_WORDS,
  areaTitle,
  diagnose,
  labelOf,
  placeWords,
  reworkIn,
  stepFigure,
  stepTitle,
  type Answers,
  type Defect,
  type Diagnosis,
  type Fold,
  type NewEntry,
  type PlanTask,
  type RankedCause,
  type Rework,
} from '@blue-ledge/core';
import { Button, Spin } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { usePreview, type PanelKey } from '../../api/queries.ts';
import { SideDrawer } from '../../shared/dialog/SideDrawer.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { useFormat } from '../../state/units.ts';

interface DiagnosisDrawerProps {
  readonly at: PanelKey;
  readonly task: PlanTask;
  readonly entries: readonly NewEntry[];
  readonly utcOffsetMin: number;
  readonly fold: Fold;
  readonly defect: Defect;
  /** Entries are still on their way: a plan would not know of them. */
  readonly isWaiting: boolean;
  readonly onClose: () => void;
  /** Takes the rework into the plan. */
  readonly onPlan: () => void;
}

/** Why a defect came, as far as the record tells, and how it is put right. */
export function DiagnosisDrawer({
  at,
  task,
  entries,
  utcOffsetMin,
  fold,
  defect,
  isWaiting,
  onClose,
  onPlan,
}: DiagnosisDrawerProps) {
  const [answers, setAnswers] = useState<Answers>({});
  const found = useMemo(
    () => diagnose(task, entries, defect, { utcOffsetMin, answers }),
    [task, entries, defect, utcOffsetMin, answers],
  );
  const { title, looks } = DEFECT_WORDS[defect];
  return (
    <SideDrawer
      title={`${title}: why, and how it is put right`}
      size={760}
      onClose={onClose}
      extra={
        !isWaiting && (
          <Button type="primary" onClick={onPlan}>
            Plan on from here
          </Button>
        )
      }
    >
      <p>
        {capital(looks)}
        {found && `; ${areaTitle(found.area)}`}.
      </p>
      {found && <Causes found={found} />}
      {found && (
        <Questions
          found={found}
          answers={answers}
          onAnswer={(fact, is) => setAnswers({ ...answers, [fact]: is })}
        />
      )}
      <ReworkOf at={at} fold={fold} nEntries={entries.length} isWaiting={isWaiting} />
    </SideDrawer>
  );
}

function Causes({ found: { causes } }: { readonly found: Diagnosis }) {
  if (causes.length === 0) return <p>It will not cure: nothing has to be found out, it comes off.</p>;
  return (
    <section className="why">
      <h3>What probably caused it</h3>
      <ol className="causes">
        {causes.map((cause) => (
          <CauseRow key={cause.cause} ranked={cause} />
        ))}
      </ol>
      <p className="note">How likely each is by what the record says; never a certainty.</p>
    </section>
  );
}

function CauseRow({ ranked }: { readonly ranked: RankedCause }) {
  const { cause, likelihood, for: speaksFor, against, measure } = ranked;
  const percent = Math.round(likelihood * 100);
  return (
    <li>
      <span className="cause-bar" style={{ inlineSize: `${Math.max(2, percent)}%` }} aria-hidden="true" />
      <b>{CAUSE_WORDS[cause]}</b>
      <span className="cause-share">{percent} %</span>
      {speaksFor.length > 0 && <p>For it: {speaksFor.join('; ')}.</p>}
      {against.length > 0 && <p>Against it: {against.join('; ')}.</p>}
      {measure.length > 0 && <p className="note">To find out: {measure.join(' ')}</p>}
    </li>
  );
}

interface QuestionsProps {
  readonly found: Diagnosis;
  readonly answers: Answers;
  readonly onAnswer: (fact: Diagnosis['questions'][number]['fact'], is: boolean) => void;
}

function Questions({ found: { questions }, onAnswer }: QuestionsProps) {
  if (questions.length === 0) return null;
  return (
    <section className="why">
      <h3>What would tell</h3>
      <ul className="questions">
        {questions.map(({ fact, text, is, isNot }) => (
          <li key={fact}>
            <span>{text}</span>
            <Button onClick={() => onAnswer(fact, true)}>{is}</Button>
            <Button onClick={() => onAnswer(fact, false)}>{isNot}</Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface ReworkOfProps {
  readonly at: PanelKey;
  readonly fold: Fold;
  /** More of them, and it is asked for anew. */
  readonly nEntries: number;
  readonly isWaiting: boolean;
}

/** The rework, as the server plans it once it knows of every entry. */
function ReworkOf({ at, fold, nEntries, isWaiting }: ReworkOfProps) {
  const preview = usePreview(at);
  const { mutate } = preview;
  useEffect(() => {
    if (!isWaiting) mutate({});
  }, [mutate, isWaiting, nEntries]);
  const rework = useMemo(() => preview.data && reworkIn(preview.data.plan, fold), [preview.data, fold]);
  return (
    <section className="why">
      <h3>How it is put right</h3>
      {isWaiting && <p role="status">Waits for the server: what was entered has not reached it yet.</p>}
      {!isWaiting && preview.error && <Problem error={preview.error} />}
      {preview.isPending && <Spin description="Planning the rework" />}
      {!isWaiting && !preview.isPending && rework && <Steps rework={rework} />}
    </section>
  );
}

function Steps({ rework: { backToN, removes, steps, becomes, problems } }: { readonly rework: Rework }) {
  const { system, minutes } = useFormat();
  if (steps.length === 0)
    return (
      <ul>
        {problems.map((problem) => (
          <li key={problem}>{problem}</li>
        ))}
      </ul>
    );
  const handsOnMin = steps.reduce((sum, step) => sum + step.handsOnMin, 0);
  return (
    <>
      <p>
        {backToN > 0 ? `Back to what step ${backToN} did. ` : ''}
        {removes.length > 0
          ? `What comes off: ${removes.map(({ area, kinds }) => `${kinds.map(labelOf).join(' and ')} on ${areaTitle(area)}`).join('; ')}. `
          : 'No layer comes off as a whole. '}
        {steps.length} steps are left, <b>{minutes(handsOnMin)}</b> of hands-on work.
      </p>
      {becomes.map(({ zoneId, text }) => (
        <p key={zoneId}>
          <b>{areaTitle(zoneId ?? '')}:</b> {text}
        </p>
      ))}
      <ol className="rework">
        {steps.map((step) => {
          const figure = stepFigure(step, system);
          return (
            <li key={step.n}>
              {stepTitle(step)} <span className="note">{placeWords(step.areas)}</span>
              {figure && <b> {figure.text}</b>}
            </li>
          );
        })}
      </ol>
    </>
  );
}
