import dayjs from 'dayjs';
import { randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync, mkdirSync } from 'node:fs';
import { rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { FILE, PHOTOS } from '../database/data-folder.ts';
import { copyDatabase, readOnly } from '../database/read-only.ts';
import { errorCode } from '../database/start-error.ts';
import { PhotoStore } from '../photos/photo-store.ts';
import { photosNamed } from '../record/record.repository.ts';
import { ArchiveError } from './archive-error.ts';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, MANIFEST, type ArchivedFile, type Manifest } from './manifest.ts';
import { Measure, checkArchive } from './zip.ts';

/** Writing an archive: the database as it is at one moment, also while a server writes to it, and its photos. */

const FILE_MODE = 0o600;
const FOLDER_MODE = 0o700;

export const archiveName = (now: Date): string => `blue-ledge-${dayjs(now).format('YYYY-MM-DD-HHmmss')}.zip`;
export const isArchiveName = (name: string): boolean =>
  /^blue-ledge-\d{4}-\d{2}-\d{2}-\d{6}(-\d+)?\.zip$/.test(name);

export interface MadeArchive {
  /** Where it lies. */
  readonly file: string;
  readonly manifest: Manifest;
}

interface Snapshot {
  readonly entries: number;
  readonly photoIds: readonly string[];
}

/** What the copy of the database says of its records. @throws {ArchiveError} where the copy is damaged */
const snapshotOf = (copy: string, folder: string): Promise<Snapshot> =>
  readOnly(copy, async (sql) => {
    const [checked] = await sql.rows<Record<string, string>>('PRAGMA quick_check(1)');
    if (Object.values(checked ?? {})[0] !== 'ok')
      throw new ArchiveError(
        `The database in ${folder} is damaged: restore an earlier backup, and keep this folder.`,
      );
    const [count] = await sql.rows<{ readonly n: number }>('SELECT COUNT(*) AS n FROM entries');
    return { entries: Number(count!.n), photoIds: [...(await photosNamed(sql))].sort() };
  });

/** A name that nothing in a folder has. */
function freeName(folder: string, now: Date): string {
  const wanted = archiveName(now);
  for (let n = 1; ; n++) {
    const name = n === 1 ? wanted : wanted.replace(/\.zip$/, `-${n}.zip`);
    if (!existsSync(join(folder, name))) return name;
  }
}

/**
 * Writes one archive into a folder: whole and checked by opening it, or not at all.
 * @param dataFolder the folder of a shop, whether a server runs on it or not
 * @throws {ArchiveError} in words where there is no shop, or the folder or its disk does not take it
 */
export async function makeArchive(
  dataFolder: string,
  target: string,
  now = new Date(),
): Promise<MadeArchive> {
  const database = join(dataFolder, FILE);
  if (!existsSync(database))
    throw new ArchiveError(`There is no shop in ${dataFolder}: name its folder by --data or LEDGE_DATA.`);
  try {
    mkdirSync(target, { recursive: true, mode: FOLDER_MODE });
    return await archived(dataFolder, target, now);
  } catch (error) {
    throw archiveErrorOf(error, target);
  }
}

const SENTENCES: Readonly<Record<string, (folder: string) => string>> = {
  ENOSPC: (folder) => `The disk of ${folder} is full: make room on it, or name another folder.`,
  SQLITE_FULL: (folder) => `The disk of ${folder} is full: make room on it, or name another folder.`,
  EACCES: (folder) => `${folder} cannot be written to: give this user the right to, or name another folder.`,
  EPERM: (folder) => `${folder} cannot be written to: give this user the right to, or name another folder.`,
  EROFS: (folder) => `${folder} lies on a disk that cannot be written to: name another folder.`,
  SQLITE_CANTOPEN: (folder) =>
    `${folder} cannot be written to: give this user the right to, or name another folder.`,
  ENOTDIR: (folder) => `${folder} is no folder: name a folder.`,
  EEXIST: (folder) => `${folder} is no folder: name a folder.`,
  SQLITE_CORRUPT: () => 'The database is damaged: restore an earlier backup, and keep this folder.',
  SQLITE_NOTADB: () => 'The database is damaged: restore an earlier backup, and keep this folder.',
};

/** The error in words, where it is one that a person can mend; else the error itself. */
export function archiveErrorOf(error: unknown, folder: string): unknown {
  if (error instanceof ArchiveError) return error;
  const sentence = SENTENCES[errorCode(error)];
  return sentence ? new ArchiveError(sentence(folder)) : error;
}

async function archived(dataFolder: string, target: string, now: Date): Promise<MadeArchive> {
  const draft = join(target, `${randomUUID()}.part`);
  const copy = `${draft}.sqlite`;
  const file = join(target, freeName(target, now));
  try {
    await copyDatabase(join(dataFolder, FILE), copy);
    const snapshot = await snapshotOf(copy, dataFolder);
    const photos = new PhotoStore(join(dataFolder, PHOTOS));
    await writeZip({ draft, copy, photos, snapshot, now });
    const manifest = await checkArchive(draft);
    await rename(draft, file);
    return { file, manifest };
  } finally {
    for (const path of [draft, copy, `${copy}-journal`]) await rm(path, { force: true });
  }
}

interface ToWrite {
  readonly draft: string;
  /** The database as it was copied. */
  readonly copy: string;
  readonly photos: PhotoStore;
  readonly snapshot: Snapshot;
  readonly now: Date;
}

/** Puts everything into the zip, one file open at a time; the manifest comes last, when all hashes are known. */
async function writeZip({ draft, copy, photos, snapshot, now }: ToWrite): Promise<void> {
  const { entries, photoIds } = snapshot;
  const zip = new ZipFile();
  const written = pipeline(
    zip.outputStream,
    createWriteStream(draft, { flags: 'wx', mode: FILE_MODE, flush: true }),
  );
  // What goes wrong before it is waited for is told where it is.
  written.catch(() => undefined);
  const files: ArchivedFile[] = [];
  const missing: string[] = [];
  const put = async (path: string, file: string, compress: boolean): Promise<void> => {
    const measure = new Measure();
    const source = createReadStream(path);
    zip.addReadStream(source.pipe(measure), file, { compress, mtime: now, mode: FILE_MODE });
    await new Promise<void>((resolve, reject) => {
      measure.once('end', resolve);
      source.once('error', reject);
      written.catch(reject);
    });
    files.push({ file, bytes: measure.bytes, sha256: measure.digest() });
  };
  try {
    await put(copy, FILE, true);
    for (const id of photoIds) {
      const kept = photos.find(id);
      if (!kept) {
        missing.push(id);
        continue;
      }
      await put(kept.path, `${PHOTOS}/${id}.${kept.type}`, false);
      // It goes in as it is; that it is another one is said.
      if (files.at(-1)!.sha256 !== id) missing.push(id);
    }
  } catch (error) {
    zip.outputStream.emit('error', error);
    await written.catch(() => undefined);
    throw error;
  }
  const manifest: Manifest = {
    format: ARCHIVE_FORMAT,
    version: ARCHIVE_VERSION,
    madeAt: now.toISOString(),
    entries,
    photos: files.length - 1,
    missing,
    files,
  };
  zip.addBuffer(Buffer.from(JSON.stringify(manifest, null, 1)), MANIFEST, { mtime: now, mode: FILE_MODE });
  zip.end();
  await written;
}
