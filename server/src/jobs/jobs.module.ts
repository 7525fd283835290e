import { Module } from '@nestjs/common';
import { JobsController } from './jobs.controller.ts';
import { JobsRepository } from './jobs.repository.ts';
import { JobsService } from './jobs.service.ts';

@Module({ controllers: [JobsController], providers: [JobsService, JobsRepository], exports: [JobsService] })
export class JobsModule {}
