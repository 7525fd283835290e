import { editOf, inverseOf, isEmpty, rebased, withEdit, type Panel, type PanelView } from '@blue-ledge/core';
import { create } from 'zustand';
import { isAt, isPending, type Entry, type FieldsEntry, type PanelEntry, type PanelKey } from './entry.ts';
import type { FieldChange } from './field-change.ts';
import { readEntries, writeEntries } from './outbox-db.ts';

/** All writes of this browser, in one row, the same in every tab. Screens show them over what the server has. */

interface Outbox {
  readonly entries: readonly Entry[];
}

export const useOutbox = create<Outbox>()(() => ({ entries: [] }));

const CHANNEL = 'ledge-outbox';
// Outside of a page there is no other tab.
const channel = typeof document === 'undefined' ? null : new BroadcastChannel(CHANNEL);
/** Edits of one panel that can be taken back. */
const MOST_UNDO = 30;
/** Edits of the same field within this time are one, and undone together. */
const SAME_EDIT_MS = 1500;

const entries = (): readonly Entry[] => useOutbox.getState().entries;
let lastWrite: Promise<void> = Promise.resolve();

/** Shows a change of the row at once, and keeps it. */
export function change(put: readonly Entry[], gone: readonly string[] = []): void {
  const kept = entries().filter(({ key }) => !gone.includes(key) && !put.some((entry) => entry.key === key));
  useOutbox.setState({ entries: [...kept, ...put].toSorted((a, b) => a.order - b.order) });
  lastWrite = lastWrite
    .then(() => writeEntries(put, gone))
    .then(() => channel?.postMessage('changed'))
    .catch((error: unknown) => useFault.setState({ isUnkept: true, error: String(error) }));
}

/** Whether the browser could not keep a write: then leaving the page loses it. */
export const useFault = create<{ isUnkept: boolean; error: string }>()(() => ({
  isUnkept: false,
  error: '',
}));

/** What the browser kept, once all that was changed here is kept. */
export async function load(): Promise<void> {
  await lastWrite;
  useOutbox.setState({ entries: await readEntries() });
}

/** Follows what other tabs do. */
export function follow(onChange: () => void): void {
  if (channel) channel.onmessage = () => void load().then(onChange);
}

const nextOrder = (): number => Math.max(Date.now(), (entries().at(-1)?.order ?? 0) + 1);
const newKey = (): string => crypto.randomUUID();

/** Fields of a job or a shop. */
export function changeFields(fields: FieldChange): void {
  const entry: FieldsEntry = {
    kind: 'fields',
    key: newKey(),
    order: nextOrder(),
    state: 'waiting',
    change: fields,
  };
  const refused = entries().filter(
    (other) => other.kind === 'fields' && other.state === 'refused' && other.change.id === fields.id,
  );
  change(
    [entry],
    refused.map(({ key }) => key),
  );
}

/** The panel with edits that are not on the server yet; those that no longer fit are left out. */
export const withEdits = (panel: Panel, edits: readonly PanelEntry[]): Panel =>
  edits.reduce((seen, { edit, theirs }) => {
    // One that no longer fits is shown as its writer wants it, until they decide.
    const shown = theirs ? rebased(edit, seen) : edit;
    return withEdit(seen, shown) ?? seen;
  }, panel);

const pendingAt = (at: PanelKey): PanelEntry[] =>
  entries().filter((entry): entry is PanelEntry => isAt(entry, at) && isPending(entry));

/** The panel as this person sees it. */
export const withOutbox = (view: PanelView, all: readonly Entry[]): PanelView => {
  const at = { job: view.job.id, panel: view.panel.id };
  const mine = all.filter((entry): entry is PanelEntry => isAt(entry, at) && isPending(entry));
  return mine.length === 0 ? view : { ...view, panel: withEdits(view.panel, mine) };
};

interface NewEdit {
  readonly at: PanelKey;
  readonly zone?: string | undefined;
  readonly field: string;
  /** The panel as the server has it. */
  readonly saved: Panel;
  /** The panel as it shall be, from what it is with all edits before this one. */
  readonly next: (before: Panel) => Panel;
}

/** An edit that a further one is part of: the same field a moment ago and not sent yet, or one that was refused. */
function joinedBy({ at, zone, field }: NewEdit, nowMs: number): PanelEntry | undefined {
  const last = pendingAt(at)
    .filter((entry) => entry.zone === zone)
    .at(-1);
  if (last?.state === 'refused') return last;
  const isSame = last?.state === 'waiting' && last.field === field && nowMs - last.editedMs < SAME_EDIT_MS;
  return isSame && last.undoes === undefined ? last : undefined;
}

/** Puts an edit of a panel into the row. */
export function editPanel(made: NewEdit): void {
  const { at, zone, field, saved, next } = made;
  const editedMs = Date.now();
  const joined = joinedBy(made, editedMs);
  const before = withEdits(
    saved,
    pendingAt(at).filter((entry) => entry !== joined),
  );
  const edit = editOf(before, next(before));
  const gone = joined ? [joined.key] : [];
  if (isEmpty(edit)) return change([], gone);
  const entry: PanelEntry = {
    kind: 'panel',
    key: newKey(),
    order: joined?.order ?? nextOrder(),
    state: 'waiting',
    at,
    ...(zone === undefined ? {} : { zone }),
    field,
    editedMs,
    edit,
  };
  change([entry], gone);
}

/** Edits of a zone, or of the panel as a whole, that can be taken back, the newest last. */
export const undoable = (all: readonly Entry[], at: PanelKey, zone: string | undefined): PanelEntry[] =>
  all.filter(
    (entry): entry is PanelEntry =>
      isAt(entry, at) && entry.zone === zone && entry.undoes === undefined && !entry.isUndone,
  );

/** Takes the newest edit back: one that was not sent is forgotten, one that was is followed by its inverse. */
export function undoLast(at: PanelKey, zone: string | undefined): void {
  const last = undoable(entries(), at, zone).at(-1);
  if (!last) return;
  if (last.state === 'waiting' || last.state === 'refused') return change([], [last.key]);
  const inverse: PanelEntry = {
    kind: 'panel',
    key: newKey(),
    order: nextOrder(),
    state: 'waiting',
    at,
    ...(zone === undefined ? {} : { zone }),
    field: 'undo',
    editedMs: Date.now(),
    edit: inverseOf(last.edit),
    undoes: last.key,
  };
  change([{ ...last, isUndone: true }, inverse]);
}

/** Settles an edit that no longer fits: mine is made to what is there now, theirs gives it up. */
export function settle({ key, edit, theirs, ...entry }: PanelEntry, choice: 'mine' | 'theirs'): void {
  if (choice === 'theirs' || !theirs) return change([], [key]);
  const again = rebased(edit, theirs.panel);
  if (isEmpty(again)) return change([], [key]);
  const { lines: _, ...head } = entry;
  change([{ ...head, key: newKey(), edit: again, state: 'waiting' }], [key]);
}

/** An edit that holds stays for a while, to be taken back. */
export function markSent(entry: Entry): void {
  if (entry.kind === 'fields') return change([], [entry.key]);
  const { lines: _, theirs: __, ...sent } = entry;
  const older = entries().filter((other) => isAt(other, entry.at) && other.state === 'sent');
  const gone = older.slice(0, Math.max(0, older.length + 1 - MOST_UNDO)).map(({ key }) => key);
  change([{ ...sent, state: 'sent' }], entry.undoes === undefined ? gone : [...gone, entry.undoes]);
}
