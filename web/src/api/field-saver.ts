import { connection } from '../state/connection.ts';
import {
  dequeue,
  enqueue,
  useFieldChanges,
  type FieldChange,
  type QueuedChange,
} from '../state/field-changes.ts';
import { RequestRefused, Unreachable, ask, newKey } from './http.ts';
import { jobPath, shopPath, shopsQueryKey } from './queries.ts';
import { queryClient } from './query-client.ts';

/** Sends changes of jobs and shops one after the other, and again when the server is back. */

let isSending = false;

/** Shows a change at once and sends it. */
export function changeFields(change: FieldChange): void {
  enqueue({ ...change, writeKey: newKey() });
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

const next = (): QueuedChange | undefined => useFieldChanges.getState().queue[0];

/** Why it was refused, one line each; none when it was taken. @throws {Unreachable} */
async function send({ of, id, fields, writeKey: key }: QueuedChange): Promise<readonly string[]> {
  const path = of === 'jobs' ? jobPath(id) : shopPath(id);
  try {
    await ask(path, { method: 'PATCH', body: fields, key });
  } catch (error) {
    if (error instanceof RequestRefused) return error.lines;
    throw error;
  }
  if (of === 'shops') await queryClient.invalidateQueries({ queryKey: shopsQueryKey });
  await queryClient.invalidateQueries({ queryKey: ['job'] });
  for (const name of ['panel', 'plan', 'jobs']) void queryClient.invalidateQueries({ queryKey: [name] });
  return [];
}

connection.onBack(() => void sendAll());
