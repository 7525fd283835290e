import {
  capital,
  type ClocksView,
  type ClockView,
  type Entry as KeptEntry,
  type PanelView,
  type Problem,
  type RecordView,
} from '@blue-ledge/core';
import { RequestRefused, Unreachable, ask } from '../api/http.ts';
import {
  clocksQueryKey,
  jobPath,
  panelPath,
  panelQueryKey,
  recordQueryKey,
  shopPath,
  shopsQueryKey,
} from '../api/queries.ts';
import { askAgainWhenAnswered, queryClient } from '../api/query-client.ts';
import { connection } from '../state/connection.ts';
import { stayOpen } from './just-made.ts';
import {
  isAt,
  subjectOf,
  type ClockAct,
  type ClockEntry,
  type Entry,
  type PanelEntry,
  type RecordEntry,
} from './entry.ts';
import { FIELD_WORDS } from './entry-words.ts';
import { decide, follow, load, tell, useOutbox } from './row.ts';

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
      for (let next = await claimNext(); next; next = await claimNext()) await send(next);
    });
  } catch (error) {
    if (!(error instanceof Unreachable)) throw error;
    // All is sent again once the server answers: no timer of its own asks it meanwhile.
    clearTimeout(laterTimer);
    return;
  }
  sendLater();
}

/** Never sooner, whatever the clocks say, ms. */
const LEAST_WAIT_MS = 1000;
let laterTimer: ReturnType<typeof setTimeout> | undefined;

/** What was put off is sent again when its time comes. */
function sendLater(): void {
  clearTimeout(laterTimer);
  const times = useOutbox
    .getState()
    .entries.flatMap(({ putOff, state }) => (putOff && state === 'waiting' ? [putOff.untilMs] : []));
  if (times.length === 0) return;
  laterTimer = setTimeout(() => void sendAll(), Math.max(LEAST_WAIT_MS, Math.min(...times) - Date.now()));
}

/** Refused ones are passed by: what waits behind them is about something else, or will be refused for itself. */
const isUnsent = ({ state }: Entry): boolean => state === 'waiting' || state === 'sending';

const isPutOff = ({ putOff }: Entry, nowMs: number): boolean => (putOff?.untilMs ?? 0) > nowMs;

/** The first that may be sent: what was put off is passed by, and so is what comes after it about the same thing. */
function firstDue(row: readonly Entry[], nowMs = Date.now()): Entry | undefined {
  const held = new Set<string>();
  return row.filter(isUnsent).find((entry) => {
    const subject = subjectOf(entry);
    if (isPutOff(entry, nowMs)) held.add(subject);
    return !held.has(subject);
  });
}

/** Marks the next one as being sent, and keeps that: a tab that is closed then sends the very same request again. */
async function claimNext(): Promise<Entry | undefined> {
  const nowMs = Date.now();
  const kept = await decide((row) => {
    const next = firstDue(row, nowMs);
    return next?.state === 'waiting' ? { put: [{ ...next, state: 'sending' }] } : {};
  });
  return firstDue(kept, nowMs);
}

async function send(entry: Entry): Promise<void> {
  try {
    await sendOne(entry);
    await markSent(entry.key);
  } catch (error) {
    if (!(error instanceof RequestRefused)) throw error;
    await (isForNow(error) ? putOff(entry, error) : refuse(entry, error));
  }
}

/** Answers that are not the last word: the server failed, has no room left, or is asked too much. */
const isForNow = ({ details: { status } }: RequestRefused): boolean =>
  status >= 500 || status === 429 || status === 408;

const FIRST_WAIT_MS = 5000;
const MOST_WAIT_MS = 60_000;

/** It waits, and is sent again under its key: the longer, the more often it was tried. */
const putOff = ({ key }: Entry, { message }: RequestRefused): Promise<unknown> =>
  decide((row) => {
    const entry = row.find((each) => each.key === key);
    if (!entry) return {};
    const tries = (entry.putOff?.tries ?? 0) + 1;
    const untilMs = Date.now() + Math.min(MOST_WAIT_MS, FIRST_WAIT_MS * 2 ** (tries - 1));
    return { put: [{ ...entry, state: 'waiting', putOff: { untilMs, tries, why: message } }] };
  });

/** Sends what was put off at once. */
export async function sendAgain(key: string): Promise<void> {
  await decide((row) => {
    const entry = row.find((each) => each.key === key);
    return entry?.putOff ? { put: [{ ...entry, putOff: { ...entry.putOff, untilMs: 0 } }] } : {};
  });
  await sendAll();
}

function sendOne(entry: Entry): Promise<void> {
  if (entry.kind === 'panel') return sendEdit(entry);
  if (entry.kind === 'record') return sendRecord(entry);
  return entry.kind === 'fields' ? sendFields(entry) : sendClockAct(entry);
}

/** Edits of one panel that can be taken back. */
const MOST_UNDO = 30;

/** An edit that holds stays for a while, to be taken back. */
const markSent = (key: string): Promise<unknown> =>
  decide((row) => {
    const entry = row.find((each) => each.key === key);
    if (entry?.kind !== 'panel') return { gone: [key] };
    const older = row.filter((other) => isAt(other, entry.at) && other.state === 'sent');
    const gone = older.slice(0, Math.max(0, older.length + 1 - MOST_UNDO)).map((other) => other.key);
    return {
      put: [{ ...entry, state: 'sent' }],
      gone: entry.undoes === undefined ? gone : [...gone, entry.undoes],
    };
  });

/** Shows what the server has, where the panel is on screen and not known newer. */
function showSaved(saved: PanelView): void {
  const queryKey = panelQueryKey({ job: saved.job.id, panel: saved.panel.id });
  queryClient.setQueryData<PanelView>(queryKey, (seen) =>
    seen && seen.version < saved.version ? saved : seen,
  );
  askAgainWhenAnswered(queryKey);
}

async function sendEdit({ at, edit, key }: PanelEntry): Promise<void> {
  const saved = await ask<PanelView>(panelPath(at), { method: 'PATCH', body: { edit }, key });
  showSaved(saved);
  tell(saved);
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

async function sendClockAct({ clockId, act, key }: ClockEntry): Promise<void> {
  const path = `/clocks/${encodeURIComponent(clockId)}`;
  const saved = await (act.kind === 'start'
    ? ask<ClockView>('/clocks', { method: 'POST', body: act.view.clock, key })
    : ask<ClockView>(path, { method: 'PATCH', body: patchOf(act), key }));
  // Shown before the row says that it is sent: no screen goes without it in between.
  queryClient.setQueryData<ClocksView>(clocksQueryKey, (seen) => seen && withSaved(seen, saved));
  void queryClient.invalidateQueries({ queryKey: clocksQueryKey });
}

async function sendRecord({ at, entry, key, photo }: RecordEntry): Promise<void> {
  if (photo) await ask('/photos', { method: 'POST', body: photo });
  const kept = await ask<KeptEntry>(`${panelPath(at)}/record`, { method: 'POST', body: entry, key });
  // Shown before the row says that it is sent: no screen goes without it in between.
  queryClient.setQueryData<RecordView>(recordQueryKey(at), (seen) => seen && withKept(seen, kept));
  void queryClient.invalidateQueries({ queryKey: recordQueryKey(at) });
  for (const name of ['entries', 'job', 'jobs', 'schedule'])
    void queryClient.invalidateQueries({ queryKey: [name] });
}

const withKept = (seen: RecordView, kept: KeptEntry): RecordView =>
  seen.entries.some(({ id }) => id === kept.id) ? seen : { ...seen, entries: [...seen.entries, kept] };

function patchOf(act: Exclude<ClockAct, { kind: 'start' }>): object {
  if (act.kind === 'stop') return { endedMs: act.atMs };
  return act.kind === 'resume' ? { endedMs: null } : { startedMs: act.startedMs };
}

function withSaved(seen: ClocksView, saved: ClockView): ClocksView {
  const others = seen.clocks.filter(({ clock }) => clock.id !== saved.clock.id);
  return { ...seen, clocks: saved.endedMs === null ? [...others, saved] : others };
}

/** Fields of a layer or a finding; those of a zone have their words already. The server names them by their place. */
const INNER_WORDS: Readonly<Record<string, string>> = {
  um: 'thickness',
  kind: 'kind',
  grit: 'grit',
  depthMm: 'depth',
};

/** "Area: must be more than 0 m²" */
const lineOf = ({ path, message }: Problem): string => {
  const field = path.split('.').at(-1) ?? '';
  const word = INNER_WORDS[field] ?? FIELD_WORDS[field] ?? path;
  return `${capital(word)}: ${message}`;
};

const isUndoOf = (entry: Entry, key: string): boolean => entry.kind === 'panel' && entry.undoes === key;

/** Whether a refused entry can be settled by saying more of it. */
function refusedAs({ details }: RequestRefused): Pick<RecordEntry, 'refusedAs'> {
  if (details.status === 409) return { refusedAs: 'done-before' };
  return details.problems?.some(({ path }) => path === 'body.step') ? { refusedAs: 'plan-gone' } : {};
}

async function refuse({ key, kind }: Entry, refusal: RequestRefused): Promise<void> {
  const { details, lines: said } = refusal;
  const theirs = kind === 'panel' ? (details.theirs as PanelView | undefined) : undefined;
  if (theirs) {
    showSaved(theirs);
    tell(theirs);
  }
  const lines = details.problems?.length ? details.problems.map(lineOf) : said;
  await decide((row) => {
    const entry = row.find((each) => each.key === key);
    if (!entry) return {};
    // Taken back before the server said no: nothing of it stays, nor of what was to take it back.
    if (entry.kind === 'panel' && entry.isUndone)
      return { gone: row.filter((each) => each === entry || isUndoOf(each, key)).map((each) => each.key) };
    const refused = { ...entry, state: 'refused' as const, lines };
    if (refused.kind === 'record') return { put: [{ ...refused, ...refusedAs(refusal) }] };
    return { put: [refused.kind === 'panel' && theirs ? { ...refused, theirs } : refused] };
  });
}

/** Takes up what was left from before, follows other tabs, and sends again when the server is back. */
export function startOutbox(): void {
  stayOpen();
  follow(showSaved);
  connection.onBack(() => void sendAll());
  void load().then(sendAll);
}
