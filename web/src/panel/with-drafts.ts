import type { PanelView } from '@blue-ledge/core';
import { panelDrafts, zoneDrafts, type PanelDraft, type ZoneDraft } from '../state/drafts.ts';

/** The panel as this person sees it: with edits that are not saved yet in the place of what the server has. */
export function withDrafts(
  view: PanelView,
  zones: Readonly<Record<string, ZoneDraft>>,
  panels: Readonly<Record<string, PanelDraft>> = {},
): PanelView {
  const key = { job: view.job.id, panel: view.panel.id };
  const panel = panels[panelDrafts.nameOf(key)]?.value ?? view.panel;
  const edited = panel.zones.map(
    (zone) => zones[zoneDrafts.nameOf({ ...key, zone: zone.id })]?.value ?? zone,
  );
  return { ...view, panel: { ...panel, zones: edited } };
}
