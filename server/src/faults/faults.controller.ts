import { Body, Controller, HttpCode, Logger, Post } from '@nestjs/common';
import { z } from 'zod';
import { ZodPipe } from '../http/zod.pipe.ts';

/** A fault of the program in somebody's browser, as its screen shows it. */
const faultSchema = z.object({
  reference: z.string().regex(/^[0-9a-f]{8}$/, 'must be eight hexadecimal digits'),
  message: z.string().max(2000),
  stack: z.string().max(4000).default(''),
  page: z.string().max(500).default(''),
});
type Fault = z.infer<typeof faultSchema>;

/** Faults of screens stand in the same log as those of the server, each found by its reference. */
@Controller('api/faults')
export class FaultsController {
  private readonly logger = new Logger('screen');

  @Post()
  @HttpCode(204)
  note(@Body(new ZodPipe(faultSchema)) { reference, message, stack, page }: Fault): void {
    this.logger.error(`fault ${reference} on ${page}: ${message}`, stack);
  }
}
