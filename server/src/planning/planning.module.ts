import { Module, type DynamicModule } from '@nestjs/common';
import { PlannerService } from './planner.service.ts';
import { PlanThreads } from './plan-threads.ts';

@Module({})
export class PlanningModule {
  static with(threads: PlanThreads): DynamicModule {
    return {
      module: PlanningModule,
      global: true,
      providers: [PlannerService, { provide: PlanThreads, useValue: threads }],
      exports: [PlannerService],
    };
  }
}
