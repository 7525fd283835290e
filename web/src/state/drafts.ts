import type { Panel, PanelView, Zone } from '@blue-ledge/core';
import { draftStore, type Draft, type DraftRefusal } from './draft-store.ts';

/** Edits on their way to the server: of one zone, or of a panel as a whole with all its zones. */

export interface ZoneKey {
  readonly job: string;
  readonly panel: string;
  readonly zone: string;
}
export type PanelKey = Omit<ZoneKey, 'zone'>;

/** Versions that an edit of a panel started from. */
export interface SeenPanel {
  readonly version: number;
  readonly zoneVersions: Readonly<Record<string, number>>;
}

export interface VersionedZone {
  readonly value: Zone;
  readonly version: number;
}

export type ZoneDraft = Draft<ZoneKey, Zone, number>;
export type ZoneRefusal = DraftRefusal<VersionedZone>;
export type PanelDraft = Draft<PanelKey, Panel, SeenPanel>;
export type PanelRefusal = DraftRefusal<PanelView>;

export const zoneDrafts = draftStore<ZoneKey, Zone, number, VersionedZone>(
  'ledge-zone-drafts',
  ({ job, panel, zone }) => `${job}/${panel}/${zone}`,
);
export const panelDrafts = draftStore<PanelKey, Panel, SeenPanel, PanelView>(
  'ledge-panel-drafts',
  ({ job, panel }) => `${job}/${panel}`,
);

const isOf =
  ({ job, panel }: PanelKey) =>
  ({ key }: { readonly key: PanelKey }): boolean =>
    key.job === job && key.panel === panel;

/** Drafts of a panel's zones that wait to be saved. */
export const zoneDraftsOf = (key: PanelKey): ZoneDraft[] =>
  Object.values(zoneDrafts.use.getState().drafts).filter(isOf(key));

/** Whether anything of a panel waits to be saved, and whether any of it was refused. */
export function useWaiting(key: PanelKey): { readonly isWaiting: boolean; readonly isRefused: boolean } {
  const zones = zoneDrafts.use();
  const panels = panelDrafts.use();
  const waiting = [...Object.entries(zones.drafts), ...Object.entries(panels.drafts)].filter(([, draft]) =>
    isOf(key)(draft),
  );
  return {
    isWaiting: waiting.length > 0,
    isRefused: waiting.some(([name]) => zones.refusals[name] ?? panels.refusals[name]),
  };
}

const count = (record: object): number => Object.keys(record).length;

/** How many edits wait, and how many of them were refused, of all panels. */
export function useUnsaved(): { readonly nDrafts: number; readonly nRefused: number } {
  const zones = zoneDrafts.use();
  const panels = panelDrafts.use();
  return {
    nDrafts: count(zones.drafts) + count(panels.drafts),
    nRefused: count(zones.refusals) + count(panels.refusals),
  };
}
