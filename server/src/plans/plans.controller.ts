import { Body, Controller, Get, Param, Post, Put } from '@nestjs/common';
import { z } from 'zod';
import { ClientKey } from '../http/client-key.ts';
import { panelParams, planParams, versionSchema, type PanelParams, type PlanParams } from '../http/params.ts';
import { Valid } from '../http/valid.pipe.ts';
import { PlansService } from './plans.service.ts';

const choiceSchema = z.object({ systemId: z.string().min(1).max(200), version: versionSchema });

@Controller('api/jobs/:job/panels/:panel/plans')
export class PlansController {
  constructor(private readonly plans: PlansService) {}

  @Post()
  make(@Param(new Valid(panelParams)) params: PanelParams, @ClientKey() key?: string) {
    return this.plans.make(params, key);
  }

  @Get('latest')
  latest(@Param(new Valid(panelParams)) params: PanelParams) {
    return this.plans.latest(params);
  }

  @Put(':plan/choice')
  choose(
    @Param(new Valid(planParams)) params: PlanParams,
    @Body(new Valid(choiceSchema)) { systemId, version }: z.infer<typeof choiceSchema>,
    @ClientKey() key?: string,
  ) {
    return this.plans.choose(params, systemId, version, key);
  }
}
