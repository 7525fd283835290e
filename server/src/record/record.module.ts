import { Module } from '@nestjs/common';
import { PanelRecordController, RecordController } from './record.controller.ts';
import { OwnFiguresController } from './own-figures.controller.ts';
import { OwnFiguresService } from './own-figures.service.ts';
import { RecordService } from './record.service.ts';

@Module({
  controllers: [PanelRecordController, RecordController, OwnFiguresController],
  providers: [RecordService, OwnFiguresService],
})
export class RecordModule {}
