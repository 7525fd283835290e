import { Module, type DynamicModule } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { ServeStaticModule } from '@nestjs/serve-static';
import type { Config } from './config.ts';
import { DatabaseModule } from './database/database.module.ts';
import { HealthController } from './health/health.controller.ts';
import { InFlightInterceptor } from './http/in-flight.interceptor.ts';
import { JobsModule } from './jobs/jobs.module.ts';
import { PlanningModule } from './planning/planning.module.ts';
import { PlansModule } from './plans/plans.module.ts';
import { ShelfController } from './shelf/shelf.controller.ts';

@Module({})
export class AppModule {
  static with({ dataFolder, webFolder, planWorker }: Config): DynamicModule {
    const web = webFolder
      ? [ServeStaticModule.forRoot({ rootPath: webFolder, exclude: ['/api/{*rest}'] })]
      : [];
    return {
      module: AppModule,
      imports: [
        DatabaseModule.in(dataFolder),
        PlanningModule.with(planWorker),
        JobsModule,
        PlansModule,
        ...web,
      ],
      controllers: [HealthController, ShelfController],
      providers: [{ provide: APP_INTERCEPTOR, useClass: InFlightInterceptor }],
    };
  }
}
