import type { DecidingTest } from '@blue-ledge/core';
import { ExperimentOutlined } from '../../shared/icons.tsx';
import { Link } from 'react-router';

/** Tests that nobody has done yet and that would decide between systems. */
export function DecidingTests({ tests }: { readonly tests: readonly DecidingTest[] }) {
  if (tests.length === 0) return null;
  return (
    <ul className="deciding" aria-label="Tests that would decide">
      {tests.map(({ zoneId, test, outcomes }) => (
        <li key={`${zoneId} ${test}`}>
          <ExperimentOutlined /> <b>{test}</b> on zone {zoneId} would decide:{' '}
          {outcomes.map(({ outcome, leadsTo }, i) => (
            <span key={outcome}>
              {i > 0 && '; '}
              {outcome}, then <b>{leadsTo.charAt(0).toLowerCase() + leadsTo.slice(1).replace(/\.$/, '')}</b>
            </span>
          ))}
          . <Link to={`../survey?zone=${zoneId}`}>Enter what was seen</Link>
        </li>
      ))}
    </ul>
  );
}
