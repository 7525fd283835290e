import type { PanelView, Problem, Zone } from '@blue-ledge/core';
import { Refused, Unreachable, ask, newKey } from '../../api/http.ts';
import { panelQueryKey } from '../../api/queries.ts';
import { queryClient } from '../../api/query-client.ts';
import { connection } from '../../state/connection.ts';
import {
  dropDraft,
  keepDraft,
  nameOf,
  refuseDraft,
  useDrafts,
  type Draft,
  type Refusal,
  type ZoneKey,
} from '../../state/drafts.ts';

/** Saves zone drafts one after the other, a moment after the last edit, and again when the server is back. */

const REST_MS = 400;
const timers = new Map<string, ReturnType<typeof setTimeout>>();
const saving = new Set<string>();

/** Keeps an edit and saves it soon. `replaced` is null for an undo, which is not itself undone. */
export function editZone(key: ZoneKey, zone: Zone, version: number, replaced: Zone | null): void {
  keepDraft({ key, zone, version, writeKey: newKey() }, replaced);
  const name = nameOf(key);
  clearTimeout(timers.get(name));
  timers.set(
    name,
    setTimeout(() => void save(name), REST_MS),
  );
}

async function save(name: string): Promise<void> {
  const draft = useDrafts.getState().drafts[name];
  if (!draft || saving.has(name)) return;
  saving.add(name);
  try {
    const saved = await ask<{ value: Zone; version: number }>(
      `/jobs/${draft.key.job}/panels/${draft.key.panel}/zones/${draft.key.zone}`,
      { method: 'PUT', body: { version: draft.version, zone: draft.zone }, key: draft.writeKey },
    );
    taken(draft, saved);
  } catch (error) {
    if (error instanceof Refused) refuseDraft(draft, refusalOf(error));
    else if (!(error instanceof Unreachable)) throw error;
  } finally {
    saving.delete(name);
  }
  const newer = useDrafts.getState().drafts[name];
  if (newer && newer.writeKey !== draft.writeKey) await save(name);
}

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

const refusalOf = ({ details, lines }: Refused): Refusal => ({
  lines: details.problems?.length ? details.problems.map(lineOf) : lines,
  ...(details.theirs ? { theirs: details.theirs as { value: Zone; version: number } } : {}),
});

/** The saved zone becomes the screen's truth, and a newer edit of it starts from the new version. */
function taken(draft: Draft, saved: { value: Zone; version: number }): void {
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
  const newer = useDrafts.getState().drafts[nameOf(key)];
  if (newer && newer.writeKey !== draft.writeKey) keepDraft({ ...newer, version: saved.version }, null);
  else dropDraft(draft);
  void queryClient.invalidateQueries({ queryKey: ['plan', key.job, key.panel] });
  void queryClient.invalidateQueries({ queryKey: ['job', key.job] });
}

/** Settles a conflict: mine goes over the newer version, theirs gives my edit up. */
export function settle(key: ZoneKey, choice: 'mine' | 'theirs'): void {
  const { drafts, refusals } = useDrafts.getState();
  const draft = drafts[nameOf(key)];
  const theirs = refusals[nameOf(key)]?.theirs;
  if (!draft || !theirs) return;
  if (choice === 'mine') editZone(key, draft.zone, theirs.version, null);
  else taken(draft, theirs);
}

/** Tries everything that is not saved yet: at start, and when the server is back. */
export function saveAll(): void {
  for (const name of Object.keys(useDrafts.getState().drafts)) void save(name);
}

connection.onBack(saveAll);
