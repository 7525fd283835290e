import type { IntegrityView, Verification } from '@blue-ledge/core';
import {
  Injectable,
  Logger,
  type BeforeApplicationShutdown,
  type OnApplicationBootstrap,
} from '@nestjs/common';
import { Database } from '../database/database.ts';
import { PhotoStore } from '../photos/photo-store.ts';
import { verifyStore } from './verification.ts';

/** Looks through all that was written: when the server starts, and when somebody asks for it. */
@Injectable()
export class IntegrityService implements OnApplicationBootstrap, BeforeApplicationShutdown {
  private readonly logger = new Logger('integrity');
  private last: Verification | null = null;
  private running: Promise<Verification> | null = null;

  constructor(
    private readonly database: Database,
    private readonly photos: PhotoStore,
  ) {}

  /** Nobody waits for it: the server answers meanwhile. */
  onApplicationBootstrap(): void {
    void this.verify(false).catch((error: unknown) =>
      this.logger.error(`not looked through: ${String(error)}`),
    );
  }

  async beforeApplicationShutdown(): Promise<void> {
    await this.running?.catch(() => undefined);
  }

  /** What came of it last. */
  view(): IntegrityView {
    return { last: this.last, isRunning: this.running !== null };
  }

  /** Looks through everything; whoever asks meanwhile waits for the same. @param arePhotosRead hashes every photo too */
  async verify(arePhotosRead: boolean): Promise<Verification> {
    if (this.running) {
      const found = await this.running;
      if (found.arePhotosRead || !arePhotosRead) return found;
    }
    this.running ??= this.database
      .read(({ sql }) => verifyStore(sql, { photos: this.photos, arePhotosRead }))
      .finally(() => {
        this.running = null;
      });
    const found = await this.running;
    this.last = found;
    for (const { what } of found.faults) this.logger.error(what);
    return found;
  }
}
