import type { Verification } from '@blue-ledge/core';
import { Button } from 'antd';
import { Link } from 'react-router';
import { useIntegrity, useVerify } from '../api/store-queries.ts';
import { CheckOutlined, WarningOutlined } from '../shared/icons.tsx';
import { count } from '../shared/count.ts';
import { Problem } from '../shared/Problem.tsx';
import { momentText } from '../state/now.ts';

/** Whether all records are as they were written, and the way to look again. */
export function Integrity() {
  const { data, error } = useIntegrity();
  const verify = useVerify();
  const isRunning = verify.isPending || (data?.isRunning ?? false);
  return (
    <section className="integrity" aria-label="Whether all records are as they were written">
      <div className="integrity-now" role="status">
        {isRunning ? (
          <span>Looking through all records…</span>
        ) : data?.last ? (
          <Found found={data.last} />
        ) : (
          <span>Not looked through yet.</span>
        )}
        <Button loading={isRunning} onClick={() => verify.mutate()}>
          Check all records
        </Button>
      </div>
      {(verify.error ?? error) && <Problem error={(verify.error ?? error)!} />}
      {!isRunning && data?.last && data.last.faults.length > 0 && <Faults found={data.last} />}
    </section>
  );
}

function Found({ found }: { readonly found: Verification }) {
  const { checkedAt, nEntries, nRecords, nPhotos, arePhotosRead, faults } = found;
  return faults.length > 0 ? (
    <b className="field-problem">
      <WarningOutlined /> {faults.length === 1 ? 'One thing is' : `${faults.length} things are`} not as they
      were written
    </b>
  ) : (
    <span>
      <CheckOutlined />{' '}
      {nRecords === 1 ? 'The record is as it was' : `All ${nRecords} records are as they were`} written (
      {count(nEntries, 'entry', 'entries')}, {count(nPhotos, 'photo', 'photos')}
      {!arePhotosRead && nPhotos > 0 && ', not read yet'}); looked through {momentText(checkedAt)}.
    </span>
  );
}

function Faults({ found: { faults } }: { readonly found: Verification }) {
  return (
    <div className="problem">
      <ul>
        {faults.map(({ what, jobId, panelId }) => (
          <li key={what}>
            <b>{what}</b>{' '}
            {jobId !== undefined && panelId !== undefined && (
              <Link to={`/record/${jobId}/${panelId}`}>Open this record</Link>
            )}
          </li>
        ))}
      </ul>
      {[...new Set(faults.map(({ remedy }) => remedy))].map((remedy) => (
        <p key={remedy}>{remedy}</p>
      ))}
    </div>
  );
}
