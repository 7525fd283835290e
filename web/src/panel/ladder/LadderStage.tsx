import { sandingRunLabel, type SandingRun, type ZoneBuild } from '@blue-ledge/core';
import { Spin } from 'antd';
import { Link } from 'react-router';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { isOpened, usePlan } from '../../api/queries.ts';
import { Problem } from '../../shared/Problem.tsx';
import { useSearchPut } from '../../shared/use-search-put.ts';
import { usePanelContext } from '../panel-context.ts';
import { FilmView } from './FilmView.tsx';
import { ForecastView } from './ForecastView.tsx';
import { GritsView } from './GritsView.tsx';
import { useSanding, type Sanding } from './use-sanding.ts';
import './ladder.css';

const VIEWS = [
  ['grits', 'Grits'],
  ['film', 'Film'],
  ['blocking', 'Blocking'],
] as const;
type View = (typeof VIEWS)[number][0];

/** Ladder: the sanding of the chosen system by numbers. */
export function LadderStage() {
  const context = usePanelContext();
  const { data: plan, error, isPending } = usePlan(context.key);
  const shown = isOpened(plan) ? plan : null;
  const sanding = useSanding(shown);
  if (error) return <Problem error={error} />;
  if (isPending) return <Spin className="stage-wait" description="Fetching the plan" />;
  if (!shown || !sanding) return <NoLadder hasPlan={Boolean(plan)} />;
  return <Ladders plan={shown} sanding={sanding} />;
}

function NoLadder({ hasPlan }: { readonly hasPlan: boolean }) {
  return (
    <div className="no-plan">
      <h2>{hasPlan ? 'No system to sand for' : 'No system yet'}</h2>
      <p>
        The ladder takes every sanding from the chosen system: grades, film and what would show. Choose a
        system first.
      </p>
      <p>
        <Link to="../system">Go to System</Link>
      </p>
    </div>
  );
}

/** Reads the view, run and build from the address, so that each can be linked to. */
function Ladders({ plan, sanding }: { readonly plan: PlanOnScreen; readonly sanding: Sanding }) {
  const [search, put] = useSearchPut();
  const view: View = VIEWS.find(([name]) => name === search.get('view'))?.[0] ?? 'grits';
  const { runs, builds } = sanding;
  const run = runs.find(({ id }) => id === search.get('run')) ?? mostRungs(runs);
  const build = builds.find((each) => buildId(each) === search.get('build')) ?? mostNeeded(builds);
  return (
    <div className="ladder-stage">
      <aside className="pane ladder-list">
        <nav className="ladder-views" aria-label="Ladder views">
          {VIEWS.map(([name, label]) => (
            <button
              key={name}
              type="button"
              aria-current={name === view ? 'true' : undefined}
              onClick={() => put({ view: name })}
            >
              {label}
            </button>
          ))}
        </nav>
        <p className="note">
          {sanding.systemTitle}
          {plan.changed.length > 0 && '. What it was planned from has changed since: plan again in System.'}
        </p>
        {view === 'grits' ? (
          <PickList
            label="Sandings"
            items={runs.map((each) => ({
              id: each.id,
              zone: each.zoneId,
              words: sandingRunLabel(each),
              note: `${each.steps.length > 1 ? 'steps' : 'step'} ${each.steps.join(', ')}`,
            }))}
            picked={run?.id}
            onPick={(id) => put({ run: id })}
          />
        ) : (
          <PickList
            label="Builds"
            items={builds.map((each) => ({
              id: buildId(each),
              zone: each.zoneId,
              words: each.sheetName,
              note: `step ${each.step}`,
            }))}
            picked={build && buildId(build)}
            onPick={(id) => put({ build: id })}
          />
        )}
      </aside>
      {view === 'grits' &&
        (run ? (
          <GritsView key={run.id} run={run} figures={sanding.figures} plan={plan} />
        ) : (
          <Nothing words="This system sands nothing: there is no ladder to climb down." />
        ))}
      {view === 'film' &&
        (build ? (
          <FilmView key={buildId(build)} build={build} />
        ) : (
          <Nothing words="This system lays no build: there is no film to budget." />
        ))}
      {view === 'blocking' &&
        (build ? (
          <ForecastView key={buildId(build)} build={build} figures={sanding.figures} />
        ) : (
          <Nothing words="This system lays no build: there is nothing to block." />
        ))}
    </div>
  );
}

const buildId = ({ zoneId, step }: ZoneBuild): string => `${zoneId}-${step}`;
const mostRungs = (runs: readonly SandingRun[]): SandingRun | undefined =>
  [...runs].sort((a, b) => b.planned.length - a.planned.length)[0];
const mostNeeded = (builds: readonly ZoneBuild[]): ZoneBuild | undefined =>
  [...builds].sort((a, b) => b.budget.neededUm - a.budget.neededUm)[0];

const Nothing = ({ words }: { readonly words: string }) => (
  <section className="pane ladder-main">
    <p>{words}</p>
  </section>
);

interface PickListProps {
  readonly label: string;
  readonly items: readonly {
    readonly id: string;
    readonly zone: string;
    readonly words: string;
    readonly note: string;
  }[];
  readonly picked: string | undefined;
  readonly onPick: (id: string) => void;
}

function PickList({ label, items, picked, onPick }: PickListProps) {
  return (
    <ul className="pick-list" aria-label={label}>
      {items.map(({ id, zone, words, note }) => (
        <li key={id}>
          <button type="button" aria-current={id === picked ? 'true' : undefined} onClick={() => onPick(id)}>
            <span className="zone-letter">{zone}</span>
            <span>
              <b>{words}</b>
              <span className="note">{note}</span>
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}
