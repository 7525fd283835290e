import { PHOTO_ID } from '@blue-ledge/core';
import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import { open, readFile, rename, rm, stat, unlink } from 'node:fs/promises';
import { join } from 'node:path';
import { randomUUID, webcrypto } from 'node:crypto';

/** Photos as files beside the database, each under the hash of what it holds: the same one twice is one file. */

const FOLDER_MODE = 0o700;
const FILE_MODE = 0o600;
const DAY_MS = 24 * 60 * 60 * 1000;

/** Kinds of pictures that are kept. */
export const PHOTO_TYPES = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' } as const;
export type PhotoType = keyof typeof PHOTO_TYPES;
const TYPES = Object.keys(PHOTO_TYPES) as PhotoType[];

export interface KeptPhoto {
  readonly path: string;
  readonly type: PhotoType;
  readonly mediaType: string;
}

export interface ReadPhoto {
  readonly bytes: Buffer;
  readonly mediaType: string;
}

/** SHA-256 in hex, off the event loop: photos are large. */
const hashOf = async (bytes: Buffer): Promise<string> =>
  Buffer.from(await webcrypto.subtle.digest('SHA-256', new Uint8Array(bytes))).toString('hex');

export class PhotoStore {
  /** @param folder made where there is none, once something is kept in it */
  constructor(private readonly folder: string) {}

  /** The file of a photo; null where it never arrived here. */
  find(id: string): KeptPhoto | null {
    if (!PHOTO_ID.test(id)) return null;
    const type = TYPES.find((each) => existsSync(this.pathOf(id, each)));
    return type ? { path: this.pathOf(id, type), type, mediaType: PHOTO_TYPES[type] } : null;
  }

  /** A photo as it was taken, by the hash that is its id; `changed` where its bytes are others, null where it is gone. */
  async read(id: string): Promise<ReadPhoto | 'changed' | null> {
    const kept = this.find(id);
    if (!kept) return null;
    const bytes = await readFile(kept.path);
    return (await hashOf(bytes)) === id ? { bytes, mediaType: kept.mediaType } : 'changed';
  }

  /** Keeps a photo: whole on the disk, or not at all. @returns its id */
  async keep(bytes: Buffer, type: PhotoType): Promise<string> {
    const id = await hashOf(bytes);
    if (this.find(id)) return id;
    const draft = join(this.folder, `${randomUUID()}.part`);
    mkdirSync(this.folder, { recursive: true, mode: FOLDER_MODE });
    try {
      const file = await open(draft, 'wx', FILE_MODE);
      try {
        await file.writeFile(bytes);
        await file.sync();
      } finally {
        await file.close();
      }
      await rename(draft, this.pathOf(id, type));
    } catch (error) {
      await rm(draft, { force: true });
      throw error;
    }
    return id;
  }

  /** Takes away what no entry names since a day: photos whose entry never came, and what a stopped server left half written. */
  async sweep(named: ReadonlySet<string>, nowMs: number): Promise<void> {
    if (!existsSync(this.folder)) return;
    for (const name of readdirSync(this.folder)) {
      if (named.has(name.split('.')[0]!)) continue;
      const path = join(this.folder, name);
      const { mtimeMs } = await stat(path);
      if (nowMs - mtimeMs > DAY_MS) await unlink(path);
    }
  }

  private pathOf(id: string, type: PhotoType): string {
    return join(this.folder, `${id}.${type}`);
  }
}
