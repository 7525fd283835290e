import { doneAs, stepTitle, type OwnAct, type Step } from '@blue-ledge/core';
import { InputNumber, Modal } from 'antd';
import { useState } from 'react';

interface ReplanProps {
  readonly steps: readonly Step[];
  /** The last step that was done. */
  readonly n: number;
  /** What an earlier plan on this panel already counts as done, with its own times. */
  readonly before: readonly OwnAct[];
  readonly onPlan: (done: OwnAct[]) => void;
  readonly onClose: () => void;
}

const MOST_HOURS = 60 * 24;

/** Plan on from a step: what was done differently in it, and how long the panel has been left since. */
export function ReplanModal({ steps, n, before, onPlan, onClose }: ReplanProps) {
  const step = steps[n - 1]!;
  const [coats, setCoats] = useState(step.coats ?? null);
  const [leftHours, setLeftHours] = useState(0);
  const plan = (): void => {
    const done = steps.slice(0, n).map((each, i) => before[i] ?? doneAs(each));
    const last = { ...done[n - 1]!, ...(coats === null || coats === step.coats ? {} : { coats }) };
    onPlan([...done.slice(0, -1), leftHours > 0 ? { ...last, thenMin: leftHours * 60 } : last]);
  };
  return (
    <Modal open title="Plan on from here" okText="Plan the rest" onOk={plan} onCancel={onClose}>
      <p>
        Steps 1 to {n} count as done, the last one being <b>{stepTitle(step).toLowerCase()}</b>. Say what was
        different.
      </p>
      {step.coats !== undefined && (
        <div className="field">
          <label htmlFor="replan-coats">Coats that were really sprayed</label>
          <InputNumber
            id="replan-coats"
            min={1}
            max={8}
            precision={0}
            value={coats}
            onChange={(value) => value && setCoats(value)}
          />
        </div>
      )}
      <div className="field">
        <label htmlFor="replan-left">Left since then</label>
        <InputNumber
          id="replan-left"
          min={0}
          max={MOST_HOURS}
          suffix="h"
          value={leftHours}
          onChange={(value) => setLeftHours(value ?? 0)}
        />
      </div>
    </Modal>
  );
}
