import { UploadOutlined } from '@ant-design/icons';
import { MOST_JOB_BYTES } from '@blue-ledge/core';
import { Button } from 'antd';
import { useRef, useState, type ChangeEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { useJobs, useTakeJob } from '../api/queries.ts';
import { Pending, Problem } from '../shared/Problem.tsx';
import './jobs.css';

/** All jobs, and the way to take one in from a file. */
export function JobsPage() {
  const { data: jobs, error } = useJobs();
  const take = useTakeJob();
  const navigate = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const [tooLarge, setTooLarge] = useState<Error | null>(null);

  const open = async ({ target }: ChangeEvent<HTMLInputElement>): Promise<void> => {
    const chosen = target.files?.[0];
    target.value = '';
    if (!chosen) return;
    take.reset();
    if (chosen.size > MOST_JOB_BYTES)
      return setTooLarge(new Error(`${chosen.name} is larger than a job file may be (8 MB). Split the job.`));
    setTooLarge(null);
    take.mutate(await chosen.text(), { onSuccess: ({ id }) => void navigate(`/jobs/${id}`) });
  };

  if (!jobs) return <Pending error={error} what="the jobs" />;
  const problem = tooLarge ?? take.error;
  return (
    <main className="page">
      <div className="page-head">
        <h1>Jobs</h1>
        <span className="note">{jobs.length === 1 ? '1 job' : `${jobs.length} jobs`}</span>
        <div className="head-actions">
          <input
            ref={file}
            type="file"
            accept=".json,application/json"
            className="visually-hidden"
            aria-label="Job file"
            onChange={(event) => void open(event)}
          />
          <Button
            type="primary"
            icon={<UploadOutlined />}
            loading={take.isPending}
            onClick={() => file.current?.click()}
          >
            Take in a job file
          </Button>
        </div>
      </div>
      {problem && <Problem error={problem} />}
      {jobs.length === 0 ? (
        <p className="empty">
          No job yet. A job holds the panels of one vehicle; take one in from a file that ends in .ledge.json.
        </p>
      ) : (
        <ul className="job-list">
          {jobs.map(({ id, title, panels }) => (
            <li key={id} className="stepped-row">
              <Link to={`/jobs/${id}`}>
                <h2>{title}</h2>
                <span>{panels.join(', ')}</span>
                <span className="note">job {id}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </main>
  );
}
