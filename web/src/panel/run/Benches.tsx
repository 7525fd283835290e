import { useEffect } from 'react';
import { NavLink } from 'react-router';
import { useJob, type PanelKey } from '../../api/queries.ts';
import { seeBench, useRecentBenches } from '../../state/recent-benches.ts';
import { LastEntered } from './LastEntered.tsx';
import type { UnderName, Who } from './Who.tsx';

interface BenchesProps {
  readonly at: PanelKey;
  readonly who: Who;
  readonly name: UnderName;
  /** Enters several steps at once; left out where none is left. */
  readonly onSeveral: (() => void) | undefined;
}

const WORKED = new Set(['planned', 'begun']);

/** The panels that are worked on, one tap away: those of this job, and those that were here last. */
export function Benches({ at, who, name: asking, onSeveral }: BenchesProps) {
  const { data: job } = useJob(at.job);
  const recent = useRecentBenches((state) => state.benches);
  const name = job?.panels.find(({ id }) => id === at.panel)?.name;
  useEffect(() => {
    if (name !== undefined) seeBench({ job: at.job, panel: at.panel, name });
  }, [at.job, at.panel, name]);
  const own = (job?.panels ?? []).filter(({ id, state }) => WORKED.has(state) || id === at.panel);
  const others = recent.filter(({ job: id }) => id !== at.job);
  return (
    <nav className="benches" aria-label="Panels at the bench">
      <ul>
        {own.map(({ id, name: title, state }) => (
          <li key={id}>
            <NavLink to={`/jobs/${at.job}/panels/${id}/run`} className="bench-tab">
              {title}
              {state === 'begun' && <small>begun</small>}
            </NavLink>
          </li>
        ))}
        {others.map(({ job: jobId, panel, name: title }) => (
          <li key={`${jobId}/${panel}`}>
            <NavLink to={`/jobs/${jobId}/panels/${panel}/run`} className="bench-tab">
              {title}
              <small>another job</small>
            </NavLink>
          </li>
        ))}
      </ul>
      <LastEntered at={at} name={asking} />
      {onSeveral && (
        <button type="button" className="bench-who" onClick={onSeveral}>
          Several steps…
        </button>
      )}
      <button type="button" className="bench-who" onClick={asking.ask}>
        {who.name ?? 'Who works here?'}
      </button>
    </nav>
  );
}
