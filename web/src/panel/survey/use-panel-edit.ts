import type { Panel, PanelView } from '@blue-ledge/core';
import { panelDrafts, type PanelKey, type PanelRefusal } from '../../state/drafts.ts';
import { panelSaver, settlePanel } from './panel-saver.ts';

export interface PanelEdit {
  /** Keeps the panel as changed, and saves it soon. */
  readonly change: (panel: Panel) => void;
  /** Brings back what the last change replaced; absent where there is nothing to undo. */
  readonly undo?: () => void;
  readonly refusal: PanelRefusal | undefined;
  readonly settle: (choice: 'mine' | 'theirs') => void;
}

/** Editing of the panel on screen as a whole. */
export function usePanelEdit(key: PanelKey, view: PanelView): PanelEdit {
  const name = panelDrafts.nameOf(key);
  const draft = panelDrafts.use((state) => state.drafts[name]);
  const refusal = panelDrafts.use((state) => state.refusals[name]);
  const canUndo = panelDrafts.use((state) => (state.undo[name] ?? []).length > 0);
  const seen = draft?.seen ?? { version: view.version, zoneVersions: view.zoneVersions };
  const undo = (): void => {
    const replaced = panelDrafts.takeUndo(key);
    if (replaced) panelSaver.edit(key, replaced, seen, null);
  };
  return {
    change: (panel) => panelSaver.edit(key, panel, seen, view.panel),
    ...(canUndo ? { undo } : {}),
    refusal,
    settle: (choice) => settlePanel(key, choice),
  };
}
