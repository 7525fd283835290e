import { dayText, type JobSummary, type PanelState } from '@blue-ledge/core';
import { Button, Input, Pagination, Segmented } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { PageTitle } from '../shell/PageTitle.tsx';
import { CopyOutlined, DeleteOutlined, InboxOutlined, PlusOutlined, UndoOutlined } from '../shared/icons.tsx';
import {
  useArchiveJob,
  useCopyJob,
  useJobs,
  usePutJobBack,
  useRemoveJob,
  type JobsAsk,
} from '../api/queries.ts';
import { Pending, Problem } from '../shared/Problem.tsx';
import { RemoveButton } from '../shared/RemoveButton.tsx';
import { FirstSteps } from './FirstSteps.tsx';
import { removalWords } from './removal-words.ts';
import { NewJob } from './NewJob.tsx';
import { TakeJob } from './TakeJob.tsx';
import { todayHere } from '../state/now.ts';
import './jobs.css';

const A_PAGE = 24;

const WHICH = [
  { value: 'open', label: 'Open' },
  { value: 'archived', label: 'Put away' },
  { value: 'removed', label: 'Removed' },
] as const;
const NONE: Readonly<Record<JobsAsk['which'], string>> = {
  open: 'No job is open.',
  archived: 'No job is put away.',
  removed: 'No job was removed in the last month.',
};

/** All jobs, newest first: found by title, opened, copied, put away; and the two ways to a new one. */
export function JobsPage() {
  const [text, setText] = useState('');
  const [which, setWhich] = useState<JobsAsk['which']>('open');
  const [page, setPage] = useState(1);
  const [isMaking, setIsMaking] = useState(false);
  const [problem, setProblem] = useState<Error | null>(null);
  const asked = { text: text.trim(), which, offset: (page - 1) * A_PAGE, limit: A_PAGE };
  const { data, error } = useJobs(asked);
  const remove = useRemoveJob();
  const copy = useCopyJob();
  const archive = useArchiveJob();
  if (!data) return <Pending error={error} what="the jobs" />;
  const { jobs, nJobs } = data;
  const isAll = asked.text === '' && which === 'open';
  const shown = problem ?? remove.error ?? copy.error ?? archive.error;
  return (
    <main className="page">
      <PageTitle name="Jobs" />
      <div className="page-head">
        <h1>Jobs</h1>
        <span className="note">{nJobs === 1 ? '1 job' : `${nJobs} jobs`}</span>
        <div className="head-actions">
          <TakeJob onError={setProblem} />
          <Button type="primary" icon={<PlusOutlined />} onClick={() => setIsMaking(true)}>
            New job
          </Button>
        </div>
      </div>
      {shown && <Problem error={shown} />}
      {remove.data && <Removed removed={remove.data} onBack={() => remove.reset()} />}
      <div className="jobs-find">
        {(nJobs > 0 || !isAll) && (
          <Input.Search
            aria-label="Find a job"
            placeholder="title or id"
            allowClear
            maxLength={80}
            value={text}
            onChange={({ target }) => {
              setText(target.value);
              setPage(1);
            }}
          />
        )}
        <Segmented
          aria-label="Which jobs"
          value={which}
          options={[...WHICH]}
          onChange={(next) => {
            setWhich(next);
            setPage(1);
          }}
        />
      </div>
      {jobs.length === 0 ? (
        isAll ? (
          <FirstSteps onNewJob={() => setIsMaking(true)} />
        ) : (
          <p className="empty">
            {asked.text === '' ? NONE[which] : 'No job is called that. Try a shorter word.'}
          </p>
        )
      ) : which === 'removed' ? (
        <ul className="job-list">
          {jobs.map((job) => (
            <RemovedCard key={job.id} job={job} />
          ))}
        </ul>
      ) : (
        <ul className="job-list">
          {jobs.map((job) => (
            <JobCard
              key={job.id}
              job={job}
              onCopy={() => copy.mutate(job.id)}
              onArchive={() => archive.mutate({ ...job, isArchived: !job.isArchived })}
              onRemove={() => remove.mutate(job)}
            />
          ))}
        </ul>
      )}
      {nJobs > A_PAGE && (
        <Pagination
          current={page}
          pageSize={A_PAGE}
          total={nJobs}
          showSizeChanger={false}
          onChange={setPage}
          className="jobs-pages"
        />
      )}
      {isMaking && <NewJob onClose={() => setIsMaking(false)} />}
    </main>
  );
}

/** A job that was removed: what it is, how long it is kept, and the way back. */
function RemovedCard({ job: { id, title, panels, removal } }: { readonly job: JobSummary }) {
  const putBack = usePutJobBack();
  return (
    <li className="stepped-row removed-job">
      <h2>{title}</h2>
      <span>{panels.map(({ name }) => name).join(', ') || 'no panel'}</span>
      <span className="note">
        {removal && removalWords(removal, ', and is put away after a month')}; job {id}
      </span>
      <Button
        icon={<UndoOutlined />}
        aria-label={`Put ${title} back`}
        loading={putBack.isPending}
        onClick={() => putBack.mutate(id)}
      >
        Put it back
      </Button>
      {putBack.error && <span className="field-problem">{putBack.error.message}</span>}
    </li>
  );
}

interface RemovedProps {
  readonly removed: { readonly id: string; readonly title: string };
  readonly onBack: () => void;
}

/** A job that was just taken away, and the way back. */
function Removed({ removed: { id, title }, onBack }: RemovedProps) {
  const putBack = usePutJobBack();
  return (
    <p className="plan-done" role="status">
      {title} was removed.{' '}
      <Button loading={putBack.isPending} onClick={() => putBack.mutate(id, { onSuccess: onBack })}>
        Put it back
      </Button>
      {putBack.error && <span className="field-problem">{putBack.error.message}</span>}
    </p>
  );
}

const STATE_WORDS: Readonly<Record<PanelState, string>> = {
  surveyed: 'surveyed',
  stopped: 'waits for a stopped zone',
  planned: 'planned',
  begun: 'begun',
  'handed-over': 'handed over',
  defect: 'with a defect after hand-over',
  'base-on': 'with base on',
};

/** "3 planned, 1 surveyed" */
const statesText = (panels: JobSummary['panels']): string =>
  (Object.keys(STATE_WORDS) as PanelState[])
    .flatMap((state) => {
      const count = panels.filter((panel) => panel.state === state).length;
      return count > 0 ? [`${count} ${STATE_WORDS[state]}`] : [];
    })
    .join(', ');

interface JobCardProps {
  readonly job: JobSummary;
  readonly onCopy: () => void;
  readonly onArchive: () => void;
  readonly onRemove: () => void;
}

function JobCard({ job, onCopy, onArchive, onRemove }: JobCardProps) {
  const { id, title, panels, dueOn, isArchived } = job;
  return (
    <li className="stepped-row">
      <Link to={`/jobs/${id}`}>
        <h2>{title}</h2>
        <span>{panels.map(({ name }) => name).join(', ') || 'no panel yet'}</span>
        <span className="note">
          {[statesText(panels), dueOn && `due ${dayText(dueOn, todayHere())}`, `job ${id}`]
            .filter(Boolean)
            .join('; ')}
        </span>
      </Link>
      <span className="job-acts">
        <Button
          type="text"
          icon={<CopyOutlined />}
          aria-label={`Copy ${title}`}
          title="Copy"
          onClick={onCopy}
        />
        <Button
          type="text"
          icon={<InboxOutlined />}
          aria-label={isArchived ? `Take ${title} out again` : `Put ${title} away`}
          title={isArchived ? 'Take out again' : 'Put away'}
          onClick={onArchive}
        />
        <RemoveButton
          icon={<DeleteOutlined />}
          label={`Remove ${title}`}
          title="Remove"
          onRemove={onRemove}
        />
      </span>
    </li>
  );
}
