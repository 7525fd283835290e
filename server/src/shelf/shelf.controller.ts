import { GENERIC_SHELF, SCHEMA_NAMES, jsonSchemaOf } from '@blue-ledge/core';
import { Controller, Get, Param } from '@nestjs/common';
import { z } from 'zod';
import { ZodPipe } from '../http/zod.pipe.ts';

const schemaParams = z.object({
  name: z.enum(SCHEMA_NAMES, { error: `must be one of: ${SCHEMA_NAMES.join(', ')}` }),
});

/** The built-in sheets, and the JSON Schemas of what this server takes and gives. */
@Controller('api')
export class ShelfController {
  @Get('shelf/sheets')
  sheets() {
    return GENERIC_SHELF;
  }

  @Get('schemas/:name')
  schema(@Param(new ZodPipe(schemaParams)) { name }: z.infer<typeof schemaParams>) {
    return jsonSchemaOf(name);
  }
}
