import { Button } from 'antd';
import type { RecordEntry } from '../../outbox/entry.ts';
import { giveUp } from '../../outbox/outbox.ts';
import { enterAfterAll } from '../../outbox/record.ts';

/** Entries that the server did not take: why, and what can be done. Nothing of them is lost until somebody leaves them. */
export function RefusedEntries({ refused }: { readonly refused: readonly RecordEntry[] }) {
  return (
    <>
      {refused.map((entry) => (
        <div key={entry.key} className="problem run-refused" role="alert">
          <span>
            <b>Not entered: {entry.title}.</b> {(entry.lines ?? []).join(' ')}
          </span>
          {entry.refusedAs === 'done-before' && (
            <Button onClick={() => enterAfterAll(entry, 'done-again')}>It was done again</Button>
          )}
          {entry.refusedAs === 'plan-gone' && (
            <Button onClick={() => enterAfterAll(entry, 'without-step')}>Enter it without its step</Button>
          )}
          <Button onClick={() => giveUp(entry.key)}>Leave it</Button>
        </div>
      ))}
    </>
  );
}
