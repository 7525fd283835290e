import { GRADES, stepTitle, type Grade, type Step } from '@blue-ledge/core';
import { Checkbox, Select } from 'antd';
import { NumberInput } from '../../shared/NumberInput.tsx';

/** What was really done of one step. */
export interface DoneStep {
  readonly isDone: boolean;
  readonly coats: number | null;
  readonly lastGrade: Grade | null;
}

interface DoneRowProps {
  readonly step: Step;
  readonly done: DoneStep;
  readonly onChange: (done: DoneStep) => void;
}

/** One step in the list of what was done: whether it was, and with which coats or last grade. */
export function DoneRow({ step, done, onChange }: DoneRowProps) {
  const title = stepTitle(step);
  return (
    <li>
      <Checkbox
        checked={done.isDone}
        onChange={({ target }) => onChange({ ...done, isDone: target.checked })}
      >
        {step.n}. {title}
      </Checkbox>
      {done.coats !== null && (
        <NumberInput
          name={`Coats sprayed in step ${step.n}`}
          from={1}
          to={8}
          isWhole
          unit="coats"
          disabled={!done.isDone}
          value={done.coats}
          onChange={(coats) => onChange({ ...done, coats })}
        />
      )}
      {done.lastGrade !== null && (
        <Select
          aria-label={`Last grade used in step ${step.n}`}
          disabled={!done.isDone}
          value={done.lastGrade}
          options={GRADES.map((grade) => ({ value: grade, label: grade }))}
          onChange={(lastGrade) => onChange({ ...done, lastGrade })}
        />
      )}
    </li>
  );
}
