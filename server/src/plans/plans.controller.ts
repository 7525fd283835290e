import { Body, Controller, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import type { z } from 'zod';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { Gone } from '../http/gone.ts';
import {
  jobParams,
  panelParams,
  placeParams,
  planParams,
  type PanelParams,
  type PlanParams,
} from '../http/params.ts';
import { Asked } from '../http/write-request.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import {
  choiceSchema,
  judgeAskSchema,
  planAllSchema,
  planAskSchema,
  stepQuerySchema,
  type Choice,
  type JudgeAsk,
  type PlanAll,
  type PlanAsk,
  type StepQuery,
} from './plans.schemas.ts';
import { PlansService } from './plans.service.ts';

@Controller('api/jobs/:job/panels/:panel/plans')
export class PlansController {
  constructor(private readonly plans: PlansService) {}

  @Post()
  make(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    @Body(new ZodPipe(planAskSchema)) ask: PlanAsk,
    @Asked() asked: WriteRequest,
    @Gone() gone: AbortSignal,
  ) {
    return this.plans.make(asked, params, ask, gone);
  }

  /** The verdict on a sequence of the person's own; nothing is stored. */
  @Post('judgement')
  @HttpCode(200)
  judge(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    @Body(new ZodPipe(judgeAskSchema)) ask: JudgeAsk,
    @Gone() gone: AbortSignal,
  ) {
    return this.plans.judge(params, ask, gone);
  }

  /** What planning again would come to; nothing is stored. */
  @Post('preview')
  @HttpCode(200)
  preview(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    @Body(new ZodPipe(planAskSchema)) ask: PlanAsk,
    @Gone() gone: AbortSignal,
  ) {
    return this.plans.preview(params, ask, gone);
  }

  @Get('latest')
  latest(@Param(new ZodPipe(panelParams)) params: PanelParams, @Asked() { actor }: WriteRequest) {
    return this.plans.latest(actor, params);
  }

  /** One that was kept: what a choice fell from. */
  @Get(':plan')
  byId(@Param(new ZodPipe(planParams)) params: PlanParams) {
    return this.plans.byId(params);
  }

  /** Other products of the shop's shelf for a step; nothing is stored. */
  @Get(':plan/products')
  products(
    @Param(new ZodPipe(planParams)) params: PlanParams,
    @Query(new ZodPipe(stepQuerySchema)) step: StepQuery,
    @Gone() gone: AbortSignal,
  ) {
    return this.plans.otherProducts(params, step, gone);
  }

  @Put(':plan/choice')
  choose(
    @Param(new ZodPipe(planParams)) params: PlanParams,
    @Body(new ZodPipe(choiceSchema)) choice: Choice,
    @Asked() asked: WriteRequest,
  ) {
    return this.plans.choose(asked, params, choice);
  }
}

/** All panels of a job at once. */
@Controller('api/jobs/:job/plans')
export class JobPlansController {
  constructor(private readonly plans: PlansService) {}

  @Post()
  makeAll(
    @Param(new ZodPipe(jobParams)) { job }: z.infer<typeof jobParams>,
    @Body(new ZodPipe(planAllSchema)) which: PlanAll,
    @Asked() asked: WriteRequest,
    @Gone() gone: AbortSignal,
  ) {
    return this.plans.makeAll(asked, job, which, gone);
  }
}

/** How far a request for plans is, by the key that it was sent under. */
@Controller('api/plans/places')
export class PlanPlacesController {
  constructor(private readonly plans: PlansService) {}

  @Get(':key')
  placeOf(@Param(new ZodPipe(placeParams)) { key }: z.infer<typeof placeParams>) {
    return this.plans.placeOf(key);
  }
}
