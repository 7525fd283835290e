import { Module } from '@nestjs/common';
import { PanelRecordController, RecordController } from './record.controller.ts';
import { RecordService } from './record.service.ts';

@Module({ controllers: [PanelRecordController, RecordController], providers: [RecordService] })
export class RecordModule {}
