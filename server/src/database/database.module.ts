import { Module, type DynamicModule, type OnApplicationShutdown } from '@nestjs/common';
import { Database } from './database.ts';
import { IdempotentWrites } from './idempotent-writes.ts';

/** The database and idempotent writes, for every feature. */
@Module({})
export class DatabaseModule implements OnApplicationShutdown {
  constructor(private readonly database: Database) {}

  static over(database: Database): DynamicModule {
    return {
      module: DatabaseModule,
      global: true,
      providers: [{ provide: Database, useValue: database }, IdempotentWrites],
      exports: [Database, IdempotentWrites],
    };
  }

  async onApplicationShutdown(): Promise<void> {
    await this.database.close();
  }
}
