import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MORNING } from './shop-day.ts';

const ROOT = join(import.meta.dirname, '..');

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** The real server on a real database in a folder of its own; it can be stopped and started on the same data. */
export class ShopServer {
  private process: ChildProcess | null = null;

  private constructor(
    private readonly port: number,
    private readonly folder: string,
  ) {}

  static async begin(): Promise<ShopServer> {
    const server = new ShopServer(await freePort(), mkdtempSync(join(tmpdir(), 'ledge-e2e-')));
    await server.start();
    return server;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async start(): Promise<void> {
    const withMorning = ['--import', join(import.meta.dirname, 'server-morning.mjs')];
    this.process = spawn(process.execPath, [...withMorning, join(ROOT, 'server/bundle/main.mjs')], {
      env: {
        ...process.env,
        LEDGE_MORNING: MORNING,
        PORT: String(this.port),
        LEDGE_DATA: this.folder,
        LEDGE_WEB: join(ROOT, 'web/dist'),
      },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    for (let tries = 0; tries < 200; tries++) {
      const answers = await fetch(`${this.url}/api/health`).then(
        (response) => response.ok,
        () => false,
      );
      if (answers) return;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error('the server did not start');
  }

  /** Stops it in good order, or kills it. */
  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    const { process: running } = this;
    this.process = null;
    if (!running) return;
    const gone = new Promise((resolve) => running.once('exit', resolve));
    running.kill(signal);
    await gone;
  }

  async end(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true });
  }

  /** Takes the demo job in. */
  async takeDemo(file = 'book-bus-6'): Promise<void> {
    const response = await this.send('POST', '/api/jobs', demoJob(file));
    if (!response.ok) throw new Error(await response.text());
  }

  /** Changes the demo's door behind the back of an open screen. */
  async editDoor(changes: readonly object[]): Promise<void> {
    const response = await this.send('PATCH', '/api/jobs/bus-6/panels/door', { edit: { changes } });
    if (!response.ok) throw new Error(await response.text());
  }

  /** What the server answers, as it is. */
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- a test reads what it expects of it
  async get(path: string): Promise<any> {
    return (await fetch(this.url + path)).json();
  }

  send(method: string, path: string, body: unknown): Promise<Response> {
    return fetch(this.url + path, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  }
}

export const demoJob = (file = 'book-bus-6') =>
  JSON.parse(readFileSync(join(ROOT, `demo/${file}.ledge.json`), 'utf8'));
