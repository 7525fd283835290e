import type { PanelView, Problem } from '@blue-ledge/core';
import { draftSaver, settleDraft } from '../../api/draft-saver.ts';
import type { RequestRefused } from '../../api/http.ts';
import { panelQueryKey } from '../../api/queries.ts';
import { askAgainWhenAnswered, queryClient } from '../../api/query-client.ts';
import {
  panelDrafts,
  zoneDrafts,
  type VersionedZone,
  type ZoneDraft,
  type ZoneKey,
  type ZoneRefusal,
} from '../../state/drafts.ts';

/** Saves edits of single zones. */

/** Fields of a zone in the words of the screen; the server names them by their place in the data. */
const FIELD_WORDS: Record<string, string> = {
  areaM2: 'Area',
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

const refusalOf = ({ details, lines }: RequestRefused): ZoneRefusal => ({
  lines: details.problems?.length ? details.problems.map(lineOf) : lines,
  ...(details.theirs ? { theirs: details.theirs as VersionedZone } : {}),
});

/** The saved zone becomes the screen's truth, and a newer edit of it starts from the new version. */
function onSaved(draft: ZoneDraft, saved: VersionedZone): void {
  const { key } = draft;
  queryClient.setQueryData<PanelView>(panelQueryKey(key), (view) =>
    view
      ? {
          ...view,
          panel: {
            ...view.panel,
            zones: view.panel.zones.map((zone) => (zone.id === key.zone ? saved.value : zone)),
          },
          zoneVersions: { ...view.zoneVersions, [key.zone]: saved.version },
        }
      : view,
  );
  tellPanelDraft(draft, saved.version);
  settleDraft(zoneDrafts, draft, saved.version);
  askAgainWhenAnswered(panelQueryKey(key));
  void queryClient.invalidateQueries({ queryKey: ['plan', key.job, key.panel] });
  void queryClient.invalidateQueries({ queryKey: ['job', key.job] });
}

/** An edit of the whole panel that started from the same zone has seen this change: it is one's own. */
function tellPanelDraft({ key, seen }: ZoneDraft, version: number): void {
  const waiting = panelDrafts.use.getState().drafts[panelDrafts.nameOf(key)];
  if (waiting?.seen.zoneVersions[key.zone] !== seen) return;
  const zoneVersions = { ...waiting.seen.zoneVersions, [key.zone]: version };
  panelDrafts.keep({ ...waiting, seen: { ...waiting.seen, zoneVersions } }, null);
}

export const zoneSaver = draftSaver<ZoneKey, ZoneDraft['value'], number, VersionedZone, VersionedZone>({
  store: zoneDrafts,
  path: ({ job, panel, zone }) => `/jobs/${job}/panels/${panel}/zones/${zone}`,
  body: ({ value, seen }) => ({ version: seen, zone: value }),
  onSaved,
  refusalOf,
});

/** Settles a conflict: mine goes over the newer version, theirs gives my edit up. */
export function settleZone(key: ZoneKey, choice: 'mine' | 'theirs'): void {
  const { drafts, refusals } = zoneDrafts.use.getState();
  const name = zoneDrafts.nameOf(key);
  const draft = drafts[name];
  const theirs = refusals[name]?.theirs;
  if (!draft || !theirs) return;
  if (choice === 'mine') zoneSaver.edit(key, draft.value, theirs.version, null);
  else onSaved(draft, theirs);
}
