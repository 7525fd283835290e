import { Controller, Get, HttpCode, Post } from '@nestjs/common';
import { IntegrityService } from './integrity.service.ts';

/** Whether what was written is as it was written. */
@Controller('api/integrity')
export class IntegrityController {
  constructor(private readonly integrity: IntegrityService) {}

  @Get()
  get() {
    return this.integrity.view();
  }

  @Post()
  @HttpCode(200)
  verify() {
    return this.integrity.verify(true);
  }
}
