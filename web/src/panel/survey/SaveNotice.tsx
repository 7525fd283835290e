import { Button } from 'antd';
import { useFormat } from '../../state/units.ts';
import type { ZoneEdit } from './use-zone-edit.ts';

/** Why a change is not saved, and what can be done about it; nothing is shown while all is well. */
export function SaveNotice({ edit: { refusal, settle, undo } }: { readonly edit: ZoneEdit }) {
  const { quantity } = useFormat();
  if (!refusal) return null;
  const { theirs, lines } = refusal;
  return (
    <div className="problem" role="alert">
      <b>Not saved yet; your change is kept on this screen.</b>
      {theirs ? (
        <>
          <p>
            Somebody changed this zone in the meantime: theirs is “{theirs.value.name}”,{' '}
            {quantity('M2', theirs.value.areaM2)}, {theirs.value.layers.length} layers,{' '}
            {theirs.value.findings.length} findings.
          </p>
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
