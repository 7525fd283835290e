import { Link, NavLink, Outlet, useLocation, useParams } from 'react-router';
import { usePanel } from '../api/queries.ts';
import { Pending } from '../shared/Problem.tsx';
import { PageTitle } from '../shell/PageTitle.tsx';
import { withOutbox } from '../outbox/outbox.ts';
import { useOutbox } from '../outbox/row.ts';
import type { PanelContext } from './panel-context.ts';
import '../shared/stage-tabs.css';
import './panel.css';

const STAGES = [
  ['survey', 'Survey'],
  ['system', 'System'],
  ['ladder', 'Ladder'],
  ['pour', 'Pour'],
  ['run', 'Run'],
  ['hand-over', 'Hand-over'],
] as const;

/** A panel: its head with the stages that are alive, and the stage that is open. */
export function PanelPage() {
  const { job = '', panel = '' } = useParams();
  const key = { job, panel };
  const { data, error } = usePanel(key);
  const { pathname } = useLocation();
  const stage = STAGES.find(([name]) => pathname.endsWith(`/${name}`));
  const entries = useOutbox((state) => state.entries);
  if (!data) return <Pending error={error} what="the panel" />;
  const view = withOutbox(data, entries);
  const context: PanelContext = { key, view };
  return (
    <main className="panel-page">
      <PageTitle name={`${view.panel.name}: ${stage?.[1] ?? ''}`} />
      <div className="panel-head">
        <h1 title={view.panel.name}>{view.panel.name}</h1>
        <Link to={`/jobs/${job}`}>{view.job.title}</Link>
        <nav className="stage-tabs" aria-label="Stages">
          {STAGES.map(([stage, label]) => (
            <NavLink
              key={stage}
              to={stage}
              className={({ isActive }) => (isActive ? 'stepped-row active' : '')}
            >
              {label}
            </NavLink>
          ))}
        </nav>
      </div>
      <h2 className="visually-hidden" data-page-heading>
        {stage?.[1]}
      </h2>
      <Outlet context={context} />
    </main>
  );
}
