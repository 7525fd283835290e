/** Builds what is stale. `npm run build` builds all. */
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { bin, main, root, run, step } from './run.mjs';
import { setup } from './setup.mjs';

/** Nothing that is built comes of these. */
const isForTests = (name) => /\.test\.tsx?$/.test(name) || name === 'testing';

/** When something in a folder was changed last, ms. */
const newest = (folder) =>
  readdirSync(folder, { withFileTypes: true }).reduce((latest, entry) => {
    if (isForTests(entry.name)) return latest;
    const path = join(folder, entry.name);
    return Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }, 0);

/** The compiler without an interface for other programs, which takes a fifth of the time of the one with it. */
const COMPILER = join(root, 'node_modules/typescript7/bin/tsc');

/** Checks the types of projects and of those they refer to, and writes what they come to; all projects by default. */
export const compile = (...projects) => run(process.execPath, [COMPILER, '-b', ...projects]);

const vite = (workspace) => run(bin('vite'), ['build', workspace, '--logLevel', 'error']);

/** Where each workspace is built to, on which others it stands, and what makes it besides the compiler. */
const BUILDS = {
  core: { out: 'dist', on: [], isCompiled: true },
  // It opens the folder of a shop as the server does.
  cli: { out: 'dist', on: ['core', 'server'], isCompiled: true },
  // Its bundle is made of the compiler's output, which has what Nest reads of classes at run time.
  server: { out: 'bundle', on: ['core'], isCompiled: true, make: () => vite('server') },
  web: { out: 'dist', on: ['core'], isCompiled: false, make: () => vite('web') },
};

/** Whether a workspace's build is missing or older than its sources (and those of what it is built on). */
function isStale(name) {
  const { out, on } = BUILDS[name];
  const built = join(root, name, out);
  if (!existsSync(built)) return true;
  const builtAt = newest(built);
  return [name, ...on].some((source) => newest(join(root, source, 'src')) > builtAt);
}

/** Builds the named workspaces where they are stale. @param {Promise<void>} compiled what was compiled already */
export async function build(workspaces, compiled) {
  const stale = workspaces.filter(isStale);
  if (stale.length === 0) return;
  await step('Building', '20 s', () => {
    const sources = stale.filter((name) => BUILDS[name].isCompiled);
    const ready = compiled ?? (sources.length > 0 ? compile(...sources) : Promise.resolve());
    return Promise.all([
      ready,
      ...stale.map(async (name) => {
        const { make, isCompiled } = BUILDS[name];
        if (isCompiled) await ready;
        await make?.();
      }),
    ]);
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  await main(async () => {
    const { database } = await setup();
    await Promise.all([build(Object.keys(BUILDS)), database]);
  });
