import { Body, Controller, Get, HttpCode, Post, Put } from '@nestjs/common';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { Asked } from '../http/write-request.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import { secondFolderSchema, type SecondFolder } from './backups.schemas.ts';
import { BackupsService } from './backups.service.ts';

@Controller('api/backups')
export class BackupsController {
  constructor(private readonly backups: BackupsService) {}

  @Get()
  get() {
    return this.backups.view();
  }

  /** Makes one now, and answers once it is made and checked. */
  @Post()
  @HttpCode(200)
  make() {
    return this.backups.make();
  }

  @Put('second-folder')
  setSecond(@Body(new ZodPipe(secondFolderSchema)) body: SecondFolder, @Asked() asked: WriteRequest) {
    return this.backups.setSecond(asked, body);
  }
}
