import { Module } from '@nestjs/common';
import { IntegrityController } from './integrity.controller.ts';
import { IntegrityService } from './integrity.service.ts';

@Module({ controllers: [IntegrityController], providers: [IntegrityService] })
export class IntegrityModule {}
