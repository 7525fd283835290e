import { Controller, Get } from '@nestjs/common';
import { Database } from '../database/database.ts';

/** Answers when the server and its database do, and writing works. */
@Controller('api/health')
export class HealthController {
  constructor(private readonly database: Database) {}

  @Get()
  async health() {
    await this.database.tryWrite();
    return { ok: true };
  }
}
