/** `npm run demo`: from a bare clone to a running shop with the demo job in it. */
import { spawn } from 'node:child_process';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { build, root, setup } from './setup.mjs';

const PORT = process.env.PORT ?? '4600';
const address = `http://127.0.0.1:${PORT}`;
const START_TRIES = 150;

setup();
process.stderr.write('Building...\n');
build(['core', 'server', 'web']);

const server = spawn(process.execPath, [join(root, 'server/bundle/main.mjs')], {
  cwd: root,
  stdio: ['ignore', 'ignore', 'inherit'],
  env: {
    ...process.env,
    PORT,
    LEDGE_DATA: process.env.LEDGE_DATA ?? join(root, 'data'),
    LEDGE_WEB: join(root, 'web/dist'),
  },
});
server.on('exit', (code) => process.exit(code ?? 0));
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));

await answers();
for (const file of readdirSync(join(root, 'demo')))
  if (file.endsWith('.ledge.json')) await seed(join(root, 'demo', file));
console.log(`Blue Ledge is at ${address}`);

async function answers() {
  for (let i = 0; i < START_TRIES; i++) {
    const health = await fetch(`${address}/api/health`).catch(() => null);
    if (health?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  console.error(
    `The server did not answer at ${address}; is another program on that port? Set PORT to a free one.`,
  );
  server.kill();
}

/** Takes a demo job in; one that is there already stays as the user left it. */
async function seed(file) {
  const response = await fetch(`${address}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: readFileSync(file),
  });
  if (!response.ok && response.status !== 409) console.error(`${file}: ${await response.text()}`);
}
