/**
 * Makes a bare clone ready: installs what package-lock.json names, once per lock file.
 * Node built-ins only, so that it runs with nothing installed. Says what it does on stderr.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const stampFile = join(root, 'node_modules', '.setup-stamp');
const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';

/** Runs a program in the project folder and ends this process when it fails. Its output goes to stderr. */
export function run(program, args, options = {}) {
  const result = spawnSync(program, args, { cwd: root, stdio: ['ignore', 2, 2], ...options });
  if (result.error) throw result.error;
  if (result.status !== 0) process.exit(result.status ?? 1);
}

const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');

/** Installs dependencies unless this very lock file is installed already. */
export function setup() {
  const wanted = lockHash();
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === wanted) return;
  process.stderr.write('Installing packages (a few minutes the first time; sqlite3 is compiled here)...\n');
  // Not `npm ci`: it insists on lock entries of other platforms' binaries, which not every registry serves.
  run(npm, ['install', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(stampFile, lockHash());
}

const newest = (folder) =>
  readdirSync(folder, { withFileTypes: true }).reduce((latest, entry) => {
    const path = join(folder, entry.name);
    return Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }, 0);

/** Whether a workspace's build is missing or older than its sources (and those of what it is built on). */
function isStale(workspace, out, on) {
  const built = join(root, workspace, out);
  if (!existsSync(built)) return true;
  const builtAt = newest(built);
  return [workspace, ...on].some((name) => newest(join(root, name, 'src')) > builtAt);
}

const bin = (name) => join(root, 'node_modules', '.bin', name);

const tsc = (workspace) => run(bin('tsc'), ['-p', `${workspace}/tsconfig.build.json`]);
const vite = (workspace) => run(bin('vite'), ['build', workspace, '--logLevel', 'error']);

/** How each workspace is built, and on which others it stands; core first. */
const BUILDS = {
  core: { out: 'dist', on: [], make: () => tsc('core') },
  cli: { out: 'dist', on: ['core'], make: () => tsc('cli') },
  server: { out: 'bundle', on: ['core'], make: () => (tsc('server'), vite('server')) },
  web: { out: 'dist', on: ['core'], make: () => vite('web') },
};

/** Builds the named workspaces where they are stale. */
export function build(workspaces) {
  for (const [name, { out, on, make }] of Object.entries(BUILDS))
    if (workspaces.includes(name) && isStale(name, out, on)) make();
}
