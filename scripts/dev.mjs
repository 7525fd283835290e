/** `npm run dev`: server and web with reload on change; the web's address is printed by Vite. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { main, root } from './run.mjs';
import { setup } from './setup.mjs';

await main(async () => (await setup()).database);
const server = spawn(
  process.execPath,
  [
    '--watch',
    '--conditions=@blue-ledge/source',
    '--import',
    '@swc-node/register/esm-register',
    'src/main.ts',
  ],
  {
    cwd: join(root, 'server'),
    stdio: 'inherit',
    env: { ...process.env, LEDGE_DATA: process.env.LEDGE_DATA ?? join(root, 'data') },
  },
);
const web = spawn(join(root, 'node_modules/.bin/vite'), ['web'], { cwd: root, stdio: 'inherit' });
const stop = () => [server, web].forEach((child) => child.kill());
for (const child of [server, web]) child.on('exit', stop);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
