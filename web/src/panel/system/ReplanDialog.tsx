import { GRADES, type Grade, type ActInput, type Step } from '@blue-ledge/core';
import { useState } from 'react';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { DoneRow, type DoneStep } from './DoneRow.tsx';

interface ReplanProps {
  readonly steps: readonly Step[];
  /** The last step that was done. */
  readonly n: number;
  /** The acts of all steps, waits included. */
  readonly acts: readonly ActInput[];
  readonly onPlan: (done: ActInput[]) => void;
  readonly onClose: () => void;
}

const MOST_HOURS = 60 * 24;

const asPlanned = (step: Step): DoneStep => ({
  isDone: true,
  coats: step.coats ?? null,
  lastGrade: step.grits?.at(-1) ?? null,
});

/** The act that was really done, or none where the step was left out; a coarser last grade ends the sequence early. */
function reallyDone(step: Step, planned: ActInput, { isDone, coats, lastGrade }: DoneStep): ActInput[] {
  if (!isDone) return [];
  const isOtherGrade = lastGrade !== null && lastGrade !== step.grits?.at(-1);
  return [
    {
      ...planned,
      ...(coats === null || coats === step.coats ? {} : { coats }),
      ...(isOtherGrade ? { grits: [...coarserThan(lastGrade, step.grits ?? []), lastGrade] } : {}),
    },
  ];
}

/** The step that was done last is what most often differs. */
const showLast = (list: HTMLOListElement | null): void =>
  list?.lastElementChild?.scrollIntoView({ block: 'nearest' });

const coarserThan = (grade: Grade, grades: readonly Grade[]): Grade[] =>
  grades.filter((each) => GRADES.indexOf(each) < GRADES.indexOf(grade));

/** Plan on from a step: what was done differently up to it, and how long the panel has been left since. */
export function ReplanDialog({ steps, n, acts: planAs, onPlan, onClose }: ReplanProps) {
  const planned = steps.slice(0, n);
  const [done, setDone] = useState(() => planned.map(asPlanned));
  const [leftHours, setLeftHours] = useState(0);
  const plan = (): void => {
    const acts = planned.flatMap((step, i) => reallyDone(step, planAs[i]!, done[i]!));
    const last = acts.at(-1);
    onPlan(last && leftHours > 0 ? [...acts.slice(0, -1), { ...last, thenMin: leftHours * 60 }] : acts);
  };
  return (
    <Dialog
      width={620}
      title="Plan on from here"
      act={{ label: 'Plan the rest', run: plan, isOff: !done.some(({ isDone }) => isDone) }}
      onClose={onClose}
    >
      <p>
        Steps 1 to {n} count as done as planned. Say what was different: untick what was left out, put in the
        coats and the last grade that were really used.
      </p>
      <ol className="done-rows" ref={showLast}>
        {planned.map((step, i) => (
          <DoneRow
            key={step.n}
            step={step}
            done={done[i]!}
            onChange={(changed) => setDone(done.map((each, at) => (at === i ? changed : each)))}
          />
        ))}
      </ol>
      <div className="field">
        <label htmlFor="replan-left">Left since then</label>
        <NumberInput
          id="replan-left"
          name="Left since then"
          from={0}
          to={MOST_HOURS}
          unit="h"
          value={leftHours}
          onChange={setLeftHours}
        />
      </div>
    </Dialog>
  );
}
