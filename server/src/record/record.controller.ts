import { Body, Controller, Get, HttpCode, Param, Post, Query, StreamableFile } from '@nestjs/common';
import { Readable } from 'node:stream';
import type { NewEntry } from '@blue-ledge/core';
import { panelParams, type PanelParams } from '../http/params.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import { entryBodySchema, recordQuerySchema, type RecordQuery } from './record.schemas.ts';
import { recordList, recordTable } from './record-table.ts';
import { RecordService } from './record.service.ts';

/** The record of one panel. */
@Controller('api/jobs/:job/panels/:panel/record')
export class PanelRecordController {
  constructor(private readonly record: RecordService) {}

  @Get()
  get(@Param(new ZodPipe(panelParams)) params: PanelParams) {
    return this.record.record(params);
  }

  @Post()
  @HttpCode(200)
  enter(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    // What a bench sends was done: a field of it that is not known here is kept, for refusing it would lose the entry.
    @Body(new ZodPipe(entryBodySchema, { later: ['body'] })) entry: NewEntry,
  ) {
    return this.record.enter(params, entry);
  }
}

/** All records, to be searched. */
@Controller('api/record')
export class RecordController {
  constructor(private readonly record: RecordService) {}

  @Get()
  page(@Query(new ZodPipe(recordQuerySchema)) query: RecordQuery) {
    return this.record.page(query);
  }

  /** People, products and panels that entries tell of. */
  @Get('facets')
  facets() {
    return this.record.facets();
  }

  /** All that a query finds, as a table (CSV). */
  @Get('table')
  table(@Query(new ZodPipe(recordQuerySchema)) query: RecordQuery) {
    return saved(recordTable(this.record.all(query)), 'text/csv; charset=utf-8', 'record.csv');
  }

  /** All that a query finds, as JSON. */
  @Get('file')
  file(@Query(new ZodPipe(recordQuerySchema)) query: RecordQuery) {
    return saved(recordList(this.record.all(query)), 'application/json; charset=utf-8', 'record.json');
  }
}

/** A file that is sent as it is made. */
const saved = (parts: AsyncIterable<string>, type: string, name: string): StreamableFile =>
  new StreamableFile(Readable.from(parts), { type, disposition: `attachment; filename="${name}"` });
