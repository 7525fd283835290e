import { entryWords, readReadings, type BodyOf, type Holding } from '@blue-ledge/core';
import { Input } from 'antd';
import dayjs from 'dayjs';
import { useId, useState } from 'react';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { DialogFields } from '../shared/DialogFields.tsx';
import { NoteField } from '../shared/NoteField.tsx';
import { Minutes, PlainNumber } from '../shared/PlainNumber.tsx';
import { useFormat } from '../state/units.ts';

type Correction = Pick<BodyOf<'correction'>, 'body' | 'at'>;

interface CorrectDialogProps {
  readonly entry: Holding;
  readonly isWithdrawn: boolean;
  readonly onClose: () => void;
  readonly onWithdraw: () => void;
  readonly onCorrect: (body: Correction) => void;
}

const FIELD_TIME = 'YYYY-MM-DDTHH:mm';
const MOST_MINUTES = 24 * 60;

/** A correction: a further entry that names this one. What was written stays to be read. */
export function CorrectDialog({ entry, isWithdrawn, onClose, onWithdraw, onCorrect }: CorrectDialogProps) {
  const { system } = useFormat();
  const { title } = entryWords(entry, { system, nameOf: (id) => id });
  const at = dayjs(entry.at).format(FIELD_TIME);
  const body = entry.body as Record<string, unknown>;
  const [when, setWhen] = useState(at);
  const [coats, setCoats] = useState(
    typeof body['coats'] === 'number' ? body['coats'] : mostOf(body['coats']),
  );
  const [minutes, setMinutes] = useState(typeof body['minutes'] === 'number' ? body['minutes'] : null);
  const [readings, setReadings] = useState('');
  const [text, setText] = useState(typeof body['text'] === 'string' ? body['text'] : '');
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  const isReading = entry.kind === 'reading' && body['um'] !== undefined;
  const isAct = entry.kind === 'act';
  const correct = (): void => {
    const read = isReading && readings.trim() ? readReadings(readings, system) : null;
    if (read && 'problem' in read) return setProblem(read.problem);
    const moment = dayjs(when);
    if (!moment.isValid()) return setProblem('Give the day and time at which it was.');
    onCorrect({
      body: {
        ...body,
        ...(isAct && coats !== null && coats !== mostOf(body['coats']) ? { coats } : {}),
        ...(isAct && minutes !== null ? { minutes } : {}),
        ...(read ? { um: [...read.um] } : {}),
        ...(text.trim() ? { text: text.trim() } : {}),
      },
      ...(when === at ? {} : { at: moment.toISOString() }),
    });
  };
  return (
    <Dialog
      title={`Correct: ${title}`}
      width={600}
      act={{ label: 'Enter the correction', run: correct }}
      {...(isWithdrawn ? {} : { other: { label: 'It did not happen', run: onWithdraw } })}
      onClose={onClose}
    >
      <p>What was written stays to be read; this says better, and names it.</p>
      <DialogFields>
        <label className="field">
          <span>When it was</span>
          <input type="datetime-local" value={when} onChange={({ target }) => setWhen(target.value)} />
        </label>
        {isAct && coats !== null && (
          <PlainNumber label="Coats" from={1} to={8} isWhole value={coats} onChange={setCoats} />
        )}
        {isAct && (
          <Minutes
            label="Hands-on time"
            to={MOST_MINUTES}
            value={minutes}
            onChange={setMinutes}
            onClear={() => setMinutes(null)}
          />
        )}
        {isReading && (
          <div className="field">
            <label htmlFor={`${id}-um`}>Readings, {system === 'us' ? 'mil' : 'µm'}, apart by spaces</label>
            <Input
              id={`${id}-um`}
              value={readings}
              inputMode="decimal"
              status={problem ? 'error' : ''}
              onChange={({ target }) => setReadings(target.value)}
            />
          </div>
        )}
        <NoteField value={text} onChange={setText} />
      </DialogFields>
      {problem && <p className="field-problem">{problem}</p>}
    </Dialog>
  );
}

const mostOf = (coats: unknown): number | null => {
  const each = typeof coats === 'object' && coats !== null ? (Object.values(coats) as number[]) : [];
  return each.length > 0 ? Math.max(...each) : null;
};
