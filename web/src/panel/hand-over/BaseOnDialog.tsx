import { useState } from 'react';
import { Dialog } from '../../shared/dialog/Dialog.tsx';
import { DialogFields } from '../../shared/DialogFields.tsx';
import { NoteField } from '../../shared/NoteField.tsx';
import { Minutes } from '../../shared/PlainNumber.tsx';

interface BaseOnDialogProps {
  readonly by: string;
  /** The card says that the panel is not ready. */
  readonly isNotReady: boolean;
  readonly onEnter: (agoMin: number, text: string) => void;
  readonly onClose: () => void;
}

const MOST_AGO_MIN = 14 * 24 * 60;

/** Base was laid: the panel leaves the bench. */
export function BaseOnDialog({ by, isNotReady, onEnter, onClose }: BaseOnDialogProps) {
  const [agoMin, setAgoMin] = useState(0);
  const [text, setText] = useState('');
  return (
    <Dialog
      title="Base is on"
      act={{ label: `Enter it as ${by}`, run: () => onEnter(agoMin, text.trim()) }}
      onClose={onClose}
    >
      {isNotReady && (
        <p>
          <b>By its card this panel is not ready for base.</b> What was done is entered all the same: say why
          in the note.
        </p>
      )}
      <p>This ends the panel’s windows and timers and takes it out of the bay.</p>
      <DialogFields>
        <Minutes label="Laid so long ago" to={MOST_AGO_MIN} value={agoMin} onChange={setAgoMin} />
        <NoteField value={text} onChange={setText} />
      </DialogFields>
    </Dialog>
  );
}
