import {
  changesSince,
  choiceAfter,
  isFallen,
  say,
  startAgain,
  type Judgement,
  type OtherProducts,
  type PlaceInLine,
  type PlanPreview,
  type PlanTask,
  type PlanView,
  type PlansView,
  type StoredPlan,
} from '@blue-ledge/core';
import { Injectable, Logger } from '@nestjs/common';
import { Database, type Read, type Write } from '../database/database.ts';
import { IdempotentWrites, type WriteRequest } from '../database/idempotent-writes.ts';
import type { PanelParams, PlanParams } from '../http/params.ts';
import { ProblemError, notFound, stale } from '../http/problem.ts';
import {
  JobsService,
  panelIds,
  pastIn,
  plannedPanel,
  shopOfJob,
  type PlannedPanel,
} from '../jobs/jobs.service.ts';
import { PlannerService } from '../planning/planner.service.ts';
import type { Choice, JudgeAsk, PlanAll, PlanAsk, StepQuery } from './plans.schemas.ts';
import { PlansReader, PlansWriter, type KeptPlan } from './plans.repository.ts';

const inputsNow = ({ view, sheets }: PlannedPanel) => ({
  panel: view.panel,
  shop: view.shop,
  target: view.target,
  sheets,
});

/** Whether it was asked for before: a panel that was begun elsewhere may have no plan here. */
interface Asked {
  readonly isPlanned: boolean;
}

/** What a plan is asked for with; what the record says was done goes before what is only said to be done. */
type Terms = Omit<PlanAsk, 'done'> & Pick<PlanTask, 'done' | 'airBefore' | 'nowMin'>;

const taskOf = (
  planned: PlannedPanel,
  { schools, products, startMin, startOn, isStartFixed, done, airBefore, nowMin, own }: Terms = {},
): PlanTask => ({
  ...inputsNow(planned),
  ...(schools ? { schools } : {}),
  ...(products?.length ? { products } : {}),
  ...(startMin === undefined ? {} : { startMin }),
  ...(startOn === undefined ? {} : { startOn }),
  ...(isStartFixed ? { isStartFixed } : {}),
  ...(done ? { done } : {}),
  ...(airBefore ? { airBefore } : {}),
  ...(nowMin === undefined ? {} : { nowMin }),
  ...(own ? { own } : {}),
  ...planned.past,
});

const viewOf = ({ createdAt, ...kept }: KeptPlan, planned: PlannedPanel): PlanView => ({
  ...kept,
  createdAt: createdAt.toISOString(),
  changed: kept.plan ? changesSince(kept.plan, inputsNow(planned)) : ['programme'],
});

/** What a plan was asked for with: a later one is asked for in the same way. */
function termsOf(kept: KeptPlan | null): Terms {
  const { schools, products, startMin, startOn, isStartFixed, done, airBefore, nowMin, own } =
    kept?.plan?.inputs ?? {};
  return {
    ...(schools ? { schools } : {}),
    ...(products ? { products } : {}),
    ...(startMin === undefined ? {} : { startMin }),
    ...(startOn === undefined ? {} : { startOn }),
    ...(isStartFixed ? { isStartFixed } : {}),
    ...(done ? { done } : {}),
    ...(airBefore ? { airBefore } : {}),
    ...(nowMin === undefined ? {} : { nowMin }),
    ...(own ? { own } : {}),
  };
}

/** A plan as it stands against what is there now. */
async function keptPlan(tx: Read, key: PlanParams): Promise<PlanView> {
  const kept = await new PlansReader(tx).byId(key);
  if (!kept) throw notFound('This plan');
  return viewOf(kept, await plannedPanel(tx, key));
}

const notChosen = (message: string): ProblemError =>
  new ProblemError(422, 'The system was not chosen.', [{ path: 'systemId', message }]);

/** Plans are snapshots: made from the survey of a moment, kept as they were, chosen by a person. */
@Injectable()
export class PlansService {
  private readonly logger = new Logger('plans');
  /** Plans whose tests are being worked out. */
  private readonly testing = new Set<string>();

  constructor(
    private readonly database: Database,
    private readonly jobs: JobsService,
    private readonly writes: IdempotentWrites,
    private readonly planner: PlannerService,
  ) {}

  /**
   * Plans the panel as it is surveyed now and keeps the result; tests that would decide are worked out after it.
   * @param gone ends the work where the client went away
   */
  make(asked: WriteRequest, key: PanelParams, ask: PlanAsk, gone: AbortSignal): Promise<PlanView> {
    const work = async (keep: (tx: Write, answer: PlanView) => Promise<void>): Promise<PlanView> => {
      const task = taskOf(await this.jobs.planned(key), ask);
      const plan = await this.planner.plan(task, { gone, key: asked.clientKey });
      const made = await this.database.write(asked.actor, async (tx) => {
        const view = await this.keep(tx, key, plan);
        await keep(tx, view);
        return view;
      });
      this.testLater(asked.actor, { ...key, plan: made.id }, plan);
      return made;
    };
    return this.writes.around<PlanView, { readonly id: string }>(asked, work, {
      keptOf: ({ id }) => ({ id }),
      again: (tx, { id }) => keptPlan(tx, { ...key, plan: id }),
    });
  }

  /**
   * Plans every panel of a job, side by side, each on the terms of its plan before; what can be planned is kept,
   * whatever becomes of the others. Panels that have been started are left alone unless they are asked for.
   */
  makeAll(
    asked: WriteRequest,
    job: string,
    { alsoStarted, now }: PlanAll,
    gone: AbortSignal,
  ): Promise<PlansView> {
    return this.writes.around<PlansView>(asked, async (keep) => {
      const terms = await this.termsOfPanels(job, now);
      const isLeft = ({ done = [], isPlanned }: Terms & Asked): boolean =>
        done.length > 0 && isPlanned && !alsoStarted;
      const ids = [...terms.keys()];
      const made = await Promise.all(
        ids.flatMap((panel) => {
          const ask = terms.get(panel)!;
          return isLeft(ask) ? [] : [this.makeOne(asked, { job, panel }, ask, gone)];
        }),
      );
      const answer = {
        started: ids.filter((panel) => isLeft(terms.get(panel)!)),
        plans: made.flatMap((each) => ('id' in each ? [each] : [])),
        failed: made.flatMap((each) => ('id' in each ? [] : [each])),
      };
      await this.database.write(asked.actor, (tx) => keep(tx, answer));
      return answer;
    });
  }

  /** How far a request for plans is that has not been answered yet. */
  placeOf(clientKey: string): PlaceInLine {
    return this.planner.placeOf(clientKey);
  }

  /**
   * What each panel's newest plan was asked for with, by panel id in the order of the job.
   * @param now a start that has passed is put off to the next one, where nothing is done yet
   */
  private termsOfPanels(job: string, now: PlanAll['now']): Promise<Map<string, Terms & Asked>> {
    return this.database.read(async (tx) => {
      const plans = new PlansReader(tx);
      const { shop } = await shopOfJob(tx, job);
      const terms = new Map<string, Terms & Asked>();
      for (const panel of await panelIds(tx, job)) {
        const kept = await plans.latest({ job, panel });
        const isPlanned = kept?.plan !== null && kept !== null;
        const asked = { ...termsOf(kept), ...(await pastIn(tx, { job, panel })), isPlanned };
        const { isStartFixed: _fixed, ...rest } = asked;
        terms.set(panel, now ? { ...rest, ...startAgain(asked, now, shop) } : asked);
      }
      return terms;
    });
  }

  private async makeOne(
    { actor, clientKey }: WriteRequest,
    key: PanelParams,
    ask: Terms,
    gone: AbortSignal,
  ): Promise<PlansView['plans'][number] | PlansView['failed'][number]> {
    try {
      const task = taskOf(await this.jobs.planned(key), ask);
      const plan = await this.planner.plan(task, { gone, key: clientKey });
      const kept = await this.database.write(actor, (tx) => this.keep(tx, key, plan));
      const { id, chosen } = kept;
      this.testLater(actor, { ...key, plan: id }, plan);
      return { panel: key.panel, id, chosen, isFallen: isFallen(kept) };
    } catch (error) {
      if (error instanceof ProblemError) return { panel: key.panel, title: error.title };
      throw error;
    }
  }

  /** Keeps a plan and says how it stands against what is there at that moment. */
  private async keep(tx: Write, key: PanelParams, plan: StoredPlan): Promise<PlanView> {
    const planned = await plannedPanel(tx, key);
    return viewOf(await new PlansWriter(tx).insert(key, plan), planned);
  }

  /** Works out the tests that would decide, and keeps them; open screens are told. */
  private testLater(actor: string, key: PlanParams, { inputs }: StoredPlan): void {
    if (this.testing.has(key.plan)) return;
    this.testing.add(key.plan);
    this.planner
      .tests(inputs)
      // A panel that is too much for it is not tried again with every look at the plan.
      .catch((error: unknown) => {
        if (error instanceof ProblemError) return [];
        throw error;
      })
      .then((tests) => this.database.write(actor, (tx) => new PlansWriter(tx).keepTests(key, tests)))
      .catch((error: unknown) => this.logger.warn(`no tests for plan ${key.plan}: ${String(error)}`))
      .finally(() => this.testing.delete(key.plan));
  }

  /** Judges a sequence of the person's own on the panel as it is surveyed now. */
  async judge(key: PanelParams, { own, fillsIn, schools }: JudgeAsk, gone: AbortSignal): Promise<Judgement> {
    const task = taskOf(await this.jobs.planned(key), { schools });
    return this.planner.judge(task, own, { fillsIn, gone });
  }

  /** A plan as it would be made now, and what would be chosen in it; nothing is kept. */
  async preview(key: PanelParams, ask: PlanAsk, gone: AbortSignal): Promise<PlanPreview> {
    const { planned, kept } = await this.database.read(async (tx) => ({
      planned: await plannedPanel(tx, key),
      kept: await new PlansReader(tx).latest(key),
    }));
    const plan = await this.planner.plan(taskOf(planned, ask), { gone });
    return { plan, chosen: choiceAfter(kept, plan).chosen };
  }

  /** Other products of the shop's shelf, as it is now, for a step of a plan. */
  async otherProducts(
    key: PlanParams,
    { system, step }: StepQuery,
    gone: AbortSignal,
  ): Promise<OtherProducts> {
    const { kept, sheets } = await this.database.read(async (tx) => ({
      kept: await new PlansReader(tx).byId(key),
      sheets: (await plannedPanel(tx, key)).sheets,
    }));
    if (!kept?.plan) throw notFound('This plan');
    return this.planner.products({ plan: kept.plan, system, step, sheets }, gone);
  }

  byId(key: PlanParams): Promise<PlanView> {
    return this.database.read((tx) => keptPlan(tx, key));
  }

  /** The newest plan of a panel, or nothing yet. */
  async latest(actor: string, key: PanelParams): Promise<{ plan: PlanView | null }> {
    const view = await this.database.read(async (tx) => {
      const planned = await plannedPanel(tx, key);
      const kept = await new PlansReader(tx).latest(key);
      return kept && viewOf(kept, planned);
    });
    // A server that was stopped while it worked them out starts again.
    if (view?.plan && view.tests === null) this.testLater(actor, { ...key, plan: view.id }, view.plan);
    return { plan: view };
  }

  /** Chooses one of the plan's systems that are ready. */
  choose(
    asked: WriteRequest,
    key: PlanParams,
    { systemId, version, evenIfChanged }: Choice,
  ): Promise<{ chosen: string; version: number }> {
    return this.writes.run(asked, async (tx) => {
      const plans = new PlansWriter(tx);
      const kept = await plans.byId(key);
      if (!kept) throw notFound('This plan');
      if (!kept.plan) throw notChosen('belongs to a plan of another release: plan the panel again');
      const refusal = refusalOf(kept.plan, systemId);
      if (refusal) throw notChosen(refusal);
      const { changed } = viewOf(kept, await plannedPanel(tx, key));
      if (changed.length > 0 && !evenIfChanged)
        throw notChosen(
          'belongs to a plan whose survey, shop, target or sheets have changed since: plan again',
        );
      if (!(await plans.choose(key, systemId, version)))
        throw stale(systemId, { chosen: kept.chosen, version: kept.version });
      return { chosen: systemId, version: version + 1 };
    });
  }
}

/** Why a system is not to be chosen; null where it may be. */
function refusalOf(plan: StoredPlan, systemId: string): string | null {
  const system = plan.systems.find(({ id }) => id === systemId);
  if (!system) return 'is not in this plan';
  if (system.verdict.kind === 'refused') return `is refused: ${say(system.verdict.refusals[0]!.reason)}`;
  // The planner chooses nothing while a zone has to be set right first; nor does a person.
  return plan.chosen === null
    ? 'waits for a zone that is stopped: do the work it needs first, or plan the rest without it'
    : null;
}
