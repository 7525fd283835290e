import { Button } from 'antd';
import { useFormat } from '../../state/units.ts';
import { conflictText } from './conflict-words.ts';
import type { EditOf } from './use-zone-edit.ts';

interface SaveNoticeProps {
  readonly edit: Pick<EditOf<never>, 'refusal' | 'settle' | 'undo'>;
  /** The zone that was edited; left out for the panel as a whole. */
  readonly zone?: string;
}

/** Why an edit is not saved, and what can be done about it; nothing is shown while all is well. */
export function SaveNotice({ edit: { refusal, settle, undo }, zone }: SaveNoticeProps) {
  const { quantity } = useFormat();
  if (!refusal) return null;
  const { conflicts, lines, isUndo } = refusal;
  const what = zone === undefined ? 'panel' : 'zone';
  if (isUndo)
    return (
      <div className="problem" role="alert">
        <b>This cannot be taken back any more: the {what} was changed again since.</b>
        <p className="problem-acts">
          <Button onClick={() => settle('theirs')}>Leave it as it is</Button>
        </p>
      </div>
    );
  return (
    <div className="problem" role="alert">
      <b>
        {zone === undefined
          ? 'The panel is not saved yet; your change is kept on this screen.'
          : 'Not saved yet; your change is kept on this screen.'}
      </b>
      {conflicts ? (
        <>
          <p>Somebody changed this {what} in the meantime:</p>
          <ul>
            {conflicts.map((conflict) => (
              <li key={conflict.path.join()}>{conflictText(conflict, quantity)}</li>
            ))}
            {conflicts.length === 0 && <li>the order of the zones is another one</li>}
          </ul>
          <p className="problem-acts">
            <Button onClick={() => settle('mine')}>Keep mine</Button>
            <Button onClick={() => settle('theirs')}>Take theirs</Button>
          </p>
        </>
      ) : (
        <>
          <ul>
            {lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <p className="problem-acts">
            Change it again{undo ? ', or ' : '.'}
            {undo && <Button onClick={undo}>undo the change</Button>}
          </p>
        </>
      )}
    </div>
  );
}
