import { Body, Controller, Delete, Get, Header, Param, Patch, Post, Query } from '@nestjs/common';
import type { z } from 'zod';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { jobParams, panelParams, type PanelParams } from '../http/params.ts';
import { Asked } from '../http/write-request.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import {
  jobAddSchema,
  jobPatchSchema,
  jobsQuerySchema,
  panelAddSchema,
  panelEditBodySchema,
  takeQuerySchema,
  versionOnlySchema,
  type JobAdd,
  type JobPatch,
  type JobsQuery,
  type PanelAdd,
  type PanelEditBody,
  type VersionOnly,
} from './jobs.schemas.ts';
import { JobsService } from './jobs.service.ts';

type JobParams = z.infer<typeof jobParams>;

@Controller('api/jobs')
export class JobsController {
  constructor(private readonly jobs: JobsService) {}

  @Get()
  list(@Query(new ZodPipe(jobsQuerySchema)) query: JobsQuery) {
    return this.jobs.list(query);
  }

  /** Takes a job file in. */
  @Post()
  take(
    @Body() body: unknown,
    @Query(new ZodPipe(takeQuerySchema)) { shop }: z.infer<typeof takeQuerySchema>,
    @Asked() asked: WriteRequest,
  ) {
    return this.jobs.take(asked, body, shop);
  }

  @Post('new')
  add(@Body(new ZodPipe(jobAddSchema)) body: JobAdd, @Asked() asked: WriteRequest) {
    return this.jobs.add(asked, body);
  }

  @Get(':job')
  get(@Param(new ZodPipe(jobParams)) { job }: JobParams) {
    return this.jobs.get(job);
  }

  @Get(':job/file')
  @Header('content-disposition', 'attachment; filename="job.ledge.json"')
  file(@Param(new ZodPipe(jobParams)) { job }: JobParams) {
    return this.jobs.file(job);
  }

  @Get(':job/sheets')
  sheets(@Param(new ZodPipe(jobParams)) { job }: JobParams) {
    return this.jobs.sheets(job);
  }

  @Post(':job/copies')
  duplicate(@Param(new ZodPipe(jobParams)) { job }: JobParams, @Asked() asked: WriteRequest) {
    return this.jobs.duplicate(asked, job);
  }

  @Patch(':job')
  patch(
    @Param(new ZodPipe(jobParams)) { job }: JobParams,
    @Body(new ZodPipe(jobPatchSchema)) body: JobPatch,
    @Asked() asked: WriteRequest,
  ) {
    return this.jobs.patch(asked, job, body);
  }

  @Delete(':job')
  remove(
    @Param(new ZodPipe(jobParams)) { job }: JobParams,
    @Body(new ZodPipe(versionOnlySchema)) { version }: VersionOnly,
    @Asked() asked: WriteRequest,
  ) {
    return this.jobs.remove(asked, job, version);
  }

  @Post(':job/put-back')
  putBack(@Param(new ZodPipe(jobParams)) { job }: JobParams, @Asked() asked: WriteRequest) {
    return this.jobs.putBack(asked, job);
  }

  @Get(':job/panels/:panel')
  panel(@Param(new ZodPipe(panelParams)) params: PanelParams) {
    return this.jobs.panel(params);
  }

  /** Panels that were removed and can be put back. */
  @Get(':job/removed-panels')
  removedPanels(@Param(new ZodPipe(jobParams)) { job }: JobParams) {
    return this.jobs.removedPanels(job);
  }

  @Post(':job/panels')
  addPanel(
    @Param(new ZodPipe(jobParams)) { job }: JobParams,
    @Body(new ZodPipe(panelAddSchema)) { panel }: PanelAdd,
    @Asked() asked: WriteRequest,
  ) {
    return this.jobs.addPanel(asked, job, panel);
  }

  @Patch(':job/panels/:panel')
  editPanel(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    @Body(new ZodPipe(panelEditBodySchema)) { edit }: PanelEditBody,
    @Asked() asked: WriteRequest,
  ) {
    return this.jobs.editPanel(asked, params, edit);
  }

  @Delete(':job/panels/:panel')
  removePanel(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    @Body(new ZodPipe(versionOnlySchema)) { version }: VersionOnly,
    @Asked() asked: WriteRequest,
  ) {
    return this.jobs.removePanel(asked, params, version);
  }

  @Post(':job/panels/:panel/put-back')
  putPanelBack(@Param(new ZodPipe(panelParams)) params: PanelParams, @Asked() asked: WriteRequest) {
    return this.jobs.putPanelBack(asked, params);
  }
}
