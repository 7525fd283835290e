import { Module } from '@nestjs/common';
import { ShopsController } from './shops.controller.ts';
import { ShopsService } from './shops.service.ts';

@Module({ controllers: [ShopsController], providers: [ShopsService], exports: [ShopsService] })
export class ShopsModule {}
