import { DeleteOutlined, DownloadOutlined, PlusOutlined } from '@ant-design/icons';
import { LAYER_KINDS, type JobView, type LayerKind, type PlanView } from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useAddPanel, useJob, useMakePlans, useRemovePanel } from '../api/queries.ts';
import { Pending, Problem } from '../shared/Problem.tsx';
import { Swatch } from '../shared/materials/Swatch.tsx';
import { useJobChanges, withQueue } from '../state/job-changes.ts';
import { useFormat } from '../state/units.ts';
import { AddPanel } from './AddPanel.tsx';
import { changeJob } from './job-saver.ts';
import { ShopForm } from './ShopForm.tsx';
import './jobs.css';

/** One job: its panels, and the shop and target under which they are planned. */
export function JobPage() {
  const { job: id = '' } = useParams();
  const { data: saved, error } = useJob(id);
  const queue = useJobChanges((state) => state.queue);
  const refusal = useJobChanges((state) => state.refusals[id]);
  const [isAdding, setIsAdding] = useState(false);
  const plan = useMakePlans(id);
  const add = useAddPanel(id);
  const remove = useRemovePanel(id);
  if (!saved) return <Pending error={error} what="the job" />;
  const data = withQueue(saved, queue);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{data.job.title}</h1>
        <span className="note">
          {data.panels.length} {data.panels.length === 1 ? 'panel' : 'panels'}, {data.job.target.quality}{' '}
          quality, {data.job.target.base.carrier} base
        </span>
        <div className="head-actions">
          <Button icon={<PlusOutlined />} onClick={() => setIsAdding(true)}>
            Add a panel
          </Button>
          <Button loading={plan.isPending} onClick={() => plan.mutate()}>
            Plan all panels
          </Button>
          <Button
            icon={<DownloadOutlined />}
            href={`/api/jobs/${encodeURIComponent(id)}/file`}
            download={`${id}.ledge.json`}
          >
            Save as job file
          </Button>
        </div>
      </div>
      {refusal && refusal.length > 0 && <Problem error={new Error(refusal.join(' '))} />}
      {plan.error && <Problem error={plan.error} />}
      {remove.error && <Problem error={remove.error} />}
      {plan.data && <PlannedNote plans={plan.data.plans} />}
      {remove.data && (
        <p className="plan-done" role="status">
          {remove.data.removed.name} was removed.{' '}
          <Button
            onClick={() => add.mutate(remove.data!.removed, { onSuccess: () => remove.reset() })}
            loading={add.isPending}
          >
            Put it back
          </Button>
        </p>
      )}
      <div className="job-columns">
        <ul className="panel-list" aria-label="Panels">
          {data.panels.map((panel) => (
            <PanelCard key={panel.id} job={id} panel={panel} onRemove={() => remove.mutate(panel.id)} />
          ))}
        </ul>
        <ShopForm job={data} onChange={(change) => changeJob(id, change)} />
      </div>
      {isAdding && (
        <AddPanel job={id} taken={data.panels.map((panel) => panel.id)} onClose={() => setIsAdding(false)} />
      )}
    </main>
  );
}

interface PanelCardProps {
  readonly job: string;
  readonly panel: JobView['panels'][number];
  readonly onRemove: () => void;
}

/** What planning all panels came to, in one line. */
function PlannedNote({ plans }: { readonly plans: readonly PlanView[] }) {
  const nStopped = plans.reduce((sum, { plan }) => sum + plan.stopped.length, 0);
  const without = plans.filter(({ plan }) => plan.chosen === null).length;
  return (
    <p className="plan-done" role="status">
      {plans.length} panels planned.
      {without > 0 && ` ${without} of them have no system: open them to see why.`}
      {nStopped > 0 && ` ${nStopped} ${nStopped === 1 ? 'zone is' : 'zones are'} stopped.`}
    </p>
  );
}

function PanelCard({ job, panel, onRemove }: PanelCardProps) {
  const { quantity } = useFormat();
  const kinds = [...new Set(panel.tops)] as LayerKind[];
  return (
    <li className="stepped-row">
      <Link to={`/jobs/${job}/panels/${panel.id}/survey`}>
        <h2>{panel.name}</h2>
        <p>
          {quantity('M2', panel.areaM2)}, {panel.tops.length} {panel.tops.length === 1 ? 'zone' : 'zones'}
        </p>
        <p className="swatches">
          {kinds.map((kind) => (
            <span key={kind}>
              <Swatch kind={kind} /> {LAYER_KINDS[kind].label}
            </span>
          ))}
        </p>
      </Link>
      <Button
        type="text"
        className="panel-remove"
        icon={<DeleteOutlined />}
        aria-label={`Remove ${panel.name}`}
        onClick={onRemove}
      />
    </li>
  );
}
