import {
  DEFECTS,
  DEFECT_WORDS,
  type BodyOf,
  type Defect,
  type Fold,
  type Panel,
  type Shop,
  type Step,
} from '@blue-ledge/core';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { DefectDrawing } from '../../shared/defects/DefectDrawing.tsx';
import { FoundDialog } from './FoundDialog.tsx';

interface WrongDialogProps {
  readonly step: Step;
  readonly fold: Fold;
  readonly panel: Panel;
  readonly shop: Shop;
  readonly onClose: () => void;
  readonly onFound: (body: BodyOf<'defect'>, words: string) => void;
  readonly onNote: (text: string) => void;
}

/** What went wrong, picked by how it looks; something else is a note. */
export function WrongDialog({ onNote, ...of }: WrongDialogProps) {
  const [defect, setDefect] = useState<Defect | null>(null);
  const [text, setText] = useState('');
  if (defect) return <FoundDialog defect={defect} onBack={() => setDefect(null)} {...of} />;
  return (
    <Dialog title="What is wrong?" width={960} onClose={of.onClose} className="wrong">
      <ul className="wrong-list">
        {DEFECTS.toSorted((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b)).map((each) => (
          <li key={each}>
            <button type="button" onClick={() => setDefect(each)}>
              <DefectDrawing defect={each} />
              <span>
                <b>{DEFECT_WORDS[each].title}</b>
                {DEFECT_WORDS[each].looks}
              </span>
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
    </Dialog>
  );
}

/** The commonest first. */
const ORDER = Object.keys(DEFECT_WORDS) as readonly Defect[];
