import type { CardState, CardVerdict } from '@blue-ledge/core';
import { CheckOutlined, WarningOutlined } from '../../shared/icons.tsx';

/** How each state is shown: rust for what stops, amber for what was not looked at. */
const LOOKS: Readonly<Record<CardState, string>> = {
  ready: 'is-ready',
  'base-on': 'is-ready',
  'not-checked': 'is-unchecked',
  'not-ready': 'is-not',
};

/** Whether base may go on, and until when. */
export function Verdict({ verdict: { state, title, lines } }: { readonly verdict: CardVerdict }) {
  const isGood = state === 'ready' || state === 'base-on';
  return (
    <div className={`card-verdict-bar ${LOOKS[state]}`} role="status">
      <b>
        {isGood ? <CheckOutlined /> : <WarningOutlined />} {title}
      </b>
      {lines.length > 1 ? (
        <ul>
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      ) : (
        lines.map((line) => <p key={line}>{line}</p>)
      )}
    </div>
  );
}
