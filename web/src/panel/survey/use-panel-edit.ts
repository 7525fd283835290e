import type { Panel, PanelView } from '@blue-ledge/core';
import { usePanel } from '../../api/queries.ts';
import type { PanelKey } from '../../outbox/entry.ts';
import { editPanel } from '../../outbox/outbox.ts';
import { sendSoon } from '../../outbox/sender.ts';
import { useEditAt, type EditOf } from './use-zone-edit.ts';

export type PanelEditor = Omit<EditOf<Panel>, 'change'> & {
  /** Keeps the panel as changed, and sends it soon. */
  readonly change: (panel: Panel) => void;
};

let nEdits = 0;

/** Editing of the panel on screen as a whole: its facts, and zones that come, go or change their shape together. */
export function usePanelEdit(at: PanelKey, view: PanelView): PanelEditor {
  const { data: saved } = usePanel(at);
  const shared = useEditAt(at, undefined);
  const change = (next: Panel): void => {
    if (!saved || next === view.panel) return;
    // Each is an edit of its own: a zone that is added is not one with the panel that was named before.
    editPanel({ at, field: `panel ${nEdits++}`, saved: saved.panel, next: () => next });
    sendSoon();
  };
  return { ...shared, change };
}
