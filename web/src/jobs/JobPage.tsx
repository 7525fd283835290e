import { LAYER_KINDS, type JobView, type LayerKind, type PanelState, type PlansView } from '@blue-ledge/core';
import { Button } from 'antd';
import { Fragment, useState } from 'react';
import { Link, useParams } from 'react-router';
import { PageTitle } from '../shell/PageTitle.tsx';
import { DeleteOutlined, DownloadOutlined, PlusOutlined } from '../shared/icons.tsx';
import { placeText } from '../api/in-line.ts';
import { useJob, useMakePlans, usePutPanelBack, useRemovePanel } from '../api/queries.ts';
import { Pending, Problem } from '../shared/Problem.tsx';
import { RemoveButton } from '../shared/RemoveButton.tsx';
import { Swatch } from '../shared/materials/Swatch.tsx';
import { withJobChanges } from '../outbox/field-change.ts';
import { changeFields } from '../outbox/outbox.ts';
import { sendSoon } from '../outbox/sender.ts';
import { useFieldChanges } from '../outbox/use-outbox.ts';
import { useFormat } from '../state/units.ts';
import { AddPanel } from './AddPanel.tsx';
import { JobForm } from './JobForm.tsx';
import { RemovedPanels } from './RemovedPanels.tsx';
import { TakenNote } from './TakenNote.tsx';
import './jobs.css';

/** One job: its panels, and what was agreed about it. */
export function JobPage() {
  const { job: id = '' } = useParams();
  const { data: saved, error } = useJob(id);
  const { changes, refusal } = useFieldChanges(id);
  const [isAdding, setIsAdding] = useState(false);
  const plan = useMakePlans(id);
  const remove = useRemovePanel(id);
  const putBack = usePutPanelBack(id);
  if (!saved) return <Pending error={error} what="the job" />;
  const data = withJobChanges(saved, changes);
  return (
    <main className="page">
      <PageTitle name={data.job.title} />
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
          <Button
            loading={plan.isPending}
            disabled={data.panels.length === 0}
            onClick={() => plan.mutate({ alsoStarted: false })}
          >
            {placeText(plan.place) ?? 'Plan all panels'}
          </Button>
          <Button
            icon={<DownloadOutlined />}
            disabled={data.panels.length === 0}
            href={`/api/jobs/${encodeURIComponent(id)}/file`}
            download={`${id}.ledge.json`}
          >
            Save as job file
          </Button>
        </div>
      </div>
      {refusal.length > 0 && <Problem error={new Error(refusal.join(' '))} />}
      {plan.error && <Problem error={plan.error} />}
      {(remove.error ?? putBack.error) && <Problem error={(remove.error ?? putBack.error)!} />}
      <TakenNote job={id} />
      {plan.data && (
        <PlannedNote job={data} made={plan.data} onStarted={() => plan.mutate({ alsoStarted: true })} />
      )}
      {remove.data && (
        <p className="plan-done" role="status">
          {remove.data.removed.name} was removed.{' '}
          <Button
            onClick={() => putBack.mutate(remove.data!.removed.id, { onSuccess: () => remove.reset() })}
            loading={putBack.isPending}
          >
            Put it back
          </Button>
        </p>
      )}
      <div className="job-columns">
        <div>
          {data.panels.length === 0 ? (
            <div className="empty">
              <p>No panel yet. Add the first one: an outline, its size, and what most of it is.</p>
              <p>
                <Button type="primary" className="ledge-button" onClick={() => setIsAdding(true)}>
                  Add the first panel
                </Button>
              </p>
            </div>
          ) : (
            <ul className="panel-list" aria-label="Panels">
              {data.panels.map((panel) => (
                <PanelCard key={panel.id} job={id} panel={panel} onRemove={() => remove.mutate(panel.id)} />
              ))}
            </ul>
          )}
          <RemovedPanels job={id} />
        </div>
        <JobForm
          view={data}
          onChange={(fields) => {
            changeFields({ of: 'jobs', id, fields });
            sendSoon();
          }}
        />
      </div>
      {isAdding && (
        <AddPanel job={id} taken={data.panels.map((panel) => panel.id)} onClose={() => setIsAdding(false)} />
      )}
    </main>
  );
}

interface PlannedNoteProps {
  readonly job: JobView;
  readonly made: PlansView;
  /** Plans the panels that have been started as well. */
  readonly onStarted: () => void;
}

/** What planning all panels came to: how many, whose choice fell, and which were left alone. */
function PlannedNote({ job, made: { plans, started, failed }, onStarted }: PlannedNoteProps) {
  const nameOf = (id: string): string => job.panels.find((panel) => panel.id === id)?.name ?? id;
  const without = plans.filter(({ chosen }) => chosen === null).length;
  const fallen = plans.filter(({ isFallen }) => isFallen);
  return (
    <div className="plan-done" role="status">
      <p>
        {plans.length} {plans.length === 1 ? 'panel' : 'panels'} planned; what was chosen is kept where it is
        still ready.
        {without > 0 && ` ${without} of them have no system yet: open them to see why.`}
        {failed.map(({ panel, title }) => ` ${nameOf(panel)}: ${title}`)}
      </p>
      {fallen.length > 0 && (
        <p>
          <b>The system that was chosen is not ready any more on</b>{' '}
          {fallen.map(({ panel }, i) => (
            <Fragment key={panel}>
              {i > 0 && ', '}
              <Link to={`/jobs/${job.job.id}/panels/${panel}/system`}>{nameOf(panel)}</Link>
            </Fragment>
          ))}
          . Open it to see what changed.
        </p>
      )}
      {started.length > 0 && (
        <p>
          {started.map(nameOf).join(', ')}: work has begun, left as planned.{' '}
          <Button onClick={onStarted}>Plan the rest of {started.length === 1 ? 'it' : 'them'} as well</Button>
        </p>
      )}
    </div>
  );
}

const STATE_WORDS: Readonly<Record<PanelState, string>> = {
  surveyed: 'surveyed, not planned yet',
  stopped: 'planned, waits for a stopped zone',
  planned: 'planned',
  begun: 'work has begun',
  'handed-over': 'handed over to base',
  defect: 'a defect was found after hand-over',
  'base-on': 'base is on',
};

interface PanelCardProps {
  readonly job: string;
  readonly panel: JobView['panels'][number];
  readonly onRemove: () => void;
}

function PanelCard({ job, panel, onRemove }: PanelCardProps) {
  const { quantity } = useFormat();
  const kinds = [...new Set(panel.tops)] as LayerKind[];
  return (
    <li className="stepped-row">
      <Link to={`/jobs/${job}/panels/${panel.id}/survey`}>
        <h2>{panel.name}</h2>
        <p>
          {quantity('M2', panel.areaM2)}, {panel.tops.length} {panel.tops.length === 1 ? 'zone' : 'zones'};{' '}
          {STATE_WORDS[panel.state]}
        </p>
        <p className="swatches">
          {kinds.map((kind) => (
            <span key={kind}>
              <Swatch kind={kind} /> {LAYER_KINDS[kind].label}
            </span>
          ))}
        </p>
      </Link>
      <RemoveButton
        className="panel-remove"
        icon={<DeleteOutlined />}
        label={`Remove ${panel.name}`}
        onRemove={onRemove}
      />
    </li>
  );
}
