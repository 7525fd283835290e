import type { StoreFault } from '@blue-ledge/core';
import dayjs from 'dayjs';
import { accessSync, constants, existsSync, statSync } from 'node:fs';
import { statfs } from 'node:fs/promises';
import { join } from 'node:path';
import { BACKUPS, FILE, LOG_FILE, PHOTOS } from '../database/data-folder.ts';
import { readOnly } from '../database/read-only.ts';
import { mustBeSound } from '../database/soundness.ts';
import { StartError, errorCode, startErrorOf } from '../database/start-error.ts';
import { verifyStore } from '../integrity/verification.ts';
import { PhotoStore } from '../photos/photo-store.ts';
import { ArchiveError } from './archive-error.ts';
import { newestArchive } from './kept-archives.ts';
import { checkArchive } from './zip.ts';

/** Looks a shop's folder through, also while its server runs, and touches nothing. */

export interface Diagnosis {
  readonly ok: boolean;
  readonly faults: readonly StoreFault[];
}

/** Less than this is soon full. */
const LEAST_FREE_BYTES = 500 * 1024 * 1024;
const MEGA = 1024 * 1024;
const MOST_DAYS_OLD = 3;

const BACK_UP = 'Make one: npm run -s ledge -- backup FOLDER, best to another disk.';

/** A sentence of what is wrong and its remedy, as two. */
function faultOf(sentence: string, where: string): StoreFault {
  const [, what, remedy] = /^(.*?\.)(?:\s+(.*))?$/.exec(sentence) ?? [];
  return { what: what ?? sentence, where, remedy: remedy ?? 'Set it right, and look again.' };
}

async function ofDatabase(folder: string): Promise<StoreFault[]> {
  const file = join(folder, FILE);
  if (!existsSync(folder))
    return [{ what: `${folder} is not there.`, where: folder, remedy: 'Name the folder of a shop.' }];
  try {
    if (await mustBeSound(folder)) return [];
    return [{ what: `There is no shop in ${folder}.`, where: folder, remedy: 'Name the folder of a shop.' }];
  } catch (error) {
    const known = startErrorOf(error, folder);
    if (known instanceof StartError) return [faultOf(known.message, file)];
    throw error;
  }
}

function ofRights(folder: string): StoreFault[] {
  return [folder, join(folder, FILE), join(folder, LOG_FILE)].flatMap((path) => {
    if (!existsSync(path)) return [];
    try {
      accessSync(path, constants.R_OK | constants.W_OK);
      return path.endsWith(LOG_FILE) && !statSync(path).isFile()
        ? [{ what: `${path} is no file.`, where: path, remedy: 'Move it away: the log is written there.' }]
        : [];
    } catch (error) {
      const remedy = 'Give the user that starts the server the right to it.';
      return [{ what: `${path} cannot be written to (${errorCode(error)}).`, where: path, remedy }];
    }
  });
}

async function ofDisk(folder: string): Promise<StoreFault[]> {
  const { bavail, bsize } = await statfs(folder);
  const free = bavail * bsize;
  if (free >= LEAST_FREE_BYTES) return [];
  const what = `The disk of ${folder} has ${Math.floor(free / MEGA)} MB left.`;
  return [{ what, where: folder, remedy: 'Make room on it: a full disk keeps nothing.' }];
}

async function ofBackups(folder: string, nEntries: number): Promise<StoreFault[]> {
  if (nEntries === 0) return [];
  const backups = join(folder, BACKUPS);
  const newest = newestArchive(backups);
  if (!newest)
    return [{ what: 'There is no backup of this shop in its folder.', where: backups, remedy: BACK_UP }];
  const path = join(backups, newest);
  try {
    const { madeAt } = await checkArchive(path);
    const days = dayjs().diff(madeAt, 'day');
    return days <= MOST_DAYS_OLD
      ? []
      : [{ what: `The last backup is ${days} days old.`, where: path, remedy: BACK_UP }];
  } catch (error) {
    if (error instanceof ArchiveError) return [{ what: error.message, where: path, remedy: BACK_UP }];
    throw error;
  }
}

/** All that is wrong with the folder of a shop, each with its remedy. */
export async function diagnose(folder: string): Promise<Diagnosis> {
  const ofFile = await ofDatabase(folder);
  if (ofFile.length > 0)
    return { ok: false, faults: [...ofFile, ...(existsSync(folder) ? ofRights(folder) : [])] };
  const photos = new PhotoStore(join(folder, PHOTOS));
  const { faults, nEntries } = await readOnly(join(folder, FILE), (sql) =>
    verifyStore(sql, { photos, arePhotosRead: true }),
  );
  const all = [
    ...faults,
    ...ofRights(folder),
    ...(await ofDisk(folder)),
    ...(await ofBackups(folder, nEntries)),
  ];
  return { ok: all.length === 0, faults: all };
}
