import { DownloadOutlined } from '@ant-design/icons';
import { LAYER_KINDS, type JobView, type LayerKind } from '@blue-ledge/core';
import { Button } from 'antd';
import { Link, useParams } from 'react-router';
import { useJob } from '../api/queries.ts';
import { Pending, Problem } from '../shared/Problem.tsx';
import { Swatch } from '../shared/materials/Swatch.tsx';
import { useJobChanges, withQueue } from '../state/job-changes.ts';
import { useFormat } from '../state/units.ts';
import { changeJob } from './job-saver.ts';
import { ShopForm } from './ShopForm.tsx';
import './jobs.css';

/** One job: its panels, and the shop and target under which they are planned. */
export function JobPage() {
  const { job: id = '' } = useParams();
  const { data: saved, error } = useJob(id);
  const queue = useJobChanges((state) => state.queue);
  const refusal = useJobChanges((state) => state.refusals[id]);
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
      <div className="job-columns">
        <ul className="panel-list" aria-label="Panels">
          {data.panels.map((panel) => (
            <PanelCard key={panel.id} job={id} panel={panel} />
          ))}
        </ul>
        <ShopForm job={data} onChange={(change) => changeJob(id, change)} />
      </div>
    </main>
  );
}

interface PanelCardProps {
  readonly job: string;
  readonly panel: JobView['panels'][number];
}

function PanelCard({ job, panel }: PanelCardProps) {
  const { quantity } = useFormat();
  const kinds = [...new Set(panel.tops)] as LayerKind[];
  return (
    <li className="ledge">
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
    </li>
  );
}
