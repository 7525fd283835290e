/** `npm run -s ledge -- <command>`: the command line, built first where needed. stdout carries its JSON only. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { build } from './build.mjs';
import { main, root } from './run.mjs';
import { setup } from './setup.mjs';

await main(async () => {
  const { database } = await setup();
  await Promise.all([build(['core', 'cli']), database]);
});
// The file names in the arguments are meant from where the user stands.
const cwd = process.env.INIT_CWD ?? process.cwd();
const { status } = spawnSync(process.execPath, [join(root, 'cli/dist/main.js'), ...process.argv.slice(2)], {
  cwd,
  stdio: 'inherit',
});
process.exit(status ?? 1);
