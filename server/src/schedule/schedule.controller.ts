import { Body, Controller, Get, Header, HttpCode, Param, Post } from '@nestjs/common';
import type { z } from 'zod';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { Gone } from '../http/gone.ts';
import { placeParams, shopParams } from '../http/params.ts';
import { Asked } from '../http/write-request.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import {
  notYetSchema,
  personParams,
  scheduleMakeSchema,
  scheduleMovesSchema,
  scheduleUndoSchema,
  type NotYet,
  type PersonParams,
  type ScheduleMake,
  type ScheduleMoves,
  type ScheduleUndo,
} from './schedule.schemas.ts';
import { ScheduleService } from './schedule.service.ts';

type ShopParams = z.infer<typeof shopParams>;
type PlaceParams = z.infer<typeof placeParams>;

/** When everything in a shop is done. */
@Controller('api/shops/:shop/schedule')
export class ScheduleController {
  constructor(private readonly schedules: ScheduleService) {}

  @Get()
  get(@Param(new ZodPipe(shopParams)) { shop }: ShopParams, @Asked() { actor }: WriteRequest) {
    return this.schedules.get(actor, shop);
  }

  @Post()
  @HttpCode(200)
  search(
    @Param(new ZodPipe(shopParams)) { shop }: ShopParams,
    @Body(new ZodPipe(scheduleMakeSchema)) body: ScheduleMake,
    @Asked() asked: WriteRequest,
    @Gone() gone: AbortSignal,
  ) {
    return this.schedules.search(asked, shop, body, gone);
  }

  @Post('moves')
  @HttpCode(200)
  move(
    @Param(new ZodPipe(shopParams)) { shop }: ShopParams,
    @Body(new ZodPipe(scheduleMovesSchema)) body: ScheduleMoves,
    @Asked() asked: WriteRequest,
  ) {
    return this.schedules.move(asked, shop, body);
  }

  /** What a move would come to; nothing is moved. */
  @Post('trials')
  @HttpCode(200)
  trial(
    @Param(new ZodPipe(shopParams)) { shop }: ShopParams,
    @Body(new ZodPipe(scheduleMovesSchema)) body: ScheduleMoves,
    @Gone() gone: AbortSignal,
  ) {
    return this.schedules.trial(shop, body, gone);
  }

  /** Steps that should be done by now were not done yet. */
  @Post('not-yet')
  @HttpCode(200)
  notYet(
    @Param(new ZodPipe(shopParams)) { shop }: ShopParams,
    @Body(new ZodPipe(notYetSchema)) body: NotYet,
    @Asked() asked: WriteRequest,
  ) {
    return this.schedules.notYet(asked, shop, body);
  }

  @Post('undo')
  @HttpCode(200)
  undo(
    @Param(new ZodPipe(shopParams)) { shop }: ShopParams,
    @Body(new ZodPipe(scheduleUndoSchema)) body: ScheduleUndo,
    @Asked() asked: WriteRequest,
  ) {
    return this.schedules.undo(asked, shop, body);
  }

  /** A person's work as a calendar, to save or to subscribe to. */
  @Get('people/:person.ics')
  @Header('content-type', 'text/calendar; charset=utf-8')
  calendar(@Param(new ZodPipe(personParams)) { shop, person }: PersonParams) {
    return this.schedules.calendar(shop, person);
  }

  /** How far a schedule is that was asked for under a key. */
  @Get('progress/:key')
  progress(@Param(new ZodPipe(placeParams)) { key }: PlaceParams) {
    return this.schedules.progressOf(key);
  }
}
