import { Controller, Get, Param } from '@nestjs/common';
import type { z } from 'zod';
import { Gone } from '../http/gone.ts';
import { shopParams } from '../http/params.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import { OwnFiguresService } from './own-figures.service.ts';

/** What a shop's records say of its figures. */
@Controller('api/shops/:shop/own-figures')
export class OwnFiguresController {
  constructor(private readonly figures: OwnFiguresService) {}

  @Get()
  get(@Param(new ZodPipe(shopParams)) { shop }: z.infer<typeof shopParams>, @Gone() gone: AbortSignal) {
    return this.figures.of(shop, gone);
  }
}
