import { Button } from 'antd';
import { useState } from 'react';
import { Link, useLocation, useNavigation } from 'react-router';
import { useIntegrity } from '../api/store-queries.ts';
import { CloseOutlined } from '../shared/icons.tsx';
import { useFaults } from '../state/faults.ts';
import { useNewVersion } from '../state/new-version.ts';

/** What concerns every screen: a part that is on its way, a newer program, a fault of the program. */
export const Notices = () => (
  <>
    <OnItsWay />
    <NewVersion />
    <LastFault />
    <NotAsWritten />
  </>
);

/** A screen is being fetched: something moves, however slow the network is. */
function OnItsWay() {
  const { state } = useNavigation();
  return state === 'idle' ? null : (
    <div className="on-its-way" role="status" aria-label="Fetching the screen" />
  );
}

function NewVersion() {
  const isHere = useNewVersion((state) => state.isHere);
  if (!isHere) return null;
  return (
    <div className="shell-notice" role="status">
      <span>
        <b>A new version of Blue Ledge is on the server.</b> Drafts stay, and entries that wait are sent.
      </span>
      <Button type="primary" onClick={() => window.location.reload()}>
        Load the new version
      </Button>
    </div>
  );
}

/** The server looked through what was written, and some of it is not as it was. */
function NotAsWritten() {
  const { data } = useIntegrity();
  const { pathname } = useLocation();
  const [closed, setClosed] = useState<string | null>(null);
  const last = data?.last;
  // The record itself says it in full; a notice that was read comes again with what is found next.
  if (!last || last.faults.length === 0 || pathname.startsWith('/record') || closed === last.checkedAt)
    return null;
  return (
    <div className="shell-notice is-fault" role="alert">
      <span>
        <b>Something that was written is not as it was written.</b> It was changed or lost outside of Blue
        Ledge.
      </span>
      <Link to="/record">What it is</Link>
      <Button
        icon={<CloseOutlined />}
        aria-label="Close the notice"
        onClick={() => setClosed(last.checkedAt)}
      />
    </div>
  );
}

function LastFault() {
  const last = useFaults((state) => state.last);
  if (!last) return null;
  return (
    <div className="shell-notice is-fault" role="alert">
      <span>
        <b>A fault of the program (reference {last.reference}):</b> {last.message} Look whether your last act
        was done; it may not have been.
      </span>
      <Button
        icon={<CloseOutlined />}
        aria-label="Close the notice"
        onClick={() => useFaults.setState({ last: null })}
      />
    </div>
  );
}
