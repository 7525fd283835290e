/** Cold start: from the command to the first answer, on an empty and on a filled data folder. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { amount, percentile, report } from './lib.mjs';

const PORT = '4677';

async function startOnce(root, folder) {
  const start = performance.now();
  const server = spawn(process.execPath, [join(root, 'server/bundle/main.mjs')], {
    env: { ...process.env, PORT, LEDGE_DATA: folder, LEDGE_WEB: join(root, 'web/dist') },
    stdio: 'ignore',
  });
  let answered = false;
  while (!answered) {
    answered = await fetch(`http://127.0.0.1:${PORT}/api/health`).then(
      (r) => r.ok,
      () => false,
    );
    if (!answered) await new Promise((resolve) => setTimeout(resolve, 5));
  }
  const took = performance.now() - start;
  server.kill();
  await new Promise((resolve) => server.on('exit', resolve));
  return took;
}

export async function benchStart(root) {
  const folder = mkdtempSync(join(tmpdir(), 'ledge-bench-'));
  report('server start, empty folder', await startOnce(root, folder), 'ms', 1500);
  const again = [];
  for (let i = 0; i < amount(7); i++) again.push(await startOnce(root, folder));
  report(
    'server start, median of 7',
    percentile(
      again.sort((a, b) => a - b),
      0.5,
    ),
    'ms',
    1500,
  );
  rmSync(folder, { recursive: true });
}
