import { stepTitle, type Pour, type Step } from '@blue-ledge/core';
import { Spin } from 'antd';
import { Link } from 'react-router';
import type { PlanOnScreen } from '../../api/opened-plan.ts';
import { isOpened } from '../../api/queries.ts';
import { useTimedPlan } from '../../api/timed-plan.ts';
import { useShopOfJob } from '../../api/use-shop-of-job.ts';
import { Pending, Problem } from '../../shared/Problem.tsx';
import { useSearchPut } from '../../shared/use-search-put.ts';
import { usePanelContext } from '../panel-context.ts';
import { NeedList } from './NeedList.tsx';
import { PourCard } from './PourCard.tsx';
import './pour.css';
import { useAmounts } from '../../shared/use-amounts.ts';

/** Pour: what is mixed for each step of the chosen system, how the gun is set for it, and what it takes in all. */
export function PourStage() {
  const context = usePanelContext();
  const { data: plan, error, isPending } = useTimedPlan(context.key);
  if (error) return <Problem error={error} />;
  if (isPending) return <Spin className="stage-wait" description="Fetching the plan" />;
  const shown = isOpened(plan) ? plan : null;
  const systemId = shown?.chosen ?? shown?.opened.view.chosen ?? null;
  if (!shown || systemId === null) return <NoPour />;
  return <Pours plan={shown} systemId={systemId} />;
}

const NoPour = () => (
  <div className="no-plan">
    <h2>Nothing to mix yet</h2>
    <p>What is mixed follows from the chosen system: its products, coats and films. Choose a system first.</p>
    <p>
      <Link to="../system">Go to System</Link>
    </p>
  </div>
);

interface PoursProps {
  readonly plan: PlanOnScreen;
  readonly systemId: string;
}

function Pours({ plan, systemId }: PoursProps) {
  const { opened, changed } = plan;
  const { key } = usePanelContext();
  const shop = useShopOfJob(key.job);
  const [search, put] = useSearchPut();
  const system = opened.view.systems.find(({ id }) => id === systemId);
  const pours = opened.poursOf(systemId);
  const [first] = pours;
  if (!shop) return <Pending error={null} what="the shop" />;
  if (!system || !first)
    return (
      <div className="no-plan">
        <h2>Nothing is mixed for this system</h2>
        <p>It lays no product: the panel is cleaned and keyed.</p>
      </div>
    );
  const asked = Number.parseInt(search.get('step') ?? '', 10);
  const pour = pours.find(({ n }) => n === asked) ?? first;
  const stepOf = ({ n }: Pour): Step => system.steps[n - 1]!;
  return (
    <div className="pour-stage">
      <aside className="pane pour-list">
        <p className="note">
          {system.title}
          {changed.length > 0 && '. What it was planned from has changed since: plan again in System.'}
        </p>
        <ul aria-label="Mixes">
          {pours.map((each) => (
            <li key={each.n}>
              <button
                type="button"
                aria-current={each.n === pour.n ? 'true' : undefined}
                onClick={() => put({ step: String(each.n), with: null })}
              >
                <b>{each.n}</b>
                <span>
                  {stepTitle(stepOf(each))}
                  <Amount pour={each} />
                </span>
              </button>
            </li>
          ))}
        </ul>
        <NeedList plan={plan} system={system} pours={pours} shop={shop} />
      </aside>
      <PourCard key={pour.n} plan={plan} system={system} pour={pour} step={stepOf(pour)} shop={shop} />
    </div>
  );
}

function Amount({ pour: { pots, cans, potMl, zones } }: { readonly pour: Pour }) {
  const mixed = useAmounts()('Ml', potMl);
  const what =
    cans !== undefined ? `${cans} ${cans === 1 ? 'can' : 'cans'}` : pots > 1 ? `${pots} × ${mixed}` : mixed;
  return (
    <span className="note">
      {what}, zone {zones.join(', ')}
    </span>
  );
}
