import { Button } from 'antd';
import type { PanelEdit } from './use-panel-edit.ts';

/** Why a change of the panel is not saved, and what can be done about it; nothing is shown while all is well. */
export function PanelNotice({ edit: { refusal, settle, undo } }: { readonly edit: PanelEdit }) {
  if (!refusal) return null;
  return (
    <div className="problem" role="alert">
      <b>The panel is not saved yet; your change is kept on this screen.</b>
      {refusal.theirs ? (
        <>
          <p>
            Somebody changed this panel in the meantime; theirs has {refusal.theirs.panel.zones.length} zones.
          </p>
          <p className="problem-acts">
            <Button onClick={() => settle('mine')}>Keep mine</Button>
            <Button onClick={() => settle('theirs')}>Take theirs</Button>
          </p>
        </>
      ) : (
        <>
          <ul>
            {refusal.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          {undo && (
            <p className="problem-acts">
              <Button onClick={undo}>Undo the change</Button>
            </p>
          )}
        </>
      )}
    </div>
  );
}
