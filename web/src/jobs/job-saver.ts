import type { JobView } from '@blue-ledge/core';
import { RequestRefused, Unreachable, ask, newKey } from '../api/http.ts';
import { jobPath, jobQueryKey } from '../api/queries.ts';
import { queryClient } from '../api/query-client.ts';
import { connection } from '../state/connection.ts';
import {
  dequeue,
  enqueue,
  useJobChanges,
  withChange,
  type JobChange,
  type QueuedChange,
} from '../state/job-changes.ts';

/** Sends changes of shop and target one after the other, and again when the server is back. */

const CONFLICT = 409;
/** Somebody else's changes of other fields are taken up this often before a change is given back. */
const MOST_TRIES = 5;
let isSending = false;

/** Shows a change at once and sends it. */
export function changeJob(job: string, change: JobChange): void {
  enqueue({ job, change, writeKey: newKey() });
  void sendAll();
}

/** Sends what waits; stops where the server is away. */
export async function sendAll(): Promise<void> {
  if (isSending) return;
  isSending = true;
  try {
    for (let first = next(); first; first = next()) dequeue(await send(first));
  } catch (error) {
    if (!(error instanceof Unreachable)) throw error;
  } finally {
    isSending = false;
  }
}

const next = (): QueuedChange | undefined => useJobChanges.getState().queue[0];
const fetchJob = (job: string): Promise<JobView> =>
  queryClient.fetchQuery({
    queryKey: jobQueryKey(job),
    queryFn: () => ask<JobView>(jobPath(job)),
    staleTime: 0,
  });

/** Why it was refused, one line each; none when it was taken. @throws {Unreachable} */
async function send({ job, change, writeKey }: QueuedChange): Promise<readonly string[]> {
  for (let tries = 1; ; tries++) {
    try {
      const view = await fetchJob(job);
      const changed = withChange(view, change);
      const body = {
        version: view.version,
        ...(change.shop ? { shop: changed.shop } : {}),
        ...(change.target ? { target: changed.job.target } : {}),
      };
      const { version } = await ask<{ version: number }>(jobPath(job), {
        method: 'PATCH',
        body,
        key: writeKey,
      });
      queryClient.setQueryData<JobView>(jobQueryKey(job), { ...changed, version });
      void queryClient.invalidateQueries({ queryKey: ['panel', job] });
      void queryClient.invalidateQueries({ queryKey: ['plan', job] });
      return [];
    } catch (error) {
      if (!(error instanceof RequestRefused)) throw error;
      if (error.details.status !== CONFLICT || tries >= MOST_TRIES) return error.lines;
    }
  }
}

connection.onBack(() => void sendAll());
