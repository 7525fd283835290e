import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import request from 'supertest';
import { createApp } from '../src/app.ts';
import { PlanThreads } from '../src/planning/plan-threads.ts';

/** Threads of the built program that all servers of a test file plan in: they are started, and warm up, once. */
class SharedThreads extends PlanThreads {
  override async close(): Promise<void> {}
  end(): Promise<void> {
    return super.close();
  }
}
const threads = new SharedThreads(join(__dirname, '../dist/planning/plan-worker.js'));
/** A data folder with the demo job in it, made once for a test file. */
let demoFolder: string | null = null;
afterAll(async () => {
  await threads.end();
  if (demoFolder) rmSync(demoFolder, { recursive: true });
});

const newFolder = (): string => mkdtempSync(join(tmpdir(), 'ledge-'));

/** The real server on a real SQLite file in a folder of its own. */
export class TestServer {
  private constructor(
    readonly app: NestExpressApplication,
    readonly folder: string,
  ) {}

  static async start(folder = newFolder()): Promise<TestServer> {
    const app = await createApp({
      port: 0,
      hostNames: ['shop.example'],
      dataFolder: folder,
      webFolder: '',
      planThreads: threads,
    });
    await app.init();
    return new TestServer(app, folder);
  }

  /** One that the demo job was taken into. */
  static async withDemo(): Promise<TestServer> {
    if (demoFolder === null) {
      const first = await TestServer.start();
      await first.http.post('/api/jobs').send(demoJob()).expect(201);
      await first.app.close();
      demoFolder = first.folder;
    }
    const folder = newFolder();
    cpSync(demoFolder, folder, { recursive: true });
    return TestServer.start(folder);
  }

  get http() {
    return request(this.app.getHttpServer());
  }

  /** Enters something into a record, as a bench does. */
  enter(record: string, id: string, kind: string, body: object) {
    return this.http
      .post(record)
      .send({ id, at: new Date().toISOString(), by: 'Prep A', kind, body })
      .expect(200);
  }

  /** Stops it and starts it again on the same file. */
  async restart(): Promise<TestServer> {
    await this.app.close();
    return TestServer.start(this.folder);
  }

  async stop(): Promise<void> {
    await this.app.close();
    rmSync(this.folder, { recursive: true });
  }
}

export const demoJob = () =>
  JSON.parse(readFileSync(join(__dirname, '../../demo/book-bus-6.ledge.json'), 'utf8')) as {
    job: { id: string };
    panels: { id: string; areaM2?: number; zones: Record<string, unknown>[] }[];
    [field: string]: unknown;
  };

/** The demo's door as the server has it, and an edit of the area of one of its zones. */
export const DOOR = '/api/jobs/bus-6/panels/door';
export const areaEdit = (zone: string, from: number, to: number) => ({
  edit: { changes: [{ path: ['zones', zone, 'areaM2'], from, to }] },
});
