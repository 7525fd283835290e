import { Module } from '@nestjs/common';
import { ScheduleController } from './schedule.controller.ts';
import { ScheduleService } from './schedule.service.ts';

@Module({ controllers: [ScheduleController], providers: [ScheduleService] })
export class ScheduleModule {}
