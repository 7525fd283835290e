import { editOf, inverseOf, isEmpty, isSameJson, rebased, withEdit } from '@blue-ledge/core';
import type { Panel, PanelView } from '@blue-ledge/core';
import { isAt, isPending, type Entry, type FieldsEntry, type PanelEntry, type PanelKey } from './entry.ts';
import type { FieldChange } from './field-change.ts';
import { decide, nextOrder, useOutbox } from './row.ts';

/** What a person does to the row of writes: changes, takes back, settles. */

/** Edits of the same field within this time are one, and undone together. */
const SAME_EDIT_MS = 1500;

const entries = (): readonly Entry[] => useOutbox.getState().entries;
const newKey = (): string => crypto.randomUUID();
const panelEntryOf = (row: readonly Entry[], key: string): PanelEntry | undefined =>
  row.find((entry): entry is PanelEntry => entry.key === key && entry.kind === 'panel');

/** Fields of a job or a shop. */
export function changeFields(fields: FieldChange): void {
  const head = { kind: 'fields', key: newKey(), state: 'waiting', change: fields } as const;
  const isRefused = (entry: Entry): entry is FieldsEntry =>
    entry.kind === 'fields' && entry.state === 'refused' && entry.change.id === fields.id;
  void decide((row) => ({
    put: [{ ...head, order: nextOrder(row) }],
    gone: row.filter(isRefused).map(({ key }) => key),
  }));
}

/** The panel with edits that are not on the server yet; those that no longer fit are left out. */
export const withEdits = (panel: Panel, edits: readonly PanelEntry[]): Panel =>
  edits.reduce((seen, { edit, theirs }) => {
    // One that no longer fits is shown as its writer wants it, until they decide.
    const shown = theirs ? rebased(edit, seen) : edit;
    return withEdit(seen, shown) ?? seen;
  }, panel);

const pendingAt = (row: readonly Entry[], at: PanelKey): PanelEntry[] =>
  row.filter((entry): entry is PanelEntry => isAt(entry, at) && isPending(entry));

/** The panel as this person sees it. */
export const withOutbox = (view: PanelView, row: readonly Entry[]): PanelView => {
  const mine = pendingAt(row, { job: view.job.id, panel: view.panel.id });
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
  const last = pendingAt(entries(), at)
    .filter((entry) => entry.zone === zone)
    .at(-1);
  if (last?.state === 'refused') return last;
  const isSame = last?.state === 'waiting' && last.field === field && nowMs - last.editedMs < SAME_EDIT_MS;
  return isSame && last.undoes === undefined ? last : undefined;
}

const isStill = (entry: PanelEntry, now: PanelEntry | undefined): boolean =>
  now?.state === entry.state && isSameJson(now.edit, entry.edit);

/** Puts an edit of a panel into the row. */
export function editPanel(made: NewEdit): void {
  const { at, zone, field, saved, next } = made;
  const editedMs = Date.now();
  const joined = joinedBy(made, editedMs);
  const pending = pendingAt(entries(), at);
  const before = withEdits(saved, pending);
  const beforeBoth = withEdits(
    saved,
    pending.filter((entry) => entry !== joined),
  );
  const wanted = next(before);
  const head = {
    kind: 'panel',
    key: newKey(),
    state: 'waiting',
    at,
    ...(zone === undefined ? {} : { zone }),
    field,
    editedMs,
  } as const;
  const alone = editOf(before, wanted);
  const both = editOf(beforeBoth, wanted);
  void decide((row) => {
    const now = joined && panelEntryOf(row, joined.key);
    // Meanwhile it may have been sent, from another tab: then this one follows it.
    const isJoined = joined && isStill(joined, now);
    const edit = isJoined ? both : alone;
    return {
      put: isEmpty(edit) ? [] : [{ ...head, order: isJoined ? joined.order : nextOrder(row), edit }],
      gone: isJoined ? [joined.key] : [],
    };
  });
}

/** Edits of a zone, or of the panel as a whole, that can be taken back, the newest last. */
export const undoable = (row: readonly Entry[], at: PanelKey, zone: string | undefined): PanelEntry[] =>
  row.filter(
    (entry): entry is PanelEntry =>
      isAt(entry, at) && entry.zone === zone && entry.undoes === undefined && !entry.isUndone,
  );

/** Takes the newest edit back: one that was not sent is forgotten, one that was is followed by its inverse. */
export function undoLast(at: PanelKey, zone: string | undefined): void {
  const seen = undoable(entries(), at, zone).at(-1);
  if (!seen) return;
  const head = {
    kind: 'panel',
    key: newKey(),
    state: 'waiting',
    at,
    ...(zone === undefined ? {} : { zone }),
    field: 'undo',
    editedMs: Date.now(),
    undoes: seen.key,
  } as const;
  void decide((row) => {
    const last = panelEntryOf(row, seen.key);
    if (!last || last.isUndone) return {};
    if (last.state === 'waiting' || last.state === 'refused') return { gone: [last.key] };
    const inverse = { ...head, order: nextOrder(row), edit: inverseOf(last.edit) };
    return { put: [{ ...last, isUndone: true }, inverse] };
  });
}

/** Settles an edit that no longer fits: mine is made to what is there now, theirs gives it up. */
export function settle({ key }: PanelEntry, choice: 'mine' | 'theirs'): void {
  const newer = newKey();
  void decide((row) => {
    const refused = panelEntryOf(row, key);
    if (refused?.state !== 'refused') return {};
    const { lines: _, theirs, ...head } = refused;
    const again = choice === 'mine' && theirs ? rebased(head.edit, theirs.panel) : undefined;
    if (!again || isEmpty(again)) return { gone: [key] };
    return { put: [{ ...head, key: newer, edit: again, state: 'waiting' }], gone: [key] };
  });
}

/** Gives up a write that was refused. */
export function giveUp(key: string): void {
  void decide((row) => ({
    gone: row.some((entry) => entry.key === key && entry.state === 'refused') ? [key] : [],
  }));
}
