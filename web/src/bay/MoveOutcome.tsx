import { capital, type DatedStart, type Session } from '@blue-ledge/core';
import type { PanelRow } from './bay-rows.ts';
import { changesText } from './bay-words.ts';
import { brokenBy } from './broken-by.ts';
import { useTrial } from './use-trial.ts';

interface MoveOutcomeProps {
  readonly shopId: string;
  readonly row: PanelRow;
  readonly session: Session;
  readonly toMin: number;
  readonly personId: string;
  readonly start: DatedStart;
}

/** What moving work would break and what mends it: the panel's own windows at once, the whole shop as soon as it is reckoned. */
export function MoveOutcome({ shopId, row, session, toMin, personId, start }: MoveOutcomeProps) {
  const { jobId, panelId } = row.panel;
  const { changes, isUnknown } = useTrial(shopId, start, {
    jobId,
    panelId,
    n: session.fromN,
    toMin,
    personId,
  });
  const broken = brokenBy(row, session, toMin - session.startMin, start);
  return (
    <ul className="move-outcome">
      {broken.map((text) => (
        <li key={text} className="is-broken">
          {capital(text)}
        </li>
      ))}
      {changes ? (
        changesText(changes, start).map((text) => <li key={text}>{capital(text)}</li>)
      ) : (
        <li className="note">
          {isUnknown ? 'What follows shows once it is moved' : 'Reckoning what follows…'}
        </li>
      )}
    </ul>
  );
}
