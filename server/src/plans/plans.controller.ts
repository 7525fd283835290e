import { Body, Controller, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import type { z } from 'zod';
import { ClientKey } from '../http/client-key.ts';
import { jobParams, panelParams, planParams, type PanelParams, type PlanParams } from '../http/params.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import { choiceSchema, judgeAskSchema, planAskSchema, type JudgeAsk, type PlanAsk } from './plans.schemas.ts';
import { PlansService } from './plans.service.ts';

@Controller('api/jobs/:job/panels/:panel/plans')
export class PlansController {
  constructor(private readonly plans: PlansService) {}

  @Post()
  make(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    @Body(new ZodPipe(planAskSchema)) ask: PlanAsk,
    @ClientKey() key?: string,
  ) {
    return this.plans.make(params, ask, key);
  }

  /** The verdict on a sequence of the person's own; nothing is stored. */
  @Post('judgement')
  @HttpCode(200)
  judge(
    @Param(new ZodPipe(panelParams)) params: PanelParams,
    @Body(new ZodPipe(judgeAskSchema)) ask: JudgeAsk,
  ) {
    return this.plans.judge(params, ask);
  }

  @Get('latest')
  latest(@Param(new ZodPipe(panelParams)) params: PanelParams) {
    return this.plans.latest(params);
  }

  @Put(':plan/choice')
  choose(
    @Param(new ZodPipe(planParams)) params: PlanParams,
    @Body(new ZodPipe(choiceSchema)) { systemId, version }: z.infer<typeof choiceSchema>,
    @ClientKey() key?: string,
  ) {
    return this.plans.choose(params, systemId, version, key);
  }
}

/** All panels of a job at once. */
@Controller('api/jobs/:job/plans')
export class JobPlansController {
  constructor(private readonly plans: PlansService) {}

  @Post()
  makeAll(@Param(new ZodPipe(jobParams)) { job }: { job: string }, @ClientKey() key?: string) {
    return this.plans.makeAll(job, key);
  }
}
