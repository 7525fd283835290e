import type { PanelView, Zone } from '@blue-ledge/core';
import { useRef } from 'react';
import type { PanelKey } from '../../api/queries.ts';
import { zoneDrafts, type ZoneRefusal } from '../../state/drafts.ts';
import { settleZone, zoneSaver } from './zone-saver.ts';

/** Changes of one field within this time are one change, and undone together. */
const SAME_CHANGE_MS = 1500;

export interface ZoneEdit {
  /** Keeps the zone as changed in `field`, and saves it soon. */
  readonly change: (zone: Zone, field: string) => void;
  /** Brings back what the last change replaced; absent where there is nothing to undo. */
  readonly undo?: () => void;
  readonly isWaiting: boolean;
  readonly refusal: ZoneRefusal | undefined;
  readonly settle: (choice: 'mine' | 'theirs') => void;
}

/** Editing of one zone of the panel on screen. */
export function useZoneEdit({ job, panel }: PanelKey, view: PanelView, zone: Zone): ZoneEdit {
  const key = { job, panel, zone: zone.id };
  const name = zoneDrafts.nameOf(key);
  const draft = zoneDrafts.use((state) => state.drafts[name]);
  const refusal = zoneDrafts.use((state) => state.refusals[name]);
  const canUndo = zoneDrafts.use((state) => (state.undo[name] ?? []).length > 0);
  const last = useRef({ field: '', zone: '', at: 0 });
  const version = draft?.seen ?? view.zoneVersions[zone.id] ?? 1;

  const change = (next: Zone, field: string): void => {
    const at = Date.now();
    const isSame =
      last.current.field === field && last.current.zone === zone.id && at - last.current.at < SAME_CHANGE_MS;
    last.current = { field, zone: zone.id, at };
    zoneSaver.edit(key, next, version, isSame ? null : zone);
  };
  const undo = (): void => {
    const replaced = zoneDrafts.takeUndo(key);
    last.current = { field: '', zone: '', at: 0 };
    if (replaced) zoneSaver.edit(key, replaced, version, null);
  };
  return {
    change,
    ...(canUndo ? { undo } : {}),
    isWaiting: draft !== undefined,
    refusal,
    settle: (choice) => settleZone(key, choice),
  };
}
