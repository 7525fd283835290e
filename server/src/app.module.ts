import { Module, type DynamicModule } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { ServeStaticModule } from '@nestjs/serve-static';
import type { ServerResponse } from 'node:http';
import { join, sep } from 'node:path';
import type { Config } from './config.ts';
import { PHOTOS } from './database/data-folder.ts';
import type { Database } from './database/database.ts';
import { DatabaseModule } from './database/database.module.ts';
import { BackupsModule } from './backups/backups.module.ts';
import { ClocksModule } from './clocks/clocks.module.ts';
import { EventsController } from './events/events.controller.ts';
import { HealthController } from './health/health.controller.ts';
import { InFlightInterceptor } from './http/in-flight.interceptor.ts';
import { FaultsController } from './faults/faults.controller.ts';
import { IntegrityModule } from './integrity/integrity.module.ts';
import { JobsModule } from './jobs/jobs.module.ts';
import { PhotosModule } from './photos/photos.module.ts';
import { PlanningModule } from './planning/planning.module.ts';
import { PlansModule } from './plans/plans.module.ts';
import { RecordModule } from './record/record.module.ts';
import { ShopsModule } from './shops/shops.module.ts';
import { ShelfModule } from './shelf/shelf.module.ts';
import { ScheduleModule } from './schedule/schedule.module.ts';
import { StockModule } from './stock/stock.module.ts';

const YEAR_S = 365 * 24 * 60 * 60;

/** Files of a build carry a mark of what is in them: a browser keeps them, and opens screens without the server. */
function keepAssets(response: ServerResponse, path: string): void {
  const isMarked = path.includes(`${sep}assets${sep}`);
  response.setHeader('cache-control', isMarked ? `public, max-age=${YEAR_S}, immutable` : 'no-cache');
}

@Module({})
export class AppModule {
  static with({ webFolder, planThreads, dataFolder }: Config, database: Database): DynamicModule {
    const web = webFolder
      ? [
          ServeStaticModule.forRoot({
            rootPath: webFolder,
            exclude: ['/api/{*rest}', '/assets/{*rest}'],
            serveStaticOptions: { setHeaders: keepAssets },
          }),
        ]
      : [];
    return {
      module: AppModule,
      imports: [
        DatabaseModule.over(database),
        PlanningModule.with(planThreads),
        PhotosModule.over(join(dataFolder, PHOTOS)),
        ShopsModule,
        ShelfModule,
        StockModule,
        JobsModule,
        PlansModule,
        ScheduleModule,
        ClocksModule,
        RecordModule,
        IntegrityModule,
        BackupsModule.of(dataFolder),
        ...web,
      ],
      controllers: [HealthController, EventsController, FaultsController],
      providers: [{ provide: APP_INTERCEPTOR, useClass: InFlightInterceptor }],
    };
  }
}
