import { Module } from '@nestjs/common';
import { JobsModule } from '../jobs/jobs.module.ts';
import { JobPlansController, PlanPlacesController, PlansController } from './plans.controller.ts';
import { PlansService } from './plans.service.ts';

@Module({
  imports: [JobsModule],
  controllers: [PlansController, JobPlansController, PlanPlacesController],
  providers: [PlansService],
})
export class PlansModule {}
