import { Body, Controller, Delete, Get, Header, Param, Patch, Post, Put } from '@nestjs/common';
import { ClientKey } from '../http/client-key.ts';
import { jobParams, panelParams, zoneParams, type PanelParams, type ZoneParams } from '../http/params.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import type { z } from 'zod';
import {
  jobPatchSchema,
  panelAddSchema,
  panelRemoveSchema,
  panelWriteSchema,
  zoneWriteSchema,
  type JobPatch,
  type PanelAdd,
  type PanelWrite,
  type ZoneWrite,
} from './jobs.schemas.ts';
import { JobsService } from './jobs.service.ts';

@Controller('api/jobs')
export class JobsController {
  constructor(private readonly jobs: JobsService) {}

  @Get()
  list() {
    return this.jobs.list();
  }

  @Post()
  take(@Body() body: unknown, @ClientKey() key?: string) {
    return this.jobs.take(body, key);
  }

  @Get(':job')
  get(@Param(new ZodPipe(jobParams)) { job }: { job: string }) {
    return this.jobs.get(job);
  }

  @Get(':job/file')
  @Header('content-disposition', 'attachment; filename="job.ledge.json"')
  file(@Param(new ZodPipe(jobParams)) { job }: { job: string }) {
    return this.jobs.file(job);
  }

  @Patch(':job')
  patch(
    @Param(new ZodPipe(jobParams)) { job }: { job: string },
    @Body(new ZodPipe(jobPatchSchema)) body: JobPatch,
    @ClientKey() key?: string,
  ) {
    return this.jobs.patch(job, body, key);
  }

  @Get(':job/panels/:panel')
  panel(@Param(new ZodPipe(panelParams)) params: PanelParams) {
    return this.jobs.panel(params);
  }

  @Post(':job/panels')
  addPanel(
    @Param(new ZodPipe(jobParams)) { job }: { job: string },
    @Body(new ZodPipe(panelAddSchema)) { panel }: PanelAdd,
    @ClientKey() key?: string,
  ) {
    return this.jobs.addPanel(job, panel, key);
  }

  @Put(':job/panels/:panel')
  writePanel(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    @Body(new ZodPipe(panelWriteSchema)) body: PanelWrite,
    @ClientKey() key?: string,
  ) {
    return this.jobs.writePanel(params, body, key);
  }

  @Delete(':job/panels/:panel')
  removePanel(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    @Body(new ZodPipe(panelRemoveSchema)) { version }: z.infer<typeof panelRemoveSchema>,
    @ClientKey() key?: string,
  ) {
    return this.jobs.removePanel(params, version, key);
  }

  @Put(':job/panels/:panel/zones/:zone')
  writeZone(
    @Param(new ZodPipe(zoneParams)) params: ZoneParams,
    @Body(new ZodPipe(zoneWriteSchema)) body: ZoneWrite,
    @ClientKey() key?: string,
  ) {
    return this.jobs.writeZone(params, body, key);
  }
}
