import { Module } from '@nestjs/common';
import { ClocksController } from './clocks.controller.ts';
import { ClocksService } from './clocks.service.ts';
import { SteadyTime } from './steady-time.ts';

@Module({ controllers: [ClocksController], providers: [ClocksService, SteadyTime], exports: [SteadyTime] })
export class ClocksModule {}
