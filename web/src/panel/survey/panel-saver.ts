import type { Panel, PanelView } from '@blue-ledge/core';
import { draftSaver, settleDraft } from '../../api/draft-saver.ts';
import type { RequestRefused } from '../../api/http.ts';
import { panelPath, panelQueryKey } from '../../api/queries.ts';
import { askAgainWhenAnswered, queryClient } from '../../api/query-client.ts';
import {
  panelDrafts,
  zoneDrafts,
  zoneDraftsOf,
  type PanelDraft,
  type PanelKey,
  type PanelRefusal,
  type SeenPanel,
} from '../../state/drafts.ts';

/** Saves a panel as a whole: its facts, and zones that come, go or change their shape together. */

const refusalOf = ({ details, lines }: RequestRefused): PanelRefusal => ({
  lines,
  ...(details.theirs ? { theirs: details.theirs as PanelView } : {}),
});

const seenOf = ({ version, zoneVersions }: PanelView): SeenPanel => ({ version, zoneVersions });

function onSaved(draft: PanelDraft, saved: PanelView): void {
  const { key } = draft;
  queryClient.setQueryData<PanelView>(panelQueryKey(key), saved);
  // Edits of zones that were made on the panel as it was drafted go on from what was saved.
  for (const zone of zoneDraftsOf(key)) {
    const version = saved.zoneVersions[zone.key.zone];
    if (version === undefined) zoneDrafts.drop(zone);
    else if (zone.seen === draft.seen.zoneVersions[zone.key.zone])
      zoneDrafts.keep({ ...zone, seen: version }, null);
  }
  settleDraft(panelDrafts, draft, seenOf(saved));
  askAgainWhenAnswered(panelQueryKey(key));
  void queryClient.invalidateQueries({ queryKey: ['plan', key.job, key.panel] });
  void queryClient.invalidateQueries({ queryKey: ['job', key.job] });
}

export const panelSaver = draftSaver<PanelKey, Panel, SeenPanel, PanelView, PanelView>({
  store: panelDrafts,
  path: panelPath,
  body: ({ value, seen }) => ({ ...seen, panel: value }),
  onSaved,
  refusalOf,
  // A zone that is on its way goes first; its new version is then known.
  mustWait: (key) =>
    zoneDraftsOf(key).some((zone) => !zoneDrafts.use.getState().refusals[zoneDrafts.nameOf(zone.key)]),
});

/** Settles a conflict: mine goes over the newer panel, theirs gives my edit up. */
export function settlePanel(key: PanelKey, choice: 'mine' | 'theirs'): void {
  const { drafts, refusals } = panelDrafts.use.getState();
  const name = panelDrafts.nameOf(key);
  const draft = drafts[name];
  const theirs = refusals[name]?.theirs;
  if (!draft || !theirs) return;
  if (choice === 'mine') panelSaver.edit(key, draft.value, seenOf(theirs), null);
  else onSaved(draft, theirs);
}
