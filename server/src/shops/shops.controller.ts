import { Body, Controller, Delete, Get, Param, Patch, Post } from '@nestjs/common';
import type { z } from 'zod';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { shopParams } from '../http/params.ts';
import { Asked } from '../http/write-request.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import {
  shopAddSchema,
  shopPatchSchema,
  shopRemoveSchema,
  type ShopAdd,
  type ShopPatch,
} from './shops.schemas.ts';
import { ShopsService } from './shops.service.ts';

type ShopParams = z.infer<typeof shopParams>;

@Controller('api/shops')
export class ShopsController {
  constructor(private readonly shops: ShopsService) {}

  @Get()
  list() {
    return this.shops.list();
  }

  @Get(':shop')
  get(@Param(new ZodPipe(shopParams)) { shop }: ShopParams) {
    return this.shops.get(shop);
  }

  @Post()
  add(@Body(new ZodPipe(shopAddSchema)) body: ShopAdd, @Asked() asked: WriteRequest) {
    return this.shops.add(asked, body);
  }

  @Patch(':shop')
  patch(
    @Param(new ZodPipe(shopParams)) { shop }: ShopParams,
    @Body(new ZodPipe(shopPatchSchema, { later: ['things'] })) body: ShopPatch,
    @Asked() asked: WriteRequest,
  ) {
    return this.shops.patch(asked, shop, body);
  }

  @Delete(':shop')
  remove(
    @Param(new ZodPipe(shopParams)) { shop }: ShopParams,
    @Body(new ZodPipe(shopRemoveSchema)) { version }: z.infer<typeof shopRemoveSchema>,
    @Asked() asked: WriteRequest,
  ) {
    return this.shops.remove(asked, shop, version);
  }
}
