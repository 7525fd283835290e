import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { Transform, Writable } from 'node:stream';
import { open as openZip, type Entry, type ZipFile } from 'yauzl';
import { ArchiveError } from './archive-error.ts';
import { MANIFEST, manifestSchema, type ArchivedFile, type Manifest } from './manifest.ts';

/** Reading an archive: by the list of what it holds, so that the manifest, which is written last, is read first. */

/** A manifest of ten thousand photos has two million letters. */
const MOST_MANIFEST_BYTES = 64 * 1024 * 1024;

export interface OpenArchive {
  readonly manifest: Manifest;
  /** Bytes of a file of the manifest. */
  readonly read: (file: string) => Promise<Readable>;
  readonly close: () => void;
}

const damaged = (path: string, what: string): ArchiveError =>
  new ArchiveError(`${path} is no whole backup: ${what}. Take another one.`);

const opened = (path: string): Promise<ZipFile> =>
  new Promise((resolve, reject) =>
    openZip(path, { lazyEntries: true, autoClose: false }, (error, zip) =>
      error ? reject(error) : resolve(zip),
    ),
  );

function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>();
  return new Promise((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.once('end', () => resolve(entries));
    zip.once('error', reject);
    zip.readEntry();
  });
}

const streamOf = (zip: ZipFile, entry: Entry): Promise<Readable> =>
  new Promise((resolve, reject) =>
    zip.openReadStream(entry, (error, stream) => (error ? reject(error) : resolve(stream))),
  );

async function textOf(stream: Readable): Promise<string> {
  const parts: Buffer[] = [];
  for await (const part of stream) parts.push(part as Buffer);
  return Buffer.concat(parts).toString('utf8');
}

/**
 * Opens an archive and reads its manifest.
 * @throws {ArchiveError} where it is none, or not all of it is there
 */
export async function openArchive(path: string): Promise<OpenArchive> {
  let zip: ZipFile;
  try {
    zip = await opened(path);
  } catch (error) {
    const { code, message } = error as NodeJS.ErrnoException;
    throw code === undefined
      ? damaged(path, message)
      : new ArchiveError(`${path} cannot be read (${code}): give the path of a backup.`);
  }
  try {
    const entries = await entriesOf(zip);
    const manifest = await manifestIn(zip, entries.get(MANIFEST));
    for (const { file } of manifest.files)
      if (!entries.has(file)) throw new Error(`${file} is missing in it`);
    if (entries.size !== manifest.files.length + 1) throw new Error('it holds files that it does not name');
    return {
      manifest,
      read: (file) => streamOf(zip, entries.get(file)!),
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error instanceof ArchiveError ? error : damaged(path, (error as Error).message);
  }
}

async function manifestIn(zip: ZipFile, entry: Entry | undefined): Promise<Manifest> {
  if (!entry || entry.uncompressedSize > MOST_MANIFEST_BYTES)
    throw new Error('it has no list of what it holds');
  const json: unknown = JSON.parse(await textOf(await streamOf(zip, entry)));
  const { version, format } = json as { version?: unknown; format?: unknown };
  if (format !== undefined && typeof version === 'number' && version > 1)
    throw new ArchiveError(
      'This backup was made by a later release of Blue Ledge. Restore it with that one.',
    );
  const parsed = manifestSchema.safeParse(json);
  if (!parsed.success) throw new Error('its list of what it holds cannot be read');
  return parsed.data;
}

/** Counts and hashes what flows through. */
export class Measure extends Transform {
  private readonly hash = createHash('sha256');
  bytes = 0;

  override _transform(part: Buffer, _: BufferEncoding, done: (error: null, part: Buffer) => void): void {
    this.hash.update(part);
    this.bytes += part.length;
    done(null, part);
  }

  digest(): string {
    return this.hash.digest('hex');
  }
}

const nowhere = (): Writable => new Writable({ write: (_part, _encoding, done) => done() });

/**
 * Reads one file of an archive, into a file or only to look at it.
 * @throws {ArchiveError} where its bytes are not those that were put in
 */
export async function extract(
  archive: OpenArchive,
  { file, bytes, sha256 }: ArchivedFile,
  { from, to }: { readonly from: string; readonly to?: string },
): Promise<void> {
  const measure = new Measure();
  const target =
    to === undefined ? nowhere() : createWriteStream(to, { flags: 'wx', mode: 0o600, flush: true });
  try {
    await pipeline(await archive.read(file), measure, target);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOSPC')
      throw new ArchiveError(`The disk of ${to} is full. Make room, and restore again.`);
    throw damaged(from, `${file} cannot be read (${(error as Error).message})`);
  }
  if (measure.bytes !== bytes || measure.digest() !== sha256)
    throw damaged(from, `${file} is not as it was put in`);
}

/** Reads all of an archive and compares it with its manifest. @throws {ArchiveError} */
export async function checkArchive(path: string): Promise<Manifest> {
  const archive = await openArchive(path);
  try {
    for (const file of archive.manifest.files) await extract(archive, file, { from: path });
    return archive.manifest;
  } finally {
    archive.close();
  }
}
