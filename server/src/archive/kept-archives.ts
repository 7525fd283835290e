import { existsSync, readdirSync, statSync } from 'node:fs';
import { copyFile, rename, rm, unlink } from 'node:fs/promises';
import { join } from 'node:path';
import { isArchiveName } from './make-archive.ts';
import { checkArchive, openArchive } from './zip.ts';
import type { KeptBackup } from '@blue-ledge/core';

/** The archives that lie in a folder. Their names sort by when they were made. */

/** So many stay: two weeks of nights. */
export const MOST_KEPT = 14;

/** A second one of the same second sorts behind the first. */
const byAge = (a: string, b: string): number => (a.replace('.zip', '') < b.replace('.zip', '') ? 1 : -1);

/** Their names, the newest first. */
export const archivesIn = (folder: string): string[] =>
  existsSync(folder) ? readdirSync(folder).filter(isArchiveName).toSorted(byAge) : [];

export const newestArchive = (folder: string): string | undefined => archivesIn(folder)[0];

/** What lies there, the newest first; one that cannot be opened says so. */
export async function keptArchives(folder: string): Promise<KeptBackup[]> {
  return Promise.all(
    archivesIn(folder).map(async (file): Promise<KeptBackup> => {
      const path = join(folder, file);
      const { size: bytes, mtime } = statSync(path);
      try {
        const archive = await openArchive(path);
        archive.close();
        const { madeAt, entries, photos, missing } = archive.manifest;
        return { file, bytes, madeAt, entries, photos, nMissing: missing.length };
      } catch (error) {
        return { file, bytes, madeAt: mtime.toISOString(), problem: (error as Error).message };
      }
    }),
  );
}

/** What a stopped server left half written; a command that writes one just now takes less than this. */
const STALE_MS = 24 * 60 * 60 * 1000;
const isStalePart = (path: string): boolean =>
  /\.part(\.sqlite(-journal)?)?$/.test(path) && Date.now() - statSync(path).mtimeMs > STALE_MS;

/** Lets the oldest go; one that was just made stays, whatever a clock said before. */
export async function pruneArchives(folder: string, made: string): Promise<void> {
  const others = archivesIn(folder).filter((name) => name !== made);
  const parts = readdirSync(folder).filter((name) => isStalePart(join(folder, name)));
  for (const name of [...others.slice(MOST_KEPT - 1), ...parts]) await unlink(join(folder, name));
}

/** Copies an archive into a second folder: whole and checked there, or not at all. */
export async function copyArchive(path: string, folder: string, name: string): Promise<void> {
  const draft = join(folder, `${name}.part`);
  try {
    await copyFile(path, draft);
    await checkArchive(draft);
    await rename(draft, join(folder, name));
  } finally {
    await rm(draft, { force: true });
  }
}
