import { Module, type DynamicModule } from '@nestjs/common';
import { PLAN_WORKER, PlannerService } from './planner.service.ts';

@Module({})
export class PlanningModule {
  static with(workerFile: string | null): DynamicModule {
    return {
      module: PlanningModule,
      global: true,
      providers: [PlannerService, { provide: PLAN_WORKER, useValue: workerFile }],
      exports: [PlannerService],
    };
  }
}
