import { conflictsOf, type Conflict, type Panel, type Zone } from '@blue-ledge/core';
import { usePanel } from '../../api/queries.ts';
import { isAt, isPending, type PanelEntry, type PanelKey } from '../../outbox/entry.ts';
import { editPanel, settle, undoLast, undoable } from '../../outbox/outbox.ts';
import { useOutbox } from '../../outbox/row.ts';
import { sendSoon } from '../../outbox/sender.ts';

/** Why an edit is not saved. */
export interface EditRefusal {
  readonly lines: readonly string[];
  /** What is different there, where the edit no longer fits. */
  readonly conflicts?: readonly Conflict[];
  /** It was to take another one back. */
  readonly isUndo: boolean;
}

export interface EditOf<Value> {
  /** Keeps what was changed, and sends it soon. `field` tells edits apart: the same one at once is one edit. */
  readonly change: (value: Value, field: string) => void;
  /** Takes the last edit back; absent where there is none. */
  readonly undo?: () => void;
  readonly isWaiting: boolean;
  readonly refusal: EditRefusal | undefined;
  readonly settle: (choice: 'mine' | 'theirs') => void;
}

export type ZoneEdit = EditOf<Zone>;

const refusalOf = ({ lines = [], theirs, undoes, edit }: PanelEntry): EditRefusal => ({
  lines,
  ...(theirs ? { conflicts: conflictsOf(edit, theirs.panel) } : {}),
  isUndo: undoes !== undefined,
});

/** What editing a zone, or the panel as a whole, has in common. */
export function useEditAt(at: PanelKey, zone: string | undefined): Omit<EditOf<never>, 'change'> {
  const entries = useOutbox((state) => state.entries);
  const mine = entries.filter(
    (entry): entry is PanelEntry => isAt(entry, at) && entry.zone === zone && isPending(entry),
  );
  const refused = mine.findLast(({ state }) => state === 'refused');
  const undo = (): void => {
    undoLast(at, zone);
    sendSoon();
  };
  return {
    ...(undoable(entries, at, zone).length > 0 ? { undo } : {}),
    isWaiting: mine.length > 0,
    refusal: refused && refusalOf(refused),
    settle: (choice) => {
      if (refused) settle(refused, choice);
      sendSoon();
    },
  };
}

/** Puts a zone of the panel in the place of the one of its id, and sends it soon. */
export function useZoneWriter(at: PanelKey): ZoneEdit['change'] {
  const { data: saved } = usePanel(at);
  return (value, field) => {
    if (!saved) return;
    const next = ({ zones, ...panel }: Panel): Panel => ({
      ...panel,
      zones: zones.map((each) => (each.id === value.id ? value : each)),
    });
    editPanel({ at, zone: value.id, field, saved: saved.panel, next });
    sendSoon();
  };
}

/** Editing of one zone of the panel on screen. */
export const useZoneEdit = (at: PanelKey, zone: Zone): ZoneEdit => ({
  ...useEditAt(at, zone.id),
  change: useZoneWriter(at),
});
