import { Button } from 'antd';
import { useServerNow } from '../../clocks/use-server-now.ts';
import type { PanelKey } from '../../api/queries.ts';
import { enterAll } from '../../outbox/record.ts';
import { UndoOutlined } from '../../shared/icons.tsx';
import { announce } from '../../state/announce.ts';
import { TAKE_BACK_MS, forgetLast, useLastEntries } from '../../state/last-entries.ts';
import type { UnderName } from './Who.tsx';
import { takenBack } from './write-entry.ts';
import './entering.css';

const SECOND_MS = 1000;

/** What was entered last here, and for ten seconds the way back. */
export function LastEntered({ at, name }: { readonly at: PanelKey; readonly name: UnderName }) {
  const nowMs = useServerNow(SECOND_MS);
  const last = useLastEntries(at, nowMs);
  if (!last) return null;
  const takeBack = (by: string): void => {
    enterAll(
      at,
      last.entries.map((entry) => ({ entry: takenBack(by, entry), title: `taken back: ${last.words}` })),
    );
    announce(`Taken back: ${last.words}.`);
    forgetLast();
  };
  const leftS = Math.ceil((TAKE_BACK_MS - (nowMs - last.enteredMs)) / SECOND_MS);
  return (
    <p className="bench-last" role="status">
      <span>Entered: {last.words}.</span>
      <Button icon={<UndoOutlined />} onClick={() => name.as(takeBack)}>
        Take it back <span aria-hidden>({Math.max(0, leftS)} s)</span>
      </Button>
    </p>
  );
}
