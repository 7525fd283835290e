import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { StoreFault } from '@blue-ledge/core';
import { FILE, PHOTOS } from '../database/data-folder.ts';
import { readOnly } from '../database/read-only.ts';
import { mustBeSound } from '../database/soundness.ts';
import { StartError } from '../database/start-error.ts';
import { verifyStore } from '../integrity/verification.ts';
import { PhotoStore } from '../photos/photo-store.ts';
import { ArchiveError } from './archive-error.ts';
import { archiveErrorOf } from './make-archive.ts';
import { extract, openArchive } from './zip.ts';

/** Putting an archive back: into a folder of its own, checked before it is a shop. */

const FOLDER_MODE = 0o700;
/** Where it is put together; what a stopped restore left in it is taken away by the next. */
const DRAFT = 'restoring.part';

export interface Restored {
  readonly folder: string;
  readonly madeAt: string;
  readonly entries: number;
  readonly photos: number;
  /** What was not as it was written already when the backup was made. */
  readonly faults: readonly StoreFault[];
}

/** @throws {ArchiveError} for a folder in which something is that would be overwritten */
function mustBeEmpty(folder: string): void {
  if (!existsSync(folder)) return;
  const names = readdirSync(folder).filter((name) => name !== DRAFT);
  if (names.length === 0) return;
  const what = names.includes(FILE) ? 'a shop' : `${names[0]}`;
  throw new ArchiveError(`${folder} holds ${what} already: restore to a folder that is new or empty.`);
}

/**
 * Restores an archive to a folder that is new or empty: all of it, checked, or nothing.
 * @throws {ArchiveError} in words for what is no whole archive, and for a folder that is not empty
 */
export async function restoreArchive(path: string, folder: string): Promise<Restored> {
  const draft = join(folder, DRAFT);
  const archive = await openArchive(path);
  try {
    mustBeEmpty(folder);
    await rm(draft, { recursive: true, force: true });
    mkdirSync(join(draft, PHOTOS), { recursive: true, mode: FOLDER_MODE });
    for (const file of archive.manifest.files)
      await extract(archive, file, { from: path, to: join(draft, file.file) });
    await mustBeSound(draft);
    const faults = await faultsIn(draft);
    await rename(join(draft, PHOTOS), join(folder, PHOTOS));
    // The database makes it a shop: it comes last.
    await rename(join(draft, FILE), join(folder, FILE));
    const { madeAt, entries, photos } = archive.manifest;
    return { folder, madeAt, entries, photos, faults };
  } catch (error) {
    throw error instanceof StartError ? new ArchiveError(error.message) : archiveErrorOf(error, folder);
  } finally {
    archive.close();
    await rm(draft, { recursive: true, force: true });
  }
}

const faultsIn = async (folder: string): Promise<readonly StoreFault[]> =>
  readOnly(join(folder, FILE), async (sql) => {
    const [known] = await sql.rows(`SELECT name FROM sqlite_master WHERE name = 'chainEnds'`);
    // One of an earlier release says nothing of its records yet.
    if (!known) return [];
    return (await verifyStore(sql, { photos: new PhotoStore(join(folder, PHOTOS)), arePhotosRead: true }))
      .faults;
  });
