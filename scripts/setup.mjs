/**
 * Makes a bare clone ready: installs what package-lock.json names, once per lock file.
 * Node built-ins only, so that it runs with nothing installed. Says what it does on stderr.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, run, step } from './run.mjs';

const stampFile = join(root, 'node_modules', '.setup-stamp');
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');

/**
 * Installs dependencies unless this very lock file is installed already.
 * @returns {Promise<{ database: Promise<void> }>} packages are there; the database driver, which is made here, is ready
 *   once `database` is: builds need not wait for it
 */
export async function setup() {
  const wanted = lockHash();
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === wanted)
    return { database: Promise.resolve() };
  // Not `npm ci`: it insists on lock entries of other platforms' binaries, which not every registry serves. The only
  // install script that is needed is that of sqlite3, which then has the machine's other core to itself.
  await step('Installing packages', 'a minute', () =>
    run(npm, ['install', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error']),
  );
  const database = makeDatabaseDriver().then(() => writeFileSync(stampFile, lockHash()));
  // Whoever never comes to need it is not ended by its failure.
  database.catch(() => undefined);
  return { database };
}

/** Oldest SQLite that all statements of the server run on. */
const LEAST_SQLITE = 3_040_000;
const SQLITE_HEADER = '/usr/include/sqlite3.h';

/** Version of the system's SQLite, 3040001 for 3.40.1; 0 where it is not there to be linked. */
function systemSqlite() {
  if (process.platform !== 'linux' || !existsSync(SQLITE_HEADER)) return 0;
  return Number(/SQLITE_VERSION_NUMBER (\d+)/.exec(readFileSync(SQLITE_HEADER, 'utf8'))?.[1] ?? 0);
}

/** Whether a driver of an earlier install is still there, and whole. */
const hasDriver = () => spawnSync(process.execPath, ['-e', "require('sqlite3')"], { cwd: root }).status === 0;

/** A ready-made driver where the network has one, else linked to the system's SQLite, else compiled with its own. */
async function makeDatabaseDriver() {
  if (hasDriver()) return;
  const isLinked = systemSqlite() >= LEAST_SQLITE;
  const make = (settings) =>
    run(npm, ['rebuild', 'sqlite3', '--loglevel=error'], { env: { ...process.env, ...settings } });
  await step(
    `Making the database driver${isLinked ? ' with this system’s SQLite' : ''}`,
    isLinked ? '30 s' : '2 min; 30 s where libsqlite3-dev is installed',
    // A header without its library does not link.
    () => (isLinked ? make({ npm_config_sqlite: '/usr' }).catch(() => make({})) : make({})),
  );
}
