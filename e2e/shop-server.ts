import { fork, spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MORNING } from './shop-day.ts';

const ROOT = join(import.meta.dirname, '..');
const AT_MORNING = ['--import', join(import.meta.dirname, 'server-morning.mjs')];

const newFolder = (): string => mkdtempSync(join(tmpdir(), 'ledge-e2e-'));

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** The real server on a real database in a folder of its own; it can be stopped and started on the same data. */
export abstract class ShopServer {
  protected constructor(
    protected readonly port: number,
    protected readonly folder: string,
  ) {}

  /** How much later than on the morning of the tests it is, minutes. */
  protected lateMin = 0;

  /** Time passes while it is away: it comes back so many minutes later. */
  async later(minutes: number): Promise<void> {
    this.lateMin += minutes;
    await this.stop();
    await this.start();
  }

  abstract start(): Promise<void>;
  /** Stops it in good order. */
  abstract stop(): Promise<void>;

  /** Where its photos lie. */
  get photos(): string {
    return join(this.folder, 'photos');
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
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

/** A process of its own, as a shop has it: it can be killed. */
export class ShopProcess extends ShopServer {
  private process: ChildProcess | null = null;

  static async begin(): Promise<ShopProcess> {
    const server = new ShopProcess(await freePort(), newFolder());
    await server.start();
    return server;
  }

  async start(): Promise<void> {
    this.process = spawn(process.execPath, [...AT_MORNING, join(ROOT, 'server/bundle/main.mjs')], {
      env: {
        ...process.env,
        LEDGE_MORNING: MORNING,
        LEDGE_LATE_MIN: String(this.lateMin),
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
}

/** One of the servers that a process of a test worker has, one after the other. */
class HostedShop extends ShopServer {
  private isOpen = false;

  constructor(
    private readonly host: ShopHost,
    port: number,
    folder: string,
    /** Until the morning on which tests begin. */
    private readonly minutesToGo = 0,
  ) {
    super(port, folder);
  }

  async start(): Promise<void> {
    const { port, folder, minutesToGo, lateMin } = this;
    await this.host.do('open', { port, folder, minutesToGo: minutesToGo - lateMin });
    this.isOpen = true;
  }

  async stop(): Promise<void> {
    if (this.isOpen) await this.host.do('close');
    this.isOpen = false;
  }
}

const MINUTES_BEFORE = 30;

const forkHost = (): ChildProcess =>
  fork(join(import.meta.dirname, 'shop-host.mjs'), {
    env: { ...process.env, LEDGE_MORNING: MORNING },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });

/** A process that has the servers of one test worker, and the data folder that all of them begin with: the demo job. */
export class ShopHost {
  private process = forkHost();
  private lastId = 0;
  private prepared = '';

  private constructor(private readonly port: number) {}

  static async begin(): Promise<ShopHost> {
    const host = new ShopHost(await freePort());
    host.prepared = newFolder();
    // Before any test begins: nothing that a test does is older than the demo job.
    const first = new HostedShop(host, host.port, host.prepared, MINUTES_BEFORE);
    await first.start();
    await first.takeDemo();
    await first.stop();
    return host;
  }

  /** A shop with the demo job in it. */
  async open(): Promise<ShopServer> {
    const folder = newFolder();
    cpSync(this.prepared, folder, { recursive: true });
    const shop = new HostedShop(this, this.port, folder);
    await shop.start();
    return shop;
  }

  /** @throws {Error} what went wrong there */
  do(act: 'open' | 'close', of?: object): Promise<void> {
    const id = ++this.lastId;
    if (!this.process.connected) this.process = forkHost();
    return new Promise((resolve, reject) => {
      const answered = (said: { readonly id: number; readonly error?: string }): void => {
        if (said.id !== id) return;
        this.process.off('message', answered).off('exit', ended);
        if (said.error === undefined) resolve();
        else reject(new Error(said.error));
      };
      // A server that is told to stop is gone when its process is, as in a shop; the next one gets a new process.
      const ended = (): void =>
        act === 'close' ? resolve() : reject(new Error('the process of the servers ended'));
      this.process.on('message', answered).once('exit', ended);
      this.process.send({ id, act, of });
    });
  }

  async end(): Promise<void> {
    if (this.process.connected) {
      const gone = new Promise((resolve) => this.process.once('exit', resolve));
      this.process.disconnect();
      await gone;
    }
    rmSync(this.prepared, { recursive: true });
  }
}

const fileOf = (name: string): string => join(ROOT, `demo/${name}.ledge.json`);

/** Path of the demo job's file. */
export const DEMO_FILE = fileOf('book-bus-6');

export const demoJob = (file = 'book-bus-6') => JSON.parse(readFileSync(fileOf(file), 'utf8'));
