import type { PanelView, Problem } from '@blue-ledge/core';
import { RequestRefused, Unreachable, ask } from '../api/http.ts';
import { jobPath, panelPath, panelQueryKey, shopPath, shopsQueryKey } from '../api/queries.ts';
import { askAgainWhenAnswered, queryClient } from '../api/query-client.ts';
import { connection } from '../state/connection.ts';
import type { Entry, PanelEntry } from './entry.ts';
import { change, follow, load, markSent, useOutbox } from './outbox.ts';

/** Sends what waits, one after the other, from one tab at a time, and again when the server is back. */

const LOCK = 'ledge-outbox';
/** A moment after the last edit: what is typed is one write, not one for every digit. */
const REST_MS = 400;

/** Does work while no other tab does it; a browser without locks does it at once. */
const alone = (work: () => Promise<void>): Promise<void> =>
  globalThis.navigator?.locks ? navigator.locks.request(LOCK, work) : work();

let timer: ReturnType<typeof setTimeout> | undefined;

/** Sends soon. */
export function sendSoon(): void {
  clearTimeout(timer);
  timer = setTimeout(() => void sendAll(), REST_MS);
}

/** Sends all that waits; stops where the server is away. */
export async function sendAll(): Promise<void> {
  try {
    await alone(async () => {
      // Another tab may have sent some of it meanwhile.
      await load();
      for (let next = nextEntry(); next; next = nextEntry()) await send(next);
    });
  } catch (error) {
    if (!(error instanceof Unreachable)) throw error;
  }
}

/** Refused ones are passed by: what waits behind them is about something else, or will be refused for itself. */
const nextEntry = (): Entry | undefined =>
  useOutbox.getState().entries.find(({ state }) => state === 'waiting' || state === 'sending');

async function send(entry: Entry): Promise<void> {
  // Kept before it is asked: a tab that is closed now sends the very same request again.
  if (entry.state === 'waiting') change([{ ...entry, state: 'sending' }]);
  try {
    if (entry.kind === 'panel') await sendEdit(entry);
    else await sendFields(entry);
    markSent(entry);
  } catch (error) {
    if (!(error instanceof RequestRefused)) throw error;
    refuse(entry, error);
  }
}

async function sendEdit({ at, edit, key }: PanelEntry): Promise<void> {
  const saved = await ask<PanelView>(panelPath(at), { method: 'PATCH', body: { edit }, key });
  queryClient.setQueryData<PanelView>(panelQueryKey(at), saved);
  askAgainWhenAnswered(panelQueryKey(at));
  void queryClient.invalidateQueries({ queryKey: ['plan', at.job, at.panel] });
  void queryClient.invalidateQueries({ queryKey: ['job', at.job] });
}

async function sendFields({
  change: { of, id, fields },
  key,
}: Extract<Entry, { kind: 'fields' }>): Promise<void> {
  await ask(of === 'jobs' ? jobPath(id) : shopPath(id), { method: 'PATCH', body: fields, key });
  if (of === 'shops') await queryClient.invalidateQueries({ queryKey: shopsQueryKey });
  await queryClient.invalidateQueries({ queryKey: ['job'] });
  for (const name of ['panel', 'plan', 'jobs']) void queryClient.invalidateQueries({ queryKey: [name] });
}

/** Fields of a zone in the words of the screen; the server names them by their place in the data. */
const FIELD_WORDS: Readonly<Record<string, string>> = {
  areaM2: 'Area',
  zones: 'Zones',
  name: 'Name',
  um: 'Thickness',
  kind: 'Kind',
  grit: 'Grit',
  depthMm: 'Depth',
};

const lineOf = ({ path, message }: Problem): string => {
  const field = path.split('.').at(-1) ?? '';
  return `${FIELD_WORDS[field] ?? path}: ${message}`;
};

function refuse(entry: Entry, { details, lines: said }: RequestRefused): void {
  if (entry.kind === 'panel' && details.theirs)
    queryClient.setQueryData<PanelView>(panelQueryKey(entry.at), details.theirs as PanelView);
  const lines = details.problems?.length ? details.problems.map(lineOf) : said;
  const refused = { ...entry, state: 'refused' as const, lines };
  const theirs = entry.kind === 'panel' && details.theirs ? { theirs: details.theirs as PanelView } : {};
  change([{ ...refused, ...theirs } as Entry]);
}

/** Takes up what was left from before, follows other tabs, and sends again when the server is back. */
export function startOutbox(): void {
  follow(() => undefined);
  connection.onBack(() => void sendAll());
  void load().then(sendAll);
}
