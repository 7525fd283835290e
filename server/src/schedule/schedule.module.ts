import { Module } from '@nestjs/common';
import { ClocksModule } from '../clocks/clocks.module.ts';
import { ScheduleController } from './schedule.controller.ts';
import { ScheduleService } from './schedule.service.ts';

@Module({ imports: [ClocksModule], controllers: [ScheduleController], providers: [ScheduleService] })
export class ScheduleModule {}
