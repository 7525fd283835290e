import { createHash, randomUUID } from 'node:crypto';
import type { Judgement, PanelPlan, PanelView, PlanTask, PlanView } from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import type { Transaction } from 'sequelize';
import { IdempotentWrites } from '../database/idempotent-writes.ts';
import type { PanelParams, PlanParams } from '../http/params.ts';
import { ProblemError, notFound, stale } from '../http/problem.ts';
import { JobsService } from '../jobs/jobs.service.ts';
import { PlannerService } from '../planning/planner.service.ts';
import type { JudgeAsk, PlanAsk } from './plans.schemas.ts';
import { PlansRepository, type StoredPlan } from './plans.repository.ts';

/** Readings of film that a plan laid are taken after it was made, and change nothing in it. */
const withoutReadings = (name: string, value: unknown): unknown => (name === 'readings' ? undefined : value);

/** What a plan depends on, as one short text. */
const fingerprint = ({ panel, shop, target }: PanelView): string =>
  createHash('sha256').update(JSON.stringify({ panel, shop, target }, withoutReadings)).digest('hex');

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
    private readonly once: IdempotentWrites,
    private readonly planner: PlannerService,
  ) {}

  /** Plans the panel as it is surveyed now and keeps the result. */
  async make(key: PanelParams, { schools, done }: PlanAsk, clientKey?: string): Promise<PlanView> {
    const { view, task } = await this.taskOf(key);
    const plan = await this.planner.planWithTests({
      ...task,
      ...(schools ? { schools } : {}),
      ...(done ? { done } : {}),
    });
    return this.once.run(clientKey, async (transaction) => this.keep(key, view, plan, transaction));
  }

  /** Plans every panel of a job, side by side, and keeps all of the plans or none. */
  async makeAll(job: string, clientKey?: string): Promise<{ plans: PlanView[] }> {
    const { panels } = await this.jobs.file(job);
    const asked = await Promise.all(panels.map(({ id }) => this.taskOf({ job, panel: id })));
    const plans = await Promise.all(asked.map(({ task }) => this.planner.plan(task)));
    return this.once.run(clientKey, async (transaction) => {
      const kept: PlanView[] = [];
      for (const [i, plan] of plans.entries())
        kept.push(await this.keep({ job, panel: plan.panelId }, asked[i]!.view, plan, transaction));
      return { plans: kept };
    });
  }

  /** Judges a sequence of the person's own on the panel as it is surveyed now. */
  async judge(key: PanelParams, { own, fillsIn, schools }: JudgeAsk): Promise<Judgement> {
    const { task } = await this.taskOf(key);
    return this.planner.judge({ ...task, ...(schools ? { schools } : {}) }, own, fillsIn);
  }

  private async taskOf(key: PanelParams): Promise<{ view: PanelView; task: PlanTask }> {
    const view = await this.jobs.panel(key);
    const sheets = await this.jobs.sheets(key.job);
    return { view, task: { panel: view.panel, shop: view.shop, target: view.target, sheets } };
  }

  private async keep(
    key: PanelParams,
    view: PanelView,
    plan: PanelPlan,
    transaction: Transaction,
  ): Promise<PlanView> {
    const survey = fingerprint(view);
    const stored = { id: randomUUID(), chosen: plan.chosen, survey, plan };
    return viewOf(await this.plans.insert(key, stored, transaction), view);
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
        throw new ProblemError(422, 'The system was not chosen.', [
          {
            path: 'systemId',
            message: system ? `is refused: ${system.refusedBy[0]?.text ?? ''}` : 'is not in this plan',
          },
        ]);
      // The planner chooses nothing while a zone has to be set right first; nor does a person.
      if (stored.plan.chosen === null)
        throw new ProblemError(422, 'The system was not chosen.', [
          {
            path: 'systemId',
            message:
              'waits for a zone that is stopped: do the work it needs first, or plan the rest without it',
          },
        ]);
      if (!(await this.plans.choose(id, systemId, version, transaction)))
        throw stale(systemId, { chosen: stored.chosen, version: stored.version });
      return { chosen: systemId, version: version + 1 };
    });
  }
}
