import { GENERIC_SHELF, SCHEMA_NAMES, jsonSchemaOf } from '@blue-ledge/core';
import { Body, Controller, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { z } from 'zod';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { shopParams } from '../http/params.ts';
import { Asked } from '../http/write-request.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import {
  sheetParams,
  sheetPutSchema,
  sheetsTakeSchema,
  type SheetParams,
  type SheetPut,
  type SheetsTake,
} from './shelf.schemas.ts';
import { ShelfService } from './shelf.service.ts';

const schemaParams = z.object({
  name: z.enum(SCHEMA_NAMES, { error: `must be one of: ${SCHEMA_NAMES.join(', ')}` }),
});

/** The built-in sheets, and the JSON Schemas of what this server takes and gives. */
@Controller('api')
export class GenericShelfController {
  @Get('shelf/sheets')
  sheets() {
    return GENERIC_SHELF;
  }

  @Get('schemas/:name')
  schema(@Param(new ZodPipe(schemaParams)) { name }: z.infer<typeof schemaParams>) {
    return jsonSchemaOf(name);
  }
}

/** The sheets of a shop: append-only versions, the newest of each in force. */
@Controller('api/shops/:shop/sheets')
export class ShelfController {
  constructor(private readonly shelf: ShelfService) {}

  @Get()
  sheets(@Param(new ZodPipe(shopParams)) { shop }: z.infer<typeof shopParams>) {
    return this.shelf.sheets(shop);
  }

  /** All that a sheet has been, the first version first. */
  @Get(':sheet/versions')
  versions(@Param(new ZodPipe(sheetParams)) params: SheetParams) {
    return this.shelf.versions(params);
  }

  @Put(':sheet')
  put(
    @Param(new ZodPipe(sheetParams)) params: SheetParams,
    @Body(new ZodPipe(sheetPutSchema, { later: ['sheet'] })) body: SheetPut,
    @Asked() asked: WriteRequest,
  ) {
    return this.shelf.put(asked, params, body);
  }

  @Post()
  @HttpCode(200)
  take(
    @Param(new ZodPipe(shopParams)) { shop }: z.infer<typeof shopParams>,
    @Body(new ZodPipe(sheetsTakeSchema, { later: ['sheets'] })) { sheets }: SheetsTake,
    @Asked() asked: WriteRequest,
  ) {
    return this.shelf.take(asked, shop, sheets);
  }
}
