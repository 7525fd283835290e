import {
  DEFECTS,
  DEFECT_WORDS,
  areaTitle,
  labelOf,
  type BodyOf,
  type Defect,
  type Fold,
  type LayerKind,
  type Step,
} from '@blue-ledge/core';
import { Button, Input, Modal } from 'antd';
import { useState } from 'react';
import { Choice } from '../../shared/Choice.tsx';
import { NumberField } from '../../shared/NumberField.tsx';
import { NumberInput } from '../../shared/NumberInput.tsx';

interface WrongDialogProps {
  readonly step: Step;
  readonly fold: Fold;
  readonly onClose: () => void;
  readonly onFound: (body: BodyOf<'defect'>, words: string) => void;
  readonly onNote: (text: string) => void;
}

const SPOT_MM = 15;

/** What went wrong, and where: it goes into the record, and the rest can be planned from there. */
export function WrongDialog({ step, fold, onClose, onFound, onNote }: WrongDialogProps) {
  const areas = fold.panel.zones.map(({ zone }) => zone.id);
  const [defect, setDefect] = useState<Defect | null>(null);
  const [area, setArea] = useState(step.areas.find((id) => areas.includes(id)) ?? areas[0]!);
  const [spotMm, setSpotMm] = useState(SPOT_MM);
  const [count, setCount] = useState(1);
  const layers = fold.panel.zones.find(({ zone }) => zone.id === area)?.stack.map(({ kind }) => kind) ?? [];
  const under = [...new Set(layers.slice(0, -1))].toReversed();
  const [shows, setShows] = useState<LayerKind | null>(null);
  const [text, setText] = useState('');
  const shown = shows !== null && under.includes(shows) ? shows : (under[0] ?? null);
  if (!defect)
    return (
      <Modal open title="What is wrong?" width={860} footer={null} onCancel={onClose} className="wrong">
        <ul className="wrong-list">
          {DEFECTS.toSorted((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b)).map((each) => (
            <li key={each}>
              <button type="button" onClick={() => setDefect(each)}>
                <b>{DEFECT_WORDS[each].title}</b>
                <span>{DEFECT_WORDS[each].looks}</span>
              </button>
            </li>
          ))}
        </ul>
        <form
          className="who-other"
          onSubmit={(event) => {
            event.preventDefault();
            if (text.trim()) onNote(text.trim());
          }}
        >
          <label htmlFor="wrong-note">Something else</label>
          <Input
            id="wrong-note"
            value={text}
            maxLength={2000}
            onChange={({ target }) => setText(target.value)}
          />
          <Button htmlType="submit" disabled={!text.trim()}>
            Enter it as a note
          </Button>
        </form>
      </Modal>
    );
  const { title, looks } = DEFECT_WORDS[defect];
  const isSpot = defect === 'rub-through';
  return (
    <Modal
      open
      title={title}
      width={620}
      okText="Enter it"
      cancelText="Something else"
      onOk={() =>
        onFound(
          {
            defect,
            zones: [area],
            ...(isSpot ? { spotMm, count, ...(shown ? { shows: shown } : {}) } : {}),
            ...(text.trim() ? { text: text.trim() } : {}),
          },
          `${title.toLowerCase()} on ${area}`,
        )
      }
      onCancel={({ currentTarget }) =>
        currentTarget.classList.contains('ant-modal-close') ? onClose() : setDefect(null)
      }
    >
      <p>{looks}.</p>
      <div className="done-fields">
        <Choice
          label="Where"
          value={area}
          options={areas.map((id) => [id, areaTitle(id)])}
          onChange={setArea}
        />
        {isSpot && (
          <>
            <NumberField
              label="Largest spot"
              quantity="Mm"
              from={1}
              to={2000}
              value={spotMm}
              onChange={setSpotMm}
            />
            <div className="field">
              <label htmlFor="wrong-count">How many</label>
              <NumberInput
                id="wrong-count"
                name="How many"
                from={1}
                to={200}
                isWhole
                value={count}
                onChange={setCount}
              />
            </div>
            {shown && (
              <Choice
                label="What shows"
                value={shown}
                options={under.map((kind) => [kind, labelOf(kind)])}
                onChange={setShows}
              />
            )}
          </>
        )}
        <label className="field done-note">
          <span>Note</span>
          <Input value={text} maxLength={2000} onChange={({ target }) => setText(target.value)} />
        </label>
      </div>
    </Modal>
  );
}

/** The commonest first. */
const ORDER = Object.keys(DEFECT_WORDS) as readonly Defect[];
