import { Module, type DynamicModule } from '@nestjs/common';
import { BackupsController } from './backups.controller.ts';
import { BackupsService, DATA_FOLDER } from './backups.service.ts';

@Module({})
export class BackupsModule {
  /** @param dataFolder what is backed up */
  static of(dataFolder: string): DynamicModule {
    return {
      module: BackupsModule,
      controllers: [BackupsController],
      providers: [BackupsService, { provide: DATA_FOLDER, useValue: dataFolder }],
    };
  }
}
