import { chmodSync, existsSync, mkdirSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';

/** The folder of the database: only this user's, and one server's at a time. */

/** What lies in a data folder: the database, photos of the record, backups, the log. */
export const FILE = 'blue-ledge.sqlite';
export const PHOTOS = 'photos';
export const BACKUPS = 'backups';
export const LOG_FILE = 'server.log';

const FOLDER_MODE = 0o700;
const FILE_MODE = 0o600;

/** Makes the folder where there is none, and closes it and its files to others. */
export function openDataFolder(folder: string): void {
  mkdirSync(folder, { recursive: true, mode: FOLDER_MODE });
  chmodSync(folder, FOLDER_MODE);
  for (const name of readdirSync(folder))
    if (/\.sqlite(-wal|-shm)?$/.test(name) && existsSync(join(folder, name)))
      chmodSync(join(folder, name), FILE_MODE);
}

/** Held as long as the server runs. The system lets go of it whatever way the server ends. */
export interface FolderLock {
  readonly release: () => Promise<void>;
}

/** @throws {Error} with code SQLITE_BUSY where another server holds the folder */
export function lockDataFolder(folder: string): Promise<FolderLock> {
  return new Promise((resolve, reject) => {
    const lock = new sqlite3.Database(join(folder, 'server-lock.sqlite'), (opened) => {
      if (opened) return reject(opened);
      lock.exec('PRAGMA locking_mode=EXCLUSIVE; BEGIN EXCLUSIVE;', (error) => {
        if (!error) return resolve({ release: () => new Promise((done) => lock.close(() => done())) });
        lock.close(() => reject(error));
      });
    });
  });
}
