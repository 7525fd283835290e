import type { StoreFault, Verification } from '@blue-ledge/core';
import type { Sql } from '../database/sql.ts';
import { verifyEvents } from '../database/verify-events.ts';
import type { PhotoStore } from '../photos/photo-store.ts';
import { faultOfRecord, verifyRecords } from './verify-records.ts';

interface Asked {
  readonly photos: PhotoStore;
  /** Photos are read and hashed too, not only looked for: that takes as long as reading them. */
  readonly arePhotosRead: boolean;
}

/** Whether what a shop wrote is as it was written: events, records and photos. Reads page by page. */
export async function verifyStore(sql: Sql, { photos, arePhotosRead }: Asked): Promise<Verification> {
  const events = await verifyEvents(sql);
  const records = await verifyRecords(sql, events.heads);
  const ofPhotos: StoreFault[] = [];
  for (const [id, place] of records.photos) {
    const why = await whyOther(photos, id, arePhotosRead);
    if (why !== null) ofPhotos.push(await faultOfRecord(sql, place, why, id));
  }
  return {
    checkedAt: new Date().toISOString(),
    nEvents: events.nEvents,
    nRecords: records.nRecords,
    nEntries: records.nEntries,
    nPhotos: records.photos.size,
    arePhotosRead,
    faults: [...events.faults, ...records.faults, ...ofPhotos],
  };
}

async function whyOther(photos: PhotoStore, id: string, isRead: boolean): Promise<string | null> {
  const found = isRead ? await photos.read(id) : photos.find(id);
  if (found === null) return 'is gone';
  return found === 'changed' ? 'is not the one that was taken' : null;
}
