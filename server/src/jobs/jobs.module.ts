import { Module, type OnModuleInit } from '@nestjs/common';
import { Database } from '../database/database.ts';
import { JobsController } from './jobs.controller.ts';
import { JobsWriter, KEPT_DAYS } from './jobs.repository.ts';
import { JobsService } from './jobs.service.ts';

@Module({ controllers: [JobsController], providers: [JobsService], exports: [JobsService] })
export class JobsModule implements OnModuleInit {
  constructor(private readonly database: Database) {}

  /** What was removed long ago is not asked for any more, and takes room. */
  async onModuleInit(): Promise<void> {
    const before = new Date(Date.now() - KEPT_DAYS * 24 * 3600 * 1000);
    await this.database.write('server', (tx) => new JobsWriter(tx).forgetRemoved(before));
  }
}
