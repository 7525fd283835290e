import { GRADES, isCoatOp, type ActInput, type CoatValues, type Grade, type Step } from '@blue-ledge/core';
import { Select } from 'antd';
import { useId, useState } from 'react';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { NoteField } from '../../shared/NoteField.tsx';
import { DialogFields } from '../../shared/DialogFields.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { Minutes, PlainNumber } from '../../shared/PlainNumber.tsx';

interface DoneDialogProps {
  readonly step: Step;
  readonly act: ActInput;
  readonly onClose: () => void;
  /** What differs of the act, and how long ago it ended. */
  readonly onDone: (more: object, agoMin: number) => void;
}

const MOST_AGO_MIN = 14 * 24 * 60;
const MOST_MINUTES = 24 * 60;

const coarserThan = (grade: Grade, grades: readonly Grade[]): Grade[] =>
  grades.filter((each) => GRADES.indexOf(each) < GRADES.indexOf(grade));

/** What was done otherwise than planned: everything stands as planned until it is changed. */
export function DoneDialog({ step, act, onClose, onDone }: DoneDialogProps) {
  const [coats, setCoats] = useState(step.coats ?? null);
  const [lastGrade, setLastGrade] = useState(step.grits?.at(-1) ?? null);
  const [minutes, setMinutes] = useState<number | null>(null);
  const [agoMin, setAgoMin] = useState(0);
  const [values, setValues] = useState<CoatValues>({});
  const [text, setText] = useState('');
  const gradeId = useId();
  const isSprayed = isCoatOp(step.op);
  const set = (field: keyof CoatValues, value: number | string | undefined): void => {
    const { [field]: _before, ...others } = values;
    setValues(value === undefined || value === '' ? others : { ...others, [field]: value });
  };
  const number = (
    field:
      'wetUm' | 'flashMin' | 'tipMm' | 'reductionPercent' | 'celsius' | 'surfaceCelsius' | 'relativeHumidity',
  ) => ({
    value: typeof values[field] === 'number' ? values[field] : null,
    onChange: (value: number) => set(field, value),
    onClear: () => set(field, undefined),
  });
  const done = (): void => {
    const isOtherGrade = lastGrade !== null && lastGrade !== step.grits?.at(-1);
    const instead = {
      ...(coats === null || coats === step.coats ? {} : { coats: step.coats! }),
      ...(isOtherGrade ? { grades: step.grits!.join(' › ') } : {}),
    };
    onDone(
      {
        ...(Object.keys(instead).length > 0 ? { instead } : {}),
        ...(coats === null || coats === step.coats ? {} : { coats }),
        ...(isOtherGrade ? { grits: [...coarserThan(lastGrade, step.grits ?? []), lastGrade] } : {}),
        ...(minutes === null ? {} : { minutes }),
        ...(Object.keys(values).length > 0 ? { values } : {}),
        ...(text.trim() ? { text: text.trim() } : {}),
        ...(act.op === step.op ? {} : { op: step.op }),
      },
      agoMin,
    );
  };
  return (
    <Dialog title="Done otherwise" width={680} act={{ label: 'Enter it', run: done }} onClose={onClose}>
      <p>What is left as it stands was done as planned.</p>
      <DialogFields>
        {coats !== null && (
          <PlainNumber label="Coats" from={1} to={8} isWhole value={coats} onChange={setCoats} />
        )}
        {lastGrade !== null && (
          <div className="field">
            <label htmlFor={gradeId}>Last grade</label>
            <Select
              id={gradeId}
              value={lastGrade}
              options={GRADES.map((grade) => ({ value: grade, label: grade }))}
              onChange={setLastGrade}
            />
          </div>
        )}
        <Minutes
          label="Hands-on time"
          to={MOST_MINUTES}
          value={minutes}
          placeholder={`≈ ${Math.round(step.handsOnMin)}`}
          onChange={setMinutes}
          onClear={() => setMinutes(null)}
        />
        <Minutes label="It ended so long ago" to={MOST_AGO_MIN} value={agoMin} onChange={setAgoMin} />
        {isSprayed && (
          <>
            <NumberField label="Wet film of a coat" quantity="Um" from={0} to={2000} {...number('wetUm')} />
            <Minutes label="Flash between coats" to={MOST_MINUTES} {...number('flashMin')} />
            <PlainNumber label="Tip" unit="mm" from={0.3} to={6} {...number('tipMm')} />
            <NumberField
              label="Reduced by"
              quantity="Percent"
              from={0}
              to={50}
              {...number('reductionPercent')}
            />
            <NumberField label="Air" quantity="Celsius" from={-20} to={60} {...number('celsius')} />
            <NumberField
              label="Humidity"
              quantity="Percent"
              from={0}
              to={100}
              {...number('relativeHumidity')}
            />
            <NumberField
              label="Panel surface"
              quantity="Celsius"
              from={-20}
              to={120}
              {...number('surfaceCelsius')}
            />
            <NoteField
              label="Batch"
              value={values.batch ?? ''}
              most={60}
              isShort
              onChange={(batch) => set('batch', batch)}
            />
          </>
        )}
        <NoteField value={text} onChange={setText} />
      </DialogFields>
    </Dialog>
  );
}
