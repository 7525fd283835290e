import { areaTitle, labelOf, readReadings, type BodyOf, type LayerKind, type Step } from '@blue-ledge/core';
import { Input } from 'antd';
import { useId, useState } from 'react';
import { Choice } from '../../shared/Choice.tsx';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { DialogFields } from '../../shared/DialogFields.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { useFormat } from '../../state/units.ts';

interface ReadingDialogProps {
  readonly step: Step;
  readonly zones: readonly string[];
  readonly onClose: () => void;
  readonly onRead: (body: BodyOf<'reading'>) => void;
}

type What = 'film' | 'top' | 'wet' | 'surface';

/** What was measured, where, and what the gauge showed: one figure, or several points. */
export function ReadingDialog({ step, zones, onClose, onRead }: ReadingDialogProps) {
  const { system } = useFormat();
  const areas = [...new Set([...step.areas, ...zones])];
  const [zone, setZone] = useState(areas[0]!);
  const [what, setWhat] = useState<What>('film');
  const [text, setText] = useState('');
  const [celsius, setCelsius] = useState<number | null>(null);
  const [isTried, setIsTried] = useState(false);
  const id = useId();
  const top = step.stacks[zone]?.at(-1)?.kind as LayerKind | undefined;
  const read = readReadings(text, system);
  const isFilm = what !== 'surface';
  const problem = isFilm && isTried && 'problem' in read ? read.problem : null;
  const enter = (): void => {
    setIsTried(true);
    if (!isFilm) {
      if (celsius !== null) onRead({ zone, kind: 'surface', celsius });
      return;
    }
    if ('problem' in read || read.um.length === 0) return;
    const kind = what === 'top' ? (top ?? 'film') : what;
    onRead({ zone, kind, um: [...read.um] });
  };
  return (
    <Dialog title="Log a reading" width={560} act={{ label: 'Enter it', run: enter }} onClose={onClose}>
      <DialogFields>
        <Choice
          label="Where"
          value={zone}
          options={areas.map((area) => [area, areaTitle(area)])}
          onChange={setZone}
        />
        <Choice<What>
          label="What"
          value={what}
          options={[
            ['film', 'All dry film'],
            ...(top ? ([['top', `${labelOf(top)} alone`]] as const) : []),
            ['wet', 'Wet film, by the comb'],
            ['surface', 'Temperature of the surface'],
          ]}
          onChange={setWhat}
        />
        {isFilm ? (
          <div className="field is-wide">
            <label htmlFor={id}>Readings, {system === 'us' ? 'mil' : 'µm'}, apart by spaces</label>
            <Input
              id={id}
              value={text}
              inputMode="decimal"
              autoFocus
              status={problem ? 'error' : ''}
              onChange={({ target }) => setText(target.value)}
            />
            {problem && <span className="field-problem">{problem}</span>}
          </div>
        ) : (
          <NumberField
            label="Surface"
            quantity="Celsius"
            from={-20}
            to={120}
            value={celsius}
            onChange={setCelsius}
            onClear={() => setCelsius(null)}
          />
        )}
      </DialogFields>
    </Dialog>
  );
}
