import { Module } from '@nestjs/common';
import { GenericShelfController, ShelfController } from './shelf.controller.ts';
import { ShelfService } from './shelf.service.ts';

@Module({ controllers: [GenericShelfController, ShelfController], providers: [ShelfService] })
export class ShelfModule {}
