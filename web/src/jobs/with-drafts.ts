import type { PanelView } from '@blue-ledge/core';
import { nameOf, type Draft } from '../state/drafts.ts';

/** The panel as this person sees it: the server's zones, with edits that are not saved yet in their place. */
export function withDrafts(view: PanelView, drafts: Readonly<Record<string, Draft>>): PanelView {
  const zones = view.panel.zones.map(
    (zone) => drafts[nameOf({ job: view.job.id, panel: view.panel.id, zone: zone.id })]?.zone ?? zone,
  );
  return { ...view, panel: { ...view.panel, zones } };
}
