import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { NestExpressApplication } from '@nestjs/platform-express';
import request from 'supertest';
import { createApp } from '../src/app.ts';

/** The real server on a real SQLite file in a folder of its own. */
export class TestServer {
  private constructor(
    readonly app: NestExpressApplication,
    readonly folder: string,
  ) {}

  static async start(folder = mkdtempSync(join(tmpdir(), 'ledge-'))): Promise<TestServer> {
    const app = await createApp({
      port: 0,
      hostNames: ['shop.example'],
      dataFolder: folder,
      webFolder: '',
      planWorker: null,
    });
    await app.init();
    return new TestServer(app, folder);
  }

  get http() {
    return request(this.app.getHttpServer());
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
