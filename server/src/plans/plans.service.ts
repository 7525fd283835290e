import { createHash, randomUUID } from 'node:crypto';
import { planPanel, type PanelView, type PlanView } from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import { OnceService } from '../database/once.service.ts';
import type { PanelParams, PlanParams } from '../http/params.ts';
import { Refused, notFound, stale } from '../http/problem.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { PlansRepository, type StoredPlan } from './plans.repository.ts';

/** What a plan depends on, as one short text. */
const fingerprint = ({ panel, shop, target }: PanelView): string =>
  createHash('sha256').update(JSON.stringify({ panel, shop, target })).digest('hex');

const viewOf = ({ survey, createdAt, ...plan }: StoredPlan, view: PanelView): PlanView => ({
  ...plan,
  createdAt: createdAt.toISOString(),
  isCurrent: survey === fingerprint(view),
});

/** Plans are snapshots: made from the survey of a moment, kept as they were, chosen by a person. */
@Injectable()
export class PlansService {
  constructor(
    private readonly jobs: JobsService,
    private readonly plans: PlansRepository,
    private readonly once: OnceService,
  ) {}

  /** Plans the panel as it is surveyed now and keeps the result. */
  async make(key: PanelParams, clientKey?: string): Promise<PlanView> {
    const view = await this.jobs.panel(key);
    const { sheets } = await this.jobs.file(key.job);
    const plan = planPanel({ panel: view.panel, shop: view.shop, target: view.target, sheets });
    const survey = fingerprint(view);
    return this.once.run(clientKey, async (transaction) => {
      const stored = await this.plans.insert(
        key,
        { id: randomUUID(), chosen: plan.chosen, survey, plan },
        transaction,
      );
      return viewOf(stored, view);
    });
  }

  /** The newest plan of a panel, or nothing yet. */
  async latest(key: PanelParams): Promise<{ plan: PlanView | null }> {
    const view = await this.jobs.panel(key);
    const stored = await this.plans.latest(key);
    return { plan: stored && viewOf(stored, view) };
  }

  /** Chooses one of the plan's systems that are ready. */
  choose(
    { plan: id }: PlanParams,
    systemId: string,
    version: number,
    clientKey?: string,
  ): Promise<{ chosen: string; version: number }> {
    return this.once.run(clientKey, async (transaction) => {
      const stored = await this.plans.byId(id, transaction);
      if (!stored) throw notFound('This plan');
      const system = stored.plan.systems.find((candidate) => candidate.id === systemId);
      if (system?.verdict !== 'ready')
        throw new Refused(422, 'The system was not chosen.', [
          {
            path: 'systemId',
            message: system ? `is refused: ${system.refusedBy[0]?.text ?? ''}` : 'is not in this plan',
          },
        ]);
      if (!(await this.plans.choose(id, systemId, version, transaction)))
        throw stale(systemId, { chosen: stored.chosen, version: stored.version });
      return { chosen: systemId, version: version + 1 };
    });
  }
}
