/** What benchmarks of the whole run on: the built server on a data folder of its own, and pages in Chromium. */
import { spawn } from 'node:child_process';
import { readFileSync, mkdtempSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium as launcher } from '@playwright/test';
import { chromium } from '../scripts/chromium.mjs';

const PORT = 4689;

/** Asks the server for something; kept connections, and little work of its own beside what it measures. */
function client(agent) {
  return (method, path, body) =>
    new Promise((resolve, reject) => {
      const text = body === undefined ? '' : JSON.stringify(body);
      const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) };
      const asked = request(
        { agent, host: '127.0.0.1', port: PORT, method, path: `/api${path}`, headers },
        (answer) => {
          const parts = [];
          answer.on('data', (part) => parts.push(part));
          answer.on('end', () => {
            const said = Buffer.concat(parts).toString();
            if (answer.statusCode < 400) resolve(JSON.parse(said));
            else reject(new Error(`${method} ${path}: ${answer.statusCode} ${said}`));
          });
        },
      );
      asked.on('error', reject);
      asked.end(text);
    });
}

/** Most memory that a process held so far, with its threads. */
const mostMb = (pid) =>
  Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? NaN) / 1000;

/** Starts the server on an empty folder, does the work, and takes both away. */
export async function withServer(root, work) {
  const data = mkdtempSync(join(tmpdir(), 'ledge-bench-'));
  const env = {
    ...process.env,
    PORT: String(PORT),
    LEDGE_DATA: data,
    LEDGE_WEB: join(root, 'web/dist'),
  };
  const server = spawn(process.execPath, [join(root, 'server/bundle/main.mjs')], { stdio: 'ignore', env });
  const agent = new Agent({ keepAlive: true });
  const ask = client(agent);
  try {
    for (let tries = 0; tries < 100; tries++) {
      if (await ask('GET', '/health').catch(() => null)) break;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    await work({ address: `http://127.0.0.1:${PORT}`, ask, mostMb: () => mostMb(server.pid) });
  } finally {
    agent.destroy();
    server.kill();
    await new Promise((resolve) => server.on('exit', resolve));
    rmSync(data, { recursive: true, force: true });
  }
}

/** Opens a page of the usual size, does the work, and closes it. */
export async function inBrowser(work) {
  const browser = await launcher.launch({ executablePath: await chromium(), args: ['--no-sandbox'] });
  try {
    await work(await browser.newPage({ viewport: { width: 1280, height: 800 } }));
  } finally {
    await browser.close();
  }
}
