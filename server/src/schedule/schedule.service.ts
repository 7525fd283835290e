import {
  axisMin,
  isShopChanged,
  panelKeyOf,
  personCalendar,
  personOf,
  scheduleChanges,
  standingAt,
  type DatedStart,
  type NotEntered,
  type Schedule,
  type ScheduleAsk,
  type ScheduleChanges,
  type ScheduleMove,
  type ScheduleProgress,
  type ShopScheduleView,
  type ShopView,
  type StepsByNow,
  type StepStart,
} from '@blue-ledge/core';
import { Injectable } from '@nestjs/common';
import { createHash } from 'node:crypto';
import { SteadyTime } from '../clocks/steady-time.ts';
import { wallTimeOf } from '../clocks/wall-time.ts';
import { Database, type Read } from '../database/database.ts';
import { IdempotentWrites, type WriteRequest } from '../database/idempotent-writes.ts';
import { ProblemError, notFound, stale } from '../http/problem.ts';
import { PlannerService } from '../planning/planner.service.ts';
import { ShopsReader } from '../shops/shops.repository.ts';
import {
  ScheduleReader,
  ScheduleWriter,
  type KeptNotEntered,
  type KeptSchedule,
  type PanelToSchedule,
} from './schedule.repository.ts';
import type { NotYet, ScheduleMake, ScheduleMoves, ScheduleUndo } from './schedule.schemas.ts';

/** Minutes that the start of a new schedule is rounded down to. */
const STEP_MIN = 5;

/** What a schedule is made of, in one snapshot. */
interface Inputs {
  readonly shop: ShopView;
  readonly panels: readonly PanelToSchedule[];
  readonly moves: readonly ScheduleMove[];
  readonly kept: KeptSchedule | null;
}

async function inputsOf(tx: Read, shopId: string): Promise<Inputs> {
  const shop = await new ShopsReader(tx).byId(shopId);
  if (!shop) throw notFound(`Shop "${shopId}"`);
  const reader = new ScheduleReader(tx);
  return {
    shop,
    panels: await reader.panels(shop),
    moves: await reader.moves(shopId),
    kept: await reader.kept(shopId),
  };
}

/** Raised when the same work would be scheduled otherwise than before. */
const SCHEDULER_VERSION = 3;

/** Mark of all that a schedule is made of. */
function markOf({ shop, panels, moves }: Inputs): string {
  const of = panels.map(({ jobId, panelId, planId, systemId, due, head }) => [
    jobId,
    panelId,
    planId,
    systemId,
    due,
    ...(head ? [head] : []),
  ]);
  const text = JSON.stringify([SCHEDULER_VERSION, shop.version, of, moves]);
  return createHash('sha256').update(text).digest('hex');
}

const roundedDown = ({ startOn, startMin }: DatedStart): DatedStart => ({
  startOn,
  startMin: Math.floor(startMin / STEP_MIN) * STEP_MIN,
});

const pinOf = ({ jobId, panelId, n, at, personId }: ScheduleMove, start: DatedStart): StepStart[] =>
  at === null ? [] : [{ jobId, panelId, n, startMin: axisMin(start, at), personId }];

/** Whether the record of a panel says that a step of its plan is done. */
const doneIn =
  (panels: Inputs['panels']) =>
  ({ jobId, panelId, n }: Pick<NotEntered, 'jobId' | 'panelId' | 'n'>): boolean =>
    panels.some(
      (panel) =>
        panel.jobId === jobId && panel.panelId === panelId && panel.past?.doneSteps.includes(n) === true,
    );

const standing = (
  { start, schedule }: KeptSchedule,
  panels: Inputs['panels'],
  now: DatedStart,
): StepsByNow => (schedule ? standingAt(schedule, start, now, doneIn(panels)) : { underWay: [], passed: [] });

const isSame = (
  a: Pick<NotEntered, 'jobId' | 'panelId' | 'n'>,
  b: Pick<NotEntered, 'jobId' | 'panelId' | 'n'>,
): boolean => a.jobId === b.jobId && a.panelId === b.panelId && a.n === b.n;

/** What is asked about: what was, as long as nobody entered it and its plan holds, and what has passed since. */
function askedAbout({ kept, panels }: Inputs, now: DatedStart): KeptNotEntered[] {
  if (!kept) return [];
  const isDone = doneIn(panels);
  const planOf = ({ jobId, panelId }: NotEntered): string | null | undefined =>
    panels.find((panel) => panel.jobId === jobId && panel.panelId === panelId)?.planId;
  const before = (kept.notEntered ?? []).filter((step) => planOf(step) === step.planId && !isDone(step));
  const since = standing(kept, panels, now).passed.flatMap((step) => {
    const planId = planOf(step);
    return typeof planId === 'string' && !before.some((other) => isSame(step, other))
      ? [{ ...step, planId }]
      : [];
  });
  return [...before, ...since];
}

/** When each step began in a schedule, and by whom. */
const startsOf = ({ tasks }: Schedule): StepStart[] =>
  tasks
    .filter(({ part, isInserted }) => part === 1 && !isInserted)
    .map(({ jobId, panelId, n, op, startMin, heldBy, resources }) => ({
      jobId,
      panelId,
      n,
      op,
      startMin,
      heldBy,
      personId: personOf({ resources }),
    }));

type Kind = 'keep' | 'search' | 'anew';

function askOf(inputs: Inputs, now: DatedStart, kind: Kind): ScheduleAsk {
  const { shop, panels, moves, kept } = inputs;
  const before = kind === 'anew' ? null : kept;
  const start = before?.start ?? roundedDown(now);
  const begun = before ? standing(before, panels, now).underWay : [];
  const nowMin = axisMin(start, now);
  // A time that has passed holds nothing any more.
  const moved = moves.flatMap((move) => pinOf(move, start)).filter(({ startMin }) => startMin >= nowMin);
  const isMoved = (pin: StepStart): boolean => moved.some((other) => isSame(pin, other));
  return {
    shop: shop.shop,
    start,
    now,
    panels,
    pins: [...begun.filter((pin) => !isMoved(pin)), ...moved],
    ...(before?.schedule ? { before: startsOf(before.schedule) } : {}),
    effort: kind === 'keep' && before?.schedule ? 'keep' : 'search',
  };
}

/** Why a move is about nothing that can be moved; null where it is. */
function whyNotMoved(
  { jobId, panelId, n, at }: ScheduleMove,
  { panels }: Inputs,
): [field: string, why: string] | null {
  const panel = panels.find((each) => each.jobId === jobId && each.panelId === panelId);
  if (!panel) return ['panelId', 'is no panel of an open job of this shop'];
  // Letting go of a step that is gone leaves nothing behind.
  if (at === null) return null;
  const { plan, systemId, past } = panel;
  const system = plan?.systems.find(({ id }) => id === (systemId ?? plan.chosen));
  if (n > (system?.acts.length ?? 0)) return ['n', 'is no step of the system that this panel is worked by'];
  return past?.doneSteps.includes(n) ? ['n', 'is a step that was done already'] : null;
}

/** @throws {ProblemError} 422 for a step that is not there */
function mustBeThere(moves: readonly ScheduleMove[], inputs: Inputs): void {
  const problems = moves.flatMap((move, i) => {
    const why = whyNotMoved(move, inputs);
    return why ? [{ path: `moves.${i}.${why[0]}`, message: why[1] }] : [];
  });
  if (problems.length > 0) throw new ProblemError(422, 'The work was not moved.', problems);
}

const viewOf = (
  { madeOf: _madeOf, previous: _previous, notEntered = [], ...kept }: KeptSchedule,
  { shop, panels, moves }: Inputs,
): ShopScheduleView => ({
  ...kept,
  outdated: panels.flatMap((panel) =>
    panel.plan && isShopChanged(panel.plan.inputs.shop, shop.shop) ? [panelKeyOf(panel)] : [],
  ),
  notEntered: notEntered.map(({ planId: _planId, ...step }) => step),
  jobs: Object.fromEntries(panels.map(({ jobId, jobTitle }) => [jobId, jobTitle])),
  plans: Object.fromEntries(
    panels.flatMap((panel) => {
      const { planId, plan } = panel;
      const systemId = panel.systemId ?? plan?.chosen;
      return planId && systemId ? [[panelKeyOf(panel), { planId, systemId }]] : [];
    }),
  ),
  moves,
});

interface Making {
  readonly actor: string;
  readonly gone?: AbortSignal;
  /** Key under which its progress is asked for. */
  readonly key?: string | undefined;
  /** Steps that people moved are let go. */
  readonly letsGo?: boolean;
  /** What it replaces, to go back to. */
  readonly previous?: KeptSchedule['previous'];
}

/** The schedule of a shop: made off the event loop, kept, and made again with as little moved as can be. */
@Injectable()
export class ScheduleService {
  private readonly progress = new Map<string, ScheduleProgress>();
  /** Schedules that are being brought up to date, by shop and mark: whoever asks meanwhile waits for the same. */
  private readonly making = new Map<string, Promise<ShopScheduleView>>();

  constructor(
    private readonly database: Database,
    private readonly writes: IdempotentWrites,
    private readonly planner: PlannerService,
    private readonly time: SteadyTime,
  ) {}

  /** What time it is by the shop's clock, whatever a screen's own clock says; whole minutes. */
  private now(): DatedStart {
    const { startOn, startMin } = wallTimeOf(this.time.nowMs());
    return { startOn, startMin: Math.floor(startMin) };
  }

  /**
   * The schedule as it is kept, brought up to date first where a plan, a person or a move has changed since, or the time of
   * a step has passed and nobody entered it.
   */
  async get(actor: string, shopId: string): Promise<ShopScheduleView> {
    const now = this.now();
    const inputs = await this.database.read((tx) => inputsOf(tx, shopId));
    const mark = markOf(inputs);
    const { kept, panels } = inputs;
    if (kept?.madeOf === mark && standing(kept, panels, now).passed.length === 0) return viewOf(kept, inputs);
    const key = `${shopId} ${mark}`;
    const known = this.making.get(key);
    if (known) return known;
    const made = this.make(inputs, askOf(inputs, now, 'keep'), { actor }).finally(() =>
      this.making.delete(key),
    );
    this.making.set(key, made);
    return made;
  }

  /** Looks for a better schedule from now on, or starts anew. */
  search(
    asked: WriteRequest,
    shopId: string,
    { kind }: ScheduleMake,
    gone: AbortSignal,
  ): Promise<ShopScheduleView> {
    const now = this.now();
    return this.writes.around<ShopScheduleView, { readonly shopId: string }>(
      asked,
      async (keep) => {
        const inputs = await this.database.read((tx) => inputsOf(tx, shopId));
        const of = kind === 'anew' ? { ...inputs, moves: [] } : inputs;
        const made = await this.make(of, askOf(of, now, kind), {
          actor: asked.actor,
          gone,
          key: asked.clientKey,
          letsGo: kind === 'anew',
        });
        await this.database.write(asked.actor, (tx) => keep(tx, made));
        return made;
      },
      { keptOf: () => ({ shopId }), again: (tx) => this.again(tx, shopId) },
    );
  }

  /** Moves steps to a time of a person's choice; the rest follows, and moves as little as it must. */
  move(asked: WriteRequest, shopId: string, { moves }: ScheduleMoves): Promise<ShopScheduleView> {
    const now = this.now();
    return this.writes.around<ShopScheduleView, { readonly shopId: string }>(
      asked,
      async (keep) => {
        const inputs = await this.database.write(asked.actor, async (tx) => {
          const before = await inputsOf(tx, shopId);
          mustBeThere(moves, before);
          const writer = new ScheduleWriter(tx);
          for (const move of moves) await writer.move(shopId, move);
          return { ...before, moves: await writer.moves(shopId), before };
        });
        const { kept, moves: movesBefore } = inputs.before;
        const made = await this.make(inputs, askOf(inputs, now, 'keep'), {
          actor: asked.actor,
          ...(kept ? { previous: { schedule: kept.schedule, moves: movesBefore } } : {}),
        });
        await this.database.write(asked.actor, (tx) => keep(tx, made));
        return made;
      },
      { keptOf: () => ({ shopId }), again: (tx) => this.again(tx, shopId) },
    );
  }

  /** What moves would come to, by the whole schedule; nothing is kept. */
  async trial(shopId: string, { moves }: ScheduleMoves, gone: AbortSignal): Promise<ScheduleChanges> {
    const inputs = await this.database.read((tx) => inputsOf(tx, shopId));
    mustBeThere(moves, inputs);
    const others = inputs.moves.filter((move) => !moves.some((other) => isSame(move, other)));
    const tried = { ...inputs, moves: [...others, ...moves] };
    const made = await this.planner.schedule(askOf(tried, this.now(), 'keep'), {
      gone,
      onProgress: () => undefined,
    });
    if (!made.ok) throw new ProblemError(422, made.message);
    return scheduleChanges(inputs.kept?.schedule ?? null, made.schedule);
  }

  /** Takes back the move that made a version, and all that followed it. */
  undo(asked: WriteRequest, shopId: string, { version }: ScheduleUndo): Promise<ShopScheduleView> {
    return this.writes.run(asked, async (tx) => {
      const inputs = await inputsOf(tx, shopId);
      const { kept } = inputs;
      if (!kept?.previous || kept.version !== version)
        throw stale({ version }, { version: kept?.version ?? 0 });
      const writer = new ScheduleWriter(tx);
      await writer.letGoOfAll(shopId);
      const { moves, schedule } = kept.previous;
      for (const move of moves) await writer.move(shopId, move);
      const before = { ...inputs, moves };
      const again = await writer.keep(shopId, {
        madeOf: markOf(before),
        start: kept.start,
        schedule,
        ...(kept.notEntered ? { notEntered: kept.notEntered } : {}),
      });
      return viewOf(again, before);
    });
  }

  /** Somebody says that steps were not done yet: they are not asked about until their time passes again. */
  notYet(asked: WriteRequest, shopId: string, { steps }: NotYet): Promise<ShopScheduleView> {
    return this.writes.run(asked, async (tx) => {
      const inputs = await inputsOf(tx, shopId);
      const { kept } = inputs;
      if (!kept) throw notFound('This schedule');
      const notEntered = (kept.notEntered ?? []).filter((step) => !steps.some((said) => isSame(step, said)));
      const { version: _version, madeAt: _madeAt, ...body } = kept;
      return viewOf(await new ScheduleWriter(tx).keep(shopId, { ...body, notEntered }), inputs);
    });
  }

  /** A person's work as a calendar, as the schedule was kept last. */
  async calendar(shopId: string, personId: string): Promise<string> {
    const inputs = await this.database.read((tx) => inputsOf(tx, shopId));
    const { schedule, start } = inputs.kept ?? {};
    if (!schedule || !start)
      throw new ProblemError(404, 'There is no schedule yet. Open the bay of this shop once.');
    if (!schedule.people.some(({ id }) => id === personId)) throw notFound(`Person "${personId}"`);
    const { jobs } = viewOf(inputs.kept!, inputs);
    return personCalendar({ schedule, start, personId, jobs, shopName: inputs.shop.name });
  }

  progressOf(key: string): ScheduleProgress {
    return this.progress.get(key) ?? { share: 0, makespanMin: null };
  }

  private async again(tx: Read, shopId: string): Promise<ShopScheduleView> {
    const inputs = await inputsOf(tx, shopId);
    if (!inputs.kept) throw notFound('This schedule');
    return viewOf(inputs.kept, inputs);
  }

  private async make(
    inputs: Inputs,
    ask: ScheduleAsk,
    { actor, gone, key, letsGo, previous }: Making,
  ): Promise<ShopScheduleView> {
    const shopId = inputs.shop.id;
    const onProgress = (progress: ScheduleProgress): void => {
      if (key !== undefined) this.progress.set(key, progress);
    };
    try {
      const made = await this.planner.schedule(ask, { ...(gone ? { gone } : {}), onProgress });
      return await this.database.write(actor, async (tx) => {
        // It took a while: the shop may be gone since.
        if (!(await new ShopsReader(tx).byId(shopId))) throw notFound(`Shop "${shopId}"`);
        const writer = new ScheduleWriter(tx);
        if (letsGo) await writer.letGoOfAll(shopId);
        const kept = await writer.keep(shopId, {
          madeOf: markOf(inputs),
          start: ask.start,
          schedule: made.ok ? made.schedule : null,
          notEntered: askedAbout(inputs, ask.now ?? ask.start),
          ...(made.ok ? {} : { problem: made.message }),
          ...(previous ? { previous } : {}),
        });
        return viewOf(kept, inputs);
      });
    } finally {
      if (key !== undefined) this.progress.delete(key);
    }
  }
}
