/** Starts the built server and tells where it answers; what it says about a failed start is shown as it is. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build } from './build.mjs';
import { root } from './run.mjs';
import { setup } from './setup.mjs';

const SAID = /Blue Ledge is at (\S+)/;

/**
 * @param {Record<string, string | undefined>} environment settings besides those of this process
 * @returns {Promise<string>} the address, once the server of this very process answers there
 */
export async function serve(environment) {
  const { database } = await setup();
  await Promise.all([build(['core', 'server', 'web']), database]);
  const server = spawn(process.execPath, [join(root, 'server/bundle/main.mjs')], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, LEDGE_WEB: join(root, 'web/dist'), ...environment },
  });
  server.on('exit', (code) => process.exit(code ?? 0));
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  return new Promise((resolve) => {
    let text = '';
    server.stdout.on('data', (part) => {
      text += part;
      const said = SAID.exec(text);
      if (said) resolve(said[1]);
    });
  });
}
