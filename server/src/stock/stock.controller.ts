import { Body, Controller, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import type { z } from 'zod';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { Gone } from '../http/gone.ts';
import { shopParams } from '../http/params.ts';
import { Asked } from '../http/write-request.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import {
  canMovesSchema,
  canParams,
  canPutSchema,
  type CanMoves,
  type CanParams,
  type CanPut,
} from './stock.schemas.ts';
import { StockService } from './stock.service.ts';

type ShopParams = z.infer<typeof shopParams>;

/** Cans of a shop, their moves, and what its plans need. */
@Controller('api/shops/:shop/stock')
export class StockController {
  constructor(private readonly stock: StockService) {}

  @Get()
  cans(@Param(new ZodPipe(shopParams)) { shop }: ShopParams) {
    return this.stock.cans(shop);
  }

  @Get('needs')
  needs(@Param(new ZodPipe(shopParams)) { shop }: ShopParams, @Gone() gone: AbortSignal) {
    return this.stock.needs(shop, gone);
  }

  @Get(':can/moves')
  moves(@Param(new ZodPipe(canParams)) params: CanParams) {
    return this.stock.moves(params);
  }

  @Put(':can')
  put(
    @Param(new ZodPipe(canParams)) params: CanParams,
    @Body(new ZodPipe(canPutSchema, { later: ['can'] })) body: CanPut,
    @Asked() asked: WriteRequest,
  ) {
    return this.stock.put(asked, params, body);
  }

  @Post('moves')
  @HttpCode(200)
  move(
    @Param(new ZodPipe(shopParams)) { shop }: ShopParams,
    @Body(new ZodPipe(canMovesSchema)) { moves }: CanMoves,
    @Asked() asked: WriteRequest,
  ) {
    return this.stock.move(asked, shop, moves);
  }
}
