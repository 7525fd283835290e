import { Body, Controller, Get, HttpCode, Param, Patch, Post } from '@nestjs/common';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { Asked } from '../http/write-request.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import {
  clockParams,
  clockPatchSchema,
  clockStartSchema,
  type ClockParams,
  type ClockPatch,
  type ClockStart,
} from './clocks.schemas.ts';
import { ClocksService } from './clocks.service.ts';

/** Clocks that run at the benches of all shops. */
@Controller('api/clocks')
export class ClocksController {
  constructor(private readonly clocks: ClocksService) {}

  @Get()
  running() {
    return this.clocks.running();
  }

  @Post()
  @HttpCode(200)
  start(
    @Body(new ZodPipe(clockStartSchema, { later: ['work.sheet'] })) clock: ClockStart,
    @Asked() asked: WriteRequest,
  ) {
    return this.clocks.start(asked, clock);
  }

  @Patch(':clock')
  patch(
    @Param(new ZodPipe(clockParams)) { clock }: ClockParams,
    @Body(new ZodPipe(clockPatchSchema)) body: ClockPatch,
    @Asked() asked: WriteRequest,
  ) {
    return this.clocks.patch(asked, clock, body);
  }
}
